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

  of(text: string): number {
    const known = this.#known.get(text);
    if (known !== undefined) return known;
    const made = owned(text);
    this.#known.set(made, this.texts.length);
    return this.texts.push(made) - 1;
  }

  readonly own: Own = text => this.at(this.of(text));

  /** No more texts come: by their numbers all are known as before. */
  end(): void {
    this.#known.clear();
  }

  get length(): number {
    return this.texts.length;
  }

  /** Those that came when so many were known. */
  since(length: number): string[] {
    return this.texts.slice(length);
  }
}
