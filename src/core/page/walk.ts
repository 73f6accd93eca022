import type { Raw } from '../text/bytes.ts';
import { bit } from './names.ts';
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
  /**
   * Up to this offset nothing but tags of `bit.told` is of interest, and it cannot be done before; Infinity or one that is
   * passed where that is not known.
   */
  idleTo?: () => number;
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
    const heard = hearers(listeners);
    const always = heard.onText.filter(one => !one.hearsText);
    const mostly = heard.onText.filter(one => one.hearsText);
    const idles = listeners.every(one => one.idleTo !== undefined);
    while (!ends || !areDone(listeners)) {
      if (idles && this.#follow(idleTo(listeners), heard)) continue;
      const kind = scanner.next(outline.inForeign, always.length > 0 || hears(mostly));
      if (kind === 'start') this.#start(heard);
      else if (kind === 'end') this.#end(heard);
      else if (kind === 'text') {
        for (const one of always) one.onText!();
        for (const one of mostly) if (one.hearsText!()) one.onText!();
      } else if (kind === 'done') return;
    }
  }

  /**
   * Goes on to the tag that reaches behind an offset, and tells it: of what comes before only what is open is followed.
   * Says whether there was anything.
   */
  #follow(to: number, heard: Hearers): boolean {
    const { scanner, outline } = this;
    if (to === Infinity || scanner.end >= to) return false;
    while (scanner.end < to) {
      const kind = scanner.next(outline.inForeign, false);
      const isTold = scanner.end > to || (scanner.tag.bits & bit.told) !== 0;
      if (kind === 'start') {
        if (isTold) this.#start(heard);
        else if (outline.before()) outline.open();
      } else if (kind === 'end') {
        if (isTold) this.#end(heard);
        else outline.close();
      } else if (kind === 'done') return false;
    }
    return true;
  }

  #start({ asks, onTag, onStart }: Hearers): void {
    const { outline } = this;
    let isAsked = false;
    for (const one of asks) if (one.asks!()) isAsked = true;
    const openBefore = isAsked ? outline.within() : null;
    if (!outline.before()) return;
    for (const one of onTag) one.onTag!();
    const element = openBefore ? outline.enter(openBefore) : null;
    if (element === null) outline.open();
    for (const one of onStart) one.onStart!(element);
  }

  #end({ onEndTag, onEnd }: Hearers): void {
    for (const one of onEndTag) one.onEndTag!();
    this.outline.close();
    for (const one of onEnd) one.onEnd!();
  }
}

type Event = 'asks' | 'onTag' | 'onStart' | 'onEndTag' | 'onEnd' | 'onText';
type Hearers = Record<Event, readonly Listener[]>;

/** Who hears of what: most hear of a few things, and a page has many tags. */
function hearers(all: readonly Listener[]): Hearers {
  const of = (event: Event): Listener[] => all.filter(one => one[event] !== undefined);
  return {
    asks: of('asks'),
    onTag: of('onTag'),
    onStart: of('onStart'),
    onEndTag: of('onEndTag'),
    onEnd: of('onEnd'),
    onText: of('onText'),
  };
}

function areDone(listeners: readonly Listener[]): boolean {
  for (const one of listeners) if (!one.isDone!()) return false;
  return true;
}

function idleTo(listeners: readonly Listener[]): number {
  let to = Infinity;
  for (const one of listeners) to = Math.min(to, one.idleTo!());
  return to;
}

function hears(listeners: readonly Listener[]): boolean {
  for (const one of listeners) if (one.hearsText!()) return true;
  return false;
}
