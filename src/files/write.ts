import {
  type Stats,
  closeSync,
  constants,
  copyFileSync,
  fchmodSync,
  fchownSync,
  fstatSync,
  fsyncSync,
  openSync,
  renameSync,
  rmSync,
  statSync,
  writeSync,
} from 'node:fs';
import { basename, dirname } from 'node:path';
import { LinkInWay, lookAt, makeFolder, makePath, partOf, sweep, syncFolder } from './real.ts';

/** What the file system says of a written file. */
export interface Written {
  size: number;
  time: number;
}

/** Somebody has written the file since it was read. */
export class ChangedMeanwhile extends Error {}

export interface WriterOptions {
  /** The folder is not in use yet: no file in it needs a name of its own while it is written. */
  isFresh?: boolean;
  /** A file is on the disk, and not only handed over, before it takes its place. */
  isSafe?: boolean;
  /** What ended runs have left is taken away; only where nobody else can be writing. */
  sweeps?: boolean;
}

/** What is known of a file that is to be written. */
export interface KnownFile {
  /** What is in its place, as it was seen; null for nothing. It is looked for where this is left out. */
  there?: Stats | null;
  /** Asked last of all, before the file takes its place. */
  hasChanged?: () => boolean;
}

/** Writes into one folder, each file whole or not at all, and never through a link. */
export class Writer {
  readonly #root: string;
  readonly #isFresh: boolean;
  readonly #isSafe: boolean;
  readonly #sweeps: boolean;
  readonly #folders = new Set<string>();

  constructor(root: string, { isFresh = false, isSafe = false, sweeps = false }: WriterOptions = {}) {
    this.#root = root;
    this.#isFresh = isFresh;
    this.#isSafe = isSafe;
    this.#sweeps = sweeps;
  }

  /**
   * A file that is there keeps its mode and, where that may be, its owner.
   * @throws {LinkInWay}
   * @throws {ChangedMeanwhile}
   */
  write(path: string, bytes: Uint8Array, known: KnownFile = {}): Written {
    return this.#put(path, known, (file, there) => {
      const handle = openSync(file, 'wx');
      try {
        for (let at = 0; at < bytes.length;) at += writeSync(handle, bytes, at);
        const made = fstatSync(handle);
        if (there?.isFile()) keepOwner(handle, made, there);
        if (this.#isSafe) fsyncSync(handle);
        if (known.hasChanged?.()) throw new ChangedMeanwhile();
        return { size: made.size, time: made.mtimeMs };
      } catch (error) {
        // Nothing stands there half written.
        if (this.#isFresh) rmSync(file, { force: true });
        throw error;
      } finally {
        closeSync(handle);
      }
    });
  }

  copy(from: string, path: string): Written {
    return this.#put(path, {}, file => {
      copyFileSync(from, file, constants.COPYFILE_EXCL);
      const { size, mtimeMs } = statSync(file);
      return { size, time: mtimeMs };
    });
  }

  /** After the last file: that they took their places is on the disk too. */
  settle(): void {
    for (const folder of this.#folders) syncFolder(folder === '' ? this.#root : `${this.#root}/${folder}`);
  }

  #put(path: string, known: KnownFile, make: (file: string, there: Stats | null) => Written): Written {
    const target = `${this.#root}/${path}`;
    this.#enter(path.slice(0, Math.max(0, path.lastIndexOf('/'))));
    if (this.#isFresh) return make(target, null);
    const { there = lookAt(target) } = known;
    if (there?.isSymbolicLink()) throw new LinkInWay(target);
    const part = partOf(target);
    try {
      const written = make(part, there);
      renameSync(part, target);
      return written;
    } catch (error) {
      rmSync(part, { force: true });
      throw named(error, part, target);
    }
  }

  #enter(folder: string): void {
    if (this.#folders.has(folder)) return;
    if (this.#folders.size === 0) makePath(this.#root);
    makeFolder(this.#root, folder, this.#isSafe);
    if (this.#sweeps) sweep(folder === '' ? this.#root : `${this.#root}/${folder}`);
    this.#folders.add(folder);
  }
}

function keepOwner(handle: number, made: Stats, there: Stats): void {
  if (made.uid !== there.uid || made.gid !== there.gid) {
    try {
      fchownSync(handle, there.uid, there.gid);
    } catch {
      // Only who may give a file away can keep its owner.
    }
  }
  if ((made.mode & 0o7777) !== (there.mode & 0o7777)) fchmodSync(handle, there.mode & 0o7777);
}

/** An error in the file that was to be written, not in the one that would have become it. */
function named(error: unknown, part: string, target: string): unknown {
  if (!(error instanceof Error) || !('syscall' in error)) return error;
  const { path = part } = error as NodeJS.ErrnoException;
  return path === part ? Object.assign(error, { path: target }) : error;
}

/** Writes one file whole or not at all; it is on the disk when this returns. @throws {LinkInWay} */
export function writeWhole(file: string, bytes: Uint8Array): void {
  const writer = new Writer(dirname(file), { isSafe: true });
  writer.write(basename(file), bytes);
  writer.settle();
}

/** Writes files into a folder, each whole, and never through a link. */
export function writeParts(root: string, files: readonly { path: string; bytes: Uint8Array }[]): void {
  if (files.length === 0) return;
  const writer = new Writer(root);
  for (const { path, bytes } of files) writer.write(path, bytes);
  writer.settle();
}
