/** Offsets in a page, in its order, and which of them comes next: places are asked for in the order of the page. */
export class Offsets {
  readonly #all: readonly number[];
  #at = 0;

  constructor(all: readonly number[]) {
    this.#all = all;
  }

  /** The last; -1 where there is none. */
  get last(): number {
    return this.#all.at(-1) ?? -1;
  }

  /** The first at or behind a place; Infinity where there is none. */
  next(place: number): number {
    while (this.#all[this.#at]! < place) this.#at += 1;
    return this.#all[this.#at] ?? Infinity;
  }
}
