import type { Mark } from '../menu/marks.ts';
import type { ResolvedEntry, ResolvedMenu } from '../menu/types.ts';
import type { AddressFrom } from '../target/kind.ts';
import type { Raw } from '../text/bytes.ts';
import type { Words } from './words.ts';

/** The page that markup is written for. */
export interface Standpoint extends AddressFrom {
  /** Labels keep room for a bolder state. */
  reserves: boolean;
  /** The names of the menus that it carries. */
  carried: ReadonlySet<string>;
}

/** A place in it. */
export interface LinePlace {
  /** White space before the line that the markup begins in, and the page's own line break. */
  indent: string;
  lineBreak: string;
  /** Attributes of the table cell that the menu stands in, where it stands instead of cells. */
  cell: Raw | null;
}

/** The marked entries of a menu on a page. */
export type Marks = ReadonlyMap<ResolvedEntry, Mark>;

/** What an entry is written in. */
export interface EntryContext {
  menu: ResolvedMenu;
  marks: Marks;
  from: Standpoint;
  words: Words;
  /** Of the openers that close each other. */
  group: string;
}
