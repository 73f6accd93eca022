import type { MenuSprite } from '../menu/types.ts';
import type { PictureState } from '../plan/picture-types.ts';
import { pictureStates } from '../plan/parts/pictures.ts';

/** The sizes of an entry's pictures, in px. */
export interface SpriteEntry {
  hook: string;
  sizes: Partial<Record<PictureState, { width: number; height: number }>>;
}

/** Where a picture lies in the sprite. */
export interface SpriteCell {
  hook: string;
  state: PictureState;
  x: number;
  y: number;
}

export interface SpriteLayout {
  width: number;
  height: number;
  columns: MenuSprite['columns'];
  rows: MenuSprite['rows'];
  cells: readonly SpriteCell[];
}

/** Between two pictures, so that none shows at the edge of another where a page is zoomed. */
const between = 2;

/**
 * Lays pictures into one: a column for each entry, a row for each state. An entry’s box is as large as the largest of its
 * pictures; a smaller one stands in its middle.
 */
export function spriteLayout(entries: readonly SpriteEntry[]): SpriteLayout {
  const states = pictureStates.filter(state => entries.some(one => one.sizes[state]));
  let [x, y] = [0, 0];
  const columns = entries.map(({ hook, sizes }) => {
    const all = Object.values(sizes);
    const width = Math.max(...all.map(one => one.width));
    const height = Math.max(...all.map(one => one.height));
    const column = { hook, x, width, height, states: pictureStates.filter(state => sizes[state]) };
    x += width + between;
    return column;
  });
  const rows = states.map(state => {
    const row = { state, y };
    y += between + Math.max(...columns.filter(one => one.states.includes(state)).map(one => one.height));
    return row;
  });
  const cells = entries.flatMap(({ hook, sizes }, at) =>
    rows.flatMap(({ state, y: top }) => {
      const size = sizes[state];
      if (!size) return [];
      const box = columns[at]!;
      return [
        {
          ...{ hook, state },
          x: box.x + Math.floor((box.width - size.width) / 2),
          y: top + Math.floor((box.height - size.height) / 2),
        },
      ];
    }),
  );
  return { width: x - between, height: y - between, columns, rows, cells };
}
