import type { SitePath } from '../address/path.ts';
import type { Raw } from '../text/bytes.ts';
import { type Charset, charsetOf, decode } from '../text/charset.ts';
import { readAttributeReferences, readReferences } from '../text/references.ts';
import { HeadReader } from './head.ts';
import type { Outline } from './outline.ts';
import type { Scanner } from './scanner.ts';
import { MainCandidates } from './main-content.ts';
import { isCalm, passesCalm } from './noscript.ts';
import { endOfText } from './text-ends.ts';
import { FirstLink } from './first-link.ts';
import { Offsets } from './offsets.ts';
import { seekWhole } from './seek-whole.ts';
import { Candidates, Sought, elementOf, mainElement } from './sought.ts';
import { type Wanted, attributeStarts, ownHeader } from './wanted.ts';
import { collapse, endOfTitle, withoutTags } from './words.ts';
import type { Attribute, Element, Found, Frame, OpenElements, Slot } from './types.ts';
import { type Listener, Walk } from './walk.ts';

const slotAttribute = 'data-kamino-slot';
/** Start tags that always tell something of the page. */
const told = new Set(['a', 'base', 'h1', 'header', 'html', 'link', 'main', 'meta', 'noscript', 'title']);
const headerElement = elementOf('header');
const partsWithHeaders = new Set(['main', 'article', 'section', 'aside', 'template', 'noscript']);

/** Reads what a build must know of a page, and no further than that needs. */
export function readFrame(path: SitePath, raw: Raw, wanted: Wanted): Frame {
  const walk = new Walk(raw, wanted.scripting);
  const reader = new FrameReader(path, walk, wanted);
  walk.run([reader]);
  return reader.frame();
}

/** Hears what makes the frame of a page. In a walk with scripts off it leaves out what a `noscript` holds. */
export class FrameReader implements Listener {
  readonly #path: SitePath;
  readonly #raw: Raw;
  readonly #wanted: Wanted;
  readonly #scanner: Scanner;
  readonly #head: HeadReader;
  readonly #outline: Outline;
  readonly #sought: Sought;
  readonly #headers: Candidates;
  readonly #read = (value: Raw): string => this.#readValue(value);
  #title: Raw | null = null;
  #heading: [number, number] | null = null;
  #bodyEnd = -1;
  #openAtEnd: OpenElements | null = null;
  #hasNoscript = false;
  /** A `noscript` may lead to other places with scripts off. */
  #isDoubtful = false;
  readonly #slots: { name: Raw; element: Element }[] = [];
  readonly #found = new Map<string, Element | Found>();
  readonly #main = new MainCandidates();
  readonly #link: FirstLink;
  /** Where the attribute may stand. */
  readonly #slotStarts: Offsets;
  readonly #leavesNoscript: boolean;
  /** Of the start tag just met: its attributes, and whether more must be known of it than that it is there. */
  readonly #attributes = (): readonly Attribute[] => this.#scanner.attributes();
  #isTold = false;
  #isSoughtNow = false;

