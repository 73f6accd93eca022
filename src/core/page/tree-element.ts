import type { Raw } from '../text/bytes.ts';
import type { PageElement } from './element.ts';
import { type ElementTable, nobody } from './element-table.ts';
import { attributesOf, endOfName } from './tags.ts';
import type { Attribute, TreeNode, TreeText } from './types.ts';

const nothing: readonly string[] = [];
const none: readonly Attribute[] = [];

/** The elements of a page by their numbers, each made when somebody asks. */
export class Elements {
  readonly table: ElementTable;
  /** What each lies in, by its number; empty where nobody asks. */
  readonly records: (PageElement | undefined)[];
  readonly #made: (TreeElement | undefined)[] = [];

  constructor(table: ElementTable, records: (PageElement | undefined)[]) {
    this.table = table;
    this.records = records;
  }

  one(row: number): TreeElement {
    return (this.#made[row] ??= new TreeElement(this, row));
  }

  /** What lies in an element, or in the page, in its order. */
  contentOf(row: number): (TreeNode | TreeText)[] {
    const { table } = this;
    const found: (TreeNode | TreeText)[] = [];
    let text = table.firstText(row);
    const textsBefore = (offset: number): void => {
      for (; text !== nobody && table.textStart(text) < offset; text = table.nextText(text))
        found.push({ start: table.textStart(text), end: table.textEnd(text) });
    };
    for (let one = table.firstChild(row); one !== nobody; one = table.nextSibling(one)) {
      textsBefore(table.start(one));
      found.push(this.one(one));
    }
    textsBefore(Infinity);
    return found;
  }
}

/** An element of a page; what it is comes from the table, and what lies around it when somebody asks. */
export class TreeElement implements TreeNode {
  readonly name: string;
  readonly start: number;
  readonly open: number;
  readonly at: number;
  readonly isOurs: boolean;
  readonly #elements: Elements;
  #parent: TreeNode | null | undefined;
  #content: (TreeNode | TreeText)[] | undefined;
  #attributes: readonly Attribute[] | undefined;

  constructor(elements: Elements, row: number, content?: (TreeNode | TreeText)[]) {
    const { table } = elements;
    this.#elements = elements;
    this.at = row;
    this.name = table.name(row);
    this.start = table.start(row);
    this.open = table.open(row);
    this.isOurs = table.isOurs(row);
    this.#content = content;
  }

  get close(): number {
    return this.#elements.table.close(this.at);
  }

  get end(): number {
    return this.#elements.table.end(this.at);
  }

  get stop(): number {
    return this.#elements.table.stop(this.at);
  }

  get isLeftOpen(): boolean {
    return this.#elements.table.isLeftOpen(this.at);
  }

  get parent(): TreeNode | null {
    if (this.#parent === undefined) {
      const row = this.#elements.table.parent(this.at);
      this.#parent = row === nobody ? null : this.#elements.one(row);
    }
    return this.#parent;
  }

  get content(): (TreeNode | TreeText)[] {
    return (this.#content ??= this.#elements.contentOf(this.at));
  }

  /** The same element with other content. */
  holding(content: (TreeNode | TreeText)[]): TreeNode {
    return new TreeElement(this.#elements, this.at, content);
  }

  get #record(): PageElement | undefined {
    return this.#elements.records[this.at];
  }

  get within(): readonly string[] {
    return this.#record?.within ?? nothing;
  }

  get openBefore(): readonly string[] {
    return this.#record?.openBefore ?? nothing;
  }

  get inOpenLink(): boolean {
    return this.#record?.inOpenLink ?? false;
  }

  get openAtClose(): readonly string[] {
    return this.#record?.openAtClose ?? nothing;
  }

  get linkAtClose(): boolean {
    return this.#record?.linkAtClose ?? false;
  }

  get hasAttributes(): boolean {
    return this.#elements.table.hasAttributes(this.at);
  }

  get attributes(): readonly Attribute[] {
    return (this.#attributes ??= this.#elements.table.allOf(this.at));
  }

  value(name: string): Raw | null {
    return this.#elements.table.value(this.at, name);
  }
}

/** `html`, `head` or `body`, which stand for themselves, with the attributes of their first tags; -1: there is no tag. */
export class RootElement implements TreeNode {
  readonly name: string;
  readonly start: number;
  readonly open: number;
  readonly close = -1;
  readonly end = -1;
  readonly stop = -1;
  readonly at = -1;
  readonly isOurs = false;
  readonly isLeftOpen = false;
  readonly parent = null;
  readonly content: (TreeNode | TreeText)[] = [];
  readonly within = nothing;
  readonly openBefore = nothing;
  readonly inOpenLink = false;
  readonly openAtClose = nothing;
  readonly linkAtClose = false;
  readonly attributes: readonly Attribute[];

  constructor(raw: Raw, name: string, start = -1, open = -1) {
    this.name = name;
    this.start = start;
    this.open = open;
    this.attributes = start < 0 ? none : attributesOf(raw, endOfName(raw, start + 1), open);
  }

  get hasAttributes(): boolean {
    return this.attributes.length > 0;
  }

  holding(): TreeNode {
    return this;
  }

  value(name: string): Raw | null {
    return this.attributes.find(one => one.name === name)?.value ?? null;
  }
}
