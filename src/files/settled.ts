import { lstatSync } from 'node:fs';
import { isFolder } from './paths.ts';
import type { Row } from './stored.ts';
import type { SiteFile } from './walk.ts';

/**
 * Whether no source has changed since the last build, and no finished file.
 * @param rows what is known of the finished files, in the order of their paths; @param sources in the same order
 * @param own Kamino's own files in the folder
 */
export function isSettled(
  rows: readonly Row[],
  { sources, own, folder }: { sources: readonly SiteFile[]; own: readonly string[]; folder: string },
): boolean {
  if (rows.length !== sources.length + own.length || !isFolder(folder)) return false;
  return areSame(rows, sources, new Set(own)) && rows.every(row => isUntouched(row, folder));
}

function areSame(rows: readonly Row[], sources: readonly SiteFile[], own: ReadonlySet<string>): boolean {
  let at = 0;
  for (const row of rows) {
    if (own.has(row[0])) continue;
    const source = sources[at++];
    if (source?.path !== row[0] || source.size !== row[1] || source.time !== row[2]) return false;
  }
  return at === sources.length;
}

function isUntouched(row: Row, folder: string): boolean {
  const there = lstatSync(`${folder}/${row[0]}`, { throwIfNoEntry: false });
  return there?.size === row[3] && there.mtimeMs === row[4] && there.isFile();
}
