import { existsSync, readFileSync } from 'node:fs';
import { readSums, writtenSums } from '../core/pack/list.ts';
import { foreignIn } from './foreign.ts';
import { deleteFiles, packedSum, sumsIn, writeFiles } from './packing.ts';
import { isFolder } from './paths.ts';
import { sumsBeside } from './pack-places.ts';
import { writeWhole } from './write.ts';
import type { Packed } from './zip.ts';

/**
 * Writes a folder of Kamino's own making: what differs is written, what it wrote earlier and nobody needs goes.
 * @returns files in it that are somebody else's, for whose sake nothing was written
 * @throws {LinkInWay}
 */
export function replaceFolder(folder: string, files: readonly Packed[]): string[] {
  const list = sumsBeside(folder);
  const read = existsSync(list) ? readSums(readFileSync(list, 'utf8')) : null;
  const earlier = read !== null && 'size' in read ? read : new Map<string, string>();
  const now = new Map(files.map(one => [one.path, packedSum(one)]));
  const there = sumsIn(folder, new Set([...now.keys(), ...earlier.keys()]));
  const foreign = isFolder(folder) ? foreignIn(folder, new Set([...now.keys(), ...earlier.keys()])) : [];
  if (foreign.length > 0) return foreign;
  writeFiles(
    folder,
    files.filter(({ path }) => there.get(path) !== now.get(path)),
  );
  const isLeft = (path: string): boolean => !now.has(path) && there.get(path) === earlier.get(path);
  deleteFiles(
    folder,
    [...earlier.keys()].filter(path => there.has(path) && isLeft(path)),
  );
  writeWhole(list, Buffer.from(writtenSums(now)));
  return [];
}
