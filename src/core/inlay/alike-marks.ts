import { AlikePages } from '../page/alike-pages.ts';
import { movedElement, offsetsOf } from '../page/element.ts';
import type { Element } from '../page/types.ts';
import type { Raw } from '../text/bytes.ts';

/** A part of a page that Kamino put in: bytes from `start` up to `end`. */
export interface Inlaid {
  /** The menu's name or a reserved word; null for an id. */
  name: string | null;
  /** The id that an element was given, where the part is one. */
  id: string | null;
  /** The hash of what was taken out for it, or null. */
  was: string | null;
  start: number;
  /** Where the end tag is gone, as far as the part is surely Kamino's. */
  end: number;
  /** Whether somebody has changed it since Kamino wrote it. */
  isEdited: boolean;
  /** The end tag that somebody has taken out, where one is missing. */
  lacks: string | null;
}

/** A part of Kamino's as it was met: whether it is as it was written is not known yet. */
export interface Sealed {
  name: string;
  was: string | null;
  seal: string;
  element: Element;
  /** What the whole of a menu lies in. */
  room: Element | null;
}

/** What was met on the way through a page. */
export interface MetMarks {
  readonly found: readonly (Sealed | Inlaid)[];
  readonly foreign: readonly { start: number; end: number }[];
}

/** Where parts of Kamino's stand in pages that begin alike. */
export class AlikeMarks {
  readonly #pages = new AlikePages<MetMarks>();

  /** @param end how far the page was gone through; @param starts where attributes of Kamino's may stand */
  add(raw: Raw, { end, starts, met }: { end: number; starts: readonly number[]; met: MetMarks }): void {
    if (!this.#pages.isWorth) return;
    const told = moved(met, offset => offset);
    this.#pages.add({
      ...{ raw, end, bodyPoint: 0, scripting: true, told, marks: starts },
      places: [...met.found.flatMap(placesIn), ...met.foreign.flatMap(one => [one.start, one.end])],
    });
  }

  /** What stands in a page that begins like one before; null where it begins like none. */
  find(raw: Raw, starts: readonly number[]): MetMarks | null {
    const like = this.#pages.find(raw, starts);
    if (!like) return null;
    this.#pages.use();
    return moved(like.told, like.to);
  }
}

function placesIn(one: Sealed | Inlaid): number[] {
  if (!('element' in one)) return [one.start, one.end];
  return [...offsetsOf(one.element), ...(one.room ? offsetsOf(one.room) : [])];
}

function moved({ found, foreign }: MetMarks, to: (offset: number) => number): MetMarks {
  return {
    found: found.map(one => {
      if (!('element' in one)) return { ...one, start: to(one.start), end: to(one.end) };
      const { name, was, seal, element, room } = one;
      return { name, was, seal, element: movedElement(element, to), room: room && movedElement(room, to) };
    }),
    foreign: foreign.map(({ start, end }) => ({ start: to(start), end: to(end) })),
  };
}
