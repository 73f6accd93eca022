import { type Raw, lowerAscii } from '../text/bytes.ts';
import { type Charset, decode } from '../text/charset.ts';
import { readAttributeReferences, readReferences } from '../text/references.ts';
import { PageElement, type TagSource } from './element.ts';
import { AttributeTable } from './simple-tag.ts';
import type { Scanner } from './scanner.ts';
import type { Element, TreeNode, TreeText } from './types.ts';
import { type Listener, Walk } from './walk.ts';
import { attributeStarts } from './wanted.ts';

export type { TreeNode, TreeText } from './types.ts';

/** The elements of a page as a tree; `html`, `head` and `body` are not among them, what lies in them is. */
export interface Tree {
  raw: Raw;
  charset: Charset;
  content: (TreeNode | TreeText)[];
  /** All elements, in the order of their start tags. */
  nodes: TreeNode[];
  /** Those among them that hold or name style sheets, and those that Kamino put in. */
  sheets: TreeNode[];
  ours: TreeNode[];
  /** These stand for themselves, with the attributes of their first tags. */
  html: TreeNode;
  head: TreeNode;
  body: TreeNode;
  /** Where the body's content begins, as far as it is known; what lies before it is the head's. */
  bodyPoint: number;
}

/** @param scripting as for a browser with scripts on, where a `noscript` holds text and no elements */
export function readTree(raw: Raw, charset: Charset, scripting: boolean): Tree {
  const walk = new Walk(raw, scripting);
  const builder = new TreeBuilder(walk);
  walk.run([builder]);
  return builder.tree(charset);
}

/** Hears what makes the tree of a page. */
export class TreeBuilder implements Listener {
  readonly #walk: Walk;
  readonly #content: (TreeNode | TreeText)[] = [];
  readonly #nodes: TreeNode[] = [];
  readonly #source: TagSource;
  readonly #sheets: TreeNode[] = [];
  readonly #ours: TreeNode[] = [];
  /** Offsets at which attributes of Kamino's may stand, and the first that has not been passed. */
  readonly #starts: readonly number[];
  #next = 0;
  readonly #roots = { html: rootNode('html'), head: rootNode('head'), body: rootNode('body') };
  /** How much was open before an end tag. */
  #depth = 0;
  /** What holds the element whose start tag was just met. */
  #parent: TreeNode | null = null;

  readonly #isPlain: boolean;

  /** @param isPlain nobody asks of its elements what they lie in but by their parents */
  constructor(walk: Walk, isPlain = false) {
    this.#walk = walk;
    this.#isPlain = isPlain;
    this.#source = { raw: walk.raw, table: new AttributeTable() };
    this.#starts = attributeStarts(walk.raw).others;
  }

