import { existsSync, readFileSync } from 'node:fs';
import { join, resolve } from 'node:path';
import type { DrawnButton } from '../core/draw/buttons.ts';
import { cellSheet } from '../core/draw/cells.ts';
import { spriteCss, spriteTable } from '../core/draw/sprite-css.ts';
import { type Pack, type Sprites, packNames } from '../core/look/menu-sprites.ts';
import { dataAddress } from './held.ts';
import { shownPath } from './paths.ts';
import { type Sharp, asPng, fromSvg } from './rasters.ts';
import { writeParts } from './write.ts';

/** A file that is to be written. */
export interface MadeFile {
  path: string;
  bytes: Buffer;
}

/** Makes files of the pictures of a plan, for people and for other programs. */
export class PictureFiles {
  readonly #sharp: Sharp;

  constructor(sharp: Sharp) {
    this.#sharp = sharp;
  }

  /** Strips with their cells drawn in: the first under the name, another one with that of its menu too. */
  async cells(name: string, strips: Sprites['strips']): Promise<MadeFile[]> {
    const made: MadeFile[] = [];
    for (const [at, { menu, strip }] of strips.entries()) {
      const path = at === 0 ? name : name.replace(/(\.[^./]*)?$/, ending => `-${menu}${ending}`);
      const svg = cellSheet(strip, dataAddress('strip.png', await asPng(this.#sharp, strip.raster)));
      made.push({
        path,
        bytes: /\.svg$/i.test(path) ? Buffer.from(svg) : await fromSvg(this.#sharp, svg, 1),
      });
    }
    return made;
  }

  /** What pictures were packed into, with where each lies in it. */
  sprites(packs: readonly Pack[], files: Sprites['files']): MadeFile[] {
    return packs.flatMap(pack => {
      const { name, file, dense, all } = packNames(pack, files);
      const table = spriteTable(pack, { file, dense });
      return [
        ...all.map(({ path, bytes }) => ({ path, bytes: Buffer.from(bytes) })),
        { path: `${name}.css`, bytes: Buffer.from(spriteCss(table)) },
        { path: `${name}.json`, bytes: Buffer.from(`${JSON.stringify(table, null, 2)}\n`) },
      ];
    });
  }

  /** Pictures in the size in which they are shown, and twice as large where there is more. */
  async resized(packs: readonly Pack[]): Promise<MadeFile[]> {
    const made = new Map<string, Buffer>();
    for (const { buttons, menu } of packs)
      for (const { hook, states } of buttons)
        for (const [state, { file, one, two }] of Object.entries(states)) {
          const own = file
            .split('/')
            .at(-1)!
            .replace(/\.[^.]*$/, '.png');
          const name = menu.pictures!.strip ? `${hook}-${state}.png` : own;
          made.set(name, await asPng(this.#sharp, one));
          if (two) made.set(name.replace(/\.png$/, '@2x.png'), await asPng(this.#sharp, two));
        }
    return [...made].map(([path, bytes]) => ({ path, bytes }));
  }
}

/** Drawn buttons as drawings, and as pictures for usual and for dense screens. @param sharp null for drawings alone */
export async function buttonFiles(sharp: Sharp | null, buttons: readonly DrawnButton[]): Promise<MadeFile[]> {
  const made: MadeFile[] = [];
  for (const { entry, state, svg } of buttons) {
    const name = `${entry.hook}-${state}`;
    made.push({ path: `${name}.svg`, bytes: Buffer.from(svg) });
    if (sharp === null) continue;
    made.push({ path: `${name}.png`, bytes: await fromSvg(sharp, svg, 1) });
    made.push({ path: `${name}@2x.png`, bytes: await fromSvg(sharp, svg, 2) });
  }
  return made;
}

/** Those of the files that are not there yet, or are there otherwise. */
export function differing(
  root: string,
  files: readonly MadeFile[],
): { news: MadeFile[]; changed: string[]; same: number } {
  const isThere = (path: string): boolean => existsSync(join(root, path));
  const news = files.filter(
    ({ path, bytes }) => !isThere(path) || !readFileSync(join(root, path)).equals(bytes),
  );
  const changed = news.filter(({ path }) => isThere(path)).map(one => one.path);
  return { news, changed, same: files.length - news.length };
}

/** Writes files into a folder, and gives their paths as the user sees them. */
export function put(folder: string, parts: readonly MadeFile[]): string[] {
  writeParts(folder, parts);
  return parts.map(({ path }) => shownPath(resolve(folder, path)));
}
