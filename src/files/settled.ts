import { lstatSync } from 'node:fs';
import { isFolder } from './paths.ts';
import type { Row, StoredOutput } from './stored.ts';
import type { SiteFile } from './walk.ts';

/** What there is now. */
export interface There {
  /** The files of the site, in the order of their paths. */
  sources: readonly SiteFile[];
  /** Kamino's own files in the folder of the finished ones; null for a site that is built in place. */
  own: readonly string[] | null;
  folder: string;
}

/** What was there when it was built. */
type Built = Pick<StoredOutput, 'files' | 'others'>;

/**
 * Which sources have changed since the last build; null where more is another than that: one has come or gone, or a
 * finished file is not the one that was made.
 */
export function changedSince(
  { files, others = [] }: Built,
  { sources, own, folder }: There,
): SiteFile[] | null {
  const all = files.length + others.length;
  if (all !== sources.length + (own?.length ?? 0) || !isFolder(folder)) return null;
  const changed = changedOf({ files, others }, sources, new Set(own));
  // Where the pages themselves are changed there are no others.
  return changed && (own === null || files.every(row => isUntouched(row, folder))) ? changed : null;
}

function changedOf(
  { files, others }: Required<Built>,
  sources: readonly SiteFile[],
  own: ReadonlySet<string>,
): SiteFile[] | null {
  const changed: SiteFile[] = [];
  const beside = new Map(others.map(other => [other[0], other]));
  let at = 0;
  for (const source of sources) {
    while (own.has(files[at]?.[0] ?? '')) at += 1;
    const row = beside.get(source.path) ?? files[at++];
    if (row?.[0] !== source.path) return null;
    if (source.size !== row[1] || source.time !== row[2]) changed.push(source);
  }
  while (own.has(files[at]?.[0] ?? '')) at += 1;
  return at === files.length ? changed : null;
}

function isUntouched(row: Row, folder: string): boolean {
  const there = lstatSync(`${folder}/${row[0]}`, { throwIfNoEntry: false });
  return there?.size === row[3] && there.mtimeMs === row[4] && there.isFile();
}
