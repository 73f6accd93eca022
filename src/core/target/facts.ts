import type { SitePath } from '../address/path.ts';

/** A heading as a target. */
export interface SectionHeading {
  level: number;
  text: string;
  /** Its own, or that of the section that it begins; null for none. */
  id: string | null;
  /** Offset behind the name of its tag, where an id would go. */
  insert: number;
  /** It belongs to what the page says, not to what stands around that. */
  isContent: boolean;
}

/** The words that a page has for itself. */
export interface PageWords {
  title: string | null;
  heading: string | null;
}

/** Panels of a page, with what shows and switches them. */
export interface ResolvedPanels {
  name: string;
  page: SitePath;
  /** The name of the menu that switches. */
  menu: string;
  panels: readonly { id: string; label: string }[];
  first: string;
  height: 'own' | 'tallest';
}

/** What a target may ask of the languages of a site. */
export interface LanguageFacts {
  all: readonly { tag: string; name: string }[];
  /** The front page of a language; null where it has none. */
  front: (tag: string) => SitePath | null;
  /** What stands for a page or file in a language, or null. */
  counterpart: (path: SitePath, tag: string) => SitePath | null;
}

/** What resolving must know of the site. */
export interface SiteFacts {
  /** Pages, and all files (pages among them), by their path. */
  pages: ReadonlySet<SitePath>;
  files: ReadonlySet<SitePath>;
  words: ReadonlyMap<SitePath, PageWords>;
  /** The ids of a page, each with the text of the heading that it stands for (empty for none). */
  sections: (page: SitePath) => ReadonlyMap<string, string>;
  /** The headings of a page, in order. */
  headings: (page: SitePath) => readonly SectionHeading[];
  /** The elements of a page that a selector finds, each with its id or null, its first heading, and where an id would go. */
  parts: (page: SitePath, selector: string) => readonly SectionHeading[];
  /** The language that a page says it is in, or null. */
  language: (page: SitePath) => string | null;
  /** The first `datetime` in a page, or null. */
  date: (page: SitePath) => string | null;
  /** Width and height of a picture in px; null where the file does not say. */
  picture: (file: SitePath) => { width: number; height: number } | null;
  /** Size of a file in bytes. */
  size: (file: SitePath) => number;
  /** Content of a file as text; null where it cannot be read as UTF-8. */
  text: (file: SitePath) => string | null;
  /** Where a page has gone that is not there any more; null where nobody can tell. */
  movedTo: (page: SitePath) => SitePath | null;
  /** The front page, or null. */
  front: SitePath | null;
}
