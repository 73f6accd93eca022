import type { SitePath } from '../address/path.ts';
import type { Charset } from '../text/charset.ts';
import type { Raw } from '../text/bytes.ts';
import type { Selector } from '../text/selector.ts';

/** An element of a page by its byte offsets. */
export interface Element {
  /** In ASCII lower case. */
  name: string;
  /** Offset of the `<` of its start tag, and behind its `>`. */
  start: number;
  open: number;
  /** Offset of the `<` of its end tag, and behind its `>`; -1 where it has no end tag of its own. */
  close: number;
  end: number;
  /** Where it ends: `end`, or the `<` of the tag that ended it; -1 where the page ends first. */
  stop: number;
  /** The names of the elements it lies in, outermost first. */
  within: readonly string[];
  /** What is open directly before its start tag: more than `within`, where that tag closes something. */
  openBefore: readonly string[];
  /** It lies in an `a` that was never closed and that the browser opens again. */
  inOpenLink: boolean;
  /** What is open directly before its end tag, and whether a link is; empty where it has no end tag. */
  openAtClose: readonly string[];
  linkAtClose: boolean;
}

/** An element that a selector was sought for. */
export interface Found extends Element {
  id: string | null;
  /** Of a cell or row of a table: the cells that go together. */
  cells: Cells | null;
  /** Of a list that is never closed: where it is meant to end; -1 for anything else. */
  listEnd: number;
}

/** Cells of one row: from the `<` of the first to behind the last, and the attributes of a cell in place of them all. */
export interface Cells {
  start: number;
  end: number;
  attributes: Raw;
}

/** Finds elements by selectors that need the whole page. */
export type Seek = (page: SoughtPage, selectors: readonly string[]) => ReadonlyMap<string, Found>;

export interface SoughtPage {
  raw: Raw;
  charset: Charset;
  /** As for a browser with scripts on, where a `noscript` holds text and no elements. */
  scripting: boolean;
  /** Where the body's content begins. */
  bodyPoint: number;
}

/** An attribute as written: its value is raw (neither charset nor character references are decoded). */
export interface Attribute {
  name: string;
  value: Raw;
  /** Offsets of the whole attribute. */
  start: number;
  end: number;
}

export interface Slot {
  name: string;
  element: Element;
}

/** The names of open elements, outermost first, and whether a link is open. */
export interface OpenElements {
  names: readonly string[];
  inOpenLink: boolean;
}

/** What a build must know of a page. */
export interface Frame {
  path: SitePath;
  raw: Raw;
  charset: Charset;
  /** As in `base href`; null where there is none. */
  base: string | null;
  /** The page's language by `html lang`, or null. */
  language: string | null;
  title: string | null;
  /** The text of the first `h1`, where it was asked for. */
  heading: string | null;
  /** Where a style link goes: before the first style sheet, after `base` and `meta charset`. */
  headPoint: number;
  /** Where the body's content begins: behind the `body` tag, or before the first thing that stands for it. */
  bodyPoint: number;
  /** Where the body's content ends: before the `</body>`, or the end of the page. */
  bodyEnd: number;
  /** What is open there, and at the end of the page; known where the end was asked for. */
  openAtEnd: OpenElements;
  openAtLast: OpenElements;
  /** All that was sought has been found, but for what is lacking: nothing behind the last thing found was read. */
  isComplete: boolean;
  /** What was sought and cannot come behind that. */
  lacking: readonly Selector[];
  /** How far the page was read. */
  readTo: number;
  /** The page ends inside a tag, a comment or an element of text: nothing can be put behind it. */
  isCutOff: boolean;
  hasNoscript: boolean;
  /** A `noscript` may lead to other places with scripts off than with scripts on. */
  isDoubtful: boolean;
  /** A `meta` tells phones how wide to lay the page out. */
  hasViewport: boolean;
  /** With scripts off, a `noscript` leaves something open behind it. */
  leaks: boolean;
  isFrameset: boolean;
  slots: Slot[];
  main: MainContent | null;
  /** A skip link of the page's own. */
  hasSkipLink: boolean;
  /** The first element for each selector that was asked for. */
  found: ReadonlyMap<string, Element | Found>;
}

/** The element that the skip link leads to; `insert` is where an id would go, straight after the tag's name. */
export interface MainContent {
  id: string | null;
  insert: number;
}

/** An element with what it lies in and what lies in it. */
export interface TreeNode extends Element {
  readonly parent: TreeNode | null;
  readonly content: (TreeNode | TreeText)[];
  /** Its number among the elements of the page, from 1 on; -1 for what is none of them. */
  readonly at: number;
  readonly attributes: readonly Attribute[];
  readonly hasAttributes: boolean;
  /** An attribute as it is written; null where there is none of that name. */
  value: (name: string) => Raw | null;
  /** Kamino put it in: the name of its menu stands in it. */
  readonly isOurs: boolean;
  /** A list in an item that ends before the list does: its end tag is missing here, wherever the next one stands. */
  readonly isLeftOpen: boolean;
  /** The same element with other content. */
  holding: (content: (TreeNode | TreeText)[]) => TreeNode;
}

/** A stretch of text: byte offsets. */
export interface TreeText {
  start: number;
  end: number;
}
