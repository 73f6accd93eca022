import type { Mark } from '../text/mark.ts';
import type { PictureState } from './parts/pictures.ts';

export type { PictureState } from './parts/pictures.ts';

/** A file that the plan names, and where. */
export interface PictureFile {
  written: string;
  mark: Mark;
}

/** One picture that holds the buttons of a menu: rows are states, columns entries. Measures in px. */
export interface Strip {
  file: PictureFile;
  states: readonly PictureState[];
  /** Labels or names; null for the entries of the menu, in its order. */
  entries: readonly { written: string; mark: Mark }[] | null;
  from: 'left' | 'right';
  /** null to find them. */
  widths: readonly number[] | null;
  heights: readonly number[] | null;
  gap: number;
  mark: Mark;
}

/** Where the pictures of a menu come from. */
export type PictureOrigin =
  | { kind: 'pattern'; pattern: string; mark: Mark }
  | {
      kind: 'table';
      rows: readonly {
        entry: string;
        mark: Mark;
        files: Readonly<Partial<Record<PictureState, PictureFile>>>;
      }[];
    }
  | { kind: 'strip'; strip: Strip };

/** Pictures that stand for the entries of a menu. */
export interface MenuPictures {
  menu: string;
  origin: PictureOrigin;
  /** How file names call each state; an empty word is none. */
  words: Readonly<Record<PictureState, readonly string[]>>;
  /** In px; null for that of each picture. */
  height: number | null;
  /** The current entry shows the picture of `hover` under the pointer. */
  currentChanges: boolean;
  /** A folded menu shows pictures too. */
  inFold: boolean;
  mark: Mark;
}
