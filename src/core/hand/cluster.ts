import type { SitePath } from '../address/path.ts';
import type { HandMenu } from './types.ts';

/** Menus on several pages that are alike enough to be copies of one. */
export class Cluster {
  /** Its number among those that are looked for. */
  readonly at: number;
  readonly copies = new Map<SitePath, HandMenu>();
  /** How often each label, and each target, has been met; none as long as a few of one copy are all. */
  #counts: Map<number, number> | null = null;
  /** The keys of the only copy: most lists stand on one page, and a table of few takes more room than they do. */
  #only: readonly number[] = [];
  /** How many of its keys at least half of the copies have. */
  #usual = 0;
  /** How many keys have been met so often. */
  readonly #often: number[] = [];

  constructor(at: number) {
    this.at = at;
  }

  add(path: SitePath, menu: HandMenu, keys: readonly number[]): void {
    if (this.copies.size === 0 && keys.length <= few) {
      [this.#only, this.#usual] = [keys, keys.length];
      this.copies.set(path, menu);
      return;
    }
    if (this.#counts === null) this.#begin();
    this.#count(path, menu, keys);
  }

  /** The copy that was alone is counted as the others are. */
  #begin(): void {
    this.#counts = new Map();
    const [alone] = this.copies;
    if (!alone) return;
    this.copies.clear();
    this.#usual = 0;
    this.#count(...alone, this.#only);
    this.#only = [];
  }

  #count(path: SitePath, menu: HandMenu, keys: readonly number[]): void {
    const counts = this.#counts!;
    const half = this.#half();
    this.copies.set(path, menu);
    for (const key of keys) {
      const count = (counts.get(key) ?? 0) + 1;
      counts.set(key, count);
      this.#often[count] = (this.#often[count] ?? 0) + 1;
      if (count > 1) this.#often[count - 1]! -= 1;
      if (count === half) this.#usual += 1;
    }
    if (this.#half() > half) this.#usual -= this.#often[half] ?? 0;
  }

  /** A copy has this label, or target. */
  has(key: number): boolean {
    return this.#counts?.has(key) ?? this.#only.includes(key);
  }

  /** How many labels and targets have been met, and how many of them on nearly all copies. */
  get spread(): { all: number; always: number } {
    if (this.#counts === null) return { all: this.#only.length, always: this.#only.length };
    const always = [...this.#counts.values()].filter(count => count * 10 >= this.copies.size * 9);
    return { all: this.#counts.size, always: always.length };
  }

  /**
   * Share of the smaller one's labels and targets that both have, and a little for standing at the same place.
   * @param met so many of these keys some copy has
   */
  alike(menu: HandMenu, keys: readonly number[], met: number): number {
    const [first] = this.copies.values();
    const nearness = (first!.element === menu.element ? 0.3 : 0) + (first!.region === menu.region ? 0.2 : 0);
    const score = (share: number): number => share * 0.8 + (nearness || -0.2);
    const smaller = Math.min(keys.length, this.#usual);
    if (score(met / smaller) < leastAlike) return 0;
    // In one or two copies all is usual.
    const shared =
      this.copies.size <= 2 ? met : keys.filter(key => this.#isUsual(this.#counts?.get(key) ?? 0)).length;
    // A long list in the text of a page may have the few words of a menu among others.
    const larger = Math.max(keys.length, this.#usual);
    const isOther = first!.element !== menu.element && larger > mostLonger * smaller;
    return shared < leastShared || shared / smaller < leastShare || isOther ? 0 : score(shared / smaller);
  }

  /** So many of its keys a menu of so many must have to be like these at all. */
  leastShared(keys: number): number {
    return Math.max(leastShared, leastShare * Math.min(keys, this.#usual));
  }

  #isUsual(count: number): boolean {
    return count * 2 >= this.copies.size;
  }

  #half(): number {
    return Math.max(1, Math.ceil(this.copies.size / 2));
  }
}

/** So many labels and targets two menus have in common at the least. */
export const leastShared = 3;
const mostLonger = 3;
/** So many numbers are looked through as fast as in a table. */
const few = 32;
const leastShare = 0.4;
export const leastAlike = 0.5;
