import type { SitePath } from '../address/path.ts';
import type { PageOrder } from '../target/kinds/pages.ts';
import type { Mark } from '../text/mark.ts';
import type { ByLanguage, Entry, LookUse } from './entry-types.ts';
import type { FoldKind } from './fold-kinds.ts';
import type { Form } from './forms.ts';
import type { Look } from './look-types.ts';
import type { Opens, Separators } from './menu-types.ts';
import type { MenuPictures } from './picture-types.ts';
import type { PlaceSide } from './parts/place.ts';
import type { WordName } from './parts/language.ts';

export type { Target } from '../target/kinds/index.ts';
export type { Mark } from '../text/mark.ts';
export type { ByLanguage, Entry, EntryIcon, EntryVersion, LookUse } from './entry-types.ts';
export type { Form } from './forms.ts';
export type { Opens, Separators } from './menu-types.ts';
export type { Look } from './look-types.ts';
export type { PlaceSide } from './parts/place.ts';

/** The plan with every default resolved. */
export interface Plan {
  /** The folder read and the folder written, as the plan gives them: relative to the plan. */
  site: string;
  /** `in-place`: the pages themselves are changed. */
  output: string;
  read: string;
  leaveOut: readonly string[];
  skipTo: readonly string[];
  /** Pages without a viewport line get one. */
  addsViewport: boolean;
  labels: LabelSource;
  links: LinkStyle;
  style: { path: SitePath; mark: Mark } | null;
  /** In the order of the plan: the first is that of pages that are in none of them. */
  languages: readonly Language[];
  menus: readonly Menu[];
  panels: readonly PanelGroup[];
  pictures: readonly MenuPictures[];
  /** The way to the top; null for none. */
  toTop: ToTop | null;
  /** Names of Kamino's own files change with their content. */
  hashesOwnFiles: boolean;
  questions: readonly Question[];
  rules: RuleWeights;
  look: LookUse | null;
  looks: ReadonlyMap<string, Look>;
}

/** What visitors come with. */
export interface Question {
  ask: string;
  /** A page, or a section of one, as it is written. */
  leadsTo: string;
  /** The most presses that it may take; null for any number. */
  actions: number | null;
  mark: Mark;
}

/** How much rules weigh, and where they do not hold. */
export interface RuleWeights {
  weights: ReadonlyMap<string, { weight: 'off' | 'note' | 'warning' | 'error'; mark: Mark }>;
  /** How many links a page may be away from the front page; null for any number. */
  depth: number | null;
  excuses: readonly { rule: string; at: string; mark: Mark }[];
}

/** Parts of a page that are shown one at a time. */
export interface PanelGroup {
  name: string;
  page: string;
  /** A selector of the panels. */
  of: string;
  /** The menu that switches between them. */
  menu: string;
  /** The id of the one that is shown first; null for the first of the page. */
  first: string | null;
  /** As high as each needs, or as the tallest. */
  height: 'own' | 'tallest';
  mark: Mark;
}

/** A button that leads back to the top of a page. */
export interface ToTop {
  corner: 'start' | 'end';
  /** How far down it appears, and how large it is, as CSS has lengths. */
  showsAfter: string;
  size: string;
  /** null for Kamino’s own words. */
  label: string | null;
  labels: ByLanguage<string>;
  icon: 'arrow' | DrawingFile;
  /** At the end of the page it lies over what is there. */
  over: boolean;
  carriedBy: readonly string[];
  except: readonly string[];
  look: Look | null;
  mark: Mark;
}

/** A language that pages are in. */
export interface Language {
  /** As in `lang`. */
  tag: string;
  /** As people call it in it. */
  name: string;
  /** Patterns of its pages; null: those whose `lang` says so. */
  pages: readonly string[] | null;
  /** Kamino's own words in it. */
  words: Partial<Record<WordName, string>>;
  mark: Mark;
}

/** A picture at the head of a menu, alone or with the name of the site. */
export interface HomeImage {
  written: string;
  show: 'both' | 'image' | 'label';
  mark: Mark;
}

