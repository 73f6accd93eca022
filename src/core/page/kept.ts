import type { Raw } from '../text/bytes.ts';
import type { NumberReader, NumberWriter, Part } from '../text/numbers.ts';
import type { Own } from '../text/own.ts';
import type { FullPage, Heading, Identified, Link, LinkSummary } from './content.ts';
import { plainElement } from './element.ts';
import type { Resource } from './resources.ts';
import type { Frame, Slot } from './types.ts';

/** Writes all of a page but for its frame. */
export function writePage(page: FullPage, to: NumberWriter): void {
  to.text(page.date);
  to.text(page.modified);
  to.number(page.words);
  to.number(Number(page.isUnlisted));
  to.part(() => {
    writePlaces(page, to);
  });
  to.part(() => {
    writeOthers(page, to);
  });
  to.part(() => {
    writeSummary(page.linkSummary, to);
  });
  to.part(() => {
    to.each(page.links, one => {
      to.extent(one);
      to.text(one.href);
      to.text(one.menu);
      to.number(Number(one.isCurrent));
    });
  });
}

function writeSummary({ count, menus, hasCurrent }: LinkSummary, to: NumberWriter): void {
  to.number(count);
  to.each(menus, one => {
    to.text(one);
  });
  to.number(Number(hasCurrent));
}

function readSummary(from: NumberReader): LinkSummary {
  return { count: from.number(), menus: from.each(() => from.text()), hasCurrent: from.number() === 1 };
}

type Places = Pick<FullPage, 'headings' | 'ids'>;

function writePlaces({ headings, ids }: Places, to: NumberWriter): void {
  const numbers = new Map(headings.map((one, at) => [one, at]));
  to.each(headings, one => {
    to.extent(one);
    to.number(one.level);
    to.text(one.text);
    to.text(one.id);
    to.number(Number(one.isContent));
  });
  to.each(ids, one => {
    to.extent(one);
    to.text(one.id);
    to.text(one.element);
    to.number(one.heading === null ? -1 : numbers.get(one.heading)!);
  });
}

function readPlaces(from: NumberReader): Places {
  const headings = from.each<Heading>(() => ({
    start: from.start(),
    end: from.end(),
    level: from.number(),
    text: from.text(),
    id: from.textOrNull(),
    isContent: from.number() === 1,
  }));
  const ids = from.each<Identified>(() => ({
    start: from.start(),
    end: from.end(),
    id: from.text(),
    element: from.text(),
    heading: headings[from.number()] ?? null,
  }));
  return { headings, ids };
}

type Others = Pick<FullPage, 'resources' | 'styles' | 'refreshes' | 'windows' | 'surplus'>;

function writeOthers({ resources, styles, refreshes, windows, surplus }: Others, to: NumberWriter): void {
  to.each(resources, one => {
    to.extent(one);
    to.text(one.kind);
    to.text(one.address);
  });
  for (const all of [styles, refreshes, windows])
    to.each(all, one => {
      to.extent(one);
    });
  to.each(surplus, one => {
    to.extent(one);
    to.text(one.name);
  });
}

function readOthers(from: NumberReader): Others {
  const resources = from.each<Resource>(() => ({
    start: from.start(),
    end: from.end(),
    kind: from.text() as Resource['kind'],
    address: from.text(),
  }));
  const extents = (): Others['styles'] => from.each(() => from.extent());
  const [styles, refreshes, windows] = [extents(), extents(), extents()];
  const surplus = from.each(() => ({ ...from.extent(), name: from.text() }));
  return { resources, styles, refreshes, windows, surplus };
}

function readLinks(from: NumberReader): Link[] {
  return from.each(() => ({
    start: from.start(),
    end: from.end(),
    href: from.text(),
    menu: from.textOrNull(),
    isCurrent: from.number() === 1,
  }));
}

/** What was made last: the same page is asked again and again, and then the next one. */
function lastOf<Made>(make: (from: NumberReader) => Made): (from: Part) => Made {
  let last: { from: Part; made: Made } | null = null;
  return from => {
    if (last?.from !== from) last = { from, made: make(from.read()) };
    return last.made;
  };
}

const placesIn = lastOf(readPlaces);
const othersIn = lastOf(readOthers);
const linksIn = lastOf(readLinks);

/** What is known of a page without its bytes. */
export type FrameFacts = Omit<Frame, 'raw'>;

/** One for all frames: with an own accessor each would be a table of its properties. */
const withBytes = {
  get raw(): Raw {
    return (this as unknown as { read: () => Raw }).read();
  },
};

/**
 * A page as it is kept beside thousands of others: nothing of it holds on to its bytes, which are read again when
 * somebody asks, and what stands in it is made of numbers whenever somebody asks for it.
 */
export class KeptPage implements FullPage {
  readonly frame: Frame;
  readonly date: string | null;
  readonly modified: string | null;
  readonly words: number;
  readonly isUnlisted: boolean;
  readonly #places: Part;
  readonly #others: Part;
  readonly #summary: Part;
  readonly #links: Part;

  /** @param read gives the bytes */
  constructor(frame: FrameFacts, from: NumberReader, read: () => Raw) {
    this.frame = Object.setPrototypeOf({ ...frame, read }, withBytes) as Frame;
    [this.date, this.modified] = [from.textOrNull(), from.textOrNull()];
    [this.words, this.isUnlisted] = [from.number(), from.number() === 1];
    [this.#places, this.#others] = [from.part(), from.part()];
    [this.#summary, this.#links] = [from.part(), from.part()];
  }

  get headings(): Heading[] {
    return placesIn(this.#places).headings;
  }

  get ids(): Identified[] {
    return placesIn(this.#places).ids;
  }

  get links(): Link[] {
    return linksIn(this.#links);
  }

  get linkSummary(): LinkSummary {
    return readSummary(this.#summary.read());
  }

  get resources(): Resource[] {
    return othersIn(this.#others).resources;
  }

  get styles(): FullPage['styles'] {
    return othersIn(this.#others).styles;
  }

  get refreshes(): FullPage['refreshes'] {
    return othersIn(this.#others).refreshes;
  }

  get windows(): FullPage['windows'] {
    return othersIn(this.#others).windows;
  }

  get surplus(): FullPage['surplus'] {
    return othersIn(this.#others).surplus;
  }
}

/** A frame without its bytes and the elements that were found in them, for what is kept or travels between threads. */
export function keptFrame({ raw, ...frame }: Frame, own: Own): FrameFacts {
  const text = (value: string | null): string | null => (value === null ? null : own(value));
  const { main, slots } = frame;
  return {
    ...frame,
    base: text(frame.base),
    language: text(frame.language),
    title: text(frame.title),
    heading: text(frame.heading),
    main: main && { ...main, id: text(main.id) },
    slots: slots.map(keptSlot),
    found: nothing,
  };
}

const nothing: Frame['found'] = new Map();

/** Without the tree that its element stands in. */
function keptSlot({ name, element }: Slot): Slot {
  return { name, element: plainElement(element) };
}
