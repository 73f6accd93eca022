import type { Raw } from '../text/bytes.ts';
import { isWhite } from '../page/codes.ts';
import { voidElements } from '../page/kinds.ts';
import { indentAt, lineBreakOf } from '../page/lines.ts';
import { Offsets } from '../page/offsets.ts';
import type { Scanner } from '../page/scanner.ts';
import { isOver } from '../page/sought.ts';
import type { Element } from '../page/types.ts';
import { type Listener, Walk } from '../page/walk.ts';
import { attributeStarts } from '../page/wanted.ts';
import {
  idAttribute,
  inlayAttribute,
  parts as classes,
  reserved,
  sealAttribute,
  wasAttribute,
} from '../markup/names.ts';
import { endByChecksum, isAsSealed } from '../markup/seal.ts';
import { AlikeMarks, type Inlaid, type MetMarks, type Sealed } from './alike-marks.ts';

export type { Inlaid } from './alike-marks.ts';

/** What in a page says that it is Kamino's. */
export interface Marks {
  /** In the order of the page. */
  parts: readonly Inlaid[];
  /** Tags with an attribute of Kamino's that it did not write. */
  foreign: readonly { start: number; end: number }[];
}

const noMarks: Marks = { parts: [], foreign: [] };

/** What Kamino put into a page. */
export function findMarks(raw: Raw): Marks {
  if (last.raw === raw) return last.marks;
  const marks = marksIn(raw, alike);
  last = { raw, marks };
  return marks;
}

/** Pages are lifted one after another, and most begin alike. */
const alike = new AlikeMarks();

/** @param known what has been met in pages before, and is in this one */
export function marksIn(raw: Raw, known: AlikeMarks): Marks {
  const starts = attributeStarts(raw).others;
  if (starts.length === 0) return noMarks;
  const { found, foreign } = known.find(raw, starts) ?? metMarks(raw, starts, known);
  const parts = withoutInner(found.map(one => partOf(raw, one)));
  return { parts, foreign: foreign.filter(one => !parts.some(part => isInside(one, part))) };
}

/** @param starts where attributes of Kamino's may stand */
function metMarks(raw: Raw, starts: readonly number[], known: AlikeMarks): MetMarks {
  const walk = new Walk(raw, true);
  const finder = new MarkFinder(walk, starts);
  walk.run([finder]);
  known.add(raw, { end: walk.scanner.end, starts, met: finder });
  return finder;
}

export function findInlaid(raw: Raw): readonly Inlaid[] {
  return findMarks(raw).parts;
}

/** The last page that was looked at: a page is lifted, compared and told of one after the other. */
let last: { raw: Raw; marks: Marks } = { raw: '', marks: noMarks };

function isInside(one: { start: number }, part: Inlaid): boolean {
  return part.start <= one.start && one.start < part.end;
}

/** Hears where parts of Kamino's begin and end. */
class MarkFinder implements Listener, MetMarks {
  readonly found: (Sealed | Inlaid)[] = [];
  readonly foreign: { start: number; end: number }[] = [];
  readonly #walk: Walk;
  /** Where attributes of Kamino's may stand. */
  readonly #starts: Offsets;
  #marks: Omit<Sealed, 'element' | 'room'> | null = null;
  #isRoom = false;

  constructor(walk: Walk, starts: readonly number[]) {
    this.#walk = walk;
    this.#starts = new Offsets(starts);
  }

