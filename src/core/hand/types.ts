import type { SitePath } from '../address/path.ts';
import type { WholeSite } from '../site/whole.ts';

/** One line of a menu written by hand. */
export interface HandEntry {
  /** Its words, else those of its picture; empty where there are none. */
  label: string;
  /** As written; null for what is no link. */
  href: string | null;
  /** The place to point at: the link's tag, else the words. */
  start: number;
  end: number;
  /** What may set it apart from its neighbours: classes, ids, emphasis, being no link, `aria-current`. */
  marks: readonly string[];
  entries: HandEntry[];
}

/** A menu written by hand, as it stands in one page. */
export interface HandMenu {
  /** Byte offsets: from the `<` of its first tag to behind the `>` of that tag, and where it ends (-1: it is not closed). */
  start: number;
  open: number;
  end: number;
  /** Selectors whose first match on this page is this menu, the plainest first. */
  selectors: readonly string[];
  /** The element's name, classes and id, as one text. */
  kind: string;
  region: 'header' | 'footer' | 'navigation' | 'aside' | 'other';
  entries: readonly HandEntry[];
  /** The way to this page from the front page, not a menu. */
  isTrail: boolean;
  /** Lists in it that are never closed: their start tags. */
  unclosed: readonly { start: number; end: number }[];
}

/** A site with what looks like a menu on each of its pages. */
export interface HandSite extends WholeSite {
  candidates: ReadonlyMap<SitePath, readonly HandMenu[]>;
}

/** An entry and all below it, with what it lies below. */
export function* flatEntries(
  entries: readonly HandEntry[],
  parent: HandEntry | null = null,
): Generator<{ entry: HandEntry; parent: HandEntry | null }> {
  for (const entry of entries) {
    yield { entry, parent };
    yield* flatEntries(entry.entries, entry);
  }
}
