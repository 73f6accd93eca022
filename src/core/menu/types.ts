import type { SitePath } from '../address/path.ts';
import type { WordName } from '../plan/parts/language.ts';
import type { Destination } from '../target/destination.ts';
import type { Look } from '../plan/look-types.ts';
import type { PictureState } from '../plan/picture-types.ts';
import type { Mark } from '../text/mark.ts';
import type { Align, Fold, Form, HomePlace, Menu, MenuPlace, Opens, ToTop, Toggle } from '../plan/types.ts';

/** The pictures of one entry, with the places in the plan that name them. */
export interface EntryFiles {
  hook: string;
  label: string;
  files: Partial<Record<PictureState, { path: SitePath; dense: SitePath | null; mark: Mark }>>;
}

/** Where the pictures of a menu's entries are. Measures in px. */
export interface PictureSources {
  entries: readonly EntryFiles[];
  /** One picture that holds them; from the left, from above. */
  strip: {
    file: SitePath;
    dense: SitePath | null;
    states: readonly PictureState[];
    columns: readonly { hook: string; label: string }[];
    widths: readonly number[] | null;
    heights: readonly number[] | null;
    gap: number;
    mark: Mark;
  } | null;
  height: number | null;
  currentChanges: boolean;
  inFold: boolean;
  mark: Mark;
}

/** The one picture that holds those of a menu's entries: a row for each state. In px. */
export interface MenuSprite {
  file: SitePath;
  /** The same for dense screens. */
  dense: SitePath | null;
  /** From the left. */
  columns: readonly {
    hook: string;
    x: number;
    width: number;
    height: number;
    states: readonly PictureState[];
  }[];
  /** From above. */
  rows: readonly { state: PictureState; y: number }[];
}

/** The picture of an entry in a page. */
export interface EntryPicture {
  file: SitePath;
  dense: SitePath | null;
  width: number;
  height: number;
  /** Of its menu, where that is one of several languages. */
  language: string | null;
}

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
  over: boolean;
  widths: 'natural' | 'equal';
  separators: Menu['separators'];
  /** Its own look beside the plan's. */
  look: Look | null;
  opens: Opens;
  fold: ResolvedFold;
  /** Menus that lie in the fold of this one, on the pages that carry both. */
  joined: readonly ResolvedMenu[];
  currentEntry: 'link' | 'text';
  /**
   * `branch`: on each page what lies below the top entry that it is in; `trail`: the way to it; `set`: its neighbours;
   * `contents`: its headings.
   */
  shows: 'entries' | 'branch' | 'trail' | 'set' | 'contents';
  /** Structured data beside it. */
  hasData: boolean;
  /** What the way to the top needs beside its entry; null for menus. */
  toTop: Pick<ToTop, 'corner' | 'showsAfter' | 'size' | 'over'> | null;
  /** Of `contents` those of the page that has most of them. */
  entries: readonly ResolvedEntry[];
  /** The headings of each page, for `contents`. */
  contents: ReadonlyMap<SitePath, readonly ResolvedEntry[]> | null;
  /** Where the pictures of its entries are; null for none. */
  pictures: PictureSources | null;
  /** The picture that holds them all; null until it is made. */
  sprite: MenuSprite | null;
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
  at: HomePlace;
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
  /** It stays in the bar when the others are folded. */
  remains: boolean;
  /** A line below its label; null for none. */
  about: string | null;
  /** A drawing as markup, and where it stands. */
  icon: { markup: string; at: 'start' | 'end' | 'above'; show: 'both' | 'icon' | 'label' } | null;
  /** What stands for its label where there is room. */
  picture: EntryPicture | null;
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
