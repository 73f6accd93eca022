import type { Pack } from '../look/menu-sprites.ts';

/** Where each picture lies in a sprite, for other programs. In px. */
export interface SpriteTable {
  menu: string;
  file: string;
  dense: string | null;
  width: number;
  height: number;
  pictures: { entry: string; state: string; x: number; y: number; width: number; height: number }[];
}

export function spriteTable(
  { menu, layout }: Pack,
  { file, dense }: { file: string; dense: string | null },
): SpriteTable {
  return {
    menu: menu.name,
    file,
    dense,
    width: layout.width,
    height: layout.height,
    pictures: layout.rows.flatMap(({ state, y }) =>
      layout.columns
        .filter(one => one.states.includes(state))
        .map(({ hook, x, width, height }) => ({ entry: hook, state, x, y, width, height })),
    ),
  };
}

/** The same as rules for backgrounds: one for each entry, and one for each of its states. */
export function spriteCss({ menu, file, dense, width, height, pictures }: SpriteTable): string {
  const image = dense === null ? `url("${file}")` : `image-set(url("${file}") 1x, url("${dense}") 2x)`;
  const rules = pictures.map(({ entry, state, x, y, width: wide, height: high }) =>
    state === 'base'
      ? `.${menu}-${entry} {\n  width: ${wide}px;\n  height: ${high}px;\n  background: ${image} ${px(-x)} ${px(-y)} / ${width}px ${height}px no-repeat;\n}`
      : `.${menu}-${entry}${selectors[state] ?? `.${state}`} {\n  background-position: ${px(-x)} ${px(-y)};\n}`,
  );
  return `${rules.join('\n')}\n`;
}

const selectors: Readonly<Record<string, string>> = {
  hover: ':hover',
  focus: ':focus-visible',
  pressed: ':active',
  current: '[aria-current]',
};
const px = (value: number): string => (value === 0 ? '0' : `${value}px`);
