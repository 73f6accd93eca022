import type { SitePath } from '../address/path.ts';
import type { Align, MenuPlace } from '../plan/types.ts';

/** A menu with every target known. */
export interface ResolvedMenu {
  name: string;
  title: string;
  form: 'bar';
  align: Align;
  carriedBy: readonly string[];
  except: readonly string[];
  place: MenuPlace | null;
  home: { label: string; page: SitePath } | null;
  entries: readonly ResolvedEntry[];
}

export interface ResolvedEntry {
  label: string;
  leadsTo: Destination;
  /** What a designer's own rules know it by: unique in its menu. */
  hook: string;
  /** 1 for the entries of the menu itself. */
  depth: number;
  entries: readonly ResolvedEntry[];
}

export type Destination = { kind: 'page'; path: SitePath } | { kind: 'url'; url: string };

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
  /** The front page, or null. */
  front: SitePath | null;
}
