import type { AddressStyle } from '../address/href.ts';
import type { SitePath } from '../address/path.ts';
import type { Words } from '../markup/words.ts';
import type { GivenId, ResolvedMenu } from '../menu/types.ts';
import type { Raw, Span } from '../text/bytes.ts';
import type { Finding } from '../text/finding.ts';
import type { Taken } from './lift.ts';
import type { PlacementSource } from './placement.ts';

/** What is put into the pages of a site. */
export interface Inlay extends PlacementSource {
  carries: (menu: ResolvedMenu, page: SitePath) => boolean;
  /** Style sheets in order: Kamino's, then the designer's own. */
  styles: readonly SitePath[];
  /** The script, for pages whose menus need it; null where none does. */
  script: SitePath | null;
  links: AddressStyle;
  /** Pages that do not tell phones how wide to lay them out are made to. */
  addsViewport: boolean;
  /** Labels keep room for a bolder state. */
  reserves: boolean;
  /** Which of the plan's languages a page is in, with Kamino's own words; null where the plan names none. */
  languageOf: (page: SitePath) => { tag: string; words: Partial<Words> } | null;
  /** The name under which what is taken out is kept, and what is kept under a name. */
  hash: (raw: Raw) => string;
  taken: Taken;
  /** Ids that headings are given, by page. */
  ids: ReadonlyMap<SitePath, readonly GivenId[]>;
}

/** How pages are made. */
export interface Making {
  /** Menus that somebody has edited by hand are made anew, and the edits lost. */
  overwrite?: boolean;
}

/** What is done to a page. */
export interface Inlaying {
  /** The page without what Kamino put in earlier; the page as it was given where it could not be done. */
  source: Uint8Array;
  /** What goes in, in the order of the page. */
  spans: readonly Span[];
  /** What was taken out, to be kept before the page is written. */
  taken: readonly { hash: string; raw: Raw }[];
  findings: Finding[];
  /** Menus put in. */
  menus: number;
  /** The names of those that were to go in, and have no place. */
  without: readonly string[];
  /** The language that the page says it is in, where Kamino's own words in it are of another. */
  otherLanguage: string | null;
  /** Menus that are to stay, and stand in an element that is gone as soon as it is scrolled past. */
  staysShort: readonly { menu: string; holder: string }[];
  /** The page carries a menu, but has no main content for a skip link. */
  lacksMain: boolean;
  /** A menu that folds stands in a page that a phone lays out as wide as a desk, so that it never does. */
  lacksViewport: boolean;
}

/** A page that is left as it is. */
export function nothing(source: Uint8Array, findings: Finding[]): Inlaying {
  return {
    source,
    spans: [],
    taken: [],
    findings,
    menus: 0,
    without: [],
    staysShort: [],
    otherLanguage: null,
    lacksMain: false,
    lacksViewport: false,
  };
}
