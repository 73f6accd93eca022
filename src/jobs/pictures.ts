import { basename, resolve } from 'node:path';
import { type ListedMenu, pictureList } from '../core/look/picture-list.ts';
import { type Finding, finding, hasErrors, sortFindings } from '../core/text/finding.ts';
import { unknownMenu } from '../core/menu/unknown-menu.ts';
import { PictureFiles, put } from '../files/picture-files.ts';
import { openSharp } from '../files/rasters.ts';
import { openHere, partsOf, resolved } from '../opening/open.ts';
import { packedSite } from '../opening/pictured.ts';
import { planFile } from './given.ts';

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
  const here = openHere(planFile(options.plan));
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
  const lists = asked.packs.map(pack => pictureList(pack, asked.files, colorTools.contrast));
  const written = await write(options, asked);
  const findings = sortFindings([
    ...told,
    ...packed.findings,
    ...noStrip(options, asked, here.open.source.file),
  ]);
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
  return menu === undefined || names.includes(menu) ? [] : [unknownMenu(menu, names, place)];
}

/** Cells are asked for, and no pictures come from a strip. */
function noStrip({ cells }: PicturesOptions, { strips }: Packed, file: string): Finding[] {
  if (cells === undefined || strips.length > 0) return [];
  const remedy = 'A strip is one picture that holds all buttons:  kamino explain strip';
  return [finding('missing-key', { file }, 'no pictures of this plan come from a `strip`', remedy)];
}

async function write(
  { cells, sprite, resize }: PicturesOptions,
  { strips, packs, files }: Packed,
): Promise<string[]> {
  const sharp = await openSharp();
  if (sharp === null) return [];
  const made = new PictureFiles(sharp);
  return [
    ...(cells === undefined ? [] : put(resolve(cells, '..'), await made.cells(basename(cells), strips))),
    ...(sprite === undefined ? [] : put(resolve(sprite), made.sprites(packs, files))),
    ...(resize === undefined ? [] : put(resolve(resize), await made.resized(packs))),
  ];
}
