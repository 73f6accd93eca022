import type { Raw } from '../text/bytes.ts';
import { type TagName, nameOf } from './names.ts';
import { type AttributeTable, type LetteredSlots, firstOf, larger } from './simple-tag.ts';
import { TableRoom } from './table-room.ts';
import { attributesOf, endOfName } from './tags.ts';
import type { Attribute } from './types.ts';

/** What is known of an element, each a number; elements, texts and attributes by their own numbers. */
const column = {
  start: 0,
  open: 1,
  close: 2,
  end: 3,
  stop: 4,
  parent: 5,
  first: 6,
  last: 7,
  next: 8,
  firstText: 9,
  lastText: 10,
  /** The first of its attributes, and how many: -1, where its tag is not written as most are. */
  attributes: 11,
  count: 12,
  flags: 13,
  /** What their names begin with. */
  letters: 14,
} as const;
const width = 16;
const ofText = { start: 0, end: 1, next: 2 } as const;
const textWidth = 4;
const flag = { ours: 1, leftOpen: 2 } as const;
const none: readonly Attribute[] = [];

/** The number of no element, and of no text. */
export const nobody = 0;

/**
 * The elements and texts of a page as numbers, for pages of which most is never asked for. Elements are numbered from 1 on
 * in the order of their start tags; 0 stands for the page, and where there is none.
 */
export class ElementTable {
  readonly raw: Raw;
  readonly tags: TagName[] = [nameOf('')];
  readonly attributes: AttributeTable;
  readonly #room: TableRoom;
  #rows: Int32Array;
  #texts: Int32Array;
  #textCount = 1;

