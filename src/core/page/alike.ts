import type { Raw } from '../text/bytes.ts';
import { plainElement } from './element.ts';
import type { Element, Frame, Found } from './types.ts';

/** The start of a page that has been read, without its title, which may be another on the next page. */
interface Start {
  before: Raw;
  after: Raw;
  /** Where `after` begins. */
  at: number;
  /** How many places in it may be slots. */
  slots: number;
  frame: Frame;
}

const mostKept = 6;

/** A page that begins as one before did: what is at or behind `from` in that one lies `by` bytes further on. */
export interface Likeness {
  frame: Frame;
  from: number;
  by: number;
}

/**
 * Pages of a site mostly begin alike but for their titles: what has been read of one start holds for the next, with its
 * offsets moved by the difference in length.
 */
export class AlikeStarts {
  readonly #starts: Start[] = [];

  /** @param slots offsets at which slots may stand */
  add(frame: Frame, slots: readonly number[]): void {
    const { raw, readTo } = frame;
    const title = titleOf(raw, readTo);
    const isSure = frame.isComplete && frame.charset.declared && !frame.isFrameset && !frame.isDoubtful;
    if (!title || !isSure || frame.bodyEnd < raw.length || slots.some(at => at >= readTo)) return;
    this.#starts.unshift({
      before: raw.slice(0, title.from),
      after: raw.slice(title.to, readTo),
      at: title.to,
      slots: slots.length,
      frame,
    });
    if (this.#starts.length > mostKept) this.#starts.pop();
  }

  /** The page before that one begins like, or null. */
  find(raw: Raw, slots: readonly number[]): Likeness | null {
    if (this.#starts.length === 0) return null;
    const title = titleOf(raw, raw.length);
    if (!title) return null;
    for (const { before, after, at, frame, slots: count } of this.#starts) {
      if (before.length !== title.from || count !== slots.length) continue;
      // Two texts of one length are compared faster than the start of one is.
      if (raw.slice(title.to, title.to + after.length) === after && raw.startsWith(before))
        return { frame, from: at, by: title.to - at };
    }
    return null;
  }
}

/** The text of the first title, where it is text alone, without template code. */
function titleOf(raw: Raw, most: number): { from: number; to: number } | null {
  const open = raw.indexOf('<title>');
  if (open < 0) return null;
  const from = open + '<title>'.length;
  const to = raw.indexOf('<', from);
  if (to < 0 || to >= most || !raw.startsWith('</title>', to)) return null;
  const brace = raw.indexOf('{', from);
  return brace >= 0 && brace < to ? null : { from, to };
}

/** The frame of a page that begins as one before did. */
export function frameLike({ frame, from, by }: Likeness, path: string, raw: Raw): Frame {
  const to = (offset: number): number => (offset >= from ? offset + by : offset);
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
