import type { Raw } from '../text/bytes.ts';
import { Outline } from './outline.ts';
import { Scanner } from './scanner.ts';
import type { Element } from './types.ts';

/**
 * What hears of the tags and texts of a page, in the order of the page. The scanner of the walk tells what was met, its
 * outline what is open.
 */
export interface Listener {
  /** Nothing that follows is of interest. */
  isDone?: () => boolean;
  /** Whether texts are told too. */
  hearsText?: () => boolean;
  /** A start tag is met: whether a record of its element is wanted. Nothing has been closed by it yet. */
  asks?: () => boolean;
  /** What the tag closes is closed, and its element is not open yet. */
  onTag?: () => void;
  /** The element is open, where it has content. @param element its record, where some listener asked for one */
  onStart?: (element: Element | null) => void;
  /** An end tag is met, and nothing has been closed by it yet; the same once it is followed. */
  onEndTag?: () => void;
  onEnd?: () => void;
  onText?: () => void;
}

/** How many pages, or parts of pages, have been gone through: for tests of what reads a page twice. */
export const walked = { count: 0 };

/** One way through a page, tag by tag, for any number of listeners; it ends as soon as none wants to hear more. */
export class Walk {
  readonly raw: Raw;
  readonly scanner: Scanner;
  readonly outline: Outline;

  /** @param scripting as for a browser with scripts on, where a `noscript` holds text and no markup */
  constructor(raw: Raw, scripting: boolean) {
    walked.count += 1;
    this.raw = raw;
    this.scanner = new Scanner(raw, raw.startsWith('\xef\xbb\xbf') ? 3 : 0);
    this.outline = new Outline(this.scanner, scripting);
  }

  run(listeners: readonly Listener[]): void {
    const { scanner, outline } = this;
    const ends = listeners.every(one => one.isDone !== undefined);
    const texts = listeners.filter(one => one.onText !== undefined);
    while (!ends || !listeners.every(one => one.isDone!())) {
      const withText = texts.some(one => one.hearsText?.() !== false);
      const kind = scanner.next(outline.inForeign, withText);
      if (kind === 'done') return;
      if (kind === 'start') this.#start(listeners);
      else if (kind === 'end') this.#end(listeners);
      else if (kind === 'text') for (const one of texts) if (one.hearsText?.() !== false) one.onText!();
    }
  }

  #start(listeners: readonly Listener[]): void {
    const { scanner, outline } = this;
    let asks = false;
    for (const one of listeners) if (one.asks?.() === true) asks = true;
    const openBefore = asks ? outline.within() : null;
    if (!outline.before(scanner.name)) return;
    for (const one of listeners) one.onTag?.();
    const element = openBefore === null ? null : outline.enter(openBefore);
    if (element === null) outline.open();
    for (const one of listeners) one.onStart?.(element);
  }

  #end(listeners: readonly Listener[]): void {
    for (const one of listeners) one.onEndTag?.();
    this.outline.close();
    for (const one of listeners) one.onEnd?.();
  }
}
