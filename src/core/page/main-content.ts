import type { Raw } from '../text/bytes.ts';
import type { Selector } from '../text/selector.ts';
import { mainElement } from './sought.ts';
import type { Element, MainContent } from './types.ts';

interface Candidate {
  rank: number;
  element: Element;
  id: Raw | null;
}

/** What may be the main content of a page. */
export class MainCandidates {
  readonly #all: Candidate[] = [];

  get isMet(): boolean {
    return this.#all.length > 0;
  }

  /** @param skipTo what it is where there is no `main`, the best first; what another selector finds does not count */
  meet(selector: Selector, skipTo: readonly Selector[], found: Omit<Candidate, 'rank'>): void {
    const rank = selector === mainElement ? 0 : skipTo.indexOf(selector) + 1;
    if (rank > 0 || selector === mainElement) this.#all.push({ rank, ...found });
  }

  /** The best, and the first of those as good. @param read decodes an attribute's raw value */
  best(read: (value: Raw) => string): MainContent | null {
    let best = this.#all[0];
    if (!best) return null;
    for (const one of this.#all) if (one.rank < best.rank) best = one;
    const { element, id } = best;
    return { id: id === null ? null : read(id), insert: element.start + 1 + element.name.length };
  }
}