  /** @param walk with scripts on or off as `wanted` says, or off where others need it so */
  constructor(path: SitePath, walk: Walk, wanted: Wanted) {
    const { raw } = walk;
    [this.#path, this.#raw, this.#wanted] = [path, raw, wanted];
    const { selectors: places, whole, skipTo } = wanted;
    const contents = [mainElement, ...skipTo.filter(one => one.isCompound)];
    this.#sought = new Sought(raw, { places, whole, contents }, this.#read);
    this.#link = new FirstLink(raw);
    this.#headers = new Candidates(raw, headerElement);
    this.#scanner = walk.scanner;
    this.#outline = walk.outline;
    this.#head = new HeadReader(raw, walk.scanner, walk.outline);
    this.#leavesNoscript = wanted.scripting && !walk.outline.scripting;
    this.#slotStarts = new Offsets(wanted.slotStarts ?? attributeStarts(raw).slots);
  }

  isDone(): boolean {
    const { end: here } = this.#scanner;
    if (!this.#head.isInBody || here <= this.#slotStarts.last) return false;
    if (this.#head.isFrameset) return true;
    if (this.#head.mayBeFrameset) return false;
    const { heading, end, wordsOnly } = this.#wanted;
    const hasHeading = !heading || (this.#heading !== null && this.#heading[0] !== this.#heading[1]);
    if (wordsOnly || !hasHeading) return hasHeading;
    if (end || this.#slots.some(one => one.element.close < 0)) return false;
    return (
      this.#sought.isSettled(here) &&
      this.#isHeaderSettled(here) &&
      (this.#main.isMet || this.#link.isSettled(here))
    );
  }

  /** In the body only what is sought is of interest, and what has not come yet holds it up. */
  idleTo(): number {
    const { end: here } = this.#scanner;
    const { heading, end, wordsOnly } = this.#wanted;
    const isOther = !this.#head.isInBody || this.#head.mayBeFrameset || heading || end || wordsOnly;
    if (isOther || this.#leavesNoscript) return Infinity;
    const next = Math.min(
      this.#slotStarts.next(here),
      this.#sought.next(here),
      this.#lacksHeader ? this.#headers.next(here) : Infinity,
    );
    if (this.#link.isMet || (this.#main.isMet && next === Infinity)) return next;
    return Math.min(next, this.#link.next(here));
  }

  #isHeaderSettled(here: number): boolean {
    return !this.#lacksHeader || !this.#headers.areBehind(here);
  }

  get #lacksHeader(): boolean {
    return this.#wanted.header && !this.#found.has(ownHeader);
  }

  /** Where the body's content begins, as far as it has been met; at the end of the page until then. */
  get bodyPoint(): number {
    return this.#head.bodyPoint;
  }

  hearsText(): boolean {
    return !this.#head.isInBody || this.#head.mayBeFrameset;
  }

  asks(): boolean {
    const { name, start, end } = this.#scanner;
    this.#isTold = false;
    this.#isSoughtNow = false;
    if (this.#leavesNoscript && this.#outline.isInNoscript) return false;
    const isSlot = this.#slotStarts.next(start) < end;
    const isMet = this.#sought.meets(this.#scanner, this.#attributes);
    const isLink = name === 'a' && !this.#link.isMet;
    this.#isSoughtNow = isSlot || isMet || isLink || (name === 'header' && this.#wanted.header);
    this.#isTold = this.#isSoughtNow || told.has(name);
    return this.#isSoughtNow;
  }

  onTag(): void {
    const { name, end } = this.#scanner;
    if (!this.#head.isInBody || this.#head.mayBeFrameset) this.#head.onTag(name);
    if (!this.#isTold) return;
    if (name === 'meta' || name === 'base' || name === 'html' || name === 'link') this.#head.onKnown(name);
    const isTitle = name === 'title' && this.#wanted.title && this.#title === null;
    if (isTitle && !this.#outline.inForeign && !this.#head.isInBody)
      this.#title = this.#raw.slice(end, endOfTitle(this.#raw, end));
    if (name === 'noscript') this.#onNoscript(end);
  }

  onStart(element: Element | null): void {
    if (!this.#isTold) return;
    if (this.#isSoughtNow && element) this.#onSought(element);
    const { name, end } = this.#scanner;
    if (name === 'h1' && this.#wanted.heading) this.#heading ??= [end, end];
  }

  #onNoscript(from: number): void {
    const { selectors, skipTo } = this.#wanted;
    const isPlain = this.#head.isInBody && !this.#head.mayBeFrameset && !this.#outline.holdsParagraph;
    const end = isPlain && this.#outline.scripting ? endOfText(this.#raw, 'noscript', from) : 0;
    this.#hasNoscript = true;
    this.#isDoubtful ||=
      end === 0 || !isCalm(this.#raw, from, end) || ![...selectors, ...skipTo].every(passesCalm);
  }

  #onSought(element: Element): void {
    const { name } = element;
    const value = (wanted: string): Raw | null => this.#scanner.value(wanted);
    const slot = value(slotAttribute);
    if (slot !== null && !element.within.includes('template')) this.#slots.push({ name: slot, element });
    const { selectors, skipTo } = this.#wanted;
    for (const selector of this.#sought.opens(element)) {
      if (selectors.includes(selector)) this.#found.set(selector.text, element);
      this.#main.meet(selector, skipTo, { element, id: value('id') || null });
    }
    const isOwnHeader = name === 'header' && !element.within.some(one => partsWithHeaders.has(one));
    if (isOwnHeader && this.#lacksHeader) this.#found.set(ownHeader, element);
    if (name === 'a' && this.#head.isInBody) this.#link.meet(element, value);
  }

  onEndTag(): void {
    const { name, start } = this.#scanner;
    this.#head.onEndTag();
    if (name === 'body' && this.#bodyEnd < 0) {
      this.#bodyEnd = start;
      this.#openAtEnd = this.#openNow();
    }
    if (name === 'h1' && this.#heading?.[0] === this.#heading?.[1] && this.#heading) this.#heading[1] = start;
  }

  onText(): void {
    this.#head.onText();
  }

  #openNow = (): OpenElements => ({ names: this.#outline.within(), inOpenLink: this.#outline.inLink });

  #readValue(value: Raw): string {
    return readAttributeReferences(decode(value, this.#charset()));
  }

  #charset(): Charset {
    this.#known ??= this.#head.isInBody ? charsetOf(this.#raw, this.#head.label) : null;
    return this.#known ?? charsetOf(this.#raw, this.#head.label);
  }
  #known: Charset | null = null;

  /** Once the walk is over. */
  frame(): Frame {
    const raw = this.#raw;
    const charset = this.#charset();
    const text = (value: Raw): string => collapse(readReferences(decode(value, charset)));
    const { bodyPoint } = this;
    const [from, to] = this.#heading ?? [0, 0];
    const here = { raw, charset, scripting: this.#wanted.scripting, bodyPoint };
    const isWhole = seekWhole(this.#wanted, here, { found: this.#found, main: this.#main });
    const main = this.#main.best(this.#read);
    return {
      path: this.#path,
      raw,
      charset,
      base: this.#head.base === null ? null : this.#readValue(this.#head.base),
      language: this.#head.language === null ? null : this.#readValue(this.#head.language) || null,
      title: this.#title === null ? null : text(this.#title) || null,
      heading: to > from ? text(withoutTags(raw.slice(from, to))) || null : null,
      headPoint: this.#head.headPoint(),
      bodyPoint,
      bodyEnd: this.#bodyEnd < 0 ? raw.length : this.#bodyEnd,
      openAtEnd: this.#openAtEnd ?? this.#openNow(),
      openAtLast: this.#openNow(),
      isComplete: !isWhole && this.#isAllFound(),
      lacking: this.#sought.lacking,
      readTo: this.#scanner.end,
      isCutOff: this.#scanner.isCutOff,
      leaks: this.#outline.leaks,
      hasNoscript: this.#hasNoscript,
      isDoubtful: this.#isDoubtful,
      hasViewport: this.#head.hasViewport,
      isFrameset: this.#head.isFrameset,
      slots: this.#slots.map(({ name, element }): Slot => ({ name: this.#readValue(name), element })),
      main,
      hasSkipLink: this.#link.isSkipLink(raw, main?.id ?? null, this.#read),
      found: this.#found,
    };
  }

  #isAllFound = (): boolean => this.isDone() && (this.#main.isMet || this.#link.isMet) && !this.#lacksHeader;
}