  asks(): boolean | 'plain' {
    const { scanner } = this.#walk;
    const { name } = scanner;
    if ((name === 'html' || name === 'body') && this.#roots[name].start < 0)
      this.#roots[name] = rootAt(this.#source, scanner);
    return !roots.has(scanner.name) && (this.#isPlain ? 'plain' : true);
  }

  onTag(): void {
    this.#parent = this.#innermost();
  }

  onStart(element: Element | null): void {
    const { scanner } = this.#walk;
    if (element === null || roots.has(scanner.name)) return;
    const node = element as PageElement;
    node.source = this.#source;
    const slots = scanner.keepIn(this.#source.table);
    if (slots) {
      node.from = slots.from;
      node.count = slots.count;
    }
    node.parent = this.#parent;
    node.content = [];
    node.isOurs = this.#starts.length > 0 && this.#isOurs(node);
    (this.#parent?.content ?? this.#content).push(node);
    node.at = this.#nodes.push(node) - 1;
    if (node.name === 'style' || node.name === 'link') this.#sheets.push(node);
    if (node.isOurs) this.#ours.push(node);
  }

  #isOurs(node: TreeNode): boolean {
    while (this.#starts[this.#next]! < node.start) this.#next += 1;
    return this.#starts[this.#next]! < node.open && node.value('data-kamino') !== null;
  }

  onText(): void {
    const { start, end } = this.#walk.scanner;
    (this.#innermost()?.content ?? this.#content).push({ start, end });
  }

  onEndTag(): void {
    this.#depth = this.#walk.outline.depth;
  }

  onEnd(): void {
    const { scanner, outline } = this.#walk;
    if (scanner.name !== 'li' || outline.depth !== this.#depth) return;
    const list = this.#innermost();
    if (list?.parent?.name === 'li' && (list.name === 'ul' || list.name === 'ol')) list.isLeftOpen = true;
  }

  /** Once the walk is over. */
  tree(charset: Charset): Tree {
    return {
      raw: this.#walk.raw,
      charset,
      content: this.#content,
      nodes: this.#nodes,
      sheets: this.#sheets,
      ours: this.#ours,
      bodyPoint: 0,
      ...this.#roots,
    };
  }

  #innermost(): TreeNode | null {
    return this.#walk.outline.innermost as TreeNode | null;
  }
}

function rootNode(name: string, start = -1, open = -1): PageElement {
  const node = new PageElement(name, start, open);
  node.content = [];
  return node;
}

/** Of two tags the first counts. */
function rootAt(source: TagSource, { name, start, end }: Scanner): PageElement {
  const node = rootNode(name, start, end);
  node.source = source;
  return node;
}

const roots: ReadonlySet<string> = new Set(['html', 'head', 'body']);

export function isNode(one: TreeNode | TreeText): one is TreeNode {
  return 'content' in one;
}

export function childrenOf(parent: { content: readonly (TreeNode | TreeText)[] }): TreeNode[] {
  return parent.content.filter(isNode);
}

/** An attribute's value as text, or null where it is not there. */
export function valueOf(node: TreeNode, name: string, charset: Charset): string | null {
  const value = node.value(name);
  return value === null ? null : readAttributeReferences(decode(value, charset));
}

export function classesOf(node: TreeNode, charset: Charset): string[] {
  if (!node.hasAttributes) return [];
  return (valueOf(node, 'class', charset) ?? '').split(/[\t\n\f\r ]+/).filter(Boolean);
}

export function textOf({ raw, charset }: Tree, { start, end }: TreeText): string {
  return readReferences(decode(raw.slice(start, end), charset));
}

/** The first word of its `role`, in small letters. */
export function roleOf(node: TreeNode, charset: Charset): string {
  return lowerAscii(valueOf(node, 'role', charset) ?? '')
    .trim()
    .split(/\s+/)[0]!;
}

/** An element and all in it, in the order of the page. */
export function* descendants(node: TreeNode): Generator<TreeNode> {
  const waiting = [node];
  for (let one = waiting.pop(); one; one = waiting.pop()) {
    yield one;
    for (let at = one.content.length - 1; at >= 0; at -= 1) {
      const child = one.content[at]!;
      if (isNode(child)) waiting.push(child);
    }
  }
}

/** What no entry of a menu holds: a list that is never closed ends there. */
const noEntry: ReadonlySet<string> = new Set(
  'h1 h2 h3 h4 h5 h6 p div table section article main form footer hr pre blockquote'.split(' '),
);

/** The first element in a list that is never closed which cannot be meant to lie in it; null where there is none. */
export function firstBehind(list: TreeNode): TreeNode | null {
  for (const node of descendants(list)) if (node !== list && noEntry.has(node.name)) return node;
  return null;
}

/** The same for every element of a page that has one, in one pass. */
export function firstsBehind(tree: Tree): Map<TreeNode, TreeNode> {
  const firsts = new Map<TreeNode, TreeNode>();
  for (const node of tree.nodes.toReversed()) {
    const first = noEntry.has(node.name) ? node : firsts.get(node);
    if (first && node.parent) firsts.set(node.parent, first);
  }
  return firsts;
}

/** The same element with other content. */
export function holding(node: TreeNode, content: TreeNode['content']): TreeNode {
  const { name, start, open } = node;
  return Object.assign(new PageElement(name, start, open), node, { content });
}
