import type { SitePath } from '../address/path.ts';
import type { Align, Fold, Form, MenuPlace } from '../plan/types.ts';

/** A menu with every target known. */
export interface ResolvedMenu {
  name: string;
  title: string;
  form: Form;
  align: Align;
  carriedBy: readonly string[];
  except: readonly string[];
  place: MenuPlace | null;
  home: { label: string; page: SitePath } | null;
  fold: Fold;
  entries: readonly ResolvedEntry[];
}

export interface ResolvedEntry {
  label: string;
  leadsTo: Destination;
  /** What a designer's own rules know it by: unique in its menu. */
  hook: string;
  /** 1 for the entries of the menu itself. */
  depth: number;
  highlight: boolean;
  entries: readonly ResolvedEntry[];
}

export type Destination =
  | { kind: 'page' | 'file'; path: SitePath }
  /** A place in a page; null for the page that carries the menu. */
  | { kind: 'section'; path: SitePath | null; id: string }
  /** An address outside the site, ready for an `href`. */
  | { kind: 'url' | 'mail' | 'phone'; url: string }
  /** The entry only opens. */
  | { kind: 'none' };

/** The words that a page has for itself. */
export interface PageWords {
  title: string | null;
  heading: string | null;
}

/** What resolving must know of the site. */
export interface SiteFacts {
  /** Pages, and all files (pages among them), by their path. */
  pages: ReadonlySet<SitePath>;
  files: ReadonlySet<SitePath>;
  words: ReadonlyMap<SitePath, PageWords>;
  /** The ids of a page, each with the text of the heading that it stands for (empty for none). */
  sections: (page: SitePath) => ReadonlyMap<string, string>;
  /** The front page, or null. */
  front: SitePath | null;
}