  /** All that may be Kamino's has been passed, and each part of it has ended. */
  isDone(): boolean {
    const { end } = this.#walk.scanner;
    if (this.#starts.last >= end) return false;
    return this.found.every(one => !('element' in one) || this.#isOver(one, end));
  }

  #isOver({ element, room }: Sealed, place: number): boolean {
    if (!isOver(element)) return false;
    return room ? isOver(room) : place > element.open + roomWithin || element.end >= 0;
  }

  idleTo(): number {
    const { end } = this.#walk.scanner;
    return this.#waitsForRoom(end) ? Infinity : this.#starts.next(end);
  }

  hearsText(): boolean {
    return false;
  }

  asks(): boolean {
    const { scanner } = this.#walk;
    this.#marks = this.#isMarked() ? this.#sealed(scanner) : null;
    this.#isRoom = this.#marks === null && this.#startsRoom();
    return this.#marks !== null || this.#isRoom;
  }

  onTag(): void {
    if (!this.#walk.outline.isInert) return;
    // A template's content is no part of the page.
    this.#marks = null;
  }

  onStart(element: Element | null): void {
    if (!element) return;
    // Written out: taking an object apart into another takes ten times as long.
    const marks = this.#marks;
    if (marks) this.found.push({ name: marks.name, was: marks.was, seal: marks.seal, element, room: null });
    const before = this.found.at(-1);
    if (this.#isRoom && before && 'room' in before) before.room = element;
  }

  #isMarked(): boolean {
    const { start, end } = this.#walk.scanner;
    return this.#starts.next(start) < end;
  }

  #sealed(scanner: Scanner): Omit<Sealed, 'element' | 'room'> | null {
    const { start, end } = scanner;
    const attributes = scanner.attributes();
    const value = (name: string): string | undefined => attributes.find(one => one.name === name)?.value;
    const name = value(inlayAttribute);
    const seal = value(sealAttribute);
    const was = value(wasAttribute) ?? null;
    if (name !== undefined && /^[\da-f]{8}$/.test(seal ?? '')) return { name, was, seal: seal! };
    // Somebody has taken the checksum out.
    if (name !== undefined && (was !== null || isLikeOurs(scanner.name, name, value('class'))))
      return { name, was, seal: '' };
    const id = value(idAttribute);
    const given = id === undefined ? null : givenId(this.#walk.raw, { start, end }, id);
    if (given) this.found.push(given);
    if (name !== undefined || (id !== undefined && !given)) this.foreign.push({ start, end });
    return null;
  }

  /** Whether this tag begins what the whole of the menu before it lies in. */
  #startsRoom(): boolean {
    const { raw, scanner } = this.#walk;
    const { start, end } = scanner;
    const from = this.#waitsForRoom(start) ? (this.found.at(-1) as Sealed).element.open : -1;
    if (from < 0 || !isWhite(raw, from, start)) return false;
    return raw.slice(start, end).includes(`class="${classes.room}"`);
  }

  /** Whether what the whole of the menu just met lies in may still begin. */
  #waitsForRoom(place: number): boolean {
    const before = this.found.at(-1);
    if (!before || !('room' in before) || before.room) return false;
    return place - before.element.open < roomWithin;
  }
}

/** What the whole of a menu lies in begins so many bytes behind its tag, or does not. */
const roomWithin = 1000;

/** Whether an element is written as Kamino writes its own. */
function isLikeOurs(tag: string, name: string, className = ''): boolean {
  if (tag === 'link') return name === reserved.style;
  if (tag === 'script') return name === reserved.script;
  if (tag === 'meta') return name === reserved.viewport;
  return className.split(/\s+/).some(one => one === classes.menu || one === classes.skip);
}

/** An id with its mark, in either order; null where somebody has given the element another id. */
function givenId(raw: Raw, tag: { start: number; end: number }, id: string): Inlaid | null {
  const text = raw.slice(tag.start, tag.end);
  for (const written of [` ${idAttribute}="${id}" id="${id}"`, ` id="${id}" ${idAttribute}="${id}"`]) {
    const at = text.indexOf(written);
    if (at < 0) continue;
    const start = tag.start + at;
    return { name: null, id, was: null, start, end: start + written.length, isEdited: false, lacks: null };
  }
  return null;
}

/** So many bytes are looked at for the end of a part whose end tag is gone. */
const mostBytes = 1 << 18;

function partOf(raw: Raw, one: Sealed | Inlaid): Inlaid {
  if (!('element' in one)) return one;
  const { name, was, seal, element, room } = one;
  const { start, open, close, end: closed } = element;
  const part = (end: number, isEdited: boolean, lacks: string | null = null): Inlaid => ({
    name,
    id: null,
    was,
    start,
    end,
    isEdited,
    lacks,
  });
  const isVoid = voidElements.has(element.name);
  const end = isVoid ? open : closed;
  const hasEnd = isVoid || close >= 0;
  if (hasEnd && isAsSealed(raw.slice(start, end), seal)) return part(end, false);
  if (isVoid) return part(end, true);
  const tail = `</${element.name}>`;
  const sought = { start, most: mostBytes, seal };
  // Nested deeper than is followed, an element has no end of its own; what was written is found all the same.
  const whole = endByChecksum(raw, { ...sought, tail: '' });
  if (whole >= 0) return part(whole, false);
  const found = endByChecksum(raw, { ...sought, tail });
  if (found >= 0) return part(behindLine(raw, start, found), true, tail);
  if (close >= 0) return part(end, true);
  return part(room && room.close >= 0 ? room.end : open, true, tail);
}

/** The start of the line in which the end tag stood, where nothing else stands in it, is Kamino's as well. */
function behindLine(raw: Raw, start: number, end: number): number {
  const line = lineBreakOf(raw) + indentAt(raw, start);
  const behind = end + line.length;
  return raw.startsWith(line, end) && /^[\r\n]?$/.test(raw.slice(behind, behind + 1)) ? behind : end;
}

/** What lies inside another part goes with it. */
function withoutInner(parts: Inlaid[]): Inlaid[] {
  const kept: Inlaid[] = [];
  for (const part of parts) if (part.start >= (kept.at(-1)?.end ?? 0)) kept.push(part);
  return kept;
}
