import { type Raw, bytesOf, rawOf } from '../text/bytes.ts';

/**
 * What may be another in a page that begins like one before: a text, the content of a script with its end tag and line break,
 * an address of no place in the page itself, or another value in double quotes.
 */
export interface Gap {
  kind: 'text' | 'code' | 'address' | 'value';
  from: number;
  to: number;
  /** How much white space stands between a text and the tag behind it. */
  white: number;
  /** What comes between two of such gaps, any number of which may follow; null where it is one. */
  again: Raw | null;
}

const [quote, opener, brace, numberSign, ampersand] = [0x22, 0x3c, 0x7b, 0x23, 0x26];

/** A part of the start of a page, the gap behind it, and what may come then. */
interface Branch<Start> {
  part: Raw;
  /** null where the start ends with the part. */
  gap: Gap | null;
  next: Branch<Start>[];
  start: Start | null;
}

/** Starts of pages, by the parts that others have in common with them: what several have in common is there once. */
export class StartTree<Start> {
  /** Those that a page had last come first. */
  #branches: Branch<Start>[] = [];

  /** @param gaps in the order of the page; @param end where its start ends */
  add(raw: Raw, gaps: readonly Gap[], { end, start }: { end: number; start: Start }): void {
    let [branches, from] = [this.#branches, 0];
    for (const gap of [...gaps, null]) {
      const part = raw.slice(from, gap?.from ?? end);
      let branch = branches.find(one => one.part === part && isSame(one.gap, gap));
      if (!branch) branches.unshift((branch = { part: alone(part), gap, next: [], start: null }));
      if (gap) [branches, from] = [branch.next, gap.to];
      else branch.start = start;
    }
  }

  clear(): void {
    this.#branches = [];
  }

  /** What a page begins with, and where the gaps of that end in it; null where it begins like none. */
  find(raw: Raw): { start: Start; ends: number[] } | null {
    const ends: number[] = [];
    const start = this.#find(this.#branches, { raw, ends }, 0);
    return start === null ? null : { start, ends };
  }

  #find(branches: Branch<Start>[], here: { raw: Raw; ends: number[] }, from: number): Start | null {
    const { raw, ends } = here;
    for (let number = 0; number < branches.length; number += 1) {
      const branch = branches[number]!;
      const { part, gap, next } = branch;
      const to = from + part.length;
      // Two texts of one length are compared faster than the start of one is.
      if (raw.slice(from, to) !== part) continue;
      const end = gap ? endOfGaps(raw, to, gap) : to;
      if (end < 0) continue;
      if (gap) ends.push(end);
      const start = gap ? this.#find(next, here, end) : branch.start;
      if (start !== null) {
        if (number > 0) [branches[0], branches[number]] = [branch, branches[0]!];
        return start;
      }
      if (gap) ends.pop();
    }
    return null;
  }
}

function isSame(one: Gap | null, other: Gap | null): boolean {
  if (one === null || other === null) return one === other;
  return one.kind === other.kind && one.white === other.white && one.again === other.again;
}

/** The same text, which keeps no page in memory. */
function alone(text: Raw): Raw {
  return rawOf(bytesOf(text));
}

function endOfGaps(raw: Raw, from: number, gap: Gap): number {
  let end = endOfGap(raw, from, gap);
  if (gap.again === null || end < 0) return end;
  // What follows the last may begin as what comes between them.
  for (let next = end; next >= 0;) {
    end = next;
    next = raw.startsWith(gap.again, end) ? endOfGap(raw, end + gap.again.length, gap) : -1;
  }
  return end;
}

/** Where a gap ends that begins at an offset; -1 where something stands there that is none. */
export function endOfGap(raw: Raw, from: number, { kind, white }: Pick<Gap, 'kind' | 'white'>): number {
  if (kind === 'text') return endOfText(raw, from, white);
  if (kind === 'code') return endOfCode(raw, from);
  return kind === 'address' && isOfOwnPage(raw, from) ? -1 : endOfValue(raw, from);
}

const isBreak = (code: number): boolean => code === 0x0a || code === 0x0d;

/** Whether an address that begins here leads to the page itself: such a link may be a skip link, which has a say in what is put in. */
export function isOfOwnPage(raw: Raw, from: number): boolean {
  const first = raw.charCodeAt(from);
  return first === numberSign || first === ampersand || first === quote;
}

/** Where a value ends; -1 where it holds what may be code, or goes on in another line. */
function endOfValue(raw: Raw, from: number): number {
  for (let at = from; at < raw.length; at += 1) {
    const code = raw.charCodeAt(at);
    if (code === quote) return at;
    if (code === opener || code === brace || isBreak(code)) return -1;
  }
  return -1;
}

const endOfScript = '</script>';

/** Where the line begins behind a script whose content begins here; -1 where that holds what may be markup, or more follows. */
function endOfCode(raw: Raw, from: number): number {
  let at = from;
  for (let code = raw.charCodeAt(at); code !== opener; code = raw.charCodeAt(at)) {
    // Behind the end of the page there is no code.
    if (code === brace || !(code >= 0)) return -1;
    at += 1;
  }
  if (!raw.startsWith(endOfScript, at)) return -1;
  at += endOfScript.length;
  if (raw.startsWith('\r\n', at)) return at + 2;
  return raw[at] === '\n' ? at + 1 : -1;
}

/** Where a text ends that is not only white space, without so much of that at its end; -1 as for values. */
function endOfText(raw: Raw, from: number, white: number): number {
  if (!(raw.charCodeAt(from) > 0x20)) return -1;
  let firstBreak = Infinity;
  for (let at = from; at < raw.length; at += 1) {
    const code = raw.charCodeAt(at);
    if (code === opener) return at - white > from && firstBreak >= at - white ? at - white : -1;
    if (code === brace) return -1;
    if (isBreak(code) && firstBreak > at) firstBreak = at;
  }
  return -1;
}
