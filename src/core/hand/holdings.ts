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

/** What elements hold: links are counted for all, letters only where somebody asks, since most of a page is prose. */
export class Holdings {
  readonly #tree: Tree;
  readonly #links = new Map<TreeNode, number>();
  readonly #inLink = new Map<TreeNode, Counts>();
  readonly #counts = new Map<TreeNode, Counts>();

  constructor(tree: Tree) {
    this.#tree = tree;
    // What lies in an element comes behind it.
    for (let at = tree.nodes.length - 1; at >= 0; at -= 1) {
      const node = tree.nodes[at]!;
      if (isLink(node)) this.#add(node, 1);
      const links = this.#links.get(node);
      if (links === undefined) continue;
      if (isClosed(node)) this.#links.set(node, isLink(node) ? 1 : 0);
      if (node.parent) this.#add(node.parent, this.#links.get(node)!);
    }
  }

  #add(node: TreeNode, links: number): void {
    this.#links.set(node, (this.#links.get(node) ?? 0) + links);
  }

  links(node: TreeNode): number {
    return this.#links.get(node) ?? 0;
  }

  /** @param inLink whether a link lies around it */
  of(node: TreeNode, inLink = false): Counts {
    const known = inLink ? this.#inLink : this.#counts;
    let counts = known.get(node);
    if (!counts) known.set(node, (counts = this.#count(node, inLink)));
    return counts;
  }

  #count(node: TreeNode, inLink: boolean): Counts {
    const sum = { linked: 0, other: 0, hasTitle: node.name === 'h1' };
    if (isClosed(node)) return sum;
    if (node.name === 'img') sum.linked += inLink ? 6 : 0;
    const inside = inLink || isLink(node);
    for (const one of node.content) {
      if (isNode(one)) {
        const below = this.of(one, inside);
        sum.linked += below.linked;
        sum.other += below.other;
        sum.hasTitle ||= below.hasTitle;
      } else if (inside) sum.linked += lettersOf(this.#tree, one);
      else sum.other += lettersOf(this.#tree, one);
    }
    return sum;
  }
}

/** What lies in it is neither seen nor written by hand. */
export const isClosed = (node: TreeNode): boolean => unseen.has(node.name) || isOurs(node);

function lettersOf(tree: Tree, text: TreeText): number {
  // Of long texts it does not matter how many of their letters are white space.
  if (text.end - text.start > 80) return text.end - text.start;
  const plain = plainLetters(tree.raw, text);
  if (plain >= 0) return plain;
  const words = textOf(tree, text);
  return isSeparator(words) ? 0 : words.replace(/\s+/g, '').length;
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
