import { type Options, compile } from 'css-select';
import type { Raw } from '../text/bytes.ts';
import {
  type Tree,
  type TreeNode,
  type TreeText,
  childrenOf,
  firstBehind,
  isNode,
  readTree,
  textOf,
  valueOf,
} from './tree.ts';
import type { Cells, Found, SoughtPage } from './types.ts';

/**
 * Finds the first element of a page's body that each selector matches, as CSS matches
 * (https://www.w3.org/TR/selectors-4/).
 */
export function seekIn(page: SoughtPage, selectors: readonly string[]): Map<string, Found> {
  const { raw, charset, scripting, bodyPoint } = page;
  const tree = readTree(raw, charset, scripting);
  tree.bodyPoint = bodyPoint;
  const found = new Map<string, Found>();
  for (const selector of selectors) {
    const matches = matcher(tree, selector);
    const first = tree.nodes.find(one => one.start >= bodyPoint && matches(one));
    if (!first) continue;
    const id = valueOf(first, 'id', charset);
    found.set(selector, {
      ...first,
      id,
      cells: cellsOf(first, matches, raw),
      listEnd: listEndOf(first, raw),
    });
  }
  return found;
}

/** Whether an element of this tree is matched by a selector. @throws where the selector is none */
export function matcher(tree: Tree, selector: string): (node: TreeNode) => boolean {
  return compile<Node, TreeNode>(selector, { adapter: adapterFor(tree), cacheResults: false });
}

/** What of a rule's selector depends on the moment, or stands for no element. */
const passing =
  /::?(?:hover|focus(?:-visible|-within)?|active|visited|link|any-link|before|after|first-letter|first-line)\b/g;

/** The same for the selector of a style sheet's rule, in whatever state; one that only some browser knows matches nothing. */
export function ruleMatcher(tree: Tree, selector: string): (node: TreeNode) => boolean {
  try {
    return matcher(tree, selector.replace(passing, '').trim() || '*');
  } catch {
    return () => false;
  }
}

type Node = TreeNode | TreeText;

function adapterFor(tree: Tree): NonNullable<Options<Node, TreeNode>['adapter']> {
  const inBody = (one: Node): boolean => one.start >= tree.bodyPoint;
  const parentOf = (node: TreeNode): TreeNode | null => {
    if (node === tree.html) return null;
    if (node === tree.body || node === tree.head) return tree.html;
    return node.parent ?? (inBody(node) ? tree.body : tree.head);
  };
  const children = (node: Node): Node[] => {
    if (!isNode(node)) return [];
    if (node === tree.html) return [tree.head, tree.body];
    if (node === tree.body) return tree.content.filter(inBody);
    return node === tree.head ? tree.content.filter(one => !inBody(one)) : node.content;
  };
  const textBelow = (node: Node): string =>
    isNode(node) ? children(node).map(textBelow).join('') : textOf(tree, node);
  return {
    isTag: isNode,
    getAttributeValue: (node, name) => valueOf(node, name, tree.charset) ?? undefined,
    getChildren: children,
    getName: node => node.name,
    getParent: parentOf,
    getSiblings: node => {
      if (!isNode(node)) return [];
      const parent = parentOf(node);
      return parent ? children(parent) : [node];
    },
    getText: textBelow,
    hasAttrib: (node, name) => node.attributes.some(one => one.name === name),
    removeSubsets: nodes => nodes,
  };
}

/** Of a row of a table, or a cell: the cells that go together; null for any other element. */
function cellsOf(first: TreeNode, matches: (node: TreeNode) => boolean, raw: Raw): Cells | null {
  if (first.name === 'tr') return cellsFrom(childrenOf(first).filter(isCell), raw);
  if (!isCell(first)) return null;
  const row = first.parent ? childrenOf(first.parent) : [first];
  const after = row.slice(row.indexOf(first));
  const end = after.findIndex(one => !isCell(one) || !matches(one));
  return cellsFrom(end < 0 ? after : after.slice(0, end), raw);
}

/** Where a list that is never closed is meant to end, so that a menu can stand instead of it; -1 for anything else. */
function listEndOf(node: TreeNode, raw: Raw): number {
  if (node.close >= 0 || !['ul', 'ol', 'menu', 'dir', 'dl'].includes(node.name)) return -1;
  const behind = firstBehind(node)?.start ?? node.stop;
  return behind < 0 ? -1 : raw.slice(0, behind).trimEnd().length;
}

function isCell({ name }: TreeNode): boolean {
  return name === 'td' || name === 'th';
}

/** What a cell keeps where it stands for others, and what more where it stands for one alone. */
const kept = ['class', 'bgcolor', 'background', 'valign', 'height'];
const keptOfOne = [...kept, 'width', 'rowspan', 'style'];

function cellsFrom(cells: readonly TreeNode[], raw: Raw): Cells | null {
  const [first] = cells;
  const last = cells.at(-1);
  if (!first || !last) return null;
  const stop = last.end >= 0 ? last.end : last.stop < 0 ? -1 : raw.slice(0, last.stop).trimEnd().length;
  const span = cells.reduce((sum, cell) => sum + spanOf(cell), 0);
  const alike = (name: string): boolean =>
    cells.every(cell => written(cell, name) !== null && written(cell, name) === written(first, name));
  const attributes = (cells.length === 1 ? keptOfOne : kept)
    .filter(alike)
    .map(name => ` ${name}="${written(first, name)!}"`);
  return {
    start: first.start,
    end: stop,
    attributes: (span > 1 ? ` colspan="${span}"` : '') + attributes.join(''),
  };
}

function spanOf(cell: TreeNode): number {
  return Math.max(1, Number.parseInt(written(cell, 'colspan') ?? '1', 10) || 1);
}

/** As it stands in the page; null where it is not there, or could not be written in quotes. */
function written(cell: TreeNode, name: string): Raw | null {
  const value = cell.attributes.find(one => one.name === name)?.value;
  return value === undefined || value.includes('"') ? null : value;
}
