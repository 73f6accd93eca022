import type { SitePath } from '../address/path.ts';
import type { MenuSprite, ResolvedEntry, ResolvedMenu } from '../menu/types.ts';
import { type CutStrip, type MadeButtons, type PictureTools, buttonPictures } from './button-pictures.ts';
import type { ButtonPictures, Told } from './button-types.ts';
import { type Raster, emptyRaster, paste } from './raster.ts';
import { type SpriteLayout, spriteLayout } from './sprite.ts';
import { nestedDrawing } from './svg-sprite.ts';

/** What sprites are made with. */
export interface SpriteTools extends PictureTools {
  /** In the smallest format that keeps what is seen. */
  encoded: (raster: Raster, isLossy: boolean) => Promise<{ bytes: Uint8Array; ending: string }>;
  /** A name for a content. */
  name: (bytes: Uint8Array) => string;
  /** A file as text; null where it is none. */
  text: (file: SitePath) => string | null;
}

export interface Sprites {
  menus: ResolvedMenu[];
  /** Files of Kamino’s own, by their paths in the finished site. */
  files: ReadonlyMap<SitePath, Uint8Array>;
  told: readonly Told[];
  packs: readonly Pack[];
  strips: readonly { menu: string; strip: CutStrip }[];
}

/** What went into the sprite of one menu, and how it lies there. */
export interface Pack {
  menu: ResolvedMenu;
  buttons: readonly ButtonPictures[];
  layout: SpriteLayout;
  /** Of all files that it was made of. */
  bytes: number;
}

/** The folder of Kamino’s own files. */
const folder = 'kamino';
/** Menus whose pictures are packed into one each, with its files. */
export async function withSprites(menus: readonly ResolvedMenu[], tools: SpriteTools): Promise<Sprites> {
  const files = new Map<SitePath, Uint8Array>();
  const told: Told[] = [];
  const packs: Pack[] = [];
  const strips: { menu: string; strip: CutStrip }[] = [];
  const made: ResolvedMenu[] = [];
  for (const menu of menus) {
    const pack = menu.pictures ? await packedMenu(menu, tools, { files, told, strips }) : null;
    if (pack) packs.push(pack);
    made.push(pack?.menu ?? menu);
  }
  return { menus: made, files, told, packs, strips };
}

async function packedMenu(
  menu: ResolvedMenu,
  tools: SpriteTools,
  {
    files,
    told,
    strips,
  }: { files: Map<SitePath, Uint8Array>; told: Told[]; strips: { menu: string; strip: CutStrip }[] },
): Promise<Pack | null> {
  const made = await buttonPictures(menu.pictures!, tools);
  told.push(...made.told);
  if (made.strip) strips.push({ menu: menu.name, strip: made.strip });
  if (made.buttons.length === 0) return null;
  const layout = spriteLayout(made.buttons.map(({ hook, states }) => ({ hook, sizes: sizesOf(states) })));
  const drawing = isDrawn(made)
    ? drawnSprite(made, layout, { tools, told, mark: menu.pictures!.mark })
    : null;
  const sheets = drawing ? [{ bytes: drawing, ending: 'svg' }] : await rasterSprites(made, layout, tools);
  const tag = menu.language === null ? '' : `-${menu.language.tag.toLowerCase()}`;
  const paths = sheets.map(({ bytes, ending }, at) => {
    const path = `${folder}/${menu.name}${tag}-${tools.name(bytes)}${at === 1 ? '@2x' : ''}.${ending}`;
    files.set(path, bytes);
    return path;
  });
  const { columns, rows } = layout;
  const whole = pictured(menu, { file: paths[0]!, dense: paths[1] ?? null, columns, rows });
  return { menu: whole, buttons: made.buttons, layout, bytes: made.bytes };
}

