import type { NumberReader, NumberWriter, Part } from '../text/numbers.ts';
import type { HandEntry, HandMenu, HandPicture } from './types.ts';

/** Writes menus for {@link readMenus}. */
export function writeMenus(menus: readonly HandMenu[], to: NumberWriter): void {
  to.each(menus, menu => {
    to.extent(menu);
    to.number(menu.open - menu.start);
    for (const text of [menu.kind, menu.region, menu.element]) to.text(text);
    to.number(Number(menu.isStacked));
    to.each(menu.unclosed, one => {
      to.extent(one);
    });
    to.part(() => {
      to.part(() => {
        to.each(menu.entries, one => {
          writeEntry(one, to);
        });
      });
      to.each(menu.selectors, one => {
        to.text(one);
      });
    });
  });
}

function writeEntry({ label, href, marks, picture, ...entry }: HandEntry, to: NumberWriter): void {
  to.text(label);
  to.text(href);
  to.extent(entry);
  to.each(marks, one => to.text(one));
  to.text(picture && JSON.stringify(picture));
  to.each(entry.entries, one => writeEntry(one, to));
}

function readEntry(from: NumberReader): HandEntry {
  return {
    label: from.text(),
    href: from.textOrNull(),
    start: from.start(),
    end: from.end(),
    marks: from.each(() => from.text()),
    picture: pictureFrom(from.textOrNull()),
    entries: from.each(() => readEntry(from)),
  };
}

const pictureFrom = (text: string | null): HandPicture | null =>
  text === null ? null : (JSON.parse(text) as HandPicture);

/** The menus of a page as they are kept beside those of thousands of pages. */
export function readMenus(from: NumberReader): HandMenu[] {
  return from.each(() => new KeptMenu(from));
}

class KeptMenu implements HandMenu {
  readonly start: number;
  readonly open: number;
  readonly end: number;
  readonly kind: HandMenu['kind'];
  readonly region: HandMenu['region'];
  readonly element: string;
  readonly isStacked: boolean;
  readonly unclosed: HandMenu['unclosed'];
  readonly #rest: Part;

  constructor(from: NumberReader) {
    [this.start, this.end] = [from.start(), from.end()];
    this.open = this.start + from.number();
    this.kind = from.text() as HandMenu['kind'];
    this.region = from.text() as HandMenu['region'];
    this.element = from.text();
    this.isStacked = from.number() === 1;
    this.unclosed = from.each(() => from.extent());
    this.#rest = from.part();
  }

  /** They are made whenever somebody asks, and are not the same ones twice. */
  get entries(): HandEntry[] {
    const from = this.#rest.read().part().read();
    return from.each(() => readEntry(from));
  }

  /** As well. */
  get selectors(): string[] {
    const from = this.#rest.read();
    from.part();
    return from.each(() => from.text());
  }
}
