import type { Raw } from '../text/bytes.ts';
import { gapsIn } from './start-gaps.ts';
import { type Gap, StartTree } from './start-parts.ts';

/** The start of a page that has been gone through, and what was learnt from it. */
export interface KnownStart<Told> {
  raw: Raw;
  /** Where it ends: nothing behind it was looked at. */
  end: number;
  /** Behind the `body` tag, where texts before it have a say; 0 where none has. */
  bodyPoint: number;
  scripting: boolean;
  told: Told;
  /** All offsets in what is told. */
  places: readonly number[];
  /** Offsets at which something is written that has a say: another page has as many. */
  marks: readonly number[];
}

/** A page that begins as one before did, and where what both have lies. */
export interface Alike<Told> {
  told: Told;
  /** From an offset in that page to the same in this one, and back. */
  to: (offset: number) => number;
  back: (offset: number) => number;
}

interface Start<Told> {
  told: Told;
  /** Where its gaps end. */
  ends: readonly number[];
  /** The page is one line: as the first line break is, so are those of what is put in. */
  isOneLine: boolean;
  marks: number;
}

const mostKept = 200;
/** A start with more of them is gone through on each page. */
const mostGaps = 1000;
/** So many starts are taken apart, and more only where pages have begun like one of them as often. */
const mostInVain = 12;

/**
 * Pages of a site mostly begin alike but for their titles, the words of their links and where these lead: what has been learnt
 * from one start holds for the next, with its offsets moved.
 */
export class AlikePages<Told> {
  readonly #starts = new StartTree<Start<Told>>();
  #made = 0;
  #used = 0;

  /** Whether more starts are worth to be taken apart. */
  get isWorth(): boolean {
    return this.#made < mostInVain + this.#used;
  }

  /** Says whether others may begin so: what is told, and the marks, must lie where no gap does. */
  add({ raw, end, bodyPoint, scripting, told, places, marks }: KnownStart<Told>): boolean {
    this.#made += 1;
    const gaps = end < raw.length ? gapsIn(raw, { end, bodyPoint, scripting }) : [];
    const isOneLine = !hasBreak.test(raw.slice(0, gaps[0]?.from ?? end));
    const isOther = gaps.length === 0 || gaps.length > mostGaps || (isOneLine && hasBreak.test(raw));
    if (isOther || !places.every(at => isKept(at, gaps)) || !marks.every(at => at < end && isTold(at, gaps)))
      return false;
    if (this.#made % mostKept === 0) this.#starts.clear();
    const ends = gaps.map(gap => gap.to);
    this.#starts.add(raw, gaps, { end, start: { told, ends, isOneLine, marks: marks.length } });
    return true;
  }

  /** The page before that one begins like, or null. @param marks as for that */
  find(raw: Raw, marks: readonly number[]): Alike<Told> | null {
    const found = this.#starts.find(raw);
    if (found?.start.marks !== marks.length || (found.start.isOneLine && hasBreak.test(raw))) return null;
    const { told, ends } = found.start;
    return { told, to: mover(ends, found.ends), back: mover(found.ends, ends) };
  }

  /** What was found has been of use. */
  use(): void {
    this.#used += 1;
  }
}

const hasBreak = /[\n\r]/;

const isKept = (place: number, gaps: readonly Gap[]): boolean =>
  gaps.every(({ from, to }) => place <= from || place >= to);

const isTold = (mark: number, gaps: readonly Gap[]): boolean =>
  gaps.every(({ from, to }) => mark < from || mark >= to);

/** @param from where gaps end in one page; @param to the same in another */
function mover(from: readonly number[], to: readonly number[]): (offset: number) => number {
  return offset => {
    let [low, high] = [0, from.length];
    while (low < high) {
      const middle = (low + high) >> 1;
      if (from[middle]! <= offset) low = middle + 1;
      else high = middle;
    }
    return low === 0 ? offset : offset - from[low - 1]! + to[low - 1]!;
  };
}
