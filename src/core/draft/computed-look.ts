/** An entry that was set apart: CSS values. */
export interface OldButton {
  background: string;
  color: string;
  fontWeight: string;
  radius: string;
}

/** The name of the site among the entries of a row, on its front page: CSS values. */
export interface OldHome {
  /** Which of so many it is. */
  at: number;
  of: number;
  words: string;
  /** The address of a picture that it is, as written. */
  image: string | null;
  color: string;
  fontSize: string;
  fontWeight: string;
  letterSpacing: string;
}

/** What a browser computes for an old menu: CSS values, lengths in px. */
export interface ComputedLook {
  /** What lies behind an entry; null for nothing. */
  background: string | null;
  /** A picture lies there, or what the menu does not stand in. */
  isOver: boolean;
  linkBackground: string | null;
  pageBackground: string | null;
  color: string;
  fontFamily: string;
  fontSize: string;
  fontWeight: string;
  textTransform: string;
  letterSpacing: string;
  rootSize: string;
  /** Of what the menu lies in. */
  aroundFamily: string;
  aroundSize: string;
  aroundColor: string;
  aroundGround: string | null;
  padding: [top: string, right: string, bottom: string, left: string];
  /** Above and below the entries, in the menu's own box, in px. */
  room: [top: number, bottom: number];
  radius: string;
  /** Where the entries of one row stand in the menu, where that is not at its start; `spread` where they share all of its room. */
  align: 'center' | 'end' | 'spread' | null;
  /** The first entry behind a large gap, of so many in one row; null where none stands apart. */
  pushed: { at: number; of: number } | null;
  home: OldHome | null;
  /** Its entries have grounds of their own, with corners above alone. */
  isTabs: boolean;
  /** What entries of one width have beside the widest label, in px; null where each is as wide as its own. */
  even: number | null;
  /** Between the words of entries beside each other; 0 where there are none. */
  apart: number;
  /** Neighbours meet. */
  touches: boolean;
  /** The colour of lines between them. */
  line: string | null;
  /** Of an entry, in px. */
  height: number;
  /** From one row of entries to the next; 0 where they stand in one row. */
  pitch: number;
  /** Of the menu itself, in px: its width where it lies in the middle of more (else 0), or that of the row in its own ground; and the room at its sides. */
  box: { width: number; sides: number[]; isRow: boolean };
  /** Around the menu in the flow of its page, in px; 0 at the sides of one in the middle, null where it stands in a row. */
  margins: readonly [top: number, right: number, bottom: number, left: number] | null;
  /** Of the menu itself, and the sides that have it; null for none. */
  border: { css: string; color: string; sides: readonly ('top' | 'right' | 'bottom' | 'left')[] } | null;
  /** Of what the ground of all entries lies in: its corners, and its shadow. */
  corners: string;
  shadow: string | null;
  /** Behind each link. */
  grounds: (string | null)[];
  /** An entry that is set apart, where there is one. */
  button: OldButton | null;
}
