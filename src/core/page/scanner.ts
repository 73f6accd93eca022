import { type Raw, lowerAscii } from '../text/bytes.ts';
import type { Attribute } from './types.ts';

export type TokenKind = 'start' | 'end' | 'comment' | 'doctype' | 'text' | 'done';

/**
 * Goes through a page tag by tag, by the tokenizer of the HTML standard (https://html.spec.whatwg.org/#tokenization),
 * on raw bytes and without a tree. Template code is passed over as one unit, which no package's tokenizer does.
 * `next` moves on; the fields tell what was met. Text is only told by its extent.
 */
export class Scanner {
  readonly raw: Raw;
  kind: TokenKind = 'text';
  /** Of a tag, in ASCII lower case. */
  name = '';
  start = 0;
  end = 0;
  selfClosing = false;
  /** The file ends inside a tag, a comment or an element of text: nothing can be put behind it. */
  isCutOff = false;
  #pending: 'none' | 'tag' = 'none';
  #rawText: string | null = null;
  /** Offset of the next brace at or behind the last place that was looked at. */
  #brace = -1;
  /** The tag just met is written as most are. */
  #isSimple = false;

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
    if (from >= this.raw.length) return this.#set('done', this.raw.length, this.raw.length);
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
  attributes(): Attribute[] {
    const from = this.start + 1 + this.name.length;
    return this.#isSimple ? simpleAttributes(this.raw, from) : attributesOf(this.raw, from, this.end);
  }

  /** Offset of the next thing that is no text, or the end. */
  #nextMarkup(from: number, inForeign: boolean): number {
    const { raw } = this;
    for (let at = from; ; at += 1) {
      const next = raw.indexOf('<', at);
      at = this.#hasBrace(at, next) || raw[next + 1] === '%' ? skipTemplates(raw, at) : next;
      if (at < 0) return raw.length;
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
    simpleTag.lastIndex = at;
    const simple = simpleTag.exec(raw);
    this.#isSimple = simple !== null;
    if (simple) {
      this.name = simple[2]!;
      this.selfClosing = false;
      return this.#set(simple[1] === '' ? 'start' : 'end', at, simpleTag.lastIndex);
    }
    const code = raw.charCodeAt(at + 1);
    if (code === 0x3f) return this.#set('comment', at, endOfInstruction(raw, at));
    if (code === 0x21) return this.#readDeclaration(at, inForeign);
    const isEnd = code === 0x2f;
    if (isEnd && !isLetter(raw.charCodeAt(at + 2))) {
      if (raw[at + 2] === '>') return this.#set('comment', at, at + 3);
      return this.#set('comment', at, behind(raw, '>', at + 2));
    }
    const nameStart = at + (isEnd ? 2 : 1);
    const nameEnd = endOfName(raw, nameStart);
    const end = endOfTag(raw, nameEnd);
    // A tag that the end of the file cuts off is dropped.
    if (end < 0) return this.#cutOff(at);
    this.name = lowerAscii(raw.slice(nameStart, nameEnd));
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
    if (inForeign && raw.startsWith('<![CDATA[', at)) return this.#set('text', at, behind(raw, ']]>', at));
    const isDoctype = /^<!doctype/i.test(raw.slice(at, at + 9));
    return this.#set(isDoctype ? 'doctype' : 'comment', at, behind(raw, '>', at + 2));
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
    this.start = start;
    this.end = end;
    return kind;
  }
}

