import type { Resource } from './resources.ts';
import type { Frame } from './types.ts';

/** A stretch of a page: byte offsets of a tag. */
export interface Extent {
  start: number;
  end: number;
}

export interface Identified extends Extent {
  id: string;
  /** The element's name; `a` also for an old `name` of a link. */
  element: string;
  /** The heading that it stands in, or null. */
  heading: Heading | null;
}

export interface Heading extends Extent {
  level: number;
  text: string;
  id: string | null;
  /** It is one of what the page says, not of what stands around that: it lies in the main content, where there is one, and in no `nav`, `aside` or `footer`. */
  isContent: boolean;
}

export interface Link extends Extent {
  href: string;
  /** The menu of Kamino's that it lies in, or null. */
  menu: string | null;
  /** That menu says that it leads to this page. */
  isCurrent: boolean;
}

/** What is known of the links of a page without going through them. */
export interface LinkSummary {
  count: number;
  /** The menus of Kamino's that some of them lie in. */
  menus: readonly string[];
  /** A menu of Kamino's says of one that it leads to this page. */
  hasCurrent: boolean;
}

/** All that is in a page. */
export interface FullPage {
  frame: Frame;
  ids: Identified[];
  headings: Heading[];
  links: Link[];
  linkSummary: LinkSummary;
  /** Files that it shows or uses. */
  resources: Resource[];
  /** Style sheets in it, and the declarations of its elements: byte offsets. */
  styles: Extent[];
  /** End tags of lists, tables and parts of a page that close nothing. */
  surplus: (Extent & { name: string })[];
  /** Tags that send visitors on to another page by themselves, and links that open a window. */
  refreshes: Extent[];
  windows: Extent[];
  /** How many words people read in its body. */
  words: number;
  /** It asks search engines to leave it out, or sends on to another page. */
  isUnlisted: boolean;
  /** The `datetime` of its first `time`, or null. */
  date: string | null;
  /** When it was changed, as a `meta` of it says; else null. */
  modified: string | null;
}
