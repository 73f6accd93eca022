import {
  closeSync,
  copyFileSync,
  fstatSync,
  mkdirSync,
  openSync,
  renameSync,
  rmSync,
  statSync,
  writeSync,
} from 'node:fs';
import { basename, dirname, join } from 'node:path';

/** What the file system says of a written file. */
export interface Written {
  size: number;
  time: number;
}

/** Writes into one folder, each file whole or not at all. */
export class Writer {
  readonly #root: string;
  readonly #direct: boolean;
  readonly #folders = new Set<string>();

  /** @param direct the folder is not in use yet: no file in it needs a name of its own while it is written */
  constructor(root: string, direct: boolean) {
    this.#root = root;
    this.#direct = direct;
  }

  write(path: string, bytes: Uint8Array): Written {
    return this.#put(path, file => {
      const handle = openSync(file, 'w');
      try {
        for (let at = 0; at < bytes.length;) at += writeSync(handle, bytes, at);
        const { size, mtimeMs } = fstatSync(handle);
        return { size, time: mtimeMs };
      } finally {
        closeSync(handle);
      }
    });
  }

  copy(from: string, path: string): Written {
    return this.#put(path, file => {
      copyFileSync(from, file);
      const { size, mtimeMs } = statSync(file);
      return { size, time: mtimeMs };
    });
  }

  #put(path: string, make: (file: string) => Written): Written {
    const target = `${this.#root}/${path}`;
    const folder = target.slice(0, target.lastIndexOf('/'));
    if (!this.#folders.has(folder)) {
      mkdirSync(folder, { recursive: true });
      this.#folders.add(folder);
    }
    if (this.#direct) return make(target);
    const part = partOf(target);
    try {
      const written = make(part);
      renameSync(part, target);
      return written;
    } catch (error) {
      rmSync(part, { force: true });
      throw error;
    }
  }
}

/** The name under which a file or folder is made before it takes its place; it is no part of any site. */
export function partOf(target: string): string {
  return join(dirname(target), `.${basename(target)}.kamino-part`);
}

/** Writes one file whole or not at all. */
export function writeWhole(file: string, bytes: Uint8Array): void {
  new Writer(dirname(file), false).write(basename(file), bytes);
}
