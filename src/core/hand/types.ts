import type { SitePath } from '../address/path.ts';
import type { WholeSite } from '../site/whole.ts';

/**
 * What a part of a page that is full of links is: a menu is the same on many pages; the others differ from page to page
 * by design. A `list` is any other row of links, such as tags.
 */
export type NavigationKind = 'menu' | 'breadcrumb' | 'previous-next' | 'sections' | 'list';

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
  /** The picture that it is, where it has no words of its own. */
  picture: HandPicture | null;
  entries: readonly HandEntry[];
}

/** The picture of an entry, with addresses as they are written. */
export interface HandPicture {
  address: string;
  /** Those that come under the pointer, and while it is pressed; null where its page does not say. */
  hover: string | null;
  pressed: string | null;
  /** Attributes, in px; null where they are missing. */
  width: number | null;
  height: number | null;
  hasWords: boolean;
}

/** A menu written by hand, or another row of links, as it stands in one page. */
export interface HandMenu {
  /** Byte offsets: from the `<` of its first tag to behind the `>` of that tag, and where it ends (-1: it is not closed). */
  start: number;
  open: number;
  end: number;
  /** Selectors whose first match on this page is this menu, the plainest first. */
  selectors: readonly string[];
  /** What it is, as far as this page alone shows. */
  kind: NavigationKind;
  /** The element's name, classes and id, as one text. */
  element: string;
  region: 'header' | 'footer' | 'navigation' | 'aside' | 'other';
  entries: readonly HandEntry[];
  /** Its entries stand below each other, by line breaks or rows of a table. */
  isStacked: boolean;
  /** Lists in it that are never closed: their start tags. */
  unclosed: readonly { start: number; end: number }[];
}

/** A site with what looks like a menu on each of its pages. */
export interface HandSite extends WholeSite {
  candidates: ReadonlyMap<SitePath, readonly HandMenu[]>;
}

/** Entries and all below them, in order, each with what it lies below. */
export function flatEntries(entries: readonly HandEntry[]): { entry: HandEntry; parent: HandEntry | null }[] {
  const found: { entry: HandEntry; parent: HandEntry | null }[] = [];
  const add = (some: readonly HandEntry[], parent: HandEntry | null): void => {
    for (const entry of some) {
      found.push({ entry, parent });
      add(entry.entries, entry);
    }
  };
  add(entries, null);
  return found;
}
