import type { SitePath } from '../address/path.ts';
import type { WordName } from '../plan/keys.ts';
import type { Look } from '../plan/look-types.ts';
import type { Align, Fold, Form, Menu, MenuPlace, Opens, ToTop, Toggle } from '../plan/types.ts';

/** A menu with every target known. */
export interface ResolvedMenu {
  name: string;
  title: string;
  form: Form;
  align: Align;
  carriedBy: readonly string[];
  except: readonly string[];
  place: MenuPlace | null;
  /** Where the plan names languages: that of the pages which carry this menu. */
  language: MenuLanguage | null;
  /** The front page, of its language; or null. */
  front: SitePath | null;
  stays: Menu['stays'];
  home: ResolvedHome | null;
  widths: 'natural' | 'equal';
  separators: 'none' | 'line';
  /** Its own look beside the plan's. */
  look: Look | null;
  opens: Opens;
  fold: ResolvedFold;
  /** Menus that lie in the fold of this one, on the pages that carry both. */
  joined: readonly ResolvedMenu[];
  currentEntry: 'link' | 'text';
  /** `branch`: on each page what lies below the top entry that it is in; `trail`: the way to it; `set`: its neighbours. */
  shows: 'entries' | 'branch' | 'trail' | 'set';
  /** Structured data beside it. */
  hasData: boolean;
  /** What the way to the top needs beside its entry; null for menus. */
  toTop: Pick<ToTop, 'corner' | 'showsAfter' | 'size'> | null;
  entries: readonly ResolvedEntry[];
  /** An entry for every page that may need one of its own: for a trail. */
  pages: ReadonlyMap<SitePath, ResolvedEntry> | null;
}

/** A fold with what its toggle says and shows; null for Kamino’s own word. */
export interface ResolvedFold extends Omit<Fold, 'toggle' | 'mark' | 'joins'> {
  /** The name of the menu whose fold this one goes into. */
  joins: string | null;
  toggle: Pick<Toggle, 'show' | 'label' | 'at'> & {
    /** A drawing as markup, while closed and while open. */
    icon: 'lines' | 'dots' | { closed: string; open: string };
  };
}

/** The site’s name at the head of a menu, with its picture. */
export interface ResolvedHome {
  label: string;
  page: SitePath;
  /** Width and height in px, of the picture itself; null where it does not say. */
  image: { path: SitePath; size: { width: number; height: number } | null } | null;
  show: 'both' | 'image' | 'label';
}

/** One of the ways to set an entry apart, or a look of its own. */
export type Highlight = 'background' | 'border' | 'shadow' | Look;

export interface MenuLanguage {
  tag: string;
  /** Kamino's own words in it, as far as the plan has them. */
  words: Partial<Record<WordName, string>>;
  pages: ReadonlySet<SitePath>;
}

/** An id that goes into a heading's tag, behind its name. */
export interface GivenId {
  at: number;
  id: string;
}

export interface ResolvedEntry {
  label: string;
  leadsTo: Destination;
  /** What a designer's own rules know it by: unique in its menu. */
  hook: string;
  /** 1 for the entries of the menu itself. */
  depth: number;
  highlight: Highlight | null;
  /** Its own look beside the menu's. */
  look: Look | null;
  apart: boolean;
  /** A drawing as markup, and where it stands. */
  icon: { markup: string; at: 'start' | 'end'; show: 'both' | 'icon' | 'label' } | null;
  /** Patterns of pages that make it `within`; null for an index page's folder. */
  covers: readonly string[] | null;
  newWindow: boolean;
  outsideMark: boolean;
  save: boolean;
  /** Type and size of its file, as people read them. */
  details: string | null;
  /** The language of the label, and of the page it leads to, where it is not that of the menu. */
  lang: string | null;
  hreflang: string | null;
  entries: readonly ResolvedEntry[];
}

export type Destination =
  | { kind: 'page' | 'file'; path: SitePath }
  /** A place in a page; null for the page that carries the menu. */
  | { kind: 'section'; path: SitePath | null; id: string; panel?: PanelMark }
  /** The counterparts of pages in another language; its front page for all others. */
  | { kind: 'language'; tag: string; counterparts: Readonly<Record<SitePath, SitePath>>; front: SitePath }
  /** An address outside the site, ready for an `href`. */
  | { kind: 'url' | 'mail' | 'phone'; url: string }
  /** The designer's own piece of HTML. */
  | { kind: 'insert'; html: string }
  /** The entry only opens. */
  | { kind: 'none' };

/** That a place is a panel: of this group, and whether it is the one shown first. */
export interface PanelMark {
  group: string;
  isFirst: boolean;
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

/** A heading as a target. */
export interface SectionHeading {
  level: number;
  text: string;
  /** Its own, or that of the section that it begins; null for none. */
  id: string | null;
  /** Offset behind the name of its tag, where an id would go. */
  insert: number;
}

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
  /** The front page, or null. */
  front: SitePath | null;
}
