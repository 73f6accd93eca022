import type { Raw } from '../text/bytes.ts';
import type { Selector } from '../text/selector.ts';
import { isWhite } from './codes.ts';
import { indentAt } from './lines.ts';
import { bit } from './names.ts';
import { Outline } from './outline.ts';
import { Scanner } from './scanner.ts';
import { type Gap, endOfGap, isOfOwnPage } from './start-parts.ts';
import type { Attribute } from './types.ts';

/** Attributes on whose values nothing in the frame of a page depends, by the element. */
const freeValues: ReadonlyMap<string, readonly string[]> = new Map([
  ['a', ['href', 'title']],
  ['area', ['href', 'title', 'alt']],
  ['img', ['src', 'alt', 'title']],
  ['link', ['href', 'title']],
  ['meta', ['content']],
  ['script', ['src']],
]);
const freeAttributes = new Set([...freeValues.values()].flat());

/** Whether a selector asks for nothing that may be another in a page that begins alike. */
export function asksForNoGap({ tests }: Selector): boolean {
  return tests.every(({ attribute }) => !freeAttributes.has(attribute));
}

/** How far a page was gone through, and how. */
interface GapSource {
  end: number;
  /** Behind the `body` tag: before it, text might begin the body; 0 where that does not matter. */
  bodyPoint: number;
  scripting: boolean;
}

/** What may be another in the start of a page, in its order. */
export function gapsIn(raw: Raw, { end, bodyPoint, scripting }: GapSource): Gap[] {
  return folded(raw, new GapReader(raw, bodyPoint, scripting).read(end));
}

/** A gap, and what is open there. */
interface OpenGap extends Gap {
  open: readonly string[];
  /** How many more are open that lie too deep to be told. */
  beyond: number;
  inLink: boolean;
  inOwn: boolean;
}

/**
 * Gaps of one kind with the same between them twice and more are one: where the same is open at each, one more of them
 * changes nothing.
 */
function folded(raw: Raw, gaps: readonly OpenGap[]): Gap[] {
  const all: Gap[] = [];
  for (let at = 0; at < gaps.length; at += 1) {
    const first = gaps[at]!;
    const last = endOfRun(raw, gaps, at);
    const isRun = last > at + 1;
    const again = isRun ? raw.slice(first.to, gaps[at + 1]!.from) : null;
    if (isRun) at = last;
    all.push({ ...first, to: gaps[at]!.to, again });
  }
  return all;
}

/** The number of the last gap of those that follow one with the same between them. */
function endOfRun(raw: Raw, gaps: readonly OpenGap[], first: number): number {
  let between: Raw | null = null;
  let last = first;
  for (let next = gaps[last + 1]; next && isAnother(gaps[first]!, next); next = gaps[last + 1]) {
    const here = raw.slice(gaps[last]!.to, next.from);
    if (here !== (between ?? here) || !isIndentedAlike(raw, gaps[first]!, here)) break;
    between = here;
    last += 1;
  }
  return last;
}

function isAnother(one: OpenGap, other: OpenGap): boolean {
  const isAlike = one.kind === other.kind && one.white === other.white && one.beyond === other.beyond;
  return isAlike && one.inLink === other.inLink && one.inOwn === other.inOwn && isSame(one.open, other.open);
}

function isSame(one: readonly string[], other: readonly string[]): boolean {
  return one.length === other.length && one.every((name, at) => name === other[at]);
}

/** What is put in behind it is indented as the line that it stands in. */
function isIndentedAlike(raw: Raw, { from }: Gap, between: Raw): boolean {
  const isLine = between.includes('\n') || between.includes('\r');
  return !isLine || indentAt(raw, from) === indentAt(between, between.length);
}

/** Goes through the start of a page once more: what may differ in it need not be known of most pages. */
class GapReader {
  readonly #raw: Raw;
  readonly #bodyPoint: number;
  readonly #scanner: Scanner;
  readonly #outline: Outline;
  readonly #gaps: OpenGap[] = [];
  /** What comes up to the next tag is a title, or the content of another element of text. */
  #isTitle = false;
  #isRaw = false;
  /** Texts have no say from here on. */
  #isInBody: boolean;
  #isCode = false;
  /** The link that is open is the first, and leads to the page itself. */
  #isInOwn = false;
  /** Only the first may be a skip link. */
  #hasLink = false;
  #end = 0;

