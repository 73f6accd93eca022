import type { Raw } from '../text/bytes.ts';
import { type Selector, matches } from '../text/selector.ts';
import { lists, voidElements } from './kinds.ts';
import type { Attribute, Element } from './types.ts';

/** Where a word stands in a page, from any place on: each stretch is looked through once. */
class Word {
  readonly #raw: Raw;
  readonly #sought: string | RegExp;
  #next = -1;

  /** @param sought as it is written, or a pattern with the flag `g` */
  constructor(raw: Raw, sought: string | RegExp) {
    this.#raw = raw;
    this.#sought = sought;
  }

  /** Its first offset there; Infinity where it does not come again. Places are asked for in the order of the page. */
  from(place: number): number {
    if (this.#next < place) this.#next = this.#seek(place);
    return this.#next;
  }

  #seek(place: number): number {
    if (typeof this.#sought === 'string') {
      const at = this.#raw.indexOf(this.#sought, place);
      return at < 0 ? Infinity : at;
    }
    this.#sought.lastIndex = place;
    return this.#sought.exec(this.#raw)?.index ?? Infinity;
  }
}

/** A letter, digit or dash of ASCII that is written as a reference: then a word need not stand in the page as it is. */
const written =
  /&(?:#(?:x0*(?:2d|3\d|[46][1-9a-f]|5f|[57][\da])(?![\da-f])|0*(?:45|4[89]|5[0-7]|6[5-9]|[78]\d|9[05789]|1[01]\d|12[012])(?!\d))|fjlig|lowbar|underbar)/i;

/** A selector of all elements of one name. */
export function elementOf(name: string): Selector {
  return { text: name, isCompound: true, name, tests: [] };
}

export const mainElement = elementOf('main');

/** The start tags of a page that selectors may match, told by a plain search before any of them is taken apart. */
export class Candidates {
  readonly #selector: Selector;
  /** Stands in each tag that matches, in its name or behind it; null where nothing is known that must. */
  readonly #inTag: Word | null;
  readonly #tag: Word | null;

  /** @param isPlain whether words of the page stand in it as they are */
  constructor(raw: Raw, selector: Selector, isPlain = () => true) {
    const { name, tests } = selector;
    const plain = tests.find(one => one.test !== 'has' && /^[\w-]+$/.test(one.value));
    this.#selector = selector;
    this.#inTag = plain && isPlain() ? new Word(raw, plain.value) : null;
    this.#tag = name === null ? null : new Word(raw, new RegExp(`<${name}`, 'gi'));
  }

  /** Whether the start tag just met may be one. */
  mayBe(name: string, start: number, end: number): boolean {
    if (this.#selector.name !== null && this.#selector.name !== name) return false;
    return this.#inTag === null || this.#inTag.from(start) < end;
  }

  /** Whether one may come at or behind a place. */
  areBehind(place: number): boolean {
    return this.next(place) < Infinity;
  }

  /** An offset in the next that may come at or behind a place, Infinity where none comes; the place itself where each may be. */
  next(place: number): number {
    return (this.#inTag ?? this.#tag)?.from(place) ?? place;
  }
}

interface One {
  selector: Selector;
  candidates: Candidates;
  /** It must be known where the element ends. */
  isWhole: boolean;
}

export interface Asked {
  /** The first element that matches each. */
  places: readonly Selector[];
  /** The texts of those whose elements are needed to their ends. */
  whole: ReadonlySet<string>;
  /** What the main content may be, the best first: where one is found, those behind it need not be. */
  contents: readonly Selector[];
}

/** Finds the first element that each of some selectors matches. */
export class Sought {
  readonly #waiting: Set<One>;
  readonly #read: (value: Raw) => string;
  readonly #found = new Map<Selector, Element>();
  /** Of which it is not yet known that nothing more comes: the first is looked at until it is. */
  readonly #places: One[];
  readonly #contents: One[];
  /** What is known not to come any more: the start of the page alone does not tell. */
  readonly lacking: Selector[] = [];
  /** Matched by the start tag just met, whose element is not open yet. */
  #matched: One[] = [];

  /** @param read decodes an attribute's raw value */
  constructor(raw: Raw, { places, whole, contents }: Asked, read: (value: Raw) => string) {
    const isPlain = plainTest(raw);
    const one = (selector: Selector): One => ({
      selector,
      candidates: new Candidates(raw, selector, isPlain),
      isWhole: whole.has(selector.text),
    });
    this.#places = places.map(one).reverse();
    this.#contents = contents.map(one).reverse();
    this.#waiting = new Set([...this.#places, ...this.#contents]);
    this.#read = read;
  }

  /** A start tag is met: whether one of the selectors that have found nothing yet matches it. */
  meets({ name, start, end }: StartTag, attributes: () => readonly Attribute[]): boolean {
    if (this.#waiting.size === 0) return false;
    if (this.#matched.length > 0) this.#matched = [];
    for (const one of this.#waiting) {
      if (!one.candidates.mayBe(name, start, end)) continue;
      if (matches(one.selector, name, attributes, this.#read)) this.#matched.push(one);
    }
    return this.#matched.length > 0;
  }

  /** Its element is open: the selectors that it is the first to match. */
  opens(element: Element): Selector[] {
    const matched = this.#matched.map(one => one.selector);
    for (const one of this.#matched) {
      this.#found.set(one.selector, element);
      this.#waiting.delete(one);
    }
    this.#matched = [];
    return matched;
  }

  /** An offset in the next tag at or behind a place that may be one of those still needed; Infinity where none comes. */
  next(place: number): number {
    const best = this.#contents.findLastIndex(one => this.#found.has(one.selector));
    const needed = [...this.#contents.slice(best + 1), ...this.#places];
    const missing = needed.filter(one => !this.#found.has(one.selector));
    return Math.min(...missing.map(one => one.candidates.next(place)));
  }

  /** Whether all that must be known is known, or cannot come at or behind a place. Places are asked for in order. */
  isSettled(place: number): boolean {
    for (let one = this.#contents.at(-1); one; one = this.#contents.at(-1)) {
      if (this.#found.has(one.selector)) this.#contents.length = 0;
      else if (one.candidates.areBehind(place)) return false;
      else {
        this.#contents.pop();
        this.lacking.push(one.selector);
      }
    }
    for (let one = this.#places.at(-1); one; one = this.#places.at(-1)) {
      const element = this.#found.get(one.selector);
      if (element ? one.isWhole && !isOver(element) : one.candidates.areBehind(place)) return false;
      this.#places.pop();
      if (!element) this.lacking.push(one.selector);
    }
    return true;
  }
}

/** Whether words of a page stand in it as they are: it is looked through once, if somebody asks. */
function plainTest(raw: Raw): () => boolean {
  let known: boolean | null = null;
  return () => (known ??= !written.test(raw));
}

/** Whether one of these may come at or behind a place. */
export function mayCome(raw: Raw, selectors: readonly Selector[], place: number): boolean {
  const isPlain = plainTest(raw);
  return selectors.some(one => new Candidates(raw, one, isPlain).areBehind(place));
}

interface StartTag {
  name: string;
  start: number;
  end: number;
}

/** Whether it is known where an element ends. */
export function isOver({ name, end, stop }: Element): boolean {
  return end >= 0 || stop >= 0 || voidElements.has(name);
}

/** Whether it takes the tree of the page to say what goes together with an element: cells, or a list never closed. */
export function isPartial({ name, start, end }: Element, bodyPoint: number): boolean {
  if (start < bodyPoint || name === 'td' || name === 'th' || name === 'tr') return true;
  return end < 0 && lists.has(name);
}
