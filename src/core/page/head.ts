import { type Raw, lowerAscii } from '../text/bytes.ts';
import { headElements } from './kinds.ts';
import { isWhite } from './codes.ts';
import type { Outline } from './outline.ts';
import type { Scanner } from './scanner.ts';
import { charsetLabel } from './words.ts';

type Phase = 'before' | 'head' | 'after-head' | 'body';

/** Nothing inside these tells of the page's own head. */
const inertInHead = new Set(['template', 'noscript', 'svg', 'math', 'title', 'style', 'script', 'noframes']);

/** After one of these in the body a `frameset` is none of the page's. */
const endsFrameset = new Set(
  (
    'body pre listing li dd dt button applet marquee object table area br embed img keygen wbr input hr textarea xmp ' +
    'iframe select'
  ).split(' '),
);

/** White space at the start of a text, written as such or by a character reference. */
const white =
  /^(?:[\t\n\f\r ]|&Tab;|&NewLine;|&#0*(?:9|10|12|13|32)(?!\d);?|&#[xX]0*(?:9|[aA]|[cC]|[dD]|20)(?![\da-fA-F]);?)*/;

/** Where the head of a page ends and its body begins, and what the head says before all else. */
export class HeadReader {
  readonly #raw: Raw;
  readonly #scanner: Scanner;
  readonly #outline: Outline;
  label: string | null = null;
  base: Raw | null = null;
  language: Raw | null = null;
  isFrameset = false;
  hasViewport = false;
  #phase: Phase = 'before';
  /** Behind the last `base` or `meta charset`. */
  #afterKnown = 0;
  /** Where the style link could stand: before the elements of the head, and where the head ends. */
  readonly #headStarts: { at: number; ends: boolean }[] = [];
  #firstSheet = -1;
  #bodyPoint = -1;
  #mayBeFrameset = false;

  constructor(raw: Raw, scanner: Scanner, outline: Outline) {
    this.#raw = raw;
    this.#scanner = scanner;
    this.#outline = outline;
  }

  /** A `frameset` would still be met as that of the page: no body tag came, and nothing that shows. */
  get mayBeFrameset(): boolean {
    return this.#mayBeFrameset;
  }

  get isInBody(): boolean {
    return this.#phase === 'body';
  }

  /** Where the body's content begins, as far as it has been met; at the end of the page until then. */
  get bodyPoint(): number {
    return this.#bodyPoint < 0 ? this.#raw.length : this.#bodyPoint;
  }

  /** A start tag before the body: does it end the head, and may the style link stand before it? */
  onTag(name: string): void {
    const { start, end } = this.#scanner;
    if (this.#phase === 'body') return this.#inBody(name);
    if (this.#outline.isInside(inertInHead)) return;
    if (name === 'html') return;
    if (name === 'head') {
      if (this.#phase === 'before') this.#phase = 'head';
      return;
    }
    if (name === 'body' || name === 'frameset') {
      this.isFrameset = name === 'frameset';
      return this.#beginBody(start, end, false);
    }
    // A noscript after the head belongs to the body.
    if (!headElements.has(name) || (name === 'noscript' && this.#phase === 'after-head')) {
      this.#beginBody(start, start);
      return this.#inBody(name);
    }
    this.#headStarts.push({ at: start, ends: false });
    if (this.#phase === 'before') this.#phase = 'head';
    if ((name === 'style' || name === 'noscript') && this.#firstSheet < 0) this.#firstSheet = start;
  }

  /** @param at where the head ends if it has no end tag; @param content where the body's content begins */
  #beginBody(at: number, content: number, mayBeFrameset = true): void {
    this.#mayBeFrameset = mayBeFrameset;
    this.#headStarts.push({ at, ends: true });
    this.#phase = 'body';
    this.#bodyPoint = content;
  }

  /** https://html.spec.whatwg.org/#frameset-ok-flag */
  #inBody(name: string): void {
    if (!this.#mayBeFrameset || this.#outline.inForeign) return;
    const { start, end } = this.#scanner;
    const isHidden = name === 'input' && /hidden/i.test(this.#raw.slice(start, end));
    if (name === 'frameset') this.isFrameset = true;
    else if (endsFrameset.has(name) && !isHidden) this.#mayBeFrameset = false;
  }

  onKnown(name: string): void {
    if (this.#outline.isInside(inertInHead)) return;
    const isHead = this.#phase !== 'body';
    const value = (wanted: string): Raw | null => this.#scanner.value(wanted);
    if (name === 'html') this.language ??= value('lang');
    else if (name === 'link') {
      if (!isHead || this.#firstSheet >= 0) return;
      const rel = lowerAscii(value('rel') ?? '').split(/[\t\n\f\r ]+/);
      if (rel.includes('stylesheet')) this.#firstSheet = this.#scanner.start;
    } else if (name === 'base') {
      this.base ??= value('href');
      if (isHead) this.#afterKnown = this.#scanner.end;
    } else {
      if (lowerAscii(value('name') ?? '') === 'viewport') this.hasViewport = true;
      const label = charsetLabel(value);
      if (label === null) return;
      this.label ??= label;
      if (isHead) this.#afterKnown = this.#scanner.end;
    }
  }

  onEndTag(): void {
    const { name, start } = this.#scanner;
    if (this.#phase === 'body' || this.#outline.isInside(inertInHead)) return;
    if (name === 'head' && this.#phase !== 'after-head') {
      this.#phase = 'after-head';
      this.#headStarts.push({ at: start, ends: true });
    } else if (name === 'body' || name === 'html' || name === 'br') this.#beginBody(start, start);
  }

  /** Text other than white space ends the head; template code before a `body` tag does not. */
  onText(): void {
    const { start, end } = this.#scanner;
    if (isWhite(this.#raw, start, end) || this.#outline.isInside(inertInHead)) return;
    let text = this.#raw.slice(start, end);
    if (/\{[{%]|<%/.test(text) && /<body[\t\n\f\r />]/i.test(this.#raw.slice(end))) {
      text = text.replace(/\{\{[^]*?\}\}|\{%[^]*?%\}|<%[^]*?%>/g, code => ' '.repeat(code.length));
    }
    const at = white.exec(text)![0].length;
    if (at === text.length) return;
    if (this.#phase === 'body') this.#mayBeFrameset = false;
    else this.#beginBody(start + at, start + at, false);
  }

  /** Before the first style sheet, else at the head's end; never before what browsers must meet first. */
  headPoint(): number {
    const isLate = this.#firstSheet >= 0 && this.#firstSheet < this.#afterKnown;
    const point = this.#headStarts.find(
      ({ at, ends }) => at >= this.#afterKnown && (ends || isLate || at === this.#firstSheet),
    );
    return point?.at ?? this.#raw.length;
  }
}
