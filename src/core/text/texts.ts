import { type Own, owned } from './own.ts';

/** Texts by the numbers that somebody gave them. */
export class NumberedTexts {
  protected readonly texts: string[] = [];

  at(number: number): string {
    return this.texts[number]!;
  }

  add(texts: readonly string[]): void {
    for (const one of texts) this.texts.push(one);
  }
}

/**
 * Gives texts their numbers, for what is kept of thousands of pages: the same text is one, whichever page it stands in,
 * and holds on to none of them.
 */
export class Texts extends NumberedTexts {
  readonly #known = new Map<string, number>();
  /** How many have been forgotten. */
  #gone = 0;

  override at(number: number): string {
    return super.at(number - this.#gone);
  }

  of(text: string): number {
    const known = this.#known.get(text);
    if (known !== undefined) return known;
    const made = owned(text);
    this.#known.set(made, this.length);
    this.texts.push(made);
    return this.length - 1;
  }

  readonly own: Own = text => this.at(this.of(text));

  /** No more texts come: by their numbers all are known as before. */
  end(): void {
    this.#known.clear();
  }

  /** Where more than so many are held, all that came until now are somebody else's: what comes again gets a new number. */
  forgetBeyond(most: number): void {
    if (this.texts.length <= most) return;
    this.#known.clear();
    this.#gone = this.length;
    this.texts.length = 0;
  }

  /** How many numbers are given. */
  get length(): number {
    return this.#gone + this.texts.length;
  }

  /** Those that came when so many numbers were given; they must not be forgotten. */
  since(length: number): string[] {
    return this.texts.slice(length - this.#gone);
  }
}
