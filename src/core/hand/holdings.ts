import { type ElementTable, nobody } from '../page/element-table.ts';
import { type Tree, type TreeText, textOf } from '../page/tree.ts';
import type { Raw } from '../text/bytes.ts';
import { isSeparator } from './entries.ts';

const unseen: ReadonlySet<string> = new Set([
  'script',
  'style',
  'template',
  'noscript',
  'svg',
  'select',
  'title',
  'textarea',
]);

interface Counts {
  /** Letters in links, and outside of them. */
  linked: number;
  other: number;
  /** It holds a heading of the first level. */
  hasTitle: boolean;
}

/** What of an element is known: what it holds, and the same inside of a link. */
const [alone, inLinks] = [1, 2];
const title = 4;

/** So much is kept from one page to the next; a larger one is the exception. */
const mostKept = 1 << 18;
/** How many numbers are known of an element beside its state. */
const kinds = 4;

let [counts, states] = [new Int32Array(0), new Uint8Array(0)];

/** Memory for so many elements, for pages that are looked at one after another: what is known of one is gone when the next begins. */
function clear(length: number): {
  links: Int32Array;
  linked: Int32Array;
  other: Int32Array;
  inLink: Int32Array;
} {
  if (states.length < length || states.length > Math.max(mostKept, length))
    [counts, states] = [new Int32Array(kinds * length), new Uint8Array(length)];
  counts.fill(0, 0, kinds * length);
  states.fill(0, 0, length);
  const part = (at: number): Int32Array => counts.subarray(at * length, (at + 1) * length);
  return { links: part(0), linked: part(1), other: part(2), inLink: part(3) };
}

/** What elements hold: links are counted for all, letters only where somebody asks, since most of a page is prose. */
export class Holdings {
  readonly #tree: Tree;
  readonly #table: ElementTable;
  readonly #links: Int32Array;
  /** By the number of an element: what is known of it, and its letters. */
  readonly #state: Uint8Array;
  readonly #linked: Int32Array;
  readonly #other: Int32Array;
  readonly #inLink: Int32Array;

  constructor(tree: Tree) {
    this.#tree = tree;
    this.#table = tree.table;
    const { length } = tree.table;
    ({ links: this.#links, linked: this.#linked, other: this.#other, inLink: this.#inLink } = clear(length));
    this.#state = states;
    // What lies in an element comes behind it.
    for (let row = length - 1; row > 0; row -= 1) {
      this.#closeOver(row);
      const parent = this.#table.parent(row);
      this.#links[parent]! += this.#links[row]!;
      this.#state[parent]! |= this.#state[row]!;
    }
  }

  /** All in it is counted. */
  #closeOver(row: number): void {
    const own = this.#isLink(row) ? 1 : 0;
    if ((this.#links[row] === 0 && this.#state[row] === 0) || !this.isClosed(row)) this.#links[row]! += own;
    else [this.#links[row], this.#state[row]] = [own, 0];
    if (this.#table.name(row) === 'h1') this.#state[row] = title;
  }

  #isLink(row: number): boolean {
    const name = this.#table.name(row);
    return (name === 'a' || name === 'area') && this.#table.value(row, 'href') !== null;
  }

  /** What lies in it is neither seen nor written by hand. */
  isClosed(row: number): boolean {
    return unseen.has(this.#table.name(row)) || this.#table.isOurs(row);
  }

  /** @param row the number of an element */
  links(row: number): number {
    return this.#links[row]!;
  }

  of(row: number): Counts {
    this.#count(row);
    return {
      linked: this.#linked[row]!,
      other: this.#other[row]!,
      hasTitle: (this.#state[row]! & title) !== 0,
    };
  }

  #count(row: number): void {
    if ((this.#state[row]! & alone) !== 0) return;
    this.#state[row]! |= alone;
    if (this.#isLink(row)) {
      this.#linked[row] = this.#lettersInLink(row);
      return;
    }
    if (this.isClosed(row)) return;
    const table = this.#table;
    let linked = 0;
    let other = this.#lettersIn(row);
    for (let one = table.firstChild(row); one !== nobody; one = table.nextSibling(one)) {
      this.#count(one);
      linked += this.#linked[one]!;
      other += this.#other[one]!;
    }
    this.#linked[row] = linked;
    this.#other[row] = other;
  }

  /** All in a link counts; a picture like a short word. */
  #lettersInLink(row: number): number {
    if ((this.#state[row]! & inLinks) !== 0) return this.#inLink[row]!;
    const table = this.#table;
    let letters = 0;
    if (!this.isClosed(row)) {
      letters = this.#lettersIn(row) + (table.name(row) === 'img' ? lettersOfPicture : 0);
      for (let one = table.firstChild(row); one !== nobody; one = table.nextSibling(one))
        letters += this.#lettersInLink(one);
    }
    this.#inLink[row] = letters;
    this.#state[row]! |= inLinks;
    return letters;
  }

  /** Those of its own texts. */
  #lettersIn(row: number): number {
    const table = this.#table;
    let letters = 0;
    for (let one = table.firstText(row); one !== nobody; one = table.nextText(one))
      letters += lettersOf(this.#tree, { start: table.textStart(one), end: table.textEnd(one) });
    return letters;
  }
}

const lettersOfPicture = 6;

/** Of a line of contents: `7.1.` before its link. */
const numbering = /^\s*(?:\d+\.)+\d*\s*$/;

function lettersOf(tree: Tree, text: TreeText): number {
  // Of long texts it does not matter how many of their letters are white space.
  if (text.end - text.start > 80) return text.end - text.start;
  const plain = plainLetters(tree.raw, text);
  if (plain >= 0) return plain;
  const words = textOf(tree, text);
  return isSeparator(words) || numbering.test(words) ? 0 : words.replace(/\s+/g, '').length;
}

/** The same for letters of ASCII alone, without references; -1 for any other text, and for one that may be a separator. */
function plainLetters(raw: Raw, { start, end }: TreeText): number {
  let [letters, isWords] = [0, false];
  for (let at = start; at < end; at += 1) {
    const code = raw.charCodeAt(at);
    if (code === 0x26 || code > 0x7e || code < 9 || (code > 13 && code < 0x20)) return -1;
    if (code > 0x20) letters += 1;
    if ((code >= 0x61 && code <= 0x7a) || (code >= 0x41 && code <= 0x5a)) isWords = true;
  }
  return isWords || letters === 0 ? letters : -1;
}
