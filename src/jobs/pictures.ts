import { resolve } from 'node:path';
import { cellSheet } from '../core/draw/cells.ts';
import { spriteCss, spriteTable } from '../core/draw/sprite-css.ts';
import { type ListedMenu, pictureList } from '../core/look/picture-list.ts';
import { packNames } from '../core/look/menu-sprites.ts';
import { type Finding, finding, hasErrors, sortFindings } from '../core/text/finding.ts';
import { nearest } from '../core/text/nearest.ts';
import { dataAddress } from '../files/held.ts';
import { shownPath } from '../files/paths.ts';
import { asPng, fromSvg, openSharp } from '../files/rasters.ts';
import { writeParts, writeWhole } from '../files/write.ts';
import { openHere, partsOf, resolved } from './open.ts';
import { packedSite } from './pictured.ts';

export type { ListedMenu, ListedEntry, ListedPicture } from '../core/look/picture-list.ts';

export interface PicturesOptions {
  /** A plan, or the folder of one. */
  plan?: string;
  /** This menu only. */
  menu?: string;
  /** A file for the strip with its cells drawn in, by its ending PNG or SVG. */
  cells?: string;
  /** A folder for the packed pictures, with where each lies in them. */
  sprite?: string;
  /** A folder for the pictures in the size in which they are shown, twice as large where there is more. */
  resize?: string;
}

export interface PicturesResult {
  status: 0 | 1 | 2;
  findings: Finding[];
  menus: ListedMenu[];
  /** Files written, as the user sees them. */
  written: string[];
}

type Packed = Awaited<ReturnType<typeof packedSite>>;

/** The pictures of a plan: what was found for each entry, and what is made of it. */
export async function pictures(options: PicturesOptions = {}): Promise<PicturesResult> {
  const here = openHere(options.plan);
  if ('stop' in here) return failed(here.stop);
  const opened = resolved(here, await partsOf(here));
  const told = [...opened.findings, ...wrongMenu(options, opened)];
  if (hasErrors(told)) return failed(told);
  const packed = await packedSite(opened);
  const isAsked = (name: string): boolean => options.menu === undefined || options.menu === name;
  const asked = {
    ...packed,
    packs: packed.packs.filter(({ menu }) => isAsked(menu.name)),
    strips: packed.strips.filter(({ menu }) => isAsked(menu)),
  };
  const { colorTools } = await import('../core/look/color.ts');
  const lists = asked.packs.map(pack =>
    pictureList(pack, asked.files, { ground: null, contrast: colorTools.contrast }),
  );
  const written = await write(options, asked);
  const findings = sortFindings([...told, ...packed.findings]);
  return { status: hasErrors(findings) ? 1 : 0, findings, menus: lists, written };
}

function failed(findings: readonly Finding[]): PicturesResult {
  return { status: 2, findings: sortFindings(findings), menus: [], written: [] };
}

function wrongMenu({ menu }: PicturesOptions, { plan, open }: ReturnType<typeof resolved>): Finding[] {
  const names = plan.pictures.map(one => one.menu);
  const place = { file: open.source.file };
  if (names.length === 0)
    return [
      finding(
        'missing-key',
        place,
        'the plan has no `pictures`',
        'Draw them first:  kamino pictures   or write where yours are:  kamino explain pictures',
      ),
    ];
  if (menu === undefined || names.includes(menu)) return [];
  const near = nearest(menu, names);
  const remedy = near ? `Did you mean \`${near}\`?` : `Menus that have some: ${names.join(', ')}.`;
  return [finding('unknown-menu', place, `no menu called \`${menu}\` has pictures`, remedy)];
}

async function write(options: PicturesOptions, packed: Packed): Promise<string[]> {
  return [
    ...(options.cells === undefined ? [] : await writeCells(resolve(options.cells), packed)),
    ...(options.sprite === undefined ? [] : writeSprites(resolve(options.sprite), packed)),
    ...(options.resize === undefined ? [] : await writeResized(resolve(options.resize), packed)),
  ];
}

/** One file for each strip; a second one has the name of its menu too. */
async function writeCells(file: string, { strips }: Packed): Promise<string[]> {
  const sharp = (await openSharp())!;
  const written: string[] = [];
  for (const [at, { menu, strip }] of strips.entries()) {
    const own = at === 0 ? file : file.replace(/(\.[^./]*)?$/, ending => `-${menu}${ending}`);
    const svg = cellSheet(strip, dataAddress('strip.png', Buffer.from(await asPng(sharp, strip.raster))));
    writeWhole(own, /\.svg$/i.test(own) ? Buffer.from(svg) : await fromSvg(sharp, svg, 1));
    written.push(shownPath(own));
  }
  return written;
}

function writeSprites(folder: string, { packs, files }: Packed): string[] {
  const parts = packs.flatMap(pack => {
    const { name, file, dense, all } = packNames(pack, files);
    const table = spriteTable(pack, { file, dense });
    return [
      ...all,
      { path: `${name}.css`, bytes: Buffer.from(spriteCss(table)) },
      { path: `${name}.json`, bytes: Buffer.from(`${JSON.stringify(table, null, 2)}\n`) },
    ];
  });
  writeParts(folder, parts);
  return parts.map(({ path }) => shownPath(resolve(folder, path)));
}

async function writeResized(folder: string, { packs }: Packed): Promise<string[]> {
  const sharp = (await openSharp())!;
  const parts = new Map<string, Uint8Array>();
  for (const { buttons, menu } of packs)
    for (const { hook, states } of buttons)
      for (const [state, { file, one, two }] of Object.entries(states)) {
        const name = menu.pictures!.strip
          ? `${hook}-${state}.png`
          : file
              .split('/')
              .at(-1)!
              .replace(/\.[^.]*$/, '.png');
        parts.set(name, await asPng(sharp, one));
        if (two) parts.set(name.replace(/\.png$/, '@2x.png'), await asPng(sharp, two));
      }
  writeParts(
    folder,
    [...parts].map(([path, bytes]) => ({ path, bytes })),
  );
  return [...parts.keys()].map(path => shownPath(resolve(folder, path)));
}
