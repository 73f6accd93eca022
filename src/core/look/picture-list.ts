import type { PictureState } from '../plan/picture-types.ts';
import { pictureStates } from '../plan/parts/pictures.ts';
import type { ButtonPicture } from './button-types.ts';
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

type Contrast = (one: Hex, other: Hex) => number;

/** Each entry with the picture that was found for each state. */
export function pictureList(
  pack: Pack,
  files: ReadonlyMap<string, Uint8Array>,
  contrast: Contrast,
): ListedMenu {
  const { menu, layout, bytes } = pack;
  const entries = menu.entries.filter(one => one.leadsTo.kind !== 'insert');
  const { file, dense } = menu.sprite!;
  return {
    menu: menu.name,
    language: menu.language?.tag ?? null,
    entries: entries.map(({ hook, label }) => ({ label, pictures: picturesOf(hook, pack, contrast) })),
    sprite: {
      ...{ file, dense, width: layout.width, height: layout.height },
      bytes: sizeOf([file, dense], files),
      ofFiles: bytes,
    },
  };
}

function picturesOf(
  hook: string,
  { menu, buttons, layout }: Pack,
  contrast: Contrast,
): ListedEntry['pictures'] {
  const states = buttons.find(one => one.hook === hook)?.states;
  if (!states) return null;
  const source = menu.pictures!.entries.find(one => one.hook === hook);
  const { x } = layout.columns.find(one => one.hook === hook)!;
  const listed = (state: PictureState, { file, one, two }: ButtonPicture): ListedPicture => ({
    file: source?.files[state]?.path ?? file,
    ...{ width: one.width, height: one.height, isDense: two !== null },
    ...{ x, y: layout.rows.find(row => row.state === state)!.y },
    contrast: rounded(drawnContrast(one, contrast)),
  });
  const all = pictureStates.flatMap(state =>
    states[state] ? [[state, listed(state, states[state])] as const] : [],
  );
  return Object.fromEntries(all);
}

const sizeOf = (paths: readonly (string | null)[], files: ReadonlyMap<string, Uint8Array>): number =>
  paths.reduce((sum, one) => sum + (one === null ? 0 : (files.get(one)?.length ?? 0)), 0);

const rounded = (value: number | null): number | null =>
  value === null ? null : Math.round(value * 100) / 100;
