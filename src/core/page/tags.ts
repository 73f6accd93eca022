import { type Raw, lowerAscii } from '../text/bytes.ts';
import { isNameEnd, isSpace } from './codes.ts';
import { closingQuote, endOfTemplate } from './template-code.ts';
import type { Attribute } from './types.ts';

/** The attributes between the end of a tag's name and the end of the tag. */
export function attributesOf(raw: Raw, from: number, end: number): Attribute[] {
  const found: Attribute[] = [];
  for (let at = nextAttribute(raw, from, end - 1); at < end - 1; at = nextAttribute(raw, at, end - 1)) {
    const attribute = attributeAt(raw, at, end - 1);
    add(found, attribute);
    at = attribute.end;
  }
  return found;
}

const many = 32;
const names = new Set<string>();

/** Of two with one name the first counts. Tags with many attributes are rare, and may have very many. */
function add(found: Attribute[], one: Attribute): void {
  if (found.length < many) {
    if (!found.some(other => other.name === one.name)) found.push(one);
    return;
  }
  if (found.length === many) {
    names.clear();
    for (const { name } of found) names.add(name);
  }
  if (names.has(one.name)) return;
  names.add(one.name);
  found.push(one);
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
export function endOfTag(raw: Raw, from: number): number {
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
export function isSelfClosing(raw: Raw, nameEnd: number, end: number): boolean {
  const last = attributesOf(raw, nameEnd, end).at(-1);
  return last === undefined || last.end < end - 1;
}

export function endOfName(raw: Raw, from: number): number {
  let at = from;
  for (; at < raw.length; at += 1) {
    const code = raw.charCodeAt(at);
    if (isSpace(code) || code === 0x2f || code === 0x3e) break;
  }
  return at;
}
