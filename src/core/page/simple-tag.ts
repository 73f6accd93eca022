import type { Raw } from '../text/bytes.ts';
import { isLetter } from './codes.ts';
import { type TagName, hashed, nameAt, nameOf } from './names.ts';
import type { Attribute } from './types.ts';

const mostAttributes = 24;
/** Offsets of an attribute's name and its value. */
const each = 4;

/** A tag as most are written: attributes in small letters, values in double quotes, no template code. It is read in one go. */
export class SimpleTag {
  tag: TagName = nameOf('');
  isEnd = false;
  isSelfClosing = false;
  /** Behind its `>`. */
  end = 0;
  /** Room for few: that is made at once, and most tags have no more. */
  #offsets: Int32Array = new Int32Array(4 * each);
  #count = 0;
  #letters = 0;

  /** Reads the tag whose `<` stands at an offset; false where it is written in another way. */
  read(raw: Raw, at: number): boolean {
    this.isEnd = raw.charCodeAt(at + 1) === 0x2f;
    const from = at + (this.isEnd ? 2 : 1);
    let [to, hash] = [from, 0];
    let code = raw.charCodeAt(to);
    while (isLetter(code) || (code >= 0x30 && code <= 0x39 && to > from)) {
      hash = hashed(hash, code);
      code = raw.charCodeAt((to += 1));
    }
    if (to === from) return false;
    this.#count = 0;
    this.#letters = 0;
    this.isSelfClosing = false;
    const end = code === 0x3e ? to : this.#readAttributes(raw, to);
    if (end < 0) return false;
    this.end = end + 1;
    this.tag = nameAt(raw, from, to, hash);
    return true;
  }

  /** Gives the offset of the `>`; -1 where one is written in another way. */
  #readAttributes(raw: Raw, from: number): number {
    for (let at = from; ;) {
      const begin = behindSpace(raw, at);
      const first = raw.charCodeAt(begin);
      if (first === 0x3e) return begin;
      if (first === 0x2f && raw.charCodeAt(begin + 1) === 0x3e) {
        this.isSelfClosing = true;
        return begin + 1;
      }
      if (begin === at || !isSmall(first) || this.#count === mostAttributes) return -1;
      let end = begin + 1;
      let code = raw.charCodeAt(end);
      while (isInName(code)) code = raw.charCodeAt((end += 1));
      const slot = this.#count * each;
      if (slot === this.#offsets.length) this.#offsets = larger(this.#offsets);
      this.#offsets[slot] = begin;
      this.#offsets[slot + 1] = end;
      this.#offsets[slot + 2] = end;
      this.#count += 1;
      this.#letters |= letter(first);
      at = end;
      if (code === 0x3d) {
        if (raw.charCodeAt(end + 1) !== 0x22) return -1;
        at = behindValue(raw, end + 2);
        if (at < 0) return -1;
        this.#offsets[slot + 2] = end + 2;
      }
      this.#offsets[slot + 3] = at;
    }
  }

  /** The value of an attribute as it is written; null where there is none of this name. */
  value(raw: Raw, name: string): Raw | null {
    if ((this.#letters & firstOf(name)) === 0) return null;
    return valueIn(raw, this.#offsets, { from: 0, count: this.#count }, name);
  }

  /** Whether the name of one begins so. */
  hasNameFrom(raw: Raw, start: string): boolean {
    if ((this.#letters & firstOf(start)) === 0) return false;
    for (let slot = 0; slot < this.#count * each; slot += each)
      if (raw.startsWith(start, this.#offsets[slot]!)) return true;
    return false;
  }

  /** Of two with one name the first counts. */
  attributes(raw: Raw): Attribute[] {
    return attributesFrom(raw, this.#offsets, { from: 0, count: this.#count });
  }

  /** Keeps where they stand. */
  keepIn(table: AttributeTable): LetteredSlots {
    const from = table.add(this.#offsets, this.#count);
    return { from, count: this.#count, letters: this.#letters };
  }
}

/** Some attributes of a table: the place of the first, and how many there are. */
export interface Slots {
  from: number;
  count: number;
}

/** The same with the letters that their names begin with, a bit for each: most that is asked for is not there. */
export interface LetteredSlots extends Slots {
  letters: number;
}

const letter = (code: number): number => 1 << (code - 0x61);

/** The bit of the letter that the name of an attribute begins with. */
export function firstOf(name: string): number {
  return letter(name.charCodeAt(0));
}

/** So much is kept for the next page. */
const mostKept = 1 << 18;

/** Where the attributes of many tags stand. */
export class AttributeTable {
  #offsets: Int32Array = new Int32Array(1024);
  #used = 0;

  clear(): void {
    if (this.#offsets.length > mostKept) this.#offsets = new Int32Array(1024);
    this.#used = 0;
  }

  /** Gives the place of the first. */
  add(offsets: Int32Array, count: number): number {
    const [from, size] = [this.#used, count * each];
    if (from + size > this.#offsets.length) this.#offsets = larger(this.#offsets);
    for (let at = 0; at < size; at += 1) this.#offsets[from + at] = offsets[at]!;
    this.#used += size;
    return from;
  }

  value(raw: Raw, slots: Slots, name: string): Raw | null {
    return valueIn(raw, this.#offsets, slots, name);
  }

  attributes(raw: Raw, slots: Slots): Attribute[] {
    return attributesFrom(raw, this.#offsets, slots);
  }
}

/** The same numbers, with room for as many more. */
export function larger(table: Int32Array): Int32Array {
  const made = new Int32Array(table.length * 2);
  made.set(table);
  return made;
}

function valueIn(raw: Raw, offsets: Int32Array, { from, count }: Slots, name: string): Raw | null {
  for (let slot = from; slot < from + count * each; slot += each) {
    const start = offsets[slot]!;
    if (offsets[slot + 1]! - start === name.length && raw.startsWith(name, start))
      return valueAt(raw, offsets, slot);
  }
  return null;
}

function attributesFrom(raw: Raw, offsets: Int32Array, { from, count }: Slots): Attribute[] {
  const all: Attribute[] = [];
  for (let slot = from; slot < from + count * each; slot += each) {
    const start = offsets[slot]!;
    const name = raw.slice(start, offsets[slot + 1]!);
    if (all.some(one => one.name === name)) continue;
    all.push({ name, value: valueAt(raw, offsets, slot), start, end: offsets[slot + 3]! });
  }
  return all;
}

function valueAt(raw: Raw, offsets: Int32Array, slot: number): Raw {
  const [nameEnd, from, end] = [offsets[slot + 1]!, offsets[slot + 2]!, offsets[slot + 3]!];
  return from === nameEnd ? '' : raw.slice(from, end - 1);
}

function isSmall(code: number): boolean {
  return code >= 0x61 && code <= 0x7a;
}

/** Digits, `-`, `:` and `_` too. */
function isInName(code: number): boolean {
  return isSmall(code) || code === 0x2d || (code >= 0x30 && code <= 0x3a) || code === 0x5f;
}

function behindSpace(raw: Raw, from: number): number {
  let at = from;
  for (let code = raw.charCodeAt(at); code === 0x20 || code === 0x0a || code === 0x09 || code === 0x0d;)
    code = raw.charCodeAt((at += 1));
  return at;
}

/** Behind the quote that ends a value; -1 where a sign stands in it that may begin template code. */
function behindValue(raw: Raw, from: number): number {
  for (let at = from; at < raw.length; at += 1) {
    const code = raw.charCodeAt(at);
    if (code === 0x22) return at + 1;
    if (code === 0x3c || code === 0x7b) return -1;
  }
  return -1;
}
