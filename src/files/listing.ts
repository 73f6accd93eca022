import { readFileSync } from 'node:fs';
import { dirname, join, relative, resolve, sep } from 'node:path';
import { isOwnSheet } from '../core/markup/own.ts';
import { inPlace, ownSheets } from './own-names.ts';
import type { ReadRecord } from './reading.ts';
import { type SiteFile, type Walk, walkFolder } from './walk.ts';

/** Where a site lies, and what of its folder is none of it. */
export interface SitePlace {
  root: string;
  /** The plan's file, whether it is there or not. */
  plan: string;
  /** What Kamino wrote, by the names that the plan gave its folders. */
  record: Pick<ReadRecord, 'folders' | 'sheets'>;
  /** The output folder, as the plan has it; `built` where there is none. */
  output?: string;
}

/**
 * The files that belong to a site: what lies below its folder, but for the plan and others beside it, the folders and
 * sheets that Kamino wrote, and what is left out.
 * @param isLeft whether the plan leaves a path out
 */
export function listBy(place: SitePlace, isLeft: (path: string) => boolean): Walk {
  const { files, ...walk } = walkFolder(place.root, leftBy(place, isLeft));
  const { sheets } = place.record;
  const mayBeOwn = sheets.size > 0 ? /./ : /\.(?:ya?ml|sums)$/i;
  const isOwn = ({ path, size }: SiteFile): boolean => {
    if (!mayBeOwn.test(path) && !ownSheets.includes(path)) return false;
    const file = join(place.root, path);
    if (ownSheets.includes(path) || (sheets.has(file) && /\.html?$/i.test(path)))
      return starts(file, isOwnSheet);
    if (sheets.get(file) === size) return true;
    return (
      (/\.ya?ml$/i.test(path) && starts(file, isPlan)) || (/\.sums$/i.test(path) && starts(file, isSums))
    );
  };
  return { ...walk, files: files.filter(file => !isOwn(file)) };
}

/** A text that begins as plans do, after comments. */
const isPlan = (text: string): boolean =>
  /^(?:\ufeff|\u00ef\u00bb\u00bf)?(?:[ \t]*(?:#[^\n]*|---)?\r?\n)*kamino[ \t]*:/.test(text);

/** A list of what was packed, under whatever name it is kept. */
const isSums = (text: string): boolean => /^\\?[0-9a-f]{64} {2}\S/.test(text);

function starts(file: string, is: (text: string) => boolean): boolean {
  try {
    return is(readFileSync(file, 'latin1'));
  } catch {
    return false;
  }
}

/** Folders that Kamino writes, or wrote, but for the site's own folder. */
export function outputsOf({ root, plan, record, output = 'built' }: SitePlace): string[] {
  return [output, ...record.folders]
    .filter(name => name !== inPlace)
    .map(name => resolve(dirname(plan), name))
    .filter(folder => folder !== root);
}

/** Which paths below the folder are no part of the site; folders end with `/`. */
function leftBy(place: SitePlace, isLeft: (path: string) => boolean): (path: string) => boolean {
  const { root, plan } = place;
  const inSite = (path: string): string => relative(root, path).split(sep).join('/');
  const outputs = outputsOf(place).map(inSite);
  const own = new Set([...outputs, ...outputs.map(folder => `${folder}/`), inSite(plan)]);
  return path => own.has(path) || isLeft(path.endsWith('/') ? path.slice(0, -1) : path);
}
