import type { SitePath } from '../address/path.ts';
import { type Raw, lowerAscii } from '../text/bytes.ts';
import { decode } from '../text/charset.ts';
import { readAttributeReferences, readReferences } from '../text/references.ts';
import { readFrame } from './frame.ts';
import { nothingWanted } from './wanted.ts';
import { collapse } from './words.ts';
import { headings } from './kinds.ts';
import { Outline } from './outline.ts';
import { Scanner } from './scanner.ts';
import type { Attribute, Frame } from './types.ts';

/** A stretch of a page: byte offsets of a tag. */
export interface Extent {
  start: number;
  end: number;
}

export interface Identified extends Extent {
  id: string;
  /** The element's name; `a` also for an old `name` of a link. */
  element: string;
}

export interface Heading extends Extent {
  level: number;
  text: string;
  id: string | null;
}

export interface Link extends Extent {
  href: string;
  /** Its text, else the alternative text of its picture. */
  text: string;
  /** The menu of Kamino's that it lies in, or null. */
  menu: string | null;
}

export interface Landmark extends Extent {
  kind: 'banner' | 'navigation' | 'main' | 'contentinfo' | 'complementary' | 'search';
  label: string | null;
}

/** All that is in a page. */
export interface FullPage {
  frame: Frame;
  ids: Identified[];
  headings: Heading[];
  links: Link[];
  landmarks: Landmark[];
  /** How many words people read in its body. */
  words: number;
  /** It asks search engines to leave it out, or sends on to another page. */
  isUnlisted: boolean;
  /** The `datetime` of its first `time`, or null. */
  date: string | null;
}

/** Reads a whole page. */
export function readFull(path: SitePath, raw: Raw): FullPage {
  const frame = readFrame(path, raw, { ...nothingWanted, end: true });
  return new FullReader(frame).read();
}

/** The ids of a page, each with the text of the heading that has it or is the first behind it; empty for none. */
export function sectionLabels(page: FullPage): Map<string, string> {
  const labels = new Map<string, string>();
  for (const [at, { id, start }] of page.ids.entries()) {
    if (labels.has(id)) continue;
    const heading = page.headings.find(one => one.start >= start);
    const next = page.ids[at + 1]?.start ?? Infinity;
    labels.set(id, heading && heading.start <= next ? heading.text : '');
  }
  return labels;
}

/** The headings of a page, each with its own id or that of the section that it begins. */
export function sectionHeadings(
  page: FullPage,
): { level: number; text: string; id: string | null; insert: number }[] {
  const labels = sectionLabels(page);
  let at = 0;
  return page.headings.map(({ level, text, id, start }, number) => {
    const before = page.headings[number - 1]?.start ?? -1;
    while (at < page.ids.length && page.ids[at]!.start <= before) at += 1;
    const around = page.ids
      .slice(at)
      .filter(one => one.start < start && sectionElements.has(one.element) && labels.get(one.id) === text);
    // Behind the `<`, the letter and the figure.
    return { level, text, id: id ?? around.at(-1)?.id ?? null, insert: start + 3 };
  });
}

const sectionElements: ReadonlySet<string> = new Set(['section', 'div', 'article', 'a']);

interface OpenText {
  closes: string;
  parts: Raw[];
  done: (text: string) => void;
}

/** Landmarks by element; `header` and `footer` count only outside the parts of a page that have their own. */
const landmarkOf: Record<string, Landmark['kind']> = {
  header: 'banner',
  nav: 'navigation',
  main: 'main',
  footer: 'contentinfo',
  aside: 'complementary',
  search: 'search',
};
const roles = new Set<string>(Object.values(landmarkOf));
const sectioning = new Set(['article', 'aside', 'main', 'nav', 'section']);
const inert = new Set(['template']);

class FullReader {
  readonly #frame: Frame;
  readonly #scanner: Scanner;
  readonly #outline: Outline;
  readonly #page: FullPage;
  /** Texts being read: of a heading, of a link. */
  #open: OpenText[] = [];
  #menus: { name: string; depth: number }[] = [];

