import type { NumberedTexts, Texts } from './texts.ts';

const nothing = -1;
/** What most have none of is one thing. */
const none = Object.freeze([]) as unknown as unknown[];

/** Writes what is known of a page as numbers: thousands of pages take little room so, and are handed on as they are. */
export class NumberWriter {
  readonly #texts: Texts;
  readonly #numbers: number[] = [];

  constructor(texts: Texts) {
    this.#texts = texts;
  }

  /** What can be passed over as one. */
  part(write: () => void): void {
    const begins = this.#numbers.push(0);
    write();
    this.#numbers[begins - 1] = this.#numbers.length - begins;
  }

  get all(): Int32Array {
    return new Int32Array(this.#numbers);
  }

  number(number: number): void {
    this.#numbers.push(number);
  }

  text(text: string | null): void {
    this.#numbers.push(text === null ? nothing : this.#texts.of(text));
  }

  extent({ start, end }: { start: number; end: number }): void {
    this.#numbers.push(start, end);
  }

  /** How many, and each of them. */
  each<One>(all: readonly One[], write: (one: One) => void): void {
    this.#numbers.push(all.length);
    for (const one of all) write(one);
  }
}

/** Reads what was written, in the same order. */
export class NumberReader {
  readonly #numbers: Int32Array;
  readonly #texts: NumberedTexts;
  #at: number;

  /** @param at where it begins */
  constructor(numbers: Int32Array, texts: NumberedTexts, at = 0) {
    [this.#numbers, this.#texts, this.#at] = [numbers, texts, at];
  }

  number(): number {
    const number = this.#numbers[this.#at]!;
    this.#at += 1;
    return number;
  }

  textOrNull(): string | null {
    const number = this.number();
    return number === nothing ? null : this.#texts.at(number);
  }

  text(): string {
    return this.#texts.at(this.number());
  }

  extent(): { start: number; end: number } {
    return { start: this.number(), end: this.number() };
  }

  each<One>(read: () => One): One[] {
    const count = this.number();
    if (count === 0) return none as One[];
    const found: One[] = [];
    for (let left = count; left > 0; left -= 1) found.push(read());
    return found;
  }

  /** Passes over a part, and gives what reads it, as often as somebody asks. */
  part(): () => NumberReader {
    const length = this.number();
    const [numbers, texts, at] = [this.#numbers, this.#texts, this.#at];
    this.#at += length;
    return () => new NumberReader(numbers, texts, at);
  }
}
