import { type Options, compile } from 'css-select';
import type { Raw } from '../text/bytes.ts';
import { plainElement } from './element.ts';
import { lists } from './kinds.ts';
import {
  type Tree,
  type TreeNode,
  type TreeText,
  childrenOf,
  classesOf,
  isNode,
  readTree,
  textOf,
  valueOf,
} from './tree.ts';
import { firstBehind } from './unclosed.ts';
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
      ...plainElement(first),
      id,
      cells: cellsOf(first, matches, raw),
      listEnd: listEndOf(first, raw),
    });
  }
  return found;
}

/** Whether an element of this tree is matched by a selector. @throws where the selector is none */
export function matcher(tree: Tree, selector: string): (node: TreeNode) => boolean {
  const test = compiledFor(selector);
  return node => {
    current = tree;
    return test(node);
  };
}

/** What of a rule's selector depends on the moment, or stands for no element. */
const passing =
  /::?(?:hover|focus(?:-visible|-within)?|active|visited|link|any-link|before|after|first-letter|first-line)\b/g;

export function withoutPassing(selector: string): string {
  return selector.replace(passing, '');
}

/** The same for the selector of a style sheet's rule, in whatever state; one that only some browser knows matches nothing. */
export function ruleMatcher(tree: Tree, selector: string): (node: TreeNode) => boolean {
  try {
    return unknown.has(selector) ? never : matcher(tree, withoutPassing(selector).trim() || '*');
  } catch {
    if (unknown.size < mostCompiled) unknown.add(selector);
    return never;
  }
}

const never = (): boolean => false;
/** Selectors that only some browser knows. */
const unknown = new Set<string>();

const mostCompiled = 5000;
const namesOf = new WeakMap<Tree, ReadonlySet<string>>();

/** Whether a page has all classes and ids that a selector asks for; without them nothing in it is matched. */
export function mayMatch(tree: Tree, selector: string): boolean {
  if (/[(\\]/.test(selector)) return true;
  const wanted = selector.replace(/\[[^\]]*\]/g, '').match(/[.#][\w-]+/g) ?? [];
  if (wanted.length === 0) return true;
  const names = namesOf.get(tree) ?? readNames(tree);
  namesOf.set(tree, names);
  return wanted.every(one => names.has(one.toLowerCase()));
}

/** The elements that the selector of a style sheet's rule matches, in whatever state. */
export function matchedBy(selector: string, tree: Tree): TreeNode[] {
  return mayMatch(tree, selector) ? tree.nodes.filter(ruleMatcher(tree, selector)) : [];
}

function readNames(tree: Tree): ReadonlySet<string> {
  const names = new Set<string>();
  for (const node of [tree.html, tree.body, ...tree.nodes]) {
    if (!node.hasAttributes) continue;
    const id = valueOf(node, 'id', tree.charset);
    if (id) names.add(`#${id.toLowerCase()}`);
    for (const one of classesOf(node, tree.charset)) names.add(`.${one.toLowerCase()}`);
  }
  return names;
}

type Node = TreeNode | TreeText;
type Test = (node: TreeNode) => boolean;

/** Compiled selectors by their text: the same rules are followed on page after page. */
const compiled = new Map<string, Test>();
/** The tree that the nodes in hand belong to. */
let current: Tree;

function compiledFor(selector: string): Test {
  const known = compiled.get(selector);
  if (known) return known;
  const made = compile<Node, TreeNode>(selector, { adapter, cacheResults: false });
  if (compiled.size >= mostCompiled) compiled.clear();
  compiled.set(selector, made);
  return made;
}

const inBody = (one: Node): boolean => one.start >= current.bodyPoint;

function parentOf(node: TreeNode): TreeNode | null {
  const { html, head, body } = current;
  if (node === html) return null;
  if (node === body || node === head) return html;
  return node.parent ?? (inBody(node) ? body : head);
}

function childrenIn(node: Node): Node[] {
  if (!isNode(node)) return [];
  const { html, head, body, content } = current;
  if (node === html) return [head, body];
  if (node === body) return content.filter(inBody);
  return node === head ? content.filter(one => !inBody(one)) : node.content;
}

function textBelow(node: Node): string {
  return isNode(node) ? childrenIn(node).map(textBelow).join('') : textOf(current, node);
}

const adapter: NonNullable<Options<Node, TreeNode>['adapter']> = {
  isTag: isNode,
  getAttributeValue: (node, name) => valueOf(node, name, current.charset) ?? undefined,
  getChildren: childrenIn,
  getName: node => node.name,
  getParent: parentOf,
  getSiblings: node => {
    if (!isNode(node)) return [];
    const parent = parentOf(node);
    return parent ? childrenIn(parent) : [node];
  },
  getText: textBelow,
  hasAttrib: (node, name) => node.value(name) !== null,
  removeSubsets: nodes => nodes,
};

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
  if (node.close >= 0 || !lists.has(node.name)) return -1;
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
