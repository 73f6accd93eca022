import type { Raw } from '../text/bytes.ts';
import { type Alike, AlikePages } from './alike-pages.ts';
import { movedElement, offsetsOf } from './element.ts';
import { mayCome } from './sought.ts';
import { asksForNoGap } from './start-gaps.ts';
import type { Element, Frame, Found } from './types.ts';
import type { Wanted } from './wanted.ts';

/** A page that begins as one before did: what is told is the frame of that one, without its bytes. */
export type Likeness = Alike<Frame>;

/** What has been read of the starts of pages. */
export class AlikeStarts {
  readonly #pages = new AlikePages<Frame>();

  /** Gives the page as others may begin like it; null where none will. @param wanted what it was read for */
  add(whole: Frame, wanted: Wanted): Likeness | null {
    if (!this.#pages.isWorth || !isSure(whole, wanted)) return null;
    const { raw, readTo: end, bodyPoint } = whole;
    const told = { ...whole, raw: '' };
    const [marks, places] = [wanted.slotStarts ?? [], placesIn(whole)];
    const start = { raw, end, bodyPoint, scripting: wanted.scripting, told, places, marks };
    return this.#pages.add(start) ? { told, to: same, back: same } : null;
  }

  /** The page before that one begins like, or null. @param slots offsets at which slots may stand */
  find(raw: Raw, slots: readonly number[]): Likeness | null {
    const like = this.#pages.find(raw, slots);
    if (!like || mayCome(raw, like.told.lacking, like.to(like.told.readTo))) return null;
    this.#pages.use();
    return like;
  }
}

/** All offsets that a frame tells. */
function placesIn({ headPoint, bodyPoint, main, slots, found }: Frame): number[] {
  const elements = [...slots.map(one => one.element), ...found.values()];
  return [headPoint, bodyPoint, ...(main ? [main.insert] : []), ...elements.flatMap(offsetsOf)];
}

const same = (offset: number): number => offset;

/** Whether all that was asked of a page is told by its start, but for what may be another in it. */
function isSure(frame: Frame, { title, heading, selectors, skipTo }: Wanted): boolean {
  const { isComplete, charset, isFrameset, isDoubtful, bodyEnd, raw } = frame;
  const isCalm = isComplete && charset.declared && !isFrameset && !isDoubtful;
  const isOfStart = bodyEnd >= raw.length && !title && !heading;
  return isCalm && isOfStart && [...selectors, ...skipTo].every(asksForNoGap);
}

/** The frame of a page that begins as one before did. */
export function frameLike({ told: frame, to }: Likeness, path: string, raw: Raw): Frame {
  const main = frame.main && { id: frame.main.id, insert: to(frame.main.insert) };
  const slots = frame.slots.map(({ name, element }) => ({ name, element: movedElement(element, to) }));
  const found = new Map<string, Element | Found>();
  // What was found in the whole page, with more than an element has, is in no frame that is kept.
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
