import { type Tree, type TreeNode, type TreeText, childrenOf, isNode, textOf } from '../page/tree.ts';
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
    for (const node of childrenOf(tree)) this.#countLinks(node);
  }

  links(node: TreeNode): number {
    return this.#links.get(node) ?? 0;
  }

  #countLinks(node: TreeNode): number {
    let links = isLink(node) ? 1 : 0;
    if (!isClosed(node)) for (const one of node.content) if (isNode(one)) links += this.#countLinks(one);
    if (links > 0) this.#links.set(node, links);
    return links;
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
  const words = textOf(tree, text);
  return isSeparator(words) ? 0 : words.replace(/\s+/g, '').length;
}
