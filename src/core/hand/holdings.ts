import { type Tree, type TreeNode, type TreeText, isNode, textOf } from '../page/tree.ts';
import type { Raw } from '../text/bytes.ts';
import { isLink, isOurs, isSeparator } from './entries.ts';

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

/** What elements hold: links are counted for all, letters only where somebody asks, since most of a page is prose. */
export class Holdings {
  readonly #tree: Tree;
  readonly #links: Int32Array;
  /** By the number of an element: what is known of it, and its letters. */
  readonly #state: Uint8Array;
  readonly #linked: Int32Array;
  readonly #other: Int32Array;
  readonly #inLink: Int32Array;

  constructor(tree: Tree) {
    this.#tree = tree;
    const { length } = tree.nodes;
    this.#links = new Int32Array(length);
    this.#state = new Uint8Array(length);
    [this.#linked, this.#other, this.#inLink] = [
      new Int32Array(length),
      new Int32Array(length),
      new Int32Array(length),
    ];
    // What lies in an element comes behind it.
    for (let at = length - 1; at >= 0; at -= 1) {
      const node = tree.nodes[at]!;
      this.#closeOver(node);
      if (!node.parent) continue;
      this.#links[node.parent.at]! += this.#links[at]!;
      this.#state[node.parent.at]! |= this.#state[at]!;
    }
  }

  /** All in it is counted. */
  #closeOver(node: TreeNode): void {
    const { at, name } = node;
    const own = isLink(node) ? 1 : 0;
    if ((this.#links[at] === 0 && this.#state[at] === 0) || !isClosed(node)) this.#links[at]! += own;
    else [this.#links[at], this.#state[at]] = [own, 0];
    if (name === 'h1') this.#state[at] = title;
  }

  links({ at }: TreeNode): number {
    return this.#links[at]!;
  }

  of(node: TreeNode): Counts {
    this.#count(node);
    const { at } = node;
    return {
      linked: this.#linked[at]!,
      other: this.#other[at]!,
      hasTitle: (this.#state[at]! & title) !== 0,
    };
  }

  #count(node: TreeNode): void {
    const { at } = node;
    if ((this.#state[at]! & alone) !== 0) return;
    this.#state[at]! |= alone;
    if (isLink(node)) {
      this.#linked[at] = this.#lettersInLink(node);
      return;
    }
    if (isClosed(node)) return;
    let [linked, other] = [0, 0];
    for (const one of node.content)
      if (isNode(one)) {
        this.#count(one);
        linked += this.#linked[one.at]!;
        other += this.#other[one.at]!;
      } else other += lettersOf(this.#tree, one);
    this.#linked[at] = linked;
    this.#other[at] = other;
  }

  /** All in a link counts; a picture like a short word. */
  #lettersInLink(node: TreeNode): number {
    const { at, name } = node;
    if ((this.#state[at]! & inLinks) !== 0) return this.#inLink[at]!;
    let letters = 0;
    if (!isClosed(node)) {
      if (name === 'img') letters = lettersOfPicture;
      for (const one of node.content)
        letters += isNode(one) ? this.#lettersInLink(one) : lettersOf(this.#tree, one);
    }
    this.#inLink[at] = letters;
    this.#state[at]! |= inLinks;
    return letters;
  }
}

const lettersOfPicture = 6;

/** What lies in it is neither seen nor written by hand. */
export const isClosed = (node: TreeNode): boolean => unseen.has(node.name) || isOurs(node);

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
