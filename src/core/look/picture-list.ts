import type { EntryFiles } from '../menu/types.ts';
import type { PictureState } from '../plan/picture-types.ts';
import { pictureStates } from '../plan/parts/pictures.ts';
import type { Hex } from './hex.ts';
import type { Pack } from './menu-sprites.ts';
import { drawnContrast } from './raster-contrast.ts';

/** A picture of an entry in one state, as it is shown. In px. */
export interface ListedPicture {
  file: string;
  width: number;
  height: number;
  isDense: boolean;
  /** Where its box lies in the sprite. */
  x: number;
  y: number;
  /** Of what is drawn with its ground; null where that could not be measured. */
  contrast: number | null;
}

export interface ListedEntry {
  label: string;
  /** null for one that shows its text. */
  pictures: Partial<Record<PictureState, ListedPicture>> | null;
}

export interface ListedMenu {
  menu: string;
  language: string | null;
  entries: ListedEntry[];
  sprite: {
    file: string;
    dense: string | null;
    width: number;
    height: number;
    bytes: number;
    ofFiles: number;
  };
}

/** Each entry with the picture that was found for each state. @param ground what lies behind the menu */
export function pictureList(
  { menu, buttons, layout, bytes }: Pack,
  files: ReadonlyMap<string, Uint8Array>,
  { ground, contrast }: { ground: Hex | null; contrast: (one: Hex, other: Hex) => number },
): ListedMenu {
  const known = new Map(buttons.map(one => [one.hook, one.states]));
  const sources = new Map(menu.pictures!.entries.map((one): [string, EntryFiles] => [one.hook, one]));
  const columns = new Map(layout.columns.map(one => [one.hook, one.x]));
  const rows = new Map(layout.rows.map(one => [one.state, one.y]));
  const { file, dense } = menu.sprite!;
  return {
    menu: menu.name,
    language: menu.language?.tag ?? null,
    entries: menu.entries
      .filter(one => one.leadsTo.kind !== 'insert')
      .map(({ hook, label }) => {
        const states = known.get(hook);
        if (!states) return { label, pictures: null };
        const pictures: ListedEntry['pictures'] = {};
        for (const state of pictureStates) {
          const one = states[state];
          if (one)
            pictures[state] = {
              file: sources.get(hook)?.files[state]?.path ?? one.file,
              width: one.one.width,
              height: one.one.height,
              isDense: one.two !== null,
              x: columns.get(hook)!,
              y: rows.get(state)!,
              contrast: rounded(drawnContrast(one.one, ground, contrast)),
            };
        }
        return { label, pictures };
      }),
    sprite: {
      ...{ file, dense, width: layout.width, height: layout.height },
      bytes: [file, dense].reduce((sum, one) => sum + (one === null ? 0 : (files.get(one)?.length ?? 0)), 0),
      ofFiles: bytes,
    },
  };
}

const rounded = (value: number | null): number | null =>
  value === null ? null : Math.round(value * 100) / 100;