  constructor(frame: Frame) {
    this.#frame = frame;
    this.#scanner = new Scanner(frame.raw, frame.raw.startsWith('\xef\xbb\xbf') ? 3 : 0);
    this.#outline = new Outline(this.#scanner, false);
    this.#page = {
      frame,
      ids: [],
      headings: [],
      links: [],
      landmarks: [],
      words: 0,
      isUnlisted: false,
      date: null,
    };
  }

  read(): FullPage {
    const scanner = this.#scanner;
    while (scanner.next(this.#outline.inForeign) !== 'done') {
      if (scanner.kind === 'start') this.#onStart();
      else if (scanner.kind === 'end') this.#onEnd();
      else if (scanner.kind === 'text' && !this.#outline.isInside(unread)) this.#onText();
    }
    for (const one of this.#open.reverse()) this.#finish(one);
    return this.#page;
  }

  #onText(): void {
    const { start, end } = this.#scanner;
    const text = this.#frame.raw.slice(start, end);
    if (start >= this.#frame.bodyPoint) this.#page.words += text.match(/[^\t\n\f\r ]+/g)?.length ?? 0;
    for (const one of this.#open) one.parts.push(text);
  }

  #onStart(): void {
    const scanner = this.#scanner;
    const { name, start, end } = scanner;
    if (!this.#outline.before(name)) return;
    const isInert = this.#outline.isInside(inert);
    const within = this.#outline.within();
    this.#outline.open();
    this.#leaveMenus();
    if (isInert) return;
    const attributes = scanner.attributes();
    const extent = { start, end };
    const menu = this.#value(attributes, 'data-kamino');
    if (menu !== null && this.#outline.within().length > within.length) {
      this.#menus.push({ name: menu, depth: within.length });
    }
    const id = this.#value(attributes, 'id');
    if (id) this.#page.ids.push({ ...extent, id, element: name });
    const oldName = name === 'a' ? this.#value(attributes, 'name') : null;
    if (oldName && oldName !== id) this.#page.ids.push({ ...extent, id: oldName, element: name });
    this.#readLandmark(name, attributes, within, extent);
    if (headings.has(name)) this.#readHeading(name, id || null, extent);
    else if (name === 'a' || name === 'area') this.#readLink(name, attributes, extent);
    else if (name === 'meta') this.#readMeta(attributes);
    else if (name === 'time') this.#page.date ??= this.#value(attributes, 'datetime');
    else if (name === 'img') this.#readAlternative(attributes);
    else if (name === 'br') for (const one of this.#open) one.parts.push(' ');
  }

  #onEnd(): void {
    const { name } = this.#scanner;
    this.#outline.close();
    this.#leaveMenus();
    const isHeading = headings.has(name);
    for (const one of this.#open.filter(
      ({ closes }) => closes === name || (isHeading && headings.has(closes)),
    ))
      this.#finish(one);
  }

  #leaveMenus(): void {
    const depth = this.#outline.within().length;
    this.#menus = this.#menus.filter(menu => depth > menu.depth);
  }

  #readHeading(name: string, id: string | null, extent: Extent): void {
    const heading: Heading = { ...extent, level: Number(name[1]), text: '', id };
    this.#page.headings.push(heading);
    this.#open = this.#open.filter(one => !headings.has(one.closes));
    this.#open.push({ closes: name, parts: [], done: text => (heading.text = text) });
  }

  #readLink(name: string, attributes: readonly Attribute[], extent: Extent): void {
    const href = this.#value(attributes, 'href');
    for (const one of this.#open.filter(({ closes }) => closes === 'a')) this.#finish(one);
    if (href === null) return;
    const alt = name === 'area' ? (this.#value(attributes, 'alt') ?? '') : '';
    const link: Link = { ...extent, href, text: alt, menu: this.#menus.at(-1)?.name ?? null };
    this.#page.links.push(link);
    if (name === 'a') this.#open.push({ closes: 'a', parts: [], done: text => (link.text = text) });
  }

  #readMeta(attributes: readonly Attribute[]): void {
    const isRobots = lowerAscii(this.#value(attributes, 'name') ?? '') === 'robots';
    const isRefresh = lowerAscii(this.#value(attributes, 'http-equiv') ?? '') === 'refresh';
    const content = this.#value(attributes, 'content') ?? '';
    if ((isRobots && /noindex|none/i.test(content)) || (isRefresh && /url\s*=/i.test(content)))
      this.#page.isUnlisted = true;
  }

  #readAlternative(attributes: readonly Attribute[]): void {
    const alt = attributes.find(one => one.name === 'alt')?.value;
    if (alt) for (const one of this.#open) one.parts.push(alt);
  }

  #readLandmark(
    name: string,
    attributes: readonly Attribute[],
    within: readonly string[],
    extent: Extent,
  ): void {
    const role = lowerAscii(this.#value(attributes, 'role') ?? '').split(' ')[0]!;
    const isInner = (name === 'header' || name === 'footer') && within.some(one => sectioning.has(one));
    const kind = roles.has(role)
      ? (role as Landmark['kind'])
      : role === '' && !isInner
        ? landmarkOf[name]
        : undefined;
    if (kind === undefined || this.#outline.inForeign) return;
    this.#page.landmarks.push({ ...extent, kind, label: this.#value(attributes, 'aria-label') });
  }

  #finish(one: OpenText): void {
    this.#open = this.#open.filter(other => other !== one);
    one.done(collapse(readReferences(decode(one.parts.join(''), this.#frame.charset))));
  }

  #value(attributes: readonly Attribute[], name: string): string | null {
    const found = attributes.find(one => one.name === name);
    return found ? readAttributeReferences(decode(found.value, this.#frame.charset)) : null;
  }
}

/** Their content is no text for people. */
const unread = new Set(['script', 'style', 'template', 'noscript']);