/** The menu with its sprite, and each of its entries with its part of it. */
function pictured(menu: ResolvedMenu, sprite: MenuSprite): ResolvedMenu {
  const columns = new Map(sprite.columns.map(one => [one.hook, one]));
  const entries = menu.entries.map((entry): ResolvedEntry => {
    const column = columns.get(entry.hook);
    if (!column) return entry;
    const { width, height } = column;
    const { file, dense } = sprite;
    return { ...entry, picture: { file, dense, width, height, language: menu.language?.tag ?? null } };
  });
  return { ...menu, sprite, entries };
}

function sizesOf(states: ButtonPictures['states']): Record<string, { width: number; height: number }> {
  return Object.fromEntries(
    Object.entries(states).map(([state, { one }]) => [state, { width: one.width, height: one.height }]),
  );
}

async function rasterSprites(
  { buttons, isLossy }: MadeButtons,
  layout: SpriteLayout,
  tools: SpriteTools,
): Promise<{ bytes: Uint8Array; ending: string }[]> {
  const states = new Map(buttons.map(one => [one.hook, one.states]));
  const isDense = buttons.some(one => Object.values(one.states).some(state => state.two));
  const sheet = async (times: 1 | 2): Promise<Raster> => {
    const raster = emptyRaster(layout.width * times, layout.height * times);
    for (const { hook, state, x, y } of layout.cells) {
      const { one, two } = states.get(hook)![state]!;
      const large = (): Promise<Raster> => tools.resized(one, one.width * 2, one.height * 2);
      paste(raster, times === 1 ? one : (two ?? (await large())), x * times, y * times);
    }
    return raster;
  };
  const usual = await tools.encoded(await sheet(1), isLossy);
  return isDense ? [usual, await tools.encoded(await sheet(2), isLossy)] : [usual];
}

/** Drawings stay drawings. */
const isDrawn = ({ buttons }: MadeButtons): boolean =>
  buttons.every(one => Object.values(one.states).every(({ file }) => /\.svg$/i.test(file)));

/** One drawing of all; null where one of them cannot be part of another. */
function drawnSprite(
  { buttons }: MadeButtons,
  { width, height, cells }: SpriteLayout,
  { tools, told, mark }: { tools: SpriteTools; told: Told[]; mark: Told['mark'] },
): Uint8Array | null {
  const states = new Map(buttons.map(one => [one.hook, one.states]));
  const parts = cells.map(({ hook, state, x, y }, at) => {
    const { file, one } = states.get(hook)![state]!;
    const text = tools.text(file);
    const nested =
      text === null
        ? null
        : nestedDrawing(text, `k${at.toString(36)}`, { x, y, width: one.width, height: one.height });
    if (nested?.hadScript)
      told.push({
        rule: 'moving-picture',
        mark,
        message: `\`${file}\` holds a script, a link or something that moves, which a picture of a button does not have`,
        remedy: 'It was left out. Save the drawing without it.',
      });
    return nested?.markup ?? null;
  });
  if (parts.some(one => one === null)) return null;
  return new TextEncoder().encode(
    `<svg xmlns="http://www.w3.org/2000/svg" width="${width}" height="${height}" viewBox="0 0 ${width} ${height}">${parts.join('')}</svg>`,
  );
}

/** Names for the files of a sprite that other programs take, and its files under them. */
export function packNames(
  { menu }: Pack,
  files: Sprites['files'],
): { name: string; file: string; dense: string | null; all: { path: string; bytes: Uint8Array }[] } {
  const name = menu.name + (menu.language === null ? '' : `-${menu.language.tag.toLowerCase()}`);
  const { file, dense } = menu.sprite!;
  const named = (path: string, more: string): string => `${name}${more}${path.slice(path.lastIndexOf('.'))}`;
  const own = named(file, '');
  const large = dense === null ? null : named(dense, '@2x');
  const all = [{ path: own, bytes: files.get(file)! }];
  if (large !== null) all.push({ path: large, bytes: files.get(dense!)! });
  return { name, file: own, dense: large, all };
}
