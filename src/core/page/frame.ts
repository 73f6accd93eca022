import type { SitePath } from '../address/path.ts';
import type { Raw } from '../text/bytes.ts';
import { type Charset, charsetOf, decode } from '../text/charset.ts';
import { readAttributeReferences, readReferences } from '../text/references.ts';
import { type Selector, matches } from '../text/selector.ts';
import { HeadReader } from './head.ts';
import type { Outline } from './outline.ts';
import type { Scanner } from './scanner.ts';
import { type Wanted, attributeStarts, ownHeader } from './wanted.ts';
import { collapse, endOfTitle, once, withoutTags } from './words.ts';
import type { Attribute, Element, Found, Frame, MainContent, OpenElements, Slot } from './types.ts';
import { type Listener, Walk } from './walk.ts';

const slotAttribute = 'data-kamino-slot';
/** Start tags that always tell something of the page. */
const told = new Set(['a', 'base', 'h1', 'header', 'html', 'link', 'main', 'meta', 'noscript', 'title']);
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
  readonly #sought: readonly Selector[];
  readonly #read = (value: Raw): string => this.#readValue(value);
  #title: Raw | null = null;
  #heading: [number, number] | null = null;
  #bodyEnd = -1;
  #openAtEnd: OpenElements | null = null;
  #hasNoscript = false;
  readonly #slots: { name: Raw; element: Element }[] = [];
  readonly #found = new Map<string, Element | Found>();
  readonly #main: { rank: number; element: Element; id: Raw | null }[] = [];
  #firstLink: { href: Raw; className: Raw; element: Element } | null = null;
  /** Offsets at which the attribute may stand, and which of them is next. */
  readonly #slotStarts: readonly number[];
  #slotAt = 0;
  readonly #lastSlot: number;
  readonly #leavesNoscript: boolean;
  /** Of the start tag just met: its attributes, and whether more must be known of it than that it is there. */
  #attributes: () => readonly Attribute[] = () => [];
  #isTold = false;
  #isSoughtNow = false;

  /** @param walk with scripts on or off as `wanted` says, or off where others need it so */
  constructor(path: SitePath, walk: Walk, wanted: Wanted) {
    const { raw } = walk;
    this.#path = path;
    this.#raw = raw;
    this.#wanted = wanted;
    const compound = wanted.skipTo.filter(one => one.isCompound);
    this.#sought = compound.length > 0 ? [...wanted.selectors, ...compound] : wanted.selectors;
    this.#scanner = walk.scanner;
    this.#outline = walk.outline;
    this.#head = new HeadReader(raw, walk.scanner, walk.outline);
    this.#leavesNoscript = wanted.scripting && !walk.outline.scripting;
    this.#slotStarts = wanted.slotStarts ?? attributeStarts(raw).slots;
    this.#lastSlot = this.#slotStarts.at(-1) ?? -1;
  }

  isDone(): boolean {
    if (!this.#head.isInBody || this.#scanner.end <= this.#lastSlot) return false;
    if (this.#head.isFrameset) return true;
    if (this.#head.mayBeFrameset) return false;
    const { selectors, header, heading, end, wordsOnly } = this.#wanted;
    const hasHeading = !heading || (this.#heading !== null && this.#heading[0] !== this.#heading[1]);
    if (wordsOnly || !hasHeading) return hasHeading;
    if (end || !this.#main.some(one => one.rank === 0)) return false;
    if (this.#slots.some(one => one.element.close < 0)) return false;
    const sought = [...selectors.map(one => one.text), ...(header ? [ownHeader] : [])];
    return sought.every(name => (this.#found.get(name)?.end ?? -1) >= 0);
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
    while (this.#slotStarts[this.#slotAt]! < start) this.#slotAt += 1;
    this.#isTold = told.has(name) || this.#sought.length > 0 || this.#slotStarts[this.#slotAt]! < end;
    this.#isSoughtNow = false;
    if (!this.#isTold) return false;
    if (this.#leavesNoscript && this.#outline.isInNoscript) {
      this.#isTold = false;
      return false;
    }
    this.#attributes = once(() => this.#scanner.attributes());
    this.#isSoughtNow = this.#isSought(name, this.#attributes);
    return this.#isSoughtNow;
  }

  onTag(): void {
    const { name, end } = this.#scanner;
    if (!this.#head.isInBody || this.#head.mayBeFrameset) this.#head.onTag(name);
    if (!this.#isTold) return;
    if (name === 'meta' || name === 'base' || name === 'html' || name === 'link')
      this.#head.onKnown(name, this.#attributes());
    const isTitle = name === 'title' && this.#wanted.title && this.#title === null;
    if (isTitle && !this.#outline.inForeign && !this.#head.isInBody)
      this.#title = this.#raw.slice(end, endOfTitle(this.#raw, end));
    if (name === 'noscript') this.#hasNoscript = true;
  }

  onStart(element: Element | null): void {
    if (!this.#isTold) return;
    if (this.#isSoughtNow && element) this.#onSought(element, this.#attributes);
    const { name, end } = this.#scanner;
    if (name === 'h1' && this.#wanted.heading) this.#heading ??= [end, end];
  }

  #isSought(name: string, attributes: () => readonly Attribute[]): boolean {
    if (this.#slotStarts[this.#slotAt]! < this.#scanner.end) return true;
    if (name === 'main' || name === 'a' || (name === 'header' && this.#wanted.header)) return true;
    return this.#sought.length > 0 && this.#sought.some(one => matches(one, name, attributes, this.#read));
  }

  #onSought(element: Element, attributes: () => readonly Attribute[]): void {
    const { name } = element;
    const value = (wanted: string): Raw | null =>
      attributes().find(one => one.name === wanted)?.value ?? null;
    const read = this.#read;
    const slot = value(slotAttribute);
    if (slot !== null && !element.within.includes('template')) this.#slots.push({ name: slot, element });
    for (const selector of this.#wanted.selectors) {
      if (!this.#found.has(selector.text) && matches(selector, name, attributes, read)) {
        this.#found.set(selector.text, element);
      }
    }
    const isOwnHeader = name === 'header' && !element.within.some(one => partsWithHeaders.has(one));
    if (this.#wanted.header && isOwnHeader && !this.#found.has(ownHeader))
      this.#found.set(ownHeader, element);
    const rank =
      name === 'main'
        ? 0
        : this.#wanted.skipTo.findIndex(one => one.isCompound && matches(one, name, attributes, read)) + 1;
    if (name === 'main' || rank > 0) this.#main.push({ rank, element, id: value('id') || null });
    const href = name === 'a' ? value('href') : null;
    if (href !== null && this.#head.isInBody && !this.#firstLink) {
      this.#firstLink = { href, className: value('class') ?? '', element };
    }
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
    this.#seek(charset, bodyPoint);
    const main = this.#mainContent();
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
      isComplete: this.isDone(),
      readTo: this.#scanner.end,
      isCutOff: this.#scanner.isCutOff,
      leaks: this.#outline.leaks,
      hasNoscript: this.#hasNoscript,
      hasViewport: this.#head.hasViewport,
      isFrameset: this.#head.isFrameset,
      slots: this.#slots.map(({ name, element }): Slot => ({ name: this.#readValue(name), element })),
      main,
      hasSkipLink: this.#isSkipLink(main),
      found: this.#found,
    };
  }

  /** What can only be found in the whole page. */
  #seek(charset: Charset, bodyPoint: number): void {
    const { sought, seek, skipTo, scripting } = this.#wanted;
    if (!seek || sought.length === 0) return;
    for (const [text, element] of seek({ raw: this.#raw, charset, scripting, bodyPoint }, sought)) {
      const rank = skipTo.findIndex(one => one.text === text) + 1;
      if (rank > 0) this.#main.push({ rank, element, id: element.id || null });
      this.#found.set(text, element);
    }
  }

  #mainContent(): MainContent | null {
    let best = this.#main[0];
    if (!best) return null;
    for (const one of this.#main) if (one.rank < best.rank) best = one;
    const { element, id } = best;
    return { id: id === null ? null : this.#readValue(id), insert: element.start + 1 + element.name.length };
  }

  #isSkipLink(main: MainContent | null): boolean {
    if (!this.#firstLink) return false;
    const { href, className, element } = this.#firstLink;
    const target = this.#readValue(href);
    if (!/^#./.test(target)) return false;
    if (target.slice(1) === main?.id) return true;
    const text = withoutTags(this.#raw.slice(element.open, Math.max(element.open, element.close)));
    return /\bskip/i.test(`${className} ${text}`);
  }
}
