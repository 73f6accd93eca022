import { randomBytes } from 'node:crypto';
import {
  type Stats,
  closeSync,
  fsyncSync,
  lstatSync,
  mkdirSync,
  openSync,
  readdirSync,
  rmSync,
  statSync,
} from 'node:fs';
import { basename, dirname, join, sep } from 'node:path';

/** A link stands where something is to be written: nothing is written through it. */
export class LinkInWay extends Error {
  readonly path: string;

  constructor(path: string) {
    super(`a link stands in the way: ${path}`);
    this.path = path;
  }
}

/** What there is of this name itself, be it a link; null for nothing. */
export function lookAt(path: string): Stats | null {
  try {
    return lstatSync(path, { throwIfNoEntry: false }) ?? null;
  } catch (error) {
    if ((error as NodeJS.ErrnoException).code === 'ENOTDIR') return null;
    throw error;
  }
}

/** Puts the names in a folder onto the disk: those of new files, and of files that took another's place. */
export function syncFolder(folder: string): void {
  let handle: number;
  try {
    handle = openSync(folder, 'r');
  } catch {
    // Some systems do not open folders, and keep their names by themselves.
    return;
  }
  try {
    fsyncSync(handle);
  } catch {
    // The same.
  } finally {
    closeSync(handle);
  }
}

/** Makes sure of a folder below another one, step by step; it is on the disk when this returns. @throws {LinkInWay} */
export function makeFolder(root: string, folder: string, isSafe = true): void {
  let at = root;
  for (const name of folder.split('/').filter(Boolean)) {
    at = `${at}/${name}`;
    const there = lookAt(at);
    if (there?.isSymbolicLink()) throw new LinkInWay(at);
    if (there?.isDirectory()) continue;
    makeOne(at);
    if (isSafe) syncFolder(dirname(at));
  }
}

/** Makes sure of a folder, wherever it lies; `mkdir` of Node does not end where a system makes none, as below `/proc`. */
export function makePath(folder: string): void {
  if (statSync(folder, { throwIfNoEntry: false })?.isDirectory()) return;
  if (dirname(folder) !== folder) makePath(dirname(folder));
  makeOne(folder);
}

/** Another run may make it at the same time. */
function makeOne(folder: string): void {
  try {
    mkdirSync(folder);
  } catch (error) {
    if (lookAt(folder)?.isDirectory() !== true) throw error;
  }
}

/** Makes sure that what is written below a folder stays in it: that no link leads from it elsewhere. @throws {LinkInWay} */
export function ensureReal(root: string, path: string): void {
  let at = root;
  for (const name of ['', ...path.split('/').filter(Boolean)]) {
    at = name === '' ? at : `${at}/${name}`;
    const there = lookAt(at);
    if (!there) return;
    if (there.isSymbolicLink()) throw new LinkInWay(at);
  }
}

const partName = /^\.kamino-[0-9a-f]{16}\.part$/;

let [pool, used] = [Buffer.alloc(0), 0];

/** Random bytes, many of them made at once. */
function someBytes(count: number): Buffer {
  if (used + count > pool.length) [pool, used] = [randomBytes(4096), 0];
  used += count;
  return pool.subarray(used - count, used);
}

/** A name beside a file or folder under which it is made before it takes its place; nobody can know it. */
export function partOf(target: string): string {
  const name = `.kamino-${someBytes(8).toString('hex')}.part`;
  const at = Math.max(target.lastIndexOf('/'), target.lastIndexOf(sep));
  return at < 0 ? name : target.slice(0, at + 1) + name;
}

/** What a path names, or the folder of the unfinished thing that it names: nobody knows such a thing by its name. */
export function namedBy(path: string): string {
  const names = path.split(sep);
  const at = names.findIndex(name => partName.test(name));
  return at < 0 ? path : names.slice(0, at).join(sep) || sep;
}

/** Takes away what ended runs have left in a folder. */
export function sweep(folder: string): void {
  for (const name of readdirSync(folder))
    if (partName.test(basename(name))) rmSync(join(folder, name), { recursive: true, force: true });
}

/** Nobody may write it, not even its owner. */
export function isReadOnly(there: Stats | null): boolean {
  return there !== null && (there.mode & 0o222) === 0;
}