/** A tag as most are written: small letters, values in double quotes, no template code. */
const simpleTag = /<(\/?)([a-z][a-z0-9]*)(?:[\t\n\r ]+[a-z][a-z-]*(?:="[^"<{]*")?)*[\t\n\r ]*>/y;
const simpleAttribute = /[\t\n\r ]+([a-z][a-z-]*)(?:="([^"]*)")?/y;

function simpleAttributes(raw: Raw, from: number): Attribute[] {
  const found: Attribute[] = [];
  let end = from;
  for (simpleAttribute.lastIndex = from; ; end = simpleAttribute.lastIndex) {
    const match = simpleAttribute.exec(raw);
    if (!match) return found;
    const [whole, , value] = match;
    const name = match[1]!;
    const start = end + whole.length - name.length - (value === undefined ? 0 : value.length + 3);
    if (!found.some(one => one.name === name))
      found.push({ name, value: value ?? '', start, end: simpleAttribute.lastIndex });
  }
}

/** The attributes between the end of a tag's name and the end of the tag. */
function attributesOf(raw: Raw, from: number, end: number): Attribute[] {
  const found: Attribute[] = [];
  for (let at = nextAttribute(raw, from, end - 1); at < end - 1; at = nextAttribute(raw, at, end - 1)) {
    const attribute = attributeAt(raw, at, end - 1);
    if (!found.some(one => one.name === attribute.name)) found.push(attribute);
    at = attribute.end;
  }
  return found;
}

/** Offset of the next attribute's name, or the limit; template code between attributes is passed over. */
function nextAttribute(raw: Raw, from: number, limit: number): number {
  let at = from;
  while (at < limit) {
    const code = raw.charCodeAt(at);
    if (isSpace(code) || code === 0x2f) at += 1;
    else {
      const unit = endOfTemplate(raw, at);
      if (unit < 0) return at;
      at = unit;
    }
  }
  return limit;
}

function attributeAt(raw: Raw, start: number, limit: number): Attribute {
  let at = start + 1;
  while (at < limit && !isNameEnd(raw.charCodeAt(at))) at += 1;
  const name = lowerAscii(raw.slice(start, at));
  let next = skipSpace(raw, at, limit);
  if (next >= limit || raw[next] !== '=') return { name, value: '', start, end: at };
  next = skipSpace(raw, next + 1, limit);
  const [valueStart, valueEnd, after] = valueAt(raw, next);
  return {
    name,
    value: raw.slice(valueStart, Math.min(valueEnd, limit)),
    start,
    end: Math.min(after, limit),
  };
}

function skipSpace(raw: Raw, from: number, limit: number): number {
  let at = from;
  while (at < limit && isSpace(raw.charCodeAt(at))) at += 1;
  return at;
}

/** Extent of an attribute's value, and the offset behind it and its quote. */
function valueAt(raw: Raw, at: number): [number, number, number] {
  const quote = raw[at];
  if (quote === '"' || quote === "'") {
    const close = closingQuote(raw, quote, at + 1);
    return close < 0 ? [at + 1, raw.length, raw.length] : [at + 1, close, close + 1];
  }
  let end = at;
  for (; end < raw.length; end += 1) {
    const code = raw.charCodeAt(end);
    if (isSpace(code) || code === 0x3e) break;
    const unit = endOfTemplate(raw, end);
    if (unit > 0) end = unit - 1;
  }
  return [at, end, end];
}

/** Offset behind the `>` of a tag, or -1 where the file ends before it. */
function endOfTag(raw: Raw, from: number): number {
  let at = from;
  while (at < raw.length) {
    const code = raw.charCodeAt(at);
    if (code === 0x3e) return at + 1;
    if (isSpace(code) || code === 0x2f) {
      at += 1;
      continue;
    }
    const unit = endOfTemplate(raw, at);
    if (unit > 0) {
      at = unit;
      continue;
    }
    at += 1;
    while (at < raw.length && !isNameEnd(raw.charCodeAt(at))) at += 1;
    let next = at;
    while (isSpace(raw.charCodeAt(next))) next += 1;
    if (raw[next] !== '=') continue;
    next += 1;
    while (isSpace(raw.charCodeAt(next))) next += 1;
    if (raw[next] === '>') return next + 1;
    at = valueAt(raw, next)[2];
  }
  return -1;
}

/** A `/` before the `>` closes the tag, unless it ends an unquoted value. */
function isSelfClosing(raw: Raw, nameEnd: number, end: number): boolean {
  const last = attributesOf(raw, nameEnd, end).at(-1);
  return last === undefined || last.end < end - 1;
}

function endOfName(raw: Raw, from: number): number {
  let at = from;
  for (; at < raw.length; at += 1) {
    const code = raw.charCodeAt(at);
    if (isSpace(code) || code === 0x2f || code === 0x3e) break;
  }
  return at;
}

/** https://html.spec.whatwg.org/#comment-start-state: `<!-->` and `<!--->` are whole; `--!>` ends one too; -1 for none. */
function endOfComment(raw: Raw, at: number): number {
  const short = /^<!---?>/.exec(raw.slice(at, at + 6));
  if (short) return at + short[0].length;
  const ends = /--!?>/g;
  ends.lastIndex = at + 4;
  return ends.test(raw) ? ends.lastIndex : -1;
}

/** `<?php … ?>`, `<?= … ?>` and `<? … ?>` are template code; any other `<?` is a comment up to its `>`. */
function endOfInstruction(raw: Raw, at: number): number {
  if (/^<\?(?:php\b|=|[\t\n\r ])/i.test(raw.slice(at, at + 6))) return behind(raw, '?>', at + 2);
  return behind(raw, '>', at + 1);
}

/** https://html.spec.whatwg.org/#script-data-escaped-state: a `<script>` inside `<!--` hides the next `</script>`. */
function endOfScript(raw: Raw, from: number): number {
  const marks = /<!--|-->|<(\/?)script(?=[\t\n\f\r />])/gi;
  marks.lastIndex = from;
  let state: 'plain' | 'escaped' | 'double' = 'plain';
  for (let match = marks.exec(raw); match; match = marks.exec(raw)) {
    if (match[0] === '<!--') {
      if (state === 'plain') state = 'escaped';
      // `<!-->` opens and closes: the two dashes count for both.
      marks.lastIndex -= 2;
    } else if (match[0] === '-->') state = 'plain';
    else if (match[1] === '') state = state === 'plain' ? 'plain' : 'double';
    else if (state === 'double') state = 'escaped';
    else return match.index;
  }
  return raw.length;
}

function endOfText(raw: Raw, name: string, from: number): number {
  if (name === 'plaintext') return raw.length;
  return name === 'script' ? endOfScript(raw, from) : endOfRawText(raw, name, from);
}

function endOfRawText(raw: Raw, name: string, from: number): number {
  for (let at = raw.indexOf('</', from); at >= 0; at = raw.indexOf('</', at + 2)) {
    const end = at + 2 + name.length;
    const code = raw.charCodeAt(end);
    if ((isSpace(code) || code === 0x2f || code === 0x3e) && lowerAscii(raw.slice(at + 2, end)) === name)
      return at;
  }
  return raw.length;
}

/** Offset of the next `<`, with template code before it passed over; -1 for none. */
function skipTemplates(raw: Raw, from: number): number {
  const marks = /<|\{[{%]/g;
  marks.lastIndex = from;
  for (let match = marks.exec(raw); match; match = marks.exec(raw)) {
    const unit = endOfTemplate(raw, match.index);
    if (unit < 0 || raw[match.index + 1] === '?') {
      if (match[0] === '<') return match.index;
    } else marks.lastIndex = unit;
  }
  return -1;
}

const closers: Record<string, string> = { '<?': '?>', '<%': '%>', '{{': '}}', '{%': '%}' };
/** Braces that are not closed within this many bytes are no template code. */
const longestBraces = 2000;

/** Offset behind the template code that begins here, or -1 where none does. */
function endOfTemplate(raw: Raw, at: number): number {
  const code = raw.charCodeAt(at);
  if (code !== 0x3c && code !== 0x7b) return -1;
  const closer = closers[raw.slice(at, at + 2)];
  if (closer === undefined) return -1;
  const end = raw.indexOf(closer, at + 2);
  if (end < 0 || (code === 0x7b && end - at > longestBraces)) return -1;
  return end + closer.length;
}

function closingQuote(raw: Raw, quote: string, from: number): number {
  const close = raw.indexOf(quote, from);
  if (close < 0) return -1;
  const opener = /<[?%]|\{[{%]/.exec(raw.slice(from, close));
  if (!opener) return close;
  const unit = endOfTemplate(raw, from + opener.index);
  if (unit <= close) return unit < 0 ? close : closingQuote(raw, quote, unit);
  return closingQuote(raw, quote, unit);
}

function behind(raw: Raw, mark: string, from: number): number {
  const at = raw.indexOf(mark, from);
  return at < 0 ? raw.length : at + mark.length;
}

function isLetter(code: number): boolean {
  return (code >= 0x61 && code <= 0x7a) || (code >= 0x41 && code <= 0x5a);
}

function isSpace(code: number): boolean {
  return code === 0x20 || code === 0x0a || code === 0x09 || code === 0x0d || code === 0x0c;
}

function isNameEnd(code: number): boolean {
  return isSpace(code) || code === 0x2f || code === 0x3e || code === 0x3d;
}
