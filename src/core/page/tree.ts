import { type Raw, lowerAscii } from '../text/bytes.ts';
import { type Charset, decode } from '../text/charset.ts';
import { readAttributeReferences, readReferences } from '../text/references.ts';
import type { PageElement } from './element.ts';
import { ElementTable, nobody } from './element-table.ts';
import type { TableRoom } from './table-room.ts';
import { Elements, RootElement } from './tree-element.ts';
import type { Element, TreeNode, TreeText } from './types.ts';
import { type Listener, Walk } from './walk.ts';
import { attributeStarts } from './wanted.ts';

export type { TreeNode, TreeText } from './types.ts';

type RootName = 'html' | 'head' | 'body';

/** What a tree is made of. */
interface Grown {
  table: ElementTable;
  records: (PageElement | undefined)[];
  roots: Record<RootName, TreeNode>;
  sheets: readonly number[];
  ours: readonly number[];
}

/** The elements of a page as a tree; `html`, `head` and `body` are not among them, what lies in them is. */
export class Tree {
  readonly raw: Raw;
  readonly charset: Charset;
  readonly table: ElementTable;
  /** These stand for themselves, with the attributes of their first tags. */
  readonly html: TreeNode;
  readonly head: TreeNode;
  readonly body: TreeNode;
  /** Where the body's content begins, as far as it is known; what lies before it is the head's. */
  bodyPoint = 0;
  readonly #elements: Elements;
  readonly #grown: Grown;
  #nodes: TreeNode[] | null = null;
  #content: (TreeNode | TreeText)[] | null = null;

  constructor(charset: Charset, grown: Grown) {
    const { table, records, roots } = grown;
    this.raw = table.raw;
    this.charset = charset;
    this.table = table;
    this.html = roots.html;
    this.head = roots.head;
    this.body = roots.body;
    this.#grown = grown;
    this.#elements = new Elements(table, records);
  }

  /** An element by its number in the table. */
  node(row: number): TreeNode {
    return this.#elements.one(row);
  }

  get content(): (TreeNode | TreeText)[] {
    return (this.#content ??= this.#elements.contentOf(nobody));
  }

  /** All elements, in the order of their start tags. */
  get nodes(): readonly TreeNode[] {
    return (this.#nodes ??= Array.from({ length: this.table.length - 1 }, (_, at) => this.node(at + 1)));
  }

  /** Those among them that hold or name style sheets, and those that Kamino put in. */
  get sheets(): readonly TreeNode[] {
    return this.#grown.sheets.map(row => this.node(row));
  }

  get ours(): readonly TreeNode[] {
    return this.#grown.ours.map(row => this.node(row));
  }
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
  readonly #table: ElementTable;
  readonly #records: (PageElement | undefined)[] = [];
  readonly #sheets: number[] = [];
  readonly #ours: number[] = [];
  /** Offsets at which attributes of Kamino's may stand, and the first that has not been passed. */
  readonly #starts: readonly number[];
  #next = 0;
  readonly #roots: Record<RootName, TreeNode>;
  /** How much was open before an end tag. */
  #depth = 0;
  /** The number of what holds the element whose start tag was just met. */
  #parent = nobody;
  readonly #isPlain: boolean;

  /** @param isPlain nobody asks of its elements what they lie in but by their parents */
  constructor(walk: Walk, { isPlain = false, room }: { isPlain?: boolean; room?: TableRoom } = {}) {
    const { raw } = walk;
    this.#walk = walk;
    this.#isPlain = isPlain;
    this.#table = new ElementTable(raw, room);
    walk.outline.table = this.#table;
    const root = (name: RootName): TreeNode => new RootElement(raw, name);
    this.#roots = { html: root('html'), head: root('head'), body: root('body') };
    this.#starts = attributeStarts(raw).others;
  }

  asks(): boolean {
    return !this.#isPlain && !roots.has(this.#walk.scanner.name);
  }

  onTag(): void {
    this.#parent = this.#walk.outline.row;
  }

  onStart(element: Element | null): void {
    const { scanner, outline } = this.#walk;
    const { name } = scanner;
    if (roots.has(name)) return this.#onRoot(name as RootName);
    const row = this.#table.add(scanner.tag, scanner, this.#parent, scanner.keepIn(this.#table.attributes));
    outline.numbered(row);
    if (element && !this.#isPlain) this.#records[row] = element as PageElement;
    if (name === 'style' || name === 'link') this.#sheets.push(row);
    if (this.#starts.length > 0 && this.#isOurs(row)) {
      this.#table.setOurs(row);
      this.#ours.push(row);
    }
  }

  /** Of two tags the first counts. */
  #onRoot(name: RootName): void {
    const { start, end } = this.#walk.scanner;
    if (name !== 'head' && this.#roots[name].start < 0)
      this.#roots[name] = new RootElement(this.#walk.raw, name, start, end);
  }

  #isOurs(row: number): boolean {
    const table = this.#table;
    while (this.#starts[this.#next]! < table.start(row)) this.#next += 1;
    return this.#starts[this.#next]! < table.open(row) && table.value(row, 'data-kamino') !== null;
  }

  onText(): void {
    const { start, end } = this.#walk.scanner;
    this.#table.addText(start, end, this.#walk.outline.row);
  }

  onEndTag(): void {
    this.#depth = this.#walk.outline.depth;
  }

  onEnd(): void {
    const { scanner, outline } = this.#walk;
    if (scanner.name !== 'li' || outline.depth !== this.#depth) return;
    const table = this.#table;
    const list = outline.row;
    const isList = table.name(list) === 'ul' || table.name(list) === 'ol';
    if (isList && table.name(table.parent(list)) === 'li') table.setLeftOpen(list);
  }

  /** Once the walk is over. */
  tree(charset: Charset): Tree {
    return new Tree(charset, {
      table: this.#table,
      records: this.#records,
      roots: this.#roots,
      sheets: this.#sheets,
      ours: this.#ours,
    });
  }
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

/** The words of an element and of all that is in it. @param between what stands between two texts */
export function wordsOf(tree: Tree, { content }: TreeNode, between = ''): string {
  return content.map(one => (isNode(one) ? wordsOf(tree, one, between) : textOf(tree, one))).join(between);
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
export function descendants(node: TreeNode): TreeNode[] {
  const found: TreeNode[] = [];
  const waiting = [node];
  for (let one = waiting.pop(); one; one = waiting.pop()) {
    found.push(one);
    for (let at = one.content.length - 1; at >= 0; at -= 1) {
      const child = one.content[at]!;
      if (isNode(child)) waiting.push(child);
    }
  }
  return found;
}
