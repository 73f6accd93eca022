import type { Raw } from '../text/bytes.ts';
import type { Selector } from '../text/selector.ts';
import type { Seek } from './types.ts';

/** What is sought beside what every page has. The fewer, the sooner the reading can stop. */
export interface Wanted {
  /** The first element that matches each. */
  selectors: readonly Selector[];
  /** The texts of those whose elements are needed to their ends. */
  whole: ReadonlySet<string>;
  /** The texts of those that are sought in the tree of the page, where what is found is part of a table or a list never closed. */
  inTree: ReadonlySet<string>;
  /** The same for selectors that need the whole page, and what finds them. */
  sought: readonly string[];
  seek: Seek | null;
  /** Where the main content is when there is no `main`, tried in order. */
  skipTo: readonly Selector[];
  /** The first `header` that is the page's own, under the name `ownHeader`. */
  header: boolean;
  title: boolean;
  heading: boolean;
  /** Nothing is asked for but the title, and the heading where that is wanted. */
  wordsOnly: boolean;
  /** Where the body ends. */
  end: boolean;
  /** Read as a browser with scripts on does: what a `noscript` holds is text then. */
  scripting: boolean;
  /** Offsets at which slots may stand, where they have been sought already. */
  slotStarts: readonly number[] | null;
}

const attributePattern = /data-kamino(-slot|-id="|=)?/iy;

/** Offsets of all that may be an attribute of Kamino's: one pass over the bytes. */
export function attributeStarts(raw: Raw): AttributeStarts {
  if (raw !== last.raw) last = { raw, found: startsIn(raw) };
  return last.found;
}

export interface AttributeStarts {
  slots: readonly number[];
  others: readonly number[];
}

/** The last page that was looked at: several ask of the same. */
let last: { raw: Raw; found: AttributeStarts } = { raw: '', found: { slots: [], others: [] } };

function startsIn(raw: Raw): AttributeStarts {
  const found = { slots: [] as number[], others: [] as number[] };
  // A `k` is seldom: what is around it is looked at then.
  for (const start of ['ka', 'kA', 'Ka', 'KA'])
    for (let at = raw.indexOf(start); at >= 0; at = raw.indexOf(start, at + 2)) {
      if (raw.charCodeAt(at - 1) !== 0x2d) continue;
      attributePattern.lastIndex = at - 5;
      const match = at < 5 ? null : attributePattern.exec(raw);
      if (match?.[1] === undefined) continue;
      (/^-s/i.test(match[1]) ? found.slots : found.others).push(match.index);
    }
  for (const all of [found.slots, found.others]) all.sort((one, other) => one - other);
  return found;
}

export const nothingWanted: Wanted = {
  selectors: [],
  whole: new Set(),
  inTree: new Set(),
  sought: [],
  seek: null,
  skipTo: [],
  header: false,
  title: true,
  heading: false,
  wordsOnly: false,
  end: false,
  scripting: true,
  slotStarts: null,
};

/** The name under which `found` holds the first `header` outside the parts of a page that have headers of their own. */
export const ownHeader = 'header of the page';
