import { createHash } from 'node:crypto';
import { existsSync, readFileSync, readdirSync, rmSync, rmdirSync, utimesSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { type Difference, type Earlier, type Sums, readSums } from '../core/pack/list.ts';
import type { Finding } from '../core/text/finding.ts';
import { badList } from './pack-errors.ts';
import { sumsBeside } from './pack-places.ts';
import { isThere } from './paths.ts';
import { ensureReal, lookAt } from './real.ts';
import { Writer, type Written } from './write.ts';
import { type Packed, writeZip } from './zip.ts';

export const sumOf = (bytes: Uint8Array): string => createHash('sha256').update(bytes).digest('hex');

/** What one file is, as its list says it. */
export const packedSum = ({ from }: Packed): string =>
  sumOf(typeof from === 'string' ? readFileSync(from) : from);

/** The sums of those files of a folder that are there. @throws {LinkInWay} */
export function sumsIn(folder: string, paths: Iterable<string>): Sums {
  const found = new Map<string, string>();
  for (const path of paths) {
    const file = join(folder, path);
    if (existsSync(folder)) ensureReal(folder, path);
    if (lookAt(file)?.isFile()) found.set(path, sumOf(readFileSync(file)));
  }
  return found;
}

/** Writes files into a folder, each whole; those that are as they should be are not touched, nor are their dates. */
export function writeFiles(folder: string, files: readonly Packed[]): void {
  const writer = new Writer(folder, { isSafe: true, sweeps: true });
  for (const { path, from } of files) {
    const before = lookAt(join(folder, path));
    const written = typeof from === 'string' ? writer.copy(from, path) : writer.write(path, from);
    if (before) dateApart(join(folder, path), before, written);
  }
  writer.settle();
}

/** What moves files by their size and date often reads dates in whole seconds: what was written within one is dated a second on. */
function dateApart(file: string, before: { size: number; mtimeMs: number }, { size, time }: Written): void {
  const second = Math.floor(before.mtimeMs / 1000);
  if (size === before.size && Math.floor(time / 1000) === second) utimesSync(file, second + 1, second + 1);
}

/** Takes files out of a folder, and the folders that are empty then. @throws {LinkInWay} */
export function deleteFiles(folder: string, paths: readonly string[]): void {
  for (const path of paths) {
    ensureReal(folder, path);
    rmSync(join(folder, path), { force: true });
    for (let above = dirname(path); above !== '.'; above = dirname(above)) {
      if (readdirSync(join(folder, above)).length > 0) break;
      rmdirSync(join(folder, above));
    }
  }
}

/**
 * What was packed before, as its list says; in a folder what is there counts, unless a list is named.
 * @param since a list that was named; null for the one beside the target
 * @returns the finding that says why, where it is no list
 */
export function earlierSums(target: string, now: Sums, since: string | null): Earlier | Finding {
  const file = since ?? sumsBeside(target);
  if (since !== null && !isThere(file)) return badList(file, null);
  const known = isThere(file) ? readSums(readFileSync(file, 'utf8')) : new Map<string, string>();
  if (!('size' in known)) return badList(file, known.line);
  const there = isArchive(target) ? known : sumsIn(target, new Set([...now.keys(), ...known.keys()]));
  return { known, there, told: since === null ? there : known };
}

/** Whether a site is packed into one file, and not into a folder. */
export const isArchive = (target: string): boolean => target.toLowerCase().endsWith('.zip');

/** Writes an archive, or what is new or another in a folder. */
export async function writePacked(
  target: string,
  files: readonly Packed[],
  { created, changed }: Pick<Difference, 'created' | 'changed'>,
): Promise<void> {
  if (isArchive(target)) return writeZip(target, files);
  const wanted = new Set([...created, ...changed]);
  writeFiles(
    target,
    files.filter(one => wanted.has(one.path)),
  );
}
