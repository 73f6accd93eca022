import type { NumberedTexts, Texts } from './texts.ts';

const nothing = -1;
/** What most have none of is one thing. */
const none = Object.freeze([]) as unknown as unknown[];
/** Bytes of the length of a part, and the most of one number. */
const [lengthBytes, mostBytes] = [4, 5];
/** What is kept lies in pieces of this size, in bytes, so that what comes and goes between leaves no holes. */
const pieceSize = 1 << 18;

/**
 * Writes what is known of a page as numbers: thousands of pages take little room so, and are handed on as they are. Small
 * numbers take one byte, seven bits in each (https://dwarfstd.org, LEB128), with the sign in the lowest bit; offsets are told
 * from the one before.
 */
export class NumberWriter {
  readonly texts: Texts;
  #bytes = new Uint8Array(4096);
  #at = 0;
  #offset = 0;
  #piece: Uint8Array = new Uint8Array(0);
  #kept = 0;

  constructor(texts: Texts) {
    this.texts = texts;
  }

  /** What can be passed over as one. */
  part(write: () => void): void {
    const begins = this.#at;
    const offset = this.#offset;
    this.#room(lengthBytes);
    this.#at += lengthBytes;
    this.#offset = 0;
    write();
    this.#offset = offset;
    const length = this.#at - begins - lengthBytes;
    for (let byte = 0; byte < lengthBytes; byte += 1) this.#bytes[begins + byte] = length >>> (8 * byte);
  }

  /** All that was written since the last time, in memory that other threads see too. */
  take(): Uint8Array {
    if (this.#kept + this.#at > this.#piece.length) {
      this.#piece = new Uint8Array(new SharedArrayBuffer(Math.max(pieceSize, this.#at)));
      this.#kept = 0;
    }
    const from = this.#kept;
    this.#piece.set(this.#bytes.subarray(0, this.#at), from);
    this.#kept += this.#at;
    [this.#at, this.#offset] = [0, 0];
    return this.#piece.subarray(from, this.#kept);
  }

  /** @param number 31 bits and its sign */
  number(number: number): void {
    this.#room(mostBytes);
    let left = ((number << 1) ^ (number >> 31)) >>> 0;
    while (left > 0x7f) {
      this.#bytes[this.#at] = (left & 0x7f) | 0x80;
      this.#at += 1;
      left >>>= 7;
    }
    this.#bytes[this.#at] = left;
    this.#at += 1;
  }

  text(text: string | null): void {
    this.number(text === null ? nothing : this.texts.of(text));
  }

  extent({ start, end }: { start: number; end: number }): void {
    this.number(start - this.#offset);
    this.number(end - start);
    this.#offset = start;
  }

  /** How many, and each of them. */
  each<One>(all: readonly One[], write: (one: One) => void): void {
    this.number(all.length);
    for (const one of all) write(one);
  }

  #room(size: number): void {
    if (this.#at + size <= this.#bytes.length) return;
    const larger = new Uint8Array(this.#bytes.length * 2);
    larger.set(this.#bytes);
    this.#bytes = larger;
  }
}

/** What was written as one, to be read as often as somebody asks. */
export class Part {
  readonly #bytes: Uint8Array;
  readonly #texts: NumberedTexts;
  readonly #at: number;

  constructor(bytes: Uint8Array, texts: NumberedTexts, at: number) {
    [this.#bytes, this.#texts, this.#at] = [bytes, texts, at];
  }

  read(): NumberReader {
    return new NumberReader(this.#bytes, this.#texts, this.#at);
  }
}

/** Reads what was written, in the same order. */
export class NumberReader {
  readonly #bytes: Uint8Array;
  readonly #texts: NumberedTexts;
  #at: number;
  #offset = 0;

  /** @param at where it begins */
  constructor(bytes: Uint8Array, texts: NumberedTexts, at = 0) {
    [this.#bytes, this.#texts, this.#at] = [bytes, texts, at];
  }

  number(): number {
    const bytes = this.#bytes;
    let byte = bytes[this.#at]!;
    let all = byte & 0x7f;
    for (let bits = 7; byte > 0x7f; bits += 7) {
      this.#at += 1;
      byte = bytes[this.#at]!;
      all |= (byte & 0x7f) << bits;
    }
    this.#at += 1;
    return (all >>> 1) ^ -(all & 1);
  }

  textOrNull(): string | null {
    const number = this.number();
    return number === nothing ? null : this.#texts.at(number);
  }

  text(): string {
    return this.#texts.at(this.number());
  }

  start(): number {
    this.#offset += this.number();
    return this.#offset;
  }

  /** The end of what began at the last start. */
  end(): number {
    return this.#offset + this.number();
  }

  extent(): { start: number; end: number } {
    return { start: this.start(), end: this.end() };
  }

  each<One>(read: () => One): One[] {
    const count = this.number();
    if (count === 0) return none as One[];
    const found: One[] = [];
    for (let left = count; left > 0; left -= 1) found.push(read());
    return found;
  }

  /** Passes over a part. */
  part(): Part {
    let length = 0;
    for (let byte = 0; byte < lengthBytes; byte += 1) length |= this.#bytes[this.#at + byte]! << (8 * byte);
    const begins = this.#at + lengthBytes;
    this.#at = begins + length;
    return new Part(this.#bytes, this.#texts, begins);
  }
}
