import type { Raw } from '../text/bytes.ts';
import type { AttributeTable } from './simple-tag.ts';
import { attributesOf, endOfName } from './tags.ts';
import type { Attribute, Element } from './types.ts';

const nothing: readonly string[] = [];
const none: readonly Attribute[] = [];

/** What a walk tells of an element; in a tree, with what it lies in and what lies in it. */
export class PageElement implements Element {
  readonly name: string;
  readonly start: number;
  readonly open: number;
  close = -1;
  end = -1;
  stop = -1;
  within = nothing;
  openBefore = nothing;
  inOpenLink = false;
  openAtClose = nothing;
  linkAtClose = false;
  /** The page; empty where nobody asks for attributes. */
  raw: Raw = '';
  /** Where its attributes stand, if its tag is written as most are. */
  table: AttributeTable | null = null;
  from = 0;
  count = 0;
  #attributes: readonly Attribute[] | null = null;

  constructor(name: string, start: number, open: number) {
    this.name = name;
    this.start = start;
    this.open = open;
  }

  /** Whether something stands in its tag behind the name. */
  get hasAttributes(): boolean {
    return this.start >= 0 && this.raw.charCodeAt(this.start + 1 + this.name.length) !== 0x3e;
  }

  /** Those of its start tag, read when somebody asks. */
  get attributes(): readonly Attribute[] {
    this.#attributes ??= this.#read();
    return this.#attributes;
  }

  /** An attribute as it is written; null where it has none of that name. */
  value(name: string): Raw | null {
    if (this.table) return this.count === 0 ? null : this.table.value(this.raw, this, name);
    return this.attributes.find(one => one.name === name)?.value ?? null;
  }

  #read(): readonly Attribute[] {
    if (!this.hasAttributes) return none;
    const { raw, start, open } = this;
    return this.table?.attributes(raw, this) ?? attributesOf(raw, endOfName(raw, start + 1), open);
  }
}
