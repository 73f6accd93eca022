import type { Raw } from '../text/bytes.ts';
import { behind, isLetter } from './codes.ts';
import { type TagName, nameOf } from './names.ts';
import { type AttributeTable, type LetteredSlots, SimpleTag } from './simple-tag.ts';
import { attributesOf, endOfName, endOfTag, isSelfClosing } from './tags.ts';
import { skipTemplates } from './template-code.ts';
import { endOfComment, endOfInstruction, endOfText } from './text-ends.ts';
import type { Attribute } from './types.ts';

export type TokenKind = 'start' | 'end' | 'comment' | 'doctype' | 'text' | 'done';

const none: readonly Attribute[] = [];

/**
 * Goes through a page tag by tag, by the tokenizer of the HTML standard (https://html.spec.whatwg.org/#tokenization),
 * on raw bytes and without a tree. Template code is passed over as one unit, which no package's tokenizer does.
 * `next` moves on; the fields tell what was met. Text is only told by its extent.
 */
export class Scanner {
  readonly raw: Raw;
  kind: TokenKind = 'text';
  /** Of the tag just met. */
  tag: TagName = nameOf('');
  start = 0;
  end = 0;
  selfClosing = false;
  /** The file ends inside a tag, a comment or an element of text: nothing can be put behind it. */
  isCutOff = false;
  #pending: 'none' | 'tag' = 'none';
  #rawText: string | null = null;
  /** Offset of the next brace at or behind the last place that was looked at. */
  #brace = -1;
  /** Where the attributes of the tag just met stand, where it is written as most are. */
  readonly #written = new SimpleTag();
  #isSimple = false;
  /** Those of the tag just met, once somebody has asked. */
  #attributes: readonly Attribute[] | null = null;

  /** The name of the tag just met, in ASCII lower case. */
  get name(): string {
    return this.tag.name;
  }

  constructor(raw: Raw, from = 0) {
    this.raw = raw;
    this.end = from;
  }

