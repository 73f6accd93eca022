import { type Raw, lowerAscii, trimAscii } from '../text/bytes.ts';
import { Scanner } from './scanner.ts';

/** https://html.spec.whatwg.org/#algorithm-for-extracting-a-character-encoding-from-a-meta-element */
export function charsetLabel(value: (name: string) => Raw | null): string | null {
  const direct = value('charset');
  if (direct !== null) return direct;
  const header = value('http-equiv');
  if (header === null || lowerAscii(trimAscii(header)) !== 'content-type') return null;
  const match = /charset[\t\n\f\r ]*=[\t\n\f\r ]*(?:"([^"]*)"|'([^']*)'|([^\t\n\f\r ;"']+))/i.exec(
    value('content') ?? '',
  );
  return match ? (match[1] ?? match[2] ?? match[3]!) : null;
}

export function endOfTitle(raw: Raw, from: number): number {
  const end = /<\/title[\t\n\f\r />]/i.exec(raw.slice(from));
  return end ? from + end.index : raw.length;
}

/** White space as one space, and none at the ends. */
export function collapse(text: string): string {
  // Most texts are so already.
  if (!/[\t\n\f\r]| {2}|^ | $/.test(text)) return text;
  return text.replace(/[\t\n\f\r ]+/g, ' ').replace(/^ | $/g, '');
}

/** The text of a stretch of markup, raw. */
export function withoutTags(raw: Raw): Raw {
  const scanner = new Scanner(raw);
  let text = '';
  while (scanner.next() !== 'done') {
    if (scanner.kind === 'text') text += raw.slice(scanner.start, scanner.end);
    else if (scanner.kind === 'start' && scanner.name === 'br') text += ' ';
  }
  return text;
}

/** 1 for HTML's white space, 0 for any other byte. */
const spaces = Uint8Array.from({ length: 256 }, (_, code) =>
  '\t\n\f\r '.includes(String.fromCharCode(code)) ? 1 : 0,
);

/** How many stretches without white space; counted without a branch, since most of a page is text. */
export function wordsIn(raw: Raw, from: number, end: number): number {
  let words = 0;
  let before = 1;
  for (let at = from; at < end; at += 1) {
    const now = spaces[raw.charCodeAt(at)]!;
    words += before & (now ^ 1);
    before = now;
  }
  return words;
}

/** Triangles, and three lines, that show where something opens: no part of what it is called. */
const sign = '[\\u25b2-\\u25c5\\u2630\\s]+';
const signs = new RegExp(`^${sign}(?=\\S)|(?<=\\S)${sign}$`, 'gu');

export function withoutSigns(label: string): string {
  return label.replace(signs, '');
}
