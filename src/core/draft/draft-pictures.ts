import type { PictureState } from '../plan/picture-types.ts';

/** Pictures that were the entries of an old menu. */
export interface DraftPictures {
  menu: string;
  source:
    | { kind: 'pattern'; pattern: string; words: Partial<Record<PictureState, string>> }
    | { kind: 'table'; rows: readonly { label: string; files: Partial<Record<PictureState, string>> }[] }
    | {
        kind: 'strip';
        file: string;
        states: readonly PictureState[];
        /** null where they are those of the menu, in its order. */
        entries: readonly string[] | null;
        widths: readonly number[];
        height: number;
        gap: number;
      };
  /** In px, where they were shown in another than their own. */
  height: number | null;
}