  constructor(raw: Raw, bodyPoint: number, scripting: boolean) {
    [this.#raw, this.#bodyPoint, this.#isInBody] = [raw, bodyPoint, bodyPoint === 0];
    this.#scanner = new Scanner(raw);
    this.#outline = new Outline(this.#scanner, scripting);
  }

  read(end: number): OpenGap[] {
    const [scanner, outline] = [this.#scanner, this.#outline];
    this.#end = end;
    while (scanner.end < end) {
      const kind = scanner.next(outline.inForeign, true);
      if (kind === 'done') break;
      if (kind === 'text') this.#onText(scanner);
      else [this.#isTitle, this.#isRaw, this.#isCode] = [false, false, false];
      if (kind === 'start') this.#onStart(scanner);
      else if (kind === 'end') this.#onEnd(scanner);
    }
    return this.#gaps;
  }

  #onStart(scanner: Scanner): void {
    const { name, bits } = scanner.tag;
    const isKept = this.#outline.before();
    if (name === 'body' && scanner.end === this.#bodyPoint) this.#isInBody = true;
    const isLink = name === 'a' && !this.#hasLink && scanner.attributes().some(one => one.name === 'href');
    if (isLink) this.#onFirstLink(scanner.attributes());
    this.#isTitle = name === 'title' && !this.#outline.inForeign;
    this.#isRaw = (bits & bit.rawText) !== 0 || name === 'noscript';
    const free = freeValues.get(name);
    if (free && scanner.hasAttributes) this.#onValues(free, scanner.attributes());
    this.#isCode = name === 'script' && isKept && !this.#outline.inForeign;
    if (isKept) this.#outline.open();
    const { inForeign, isInNoscript, beyond } = this.#outline;
    if (isLink && isKept && this.#isInBody && !inForeign && !isInNoscript && beyond === 0)
      this.#hasLink = true;
  }

  #onFirstLink(attributes: readonly Attribute[]): void {
    const { value } = attributes.find(one => one.name === 'href')!;
    this.#isInOwn = value === '' || isOfOwnPage(value, 0);
  }

  #onValues(free: readonly string[], attributes: readonly Attribute[]): void {
    if (attributes.some(({ name }) => name === 'charset' || name === 'http-equiv')) return;
    for (const { name, start, end } of attributes) {
      const from = start + name.length + 2;
      const isQuoted = this.#raw.startsWith('="', from - 2) && this.#raw[end - 1] === '"';
      const kind = name === 'href' && !this.#hasLink ? 'address' : 'value';
      if (free.includes(name) && isQuoted && end > from)
        this.#add({ kind, from, to: end - 1, white: 0, again: null });
    }
  }

  #onEnd({ name }: Scanner): void {
    this.#outline.close();
    if (name === 'a') this.#isInOwn = false;
  }

  /** White space at both ends of a text is as it is: it may indent what is put in. */
  #onText({ start, end }: Scanner): void {
    if (this.#isCode) {
      const to = endOfGap(this.#raw, start, { kind: 'code', white: 0 });
      if (to >= 0 && to <= this.#end) this.#add({ kind: 'code', from: start, to, white: 0, again: null });
      return;
    }
    const isFree = this.#isTitle || (this.#isInBody && !this.#isRaw && !this.#isInOwn);
    if (!isFree || isWhite(this.#raw, start, end)) return;
    let [from, to] = [start, end];
    while (isWhite(this.#raw, from, from + 1)) from += 1;
    while (isWhite(this.#raw, to - 1, to)) to -= 1;
    this.#add({ kind: 'text', from, to, white: end - to, again: null });
  }

  /** Not what may hold code, or goes over more than a line. */
  #add(gap: Gap): void {
    if (endOfGap(this.#raw, gap.from, gap) !== gap.to) return;
    const { inLink, beyond } = this.#outline;
    this.#gaps.push({ ...gap, open: this.#outline.within(), beyond, inLink, inOwn: this.#isInOwn });
  }
}
