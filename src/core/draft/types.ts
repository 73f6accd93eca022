import type { TargetKey } from '../target/kinds/index.ts';
import type { FrameEdge } from '../plan/look-types.ts';
import type { Form, PlaceSide } from '../plan/types.ts';
import type { PageOrder } from '../target/kinds/pages.ts';
import type { DraftPictures } from './draft-pictures.ts';

export type { DraftPictures } from './draft-pictures.ts';

/** A plan to be written, with the words that help. */
export interface Draft {
  /** Above everything. */
  comments: readonly string[];
  output: string;
  /** The style sheet that lays menus out; null for none. */
  style: string | null;
  skipTo: readonly string[];
  languages: readonly DraftLanguage[];
  menus: readonly DraftMenu[];
  pictures: readonly DraftPictures[];
  look: DraftLook;
  /** A look to start from, for the first menu, in the place of the one that was found. */
  start?: DraftStart | null;
}

/** The name of a look, and of the site. */
export interface DraftStart {
  name: string;
  home: string;
  /** Some entries of the menu have entries below them. */
  hasSubmenus: boolean;
}

export interface DraftMenu {
  name: string;
  title: string;
  form: Form;
  comments: readonly string[];
  /** Patterns of pages; null for every page. */
  carriedBy: readonly string[] | null;
  except: readonly string[];
  /** Tried in order; none where Kamino chooses. */
  place: readonly DraftSpot[];
  /** It stands in the old element, which has room at its sides already. */
  isWithin?: boolean | undefined;
  /** Rules that lay it out as its page had the old menu; none where that stands in the flow. */
  layout?: string | undefined;
  /** It stands in the flow, where its page gave the old menu room around it. */
  hasMargin?: boolean | undefined;
  /** The site’s name in the middle of its entries. */
  home?: DraftHome;
  /** Files that entries of it name: pieces of HTML that stood in the old menu. */
  files: readonly { path: string; text: string }[];
  /** For `previous-next`: patterns of the pages that lead to each other, and their order. */
  set: readonly string[] | null;
  order?: PageOrder;
  /** For `contents`: the levels of headings. */
  levels?: readonly number[];
  /** Where its entries stand, where that is not at the start; their width; lines between them. */
  align?: DraftLook['align'];
  widths?: DraftLook['widths'];
  line?: DraftLook['line'];
  /** What is its own; null or nothing where it looks as the plan says. */
  look?: DraftLook | null;
  fold: string | null;
  /** What it becomes then; a stack by default. */
  foldsAs?: 'drawer' | null;
  entries: readonly DraftEntry[];
  /** Below the last entry: what was left out, and why. */
  notes: readonly string[];
}

export interface DraftSpot {
  side: PlaceSide;
  selectors: readonly string[];
  /** What is no link in the element goes with it. */
  drop: boolean;
}

/** A piece of HTML that stood beside the links of an old menu, to be written to a file of its own. */
export interface DraftPiece {
  html: string;
  label: string;
}

/** The same in every language, or one for each. */
export type DraftSaid = string | Readonly<Record<string, string>>;

export interface DraftLanguage {
  tag: string;
  name: string;
  /** Patterns of its pages; null where they say it themselves. */
  pages: readonly string[] | null;
}

export interface DraftEntry {
  /** null: Kamino takes it from the target. */
  label: DraftSaid | null;
  target: { key: TargetKey; value: DraftSaid } | null;
  /** Set apart, in Kamino's own way or as an old one was. */
  highlight: boolean | DraftButton;
  /** It stands at the other end. */
  isApart?: boolean;
  /** The file of a drawing beside its words. */
  icon?: string | undefined;
  /** The target may be made later. */
  mayBeMissing: boolean;
  entries: readonly DraftEntry[];
}

/** How an old entry looked that was set apart. */
export interface DraftButton {
  background: string;
  color: string;
  radius: string;
  /** null for that of its neighbours. */
  fontWeight: string | null;
}

/** As the plan's `look`; what is null is left to the page. */
export interface DraftLook {
  accent: string | null;
  background: string | null;
  color: string | null;
  fontFamily: string | null;
  fontSize: string | null;
  fontWeight: string | null;
  /** As in `text-transform` and `letter-spacing`. */
  transform: string | null;
  spacing: string | null;
  padding: string | null;
  /** Keys of the menu: where its entries stand, how wide they are, and the colour of lines between them. */
  align: 'center' | 'end' | 'spread' | null;
  widths: 'equal' | null;
  line: string | null;
  /** Of its entries that are set apart. */
  button: DraftButton | null;
  /** The first entry of a row of so many that stands at its other end. */
  pushed: { at: number; of: number } | null;
  /** The entry of a row of so many that is the name of the site. */
  home: (DraftHome & { place: { at: number; of: number } }) | null;
  /** Its entries were tabs. */
  isTabs: boolean;
  /** Between entries beside each other. */
  gap: string | null;
  radius: string | null;
  /** `edges`: those that have the border; none for all. */
  frame: {
    padding: string | null;
    width: string | null;
    row: string | null;
    border: string | null;
    edges: readonly FrameEdge[];
    radius: string | null;
    shadow: string | null;
  };
  /** The room around it, as declarations of CSS. */
  around: string;
  /** What differs under the pointer, where one is, and above that. */
  states: { hover: DraftState | null; current: DraftState | null; within: DraftState | null };
}

/** The name of the site in a menu: its words or its picture, and its letters. */
export interface DraftHome {
  /** It stands in the middle of the entries; else before them. */
  isMiddle: boolean;
  label: string;
  image: string | null;
  /** null for that of the entries. */
  color: string | null;
  fontSize: string;
  fontWeight: string;
  spacing: string | null;
}

export interface DraftState {
  color: string | null;
  background: string | null;
  fontWeight: string | null;
  /** The line that tells it. */
  mark: DraftMark | null;
}

/** A line at one side of an entry. */
export interface DraftMark {
  at: 'below' | 'above' | 'start';
  thickness: string;
  color: string;
  /** As long as the entry, and not as its words alone. */
  isWhole: boolean;
}

/** Of what a look says of the menu itself: nothing. */
export const nothingOfMenu = {
  align: null,
  widths: null,
  line: null,
  button: null,
  pushed: null,
  home: null,
  isTabs: false,
  around: '',
} as const;

export const pageLook: DraftLook = {
  accent: null,
  background: null,
  color: null,
  fontFamily: null,
  fontSize: null,
  fontWeight: null,
  transform: null,
  spacing: null,
  padding: null,
  ...nothingOfMenu,
  gap: null,
  radius: null,
  frame: { padding: null, width: null, row: null, border: null, edges: [], radius: null, shadow: null },
  states: { hover: null, current: null, within: null },
};

/** What a draft must know of the site. */
export interface DraftSite {
  pages: ReadonlyMap<string, DraftPage>;
  files: ReadonlySet<string>;
  front: string | null;
}

export interface DraftPage {
  /** What Kamino would call an entry that leads to it; null where it has no title. */
  label: string | null;
  /** Its first heading. */
  heading: string | null;
  /** Not for a menu: it says `noindex`, sends on, or tells of an error. */
  isUnlisted: boolean;
  /** Pages of the site that it links to, in order. */
  links: readonly string[];
}
