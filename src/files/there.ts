import { existsSync, lstatSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { isAsMade } from './checksum.ts';
import type { FileRecord } from './record.ts';
import type { Written } from './write.ts';

/** The finished files that are there, beside what is known of those that Kamino made. */
export class FilesThere {
  readonly #folder: string;
  readonly #known: ReadonlyMap<string, FileRecord>;
  readonly #untouched = new Map<string, boolean>();

  constructor(folder: string, known: ReadonlyMap<string, FileRecord>) {
    this.#folder = folder;
    this.#known = known;
  }

  /** What is still there beside these paths, whatever has become of it. */
  left(paths: ReadonlySet<string>): string[] {
    return [...this.#known.keys()].filter(path => !paths.has(path) && existsSync(join(this.#folder, path)));
  }

  /** Whether there is any of it. */
  get isAny(): boolean {
    return [...this.#known.keys()].some(path => this.stat(path));
  }

  /** Whether a finished file was the one that was made when this was first asked. */
  wasUntouched(path: string): boolean {
    const known = this.#untouched.get(path) ?? this.isUntouched(path);
    this.#untouched.set(path, known);
    return known;
  }

  /** Whether a finished file is the one that was made, by size and time. */
  isUntouched(path: string): boolean {
    const known = this.#known.get(path);
    const there = known && this.stat(path);
    return !!there && there.size === known.size && there.time === known.time;
  }

  /** The same by its content, whatever its date. */
  isAsMade(path: string): boolean {
    const known = this.#known.get(path);
    const there = known && known.checksum !== null ? this.read(path) : null;
    return there?.length === known?.size && there !== null && isAsMade(there, known!.checksum!);
  }

  stat(path: string): Written | null {
    const found = lstatSync(`${this.#folder}/${path}`, { throwIfNoEntry: false });
    return found?.isFile() ? { size: found.size, time: found.mtimeMs } : null;
  }

  read(path: string): Buffer | null {
    try {
      return readFileSync(join(this.#folder, path));
    } catch (error) {
      if (['ENOENT', 'ENOTDIR'].includes((error as NodeJS.ErrnoException).code ?? '')) return null;
      throw error;
    }
  }
}