  constructor(raw: Raw, room = new TableRoom()) {
    const size = 32 + (raw.length >> 5);
    room.begin(width * size, textWidth * size);
    // The page itself; a row, and a text, is cleared when its number is given.
    room.rows.fill(0, 0, width);
    this.raw = raw;
    this.#room = room;
    [this.#rows, this.#texts, this.attributes] = [room.rows, room.texts, room.attributes];
  }

  /** How many numbers are given, that of the page too. */
  get length(): number {
    return this.tags.length;
  }

  /** An element whose start tag is met. @param slots null where its tag is not written as most are */
  add(
    tag: TagName,
    { start, end }: { start: number; end: number },
    parent: number,
    slots: LetteredSlots | null,
  ): number {
    const row = this.tags.push(tag) - 1;
    const at = row * width;
    if (at + width > this.#rows.length) this.#rows = this.#room.rows = larger(this.#rows);
    const rows = this.#rows;
    rows.fill(0, at, at + width);
    rows[at] = start;
    rows[at + column.open] = end;
    rows[at + column.close] = -1;
    rows[at + column.end] = -1;
    rows[at + column.stop] = -1;
    rows[at + column.parent] = parent;
    rows[at + column.attributes] = slots ? slots.from : 0;
    rows[at + column.count] = slots ? slots.count : -1;
    rows[at + column.letters] = slots ? slots.letters : -1;
    this.#append(parent, row);
    return row;
  }

  #append(parent: number, row: number): void {
    const rows = this.#rows;
    const last = rows[parent * width + column.last]!;
    if (last === nobody) rows[parent * width + column.first] = row;
    else rows[last * width + column.next] = row;
    rows[parent * width + column.last] = row;
  }

  addText(start: number, end: number, parent: number): void {
    const text = this.#textCount;
    const at = text * textWidth;
    if (at + textWidth > this.#texts.length) this.#texts = this.#room.texts = larger(this.#texts);
    this.#texts[at] = start;
    this.#texts[at + ofText.end] = end;
    this.#texts[at + ofText.next] = nobody;
    this.#textCount += 1;
    const last = this.#of(parent, column.lastText);
    if (last === nobody) this.#rows[parent * width + column.firstText] = text;
    else this.#texts[last * textWidth + ofText.next] = text;
    this.#rows[parent * width + column.lastText] = text;
  }

  /** The element ends: at its own end tag, or before the tag that ended it. */
  ended(row: number, stop: number, close: number): void {
    const at = row * width;
    this.#rows[at + column.stop] = stop;
    if (close < 0) return;
    this.#rows[at + column.close] = close;
    this.#rows[at + column.end] = stop;
  }

  setOurs(row: number): void {
    this.#rows[row * width + column.flags]! |= flag.ours;
  }

  setLeftOpen(row: number): void {
    this.#rows[row * width + column.flags]! |= flag.leftOpen;
  }

  #of(row: number, which: number): number {
    return this.#rows[row * width + which]!;
  }

  name(row: number): string {
    return this.tags[row]!.name;
  }

  start(row: number): number {
    return this.#of(row, column.start);
  }

  open(row: number): number {
    return this.#of(row, column.open);
  }

  close(row: number): number {
    return this.#of(row, column.close);
  }

  end(row: number): number {
    return this.#of(row, column.end);
  }

  stop(row: number): number {
    return this.#of(row, column.stop);
  }

  parent(row: number): number {
    return this.#of(row, column.parent);
  }

  firstChild(row: number): number {
    return this.#of(row, column.first);
  }

  nextSibling(row: number): number {
    return this.#of(row, column.next);
  }

  firstText(row: number): number {
    return this.#of(row, column.firstText);
  }

  nextText(text: number): number {
    return this.#texts[text * textWidth + ofText.next]!;
  }

  textStart(text: number): number {
    return this.#texts[text * textWidth]!;
  }

  textEnd(text: number): number {
    return this.#texts[text * textWidth + ofText.end]!;
  }

  isOurs(row: number): boolean {
    return (this.#of(row, column.flags) & flag.ours) !== 0;
  }

  isLeftOpen(row: number): boolean {
    return (this.#of(row, column.flags) & flag.leftOpen) !== 0;
  }

  children(row: number): number[] {
    const found: number[] = [];
    for (let one = this.firstChild(row); one !== nobody; one = this.nextSibling(one)) found.push(one);
    return found;
  }

  liesIn(row: number, outer: number): boolean {
    for (let one = this.parent(row); one !== nobody; one = this.parent(one)) if (one === outer) return true;
    return false;
  }

  /** Whether something stands in its tag behind the name. */
  hasAttributes(row: number): boolean {
    return this.raw.charCodeAt(this.start(row) + 1 + this.name(row).length) !== 0x3e;
  }

  /** An attribute as it is written; null where it has none of that name. */
  value(row: number, name: string): Raw | null {
    if ((this.#of(row, column.letters) & firstOf(name)) === 0) return null;
    const count = this.#of(row, column.count);
    if (count > 0)
      return this.attributes.value(this.raw, { from: this.#of(row, column.attributes), count }, name);
    return this.allOf(row).find(one => one.name === name)?.value ?? null;
  }

  /** All of its attributes. */
  allOf(row: number): readonly Attribute[] {
    if (!this.hasAttributes(row)) return none;
    const count = this.#of(row, column.count);
    if (count >= 0)
      return this.attributes.attributes(this.raw, { from: this.#of(row, column.attributes), count });
    return attributesOf(this.raw, endOfName(this.raw, this.start(row) + 1), this.open(row));
  }

  /** The texts that lie in an element, not deeper. */
  texts(row: number): number[] {
    const found: number[] = [];
    for (let one = this.firstText(row); one !== nobody; one = this.nextText(one)) found.push(one);
    return found;
  }

  /** What lies in an element is this, in this order. */
  hold(row: number, children: readonly number[], texts: readonly number[]): void {
    const [rows, at] = [this.#rows, row * width];
    rows[at + column.first] = children[0] ?? nobody;
    rows[at + column.last] = children.at(-1) ?? nobody;
    rows[at + column.firstText] = texts[0] ?? nobody;
    rows[at + column.lastText] = texts.at(-1) ?? nobody;
    for (const [place, one] of children.entries()) {
      rows[one * width + column.next] = children[place + 1] ?? nobody;
      rows[one * width + column.parent] = row;
    }
    for (const [place, one] of texts.entries())
      this.#texts[one * textWidth + ofText.next] = texts[place + 1] ?? nobody;
  }
}
