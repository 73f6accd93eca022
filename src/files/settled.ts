import { lstatSync } from 'node:fs';
import { isFolder } from './paths.ts';
import type { Row } from './stored.ts';
import type { SiteFile } from './walk.ts';

/** A file of the site, and Kamino's own files in the folder of the finished ones. */
interface There {
  sources: readonly SiteFile[];
  own: readonly string[];
  folder: string;
}

/**
 * Which sources have changed since the last build; null where more is another than that: one has come or gone, or a
 * finished file is not the one that was made.
 * @param rows what is known of the finished files, in the order of their paths; @param sources in the same order
 */
export function changedSince(rows: readonly Row[], { sources, own, folder }: There): SiteFile[] | null {
  if (rows.length !== sources.length + own.length || !isFolder(folder)) return null;
  const changed = changedOf(rows, sources, new Set(own));
  return changed && rows.every(row => isUntouched(row, folder)) ? changed : null;
}

function changedOf(
  rows: readonly Row[],
  sources: readonly SiteFile[],
  own: ReadonlySet<string>,
): SiteFile[] | null {
  const changed: SiteFile[] = [];
  let at = 0;
  for (const row of rows) {
    if (own.has(row[0])) continue;
    const source = sources[at++];
    if (source?.path !== row[0]) return null;
    if (source.size !== row[1] || source.time !== row[2]) changed.push(source);
  }
  return at === sources.length ? changed : null;
}

function isUntouched(row: Row, folder: string): boolean {
  const there = lstatSync(`${folder}/${row[0]}`, { throwIfNoEntry: false });
  return there?.size === row[3] && there.mtimeMs === row[4] && there.isFile();
}