  /**
   * @param inForeign whether the current element is one of SVG or MathML, where CDATA sections exist
   * @param withText whether text before the next tag is told as a token of its own
   */
  next(inForeign = false, withText = true): TokenKind {
    if (this.#pending === 'tag') {
      this.#pending = 'none';
      return this.#read(this.end, inForeign);
    }
    const from = this.end;
    if (from >= this.raw.length) {
      if (this.#rawText !== null) this.isCutOff = true;
      return this.#set('done', this.raw.length, this.raw.length);
    }
    if (this.#rawText !== null) return this.#skipRawText(from);
    const at = this.#nextMarkup(from, inForeign);
    if (at > from && (withText || at === this.raw.length)) {
      if (at < this.raw.length) this.#pending = 'tag';
      return this.#set('text', from, at);
    }
    return this.#read(at, inForeign);
  }

  /** After the start tag of an element whose content is text: what comes up to its end tag is no markup. */
  enterRawText(name: string): void {
    this.#rawText = name;
  }

  /** The attributes of the tag just met; of two with one name the first counts. */
  attributes(): readonly Attribute[] {
    this.#attributes ??= this.#readAttributes();
    return this.#attributes;
  }

  /** The value of one of its attributes, as written; null where it has none of that name. */
  value(name: string): Raw | null {
    if (this.#attributes === null && this.#isSimple) return this.#written.value(this.raw, name);
    return this.attributes().find(one => one.name === name)?.value ?? null;
  }

  /** Whether something stands in the tag behind its name. */
  get hasAttributes(): boolean {
    return this.start + 1 + this.name.length !== this.end - 1;
  }

  /** Keeps where the attributes of the tag just met stand; null where it is not written as most are. */
  keepIn(table: AttributeTable): LetteredSlots | null {
    return this.#isSimple ? this.#written.keepIn(table) : null;
  }

  /** Whether the name of one of its attributes begins so. */
  hasNameFrom(start: string): boolean {
    if (this.#attributes === null && this.#isSimple) return this.#written.hasNameFrom(this.raw, start);
    return this.attributes().some(one => one.name.startsWith(start));
  }

  #readAttributes(): readonly Attribute[] {
    const from = this.start + 1 + this.name.length;
    if (from === this.end - 1) return none;
    return this.#isSimple ? this.#written.attributes(this.raw) : attributesOf(this.raw, from, this.end);
  }

  /** Offset of the next thing that is no text, or the end. */
  #nextMarkup(from: number, inForeign: boolean): number {
    const { raw } = this;
    for (let at = from; ; at += 1) {
      const next = raw.indexOf('<', at);
      at = this.#hasBrace(at, next) || raw[next + 1] === '%' ? skipTemplates(raw, at) : next;
      if (at < 0) {
        // What is put behind it would make a comment of both.
        if (raw.endsWith('</')) this.isCutOff = true;
        return raw.length;
      }
      const code = raw.charCodeAt(at + 1);
      if (isLetter(code) || code === 0x3f) return at;
      if (code === 0x21 || (code === 0x2f && at + 2 < raw.length)) return at;
      if (inForeign && raw.startsWith('<![CDATA[', at)) return at;
    }
  }

  /** Whether a brace stands between two offsets (-1: the end). */
  #hasBrace(from: number, to: number): boolean {
    if (this.#brace < from) {
      const at = this.raw.indexOf('{', from);
      this.#brace = at < 0 ? Infinity : at;
    }
    return this.#brace < (to < 0 ? this.raw.length : to);
  }

  #read(at: number, inForeign: boolean): TokenKind {
    const { raw } = this;
    const simple = this.#written;
    this.#isSimple = simple.read(raw, at);
    if (this.#isSimple) {
      this.tag = simple.tag;
      this.selfClosing = simple.isSelfClosing;
      return this.#set(simple.isEnd ? 'end' : 'start', at, simple.end);
    }
    const code = raw.charCodeAt(at + 1);
    if (code === 0x3f) return this.#upTo(endOfInstruction(raw, at), 'comment', at);
    if (code === 0x21) return this.#readDeclaration(at, inForeign);
    const isEnd = code === 0x2f;
    if (isEnd && !isLetter(raw.charCodeAt(at + 2))) {
      if (raw[at + 2] === '>') return this.#set('comment', at, at + 3);
      return this.#upTo(behind(raw, '>', at + 2), 'comment', at);
    }
    const nameStart = at + (isEnd ? 2 : 1);
    const nameEnd = endOfName(raw, nameStart);
    const end = endOfTag(raw, nameEnd);
    // A tag that the end of the file cuts off is dropped.
    if (end < 0) return this.#cutOff(at);
    this.tag = nameOf(raw.slice(nameStart, nameEnd));
    this.selfClosing = raw[end - 2] === '/' && isSelfClosing(raw, nameEnd, end);
    return this.#set(isEnd ? 'end' : 'start', at, end);
  }

  #cutOff(at: number): TokenKind {
    this.isCutOff = true;
    return this.#set('comment', at, this.raw.length);
  }

  #readDeclaration(at: number, inForeign: boolean): TokenKind {
    const { raw } = this;
    if (raw.startsWith('<!--', at)) {
      const end = endOfComment(raw, at);
      return end < 0 ? this.#cutOff(at) : this.#set('comment', at, end);
    }
    if (inForeign && raw.startsWith('<![CDATA[', at)) return this.#upTo(behind(raw, ']]>', at), 'text', at);
    const isDoctype = /^<!doctype/i.test(raw.slice(at, at + 9));
    return this.#upTo(behind(raw, '>', at + 2), isDoctype ? 'doctype' : 'comment', at);
  }

  /** What ends with a mark; -1 where the page ends before it, and nothing can be put behind. */
  #upTo(end: number, kind: TokenKind, at: number): TokenKind {
    if (end >= 0) return this.#set(kind, at, end);
    this.isCutOff = true;
    return this.#set(kind, at, this.raw.length);
  }

  #skipRawText(from: number): TokenKind {
    const name = this.#rawText!;
    this.#rawText = null;
    const end = endOfText(this.raw, name, from);
    if (end === from) return this.#read(from, false);
    if (end < this.raw.length) this.#pending = 'tag';
    else this.isCutOff = true;
    return this.#set('text', from, end);
  }

  #set(kind: TokenKind, start: number, end: number): TokenKind {
    this.kind = kind;
    this.#attributes = null;
    this.start = start;
    this.end = end;
    return kind;
  }
}
