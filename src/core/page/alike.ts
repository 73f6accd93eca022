import type { Raw } from '../text/bytes.ts';
import { plainElement } from './element.ts';
import { asksForNoGap, gapsIn } from './start-gaps.ts';
import { mayCome } from './sought.ts';
import { StartTree } from './start-parts.ts';
import type { Element, Frame, Found } from './types.ts';
import type { Wanted } from './wanted.ts';

/** The start of a page that has been read. */
interface Start {
  /** Where its gaps end. */
  ends: readonly number[];
  /** The page is one line: as the first line break is, so are those of what is put in. */
  isOneLine: boolean;
  /** How many places in it may be slots. */
  slots: number;
  frame: Frame;
}

/** A page that begins as one before did, and where what both have lies. */
export interface Likeness {
  /** Of that one, without its bytes. */
  frame: Frame;
  /** From an offset in that page to the same in this one, and back. */
  to: (offset: number) => number;
  back: (offset: number) => number;
}

const mostKept = 200;
/** A start with more of them is gone through on each page. */
const mostGaps = 1000;
/** So many starts are taken apart, and more only where pages have begun like one of them as often. */
const mostInVain = 12;

/**
 * Pages of a site mostly begin alike but for their titles, the words of their links and where these lead: what has been read of
 * one start holds for the next, with its offsets moved.
 */
export class AlikeStarts {
  readonly #starts = new StartTree<Start>();
  #made = 0;
  #used = 0;

  /** Gives the page as others may begin like it; null where none will. @param wanted what it was read for */
  add(whole: Frame, wanted: Wanted): Likeness | null {
    const isInVain = this.#made >= mostInVain + this.#used;
    if (isInVain || !isSure(whole, wanted)) return null;
    this.#made += 1;
    const frame = { ...whole, raw: '' };
    return this.#keep(whole, frame, wanted) ? { frame, to: same, back: same } : null;
  }

  /** Says whether what its frame tells lies where no gap does. */
  #keep(whole: Frame, frame: Frame, { scripting, slotStarts }: Wanted): boolean {
    const { raw, readTo: end } = whole;
    const gaps = gapsIn(whole, scripting);
    if (gaps.length > mostGaps) return false;
    const slots = slotStarts ?? [];
    const isTold = (at: number): boolean => at < end && gaps.every(({ from, to }) => at < from || at >= to);
    const isKept = (at: number): boolean => gaps.every(({ from, to }) => at <= from || at >= to);
    const isOneLine = !hasBreak.test(raw.slice(0, gaps[0]?.from ?? end));
    if (!slots.every(isTold) || !placesIn(whole).every(isKept) || (isOneLine && hasBreak.test(raw)))
      return false;
    if (this.#made % mostKept === 0) this.#starts.clear();
    const ends = gaps.map(gap => gap.to);
    this.#starts.add(raw, gaps, { end, start: { ends, isOneLine, slots: slots.length, frame } });
    return true;
  }

  /** The page before that one begins like, or null. @param slots offsets at which slots may stand */
  find(raw: Raw, slots: readonly number[]): Likeness | null {
    const found = this.#starts.find(raw);
    if (found?.start.slots !== slots.length || (found.start.isOneLine && hasBreak.test(raw))) return null;
    const { ends: there, frame } = found.start;
    const to = mover(there, found.ends);
    if (mayCome(raw, frame.lacking, to(frame.readTo))) return null;
    this.#used += 1;
    return { frame, to, back: mover(found.ends, there) };
  }
}

const hasBreak = /[\n\r]/;

/** All offsets that a frame tells. */
function placesIn({ headPoint, bodyPoint, main, slots, found }: Frame): number[] {
  const elements = [...slots.map(one => one.element), ...found.values()];
  const all = elements.flatMap(({ start, open, close, end, stop }) => [start, open, close, end, stop]);
  return [headPoint, bodyPoint, ...(main ? [main.insert] : []), ...all];
}

const same = (offset: number): number => offset;

/** Whether all that was asked of a page is told by its start, but for what may be another in it. */
function isSure(frame: Frame, { title, heading, selectors, skipTo }: Wanted): boolean {
  const { isComplete, charset, isFrameset, isDoubtful, bodyEnd, readTo, raw } = frame;
  const isCalm = isComplete && charset.declared && !isFrameset && !isDoubtful;
  const isPart = bodyEnd >= raw.length && readTo < raw.length;
  return isCalm && isPart && !title && !heading && [...selectors, ...skipTo].every(asksForNoGap);
}

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

/** The frame of a page that begins as one before did. */
export function frameLike({ frame, to }: Likeness, path: string, raw: Raw): Frame {
  const main = frame.main && { id: frame.main.id, insert: to(frame.main.insert) };
  const slots = frame.slots.map(({ name, element }) => ({ name, element: movedElement(element, to) }));
  const found = new Map<string, Element | Found>();
  for (const [text, element] of frame.found) found.set(text, movedElement(element, to));
  return {
    ...frame,
    path,
    raw,
    headPoint: to(frame.headPoint),
    bodyPoint: to(frame.bodyPoint),
    bodyEnd: raw.length,
    readTo: to(frame.readTo),
    main,
    slots,
    found,
  };
}

function movedElement<Kind extends Element>(element: Kind, to: (offset: number) => number): Kind {
  const { start, open, close, end, stop } = element;
  return {
    ...element,
    ...plainElement(element),
    start: to(start),
    open: to(open),
    close: to(close),
    end: to(end),
    stop: to(stop),
  };
}