/** How the links of menus are written. */
export interface LinkStyle {
  /** From the page that they stand in, or from the root of the server. */
  from: 'page' | 'root';
  /** `folder/index.html` as it is, or as `folder/`. */
  index: 'shown' | 'hidden';
  /** The folder in which the site will lie, with `/` at both ends. */
  base: string;
  /** The server that it will lie on, without a `/` at the end; none where it is not known. */
  host?: string;
}

export interface LabelSource {
  from: 'title' | 'heading' | 'file';
  /** The part that most titles share, where the plan names it; null to find it. */
  cut: string | null;
  cuts: ByLanguage<string>;
}

export type Align = 'start' | 'center' | 'end' | 'spread';

/** Where a menu folds away, and into what. */
export interface Fold {
  /** `crowded`: where it no longer fits its own room; `below` a width of the window. */
  when: 'crowded' | 'below' | 'any-width' | 'never';
  /** The plan says nothing of it. */
  isUsual: boolean;
  /** The width, in em; null for all but `below`. */
  belowEm: number | null;
  /** `none`: it is not there any more, but for the menu that it joins. */
  as: FoldKind;
  /** Where a drawer comes from. */
  side: 'start' | 'end';
  /** The page behind a drawer; `as-fits`: shifted aside where there is room. */
  behind: 'covered' | 'shifted' | 'as-fits';
  by: 'click' | 'hover';
  joins: { menu: string; mark: Mark } | null;
  toggle: Toggle;
  mark: Mark;
}

/** The control that shows and hides a folded menu; `label` null for Kamino’s own word. */
export interface Toggle {
  show: 'both' | 'label' | 'icon';
  label: string | null;
  labels: ByLanguage<string>;
  at: 'start' | 'end';
  /** One that Kamino draws, or a file. */
  icon: 'lines' | 'dots' | DrawingFile;
  /** The one while the menu is open; null for Kamino’s own cross, or the same file. */
  openIcon: DrawingFile | null;
}

/** A file (SVG) that the plan names. */
export interface DrawingFile {
  written: string;
  mark: Mark;
}

/** Where the site’s name stands beside the entries of a bar. */
export type HomePlace = 'start' | 'middle' | 'above';

export interface Menu {
  name: string;
  title: string;
  titles: ByLanguage<string>;
  form: Form;
  align: Align;
  carriedBy: readonly string[];
  except: readonly string[];
  /** null: the page's own header, else the start of the body. */
  place: MenuPlace | null;
  /**
   * It remains in view while the page scrolls: itself, or the element of a selector; null for neither. `air` is the
   * length between it and a section that a link leads to.
   */
  stays: { selector: string | null; air: string; mark: Mark } | null;
  home: {
    label: string;
    labels: ByLanguage<string>;
    image: HomeImage | null;
    at: HomePlace;
  } | null;
  /** It lies over what follows it. */
  over: boolean;
  /** Entries as wide as they need, or all alike. */
  widths: 'natural' | 'equal';
  separators: Separators | null;
  opens: Opens;
  fold: Fold;
  /** The entry of this page stays a link, or becomes text. */
  currentEntry: 'link' | 'text';
  entries: readonly Entry[];
  /** Entries that come from another menu: all of them, or those below the top entry that the page is in. */
  from: { menu: string; part: 'all' | 'branch'; depth: number | null; mark: Mark } | null;
  /** The panels that it switches between, by their group; null for none. */
  panels: string | null;
  /** The pages that lead to each other, in order. */
  set: { globs: readonly string[]; order: PageOrder } | null;
  /** The levels of headings that `contents` lists; null in any other form. */
  levels: readonly number[] | null;
  /** Structured data beside a breadcrumb. */
  data: 'json-ld' | null;
  look: LookUse | null;
  mark: Mark;
}

/** Tried in order. */
export type MenuPlace = readonly Spot[];

export interface Spot {
  side: PlaceSide;
  selector: string;
  /** What is no link in an element that is taken out goes with it. */
  drop: boolean;
}
