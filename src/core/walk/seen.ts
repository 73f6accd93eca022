/** What a script in a page tells of it; lengths in CSS px. */

export interface Point {
  x: number;
  y: number;
}

/** A link of a page. */
export interface SeenLink {
  /** Its number among the links of the page, in the order of the document. */
  index: number;
  /** The whole address. */
  href: string;
  /** The menu that it lies in; null for one of the page’s content. */
  menu: string | null;
  label: string;
  /** Where a pointer presses it; null where none can. */
  at: Point | null;
}

/** What opens or closes something: a button, the head of a disclosure, a label of a box. */
export interface SeenControl {
  /** Its number among the controls of the page. */
  index: number;
  menu: string | null;
  label: string;
  at: Point | null;
  /** Whether what it opens is open; null where it does not say. */
  isOpen: boolean | null;
}

/** What has the focus. */
export interface SeenStop {
  kind: 'link' | 'control' | 'other';
  /** Among the links or the controls; -1 for anything else. */
  index: number;
  menu: string | null;
  label: string;
  /** In the order of the document. */
  order: number;
  /** It has a box that lies in the window. */
  isSeen: boolean;
  /** What covers it: that element; or null. */
  coveredBy: string | null;
  /** An outline of at least two px is drawn around it. */
  hasRing: boolean;
  box: SeenBox;
}

export interface SeenBox {
  left: number;
  top: number;
  width: number;
  height: number;
}

/** A place of a page with an id, as it is once it was jumped to. */
export interface SeenSection {
  id: string;
  isSeen: boolean;
  /** What covers its beginning: that element; or null. */
  coveredBy: string | null;
}

/** A link or control of a menu that can be seen, by its size. */
export interface SeenTarget {
  menu: string;
  label: string;
  width: number;
  height: number;
  /** A circle of 24 px around its middle meets no other target. */
  isSpaced: boolean;
}

/** A text of a menu that can be seen. */
export interface SeenText {
  menu: string;
  label: string;
  box: SeenBox;
  /** Text of 24 px, or of 18.66 px in bold. */
  isLarge: boolean;
  /** Part of it is cut off, or lies over another text of the menu: what. */
  fault: string | null;
}

/** The page as a whole. */
export interface SeenState {
  /** By how much it is wider than the window. */
  sideways: number;
  /** What reaches furthest over the edge of the window: that element, and the menu that it lies in. */
  widest: { element: string; menu: string | null } | null;
  /** The page does not scroll though it is longer than the window. */
  isLocked: boolean;
  /** Something of ours or the page’s moves: a transition or an animation that ends. */
  isMoving: boolean;
  /** How long the longest of those that run still takes, in ms. */
  moves: number;
  /** The sum of layout shifts that nobody asked for, and what moved most. */
  shift: number;
  shifted: string | null;
  path: string;
  hash: string;
  scrolled: number;
}

/** What each menu shows at this width. */
export interface SeenFold {
  menu: string;
  /** Entries of the first level that a pointer can press, of so many. */
  shown: number;
  all: number;
  /** Controls of it that can be pressed. */
  controls: number;
  /** Of its tallest element. */
  height: number;
}
