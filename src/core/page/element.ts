import type { Raw } from '../text/bytes.ts';
import type { AttributeTable } from './simple-tag.ts';
import { attributesOf, endOfName } from './tags.ts';
import type { Attribute, Element, TreeNode, TreeText } from './types.ts';

const nothing: readonly string[] = [];
const none: readonly Attribute[] = [];
/** Of an element that is in no tree. */
const unfilled: (TreeNode | TreeText)[] = [];

type Around = Pick<Element, 'within' | 'openBefore' | 'inOpenLink' | 'openAtClose' | 'linkAtClose'>;

/** A page, and where the attributes of its tags stand. */
export interface TagSource {
  raw: Raw;
  table: AttributeTable;
}

/** What a walk tells of an element; in a tree, with what it lies in and what lies in it. */
export class PageElement implements Element {
  readonly name: string;
  readonly start: number;
  readonly open: number;
  close = -1;
  end = -1;
  stop = -1;
  /** Where it lies, if anybody has asked. */
  around: Around | null = null;
  /** The page, and where attributes stand in it; null where nobody asks for them. */
  source: TagSource | null = null;
  /** Those of this tag; -1, where it is not written as most are. */
  from = 0;
  count = -1;
  /** In a tree: what it lies in, what lies in it, its number in the order of the page. */
  parent: TreeNode | null = null;
  content: (TreeNode | TreeText)[] = unfilled;
  at = -1;
  isOurs = false;
  #attributes: readonly Attribute[] | null = null;

  constructor(name: string, start: number, open: number) {
    this.name = name;
    this.start = start;
    this.open = open;
  }

  get within(): readonly string[] {
    return this.around?.within ?? nothing;
  }

  get openBefore(): readonly string[] {
    return this.around?.openBefore ?? nothing;
  }

  get inOpenLink(): boolean {
    return this.around?.inOpenLink ?? false;
  }

  get openAtClose(): readonly string[] {
    return this.around?.openAtClose ?? nothing;
  }

  get linkAtClose(): boolean {
    return this.around?.linkAtClose ?? false;
  }

  /** Whether something stands in its tag behind the name. */
  get hasAttributes(): boolean {
    return this.source !== null && this.source.raw.charCodeAt(this.start + 1 + this.name.length) !== 0x3e;
  }

  /** Those of its start tag, read when somebody asks. */
  get attributes(): readonly Attribute[] {
    this.#attributes ??= this.#read();
    return this.#attributes;
  }

  /** An attribute as it is written; null where it has none of that name. */
  value(name: string): Raw | null {
    if (this.count === 0 || !this.source) return null;
    if (this.count > 0) return this.source.table.value(this.source.raw, this, name);
    return this.attributes.find(one => one.name === name)?.value ?? null;
  }

  #read(): readonly Attribute[] {
    if (!this.source || !this.hasAttributes) return none;
    const { raw, table } = this.source;
    if (this.count >= 0) return table.attributes(raw, this);
    return attributesOf(raw, endOfName(raw, this.start + 1), this.open);
  }
}

/** All that an element is, for what makes another one of it. */
export function plainElement(element: Element): Element {
  const { name, start, open, close, end, stop } = element;
  const { within, openBefore, inOpenLink, openAtClose, linkAtClose } = element;
  const outer = { within, openBefore, inOpenLink, openAtClose, linkAtClose };
  return { name, start, open, close, end, stop, ...outer };
}
