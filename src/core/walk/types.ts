import type { SitePath } from '../address/path.ts';
import type { SeenSection } from './seen.ts';

/** A link of a page, as one visitor meets it. */
export interface WalkedLink {
  menu: string | null;
  /** Its number among the links of its menu, or of the content. */
  number: number;
  label: string;
  href: string;
  /** The page or file of the site that it leads to; null for another place. */
  to: SitePath | null;
  /** The place in that page; empty for none. */
  hash: string;
  /** The fewest presses found that follow it, its own among them; null where none do; 0 where nobody tried. */
  actions: number | null;
}

/** What is to be done in a page. */
export interface PageJob {
  page: SitePath;
  /** Places of it that somebody wants to get to. */
  ids: readonly string[];
  /** The menus whose every entry is tried; null: the page is only looked at. */
  menus: ReadonlySet<string> | null;
  /** The same for visitors who try one entry of each way. */
  opened: ReadonlySet<string> | null;
  /** Menus that stand beside others here than where they are tried: they are opened, since one may lie over another. */
  beside: ReadonlySet<string>;
  /** Any menu that nobody knows by its markup is tried too. */
  triesUnknown: (menu: string) => boolean;
}

/** A page as one visitor found it. */
export interface WalkedPage {
  page: SitePath;
  links: readonly WalkedLink[];
  sections: readonly SeenSection[];
}

/** A place that visitors want to get to. */
export interface WalkTarget {
  page: SitePath;
  /** null for the page itself. */
  id: string | null;
  label: string;
}

/** How many presses each visitor needs; null where one cannot get there. */
export interface ReachRow {
  target: WalkTarget;
  /** By visitor, in the order of the matrix. */
  actions: readonly (number | null)[];
}

/** The entries of a menu together. */
export interface MenuRow {
  menu: string;
  /** By visitor: how many of how many entries are reached, and the most presses that one takes. */
  cells: readonly { reached: number; all: number; most: number }[];
}

export interface Matrix {
  /** Their names. */
  visitors: readonly string[];
  menus: readonly MenuRow[];
  rows: readonly ReachRow[];
}
