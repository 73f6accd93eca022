import type { Raw } from '../text/bytes.ts';
import { Candidates, elementOf, isOver } from './sought.ts';
import type { Element } from './types.ts';
import { withoutTags } from './words.ts';

/** The first link of a page's body, which may be a skip link. */
export class FirstLink {
  readonly #candidates: Candidates;
  #first: { href: Raw; className: Raw; element: Element } | null = null;

  constructor(raw: Raw) {
    this.#candidates = new Candidates(raw, linkElement);
  }

  get isMet(): boolean {
    return this.#first !== null;
  }

  /** Where the next begins that may be one, at or behind a place. */
  next(place: number): number {
    return this.#candidates.next(place);
  }

  /** @param value gives an attribute as it is written */
  meet(element: Element, value: (name: string) => Raw | null): void {
    const href = value('href');
    if (href === null || this.#first) return;
    this.#first = { href, className: value('class') ?? '', element };
  }

  /** Whether it is known whole, or none comes at or behind a place. */
  isSettled(place: number): boolean {
    return this.#first ? isOver(this.#first.element) : !this.#candidates.areBehind(place);
  }

  /**
   * @param main the id of the main content, where it is known
   * @param read decodes an attribute's raw value
   */
  isSkipLink(raw: Raw, main: string | null, read: (value: Raw) => string): boolean {
    if (!this.#first) return false;
    const { href, className, element } = this.#first;
    // Most lead elsewhere, and none that does begins so.
    if (!/^[#&]/.test(href)) return false;
    const target = read(href);
    if (!/^#./.test(target)) return false;
    if (target.slice(1) === main) return true;
    if (/\bskip/i.test(className)) return true;
    return /\bskip/i.test(withoutTags(raw.slice(element.open, Math.max(element.open, element.close))));
  }
}

const linkElement = elementOf('a');
