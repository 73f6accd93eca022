import {
  accessSync,
  constants,
  existsSync,
  mkdirSync,
  readFileSync,
  readdirSync,
  renameSync,
  rmSync,
} from 'node:fs';
import { dirname, join } from 'node:path';
import type { FileRecord, OutputRecord, SiteRecord } from './record.ts';
import type { SiteFile } from './walk.ts';
import { foreignIn } from './foreign.ts';
import { isSummed, sumOfCopy } from './checksum.ts';
import { FilesThere } from './there.ts';
import { ensureReal, lookAt, makePath, partOf, sweep } from './real.ts';
import { SecondWriter, worthSecond } from './second-writer.ts';
import type { Finished } from './pages.ts';
import type { PageNotes } from './stored.ts';
import { Writer, type Written } from './write.ts';

/**
 * The output folder: what Kamino wrote there, what has been edited since, and what changes now. A folder that does not
 * exist yet is made under another name and takes its place whole.
 */
export class Output {
  readonly folder: string;
  readonly created: string[] = [];
  readonly changed: string[] = [];
  readonly gone: string[] = [];
  /** Of those that were changed: nothing of the page itself is another. */
  readonly menusAlone: string[] = [];
  same = 0;
  readonly #name: string;
  readonly #record: SiteRecord;
  readonly #old: OutputRecord | null;
  readonly #there: FilesThere;
  readonly #isFresh: boolean;
  readonly #isDry: boolean;
  /** Where the files go until all are there: the folder itself, where there is one. */
  readonly #place: string;
  readonly #writer: Writer;
  #second: SecondWriter | null = null;
  readonly #next = new Map<string, FileRecord>();
  readonly #notes = new Map<string, PageNotes>();

  /** @param name the folder as the plan gives it */
  constructor(folder: string, name: string, record: SiteRecord, isDry: boolean) {
    this.folder = folder;
    this.#name = name;
    this.#record = record;
    this.#old = record.output(name);
    this.#there = new FilesThere(folder, this.#old?.files ?? new Map<string, FileRecord>());
    this.#isFresh = lookAt(folder) === null;
    this.#isDry = isDry;
    this.#place = this.#isFresh ? partOf(folder) : folder;
    this.#writer = new Writer(this.#place, { isFresh: this.#isFresh, sweeps: !this.#isFresh });
  }

  /** Whether this file's source is the one it was made from, and the finished file the one that was made. */
  isUnchanged({ path, size, time }: SiteFile): boolean {
    const old = this.#old?.files.get(path);
    return old?.sourceSize === size && old.sourceTime === time && this.#there.wasUntouched(path);
  }

  /** Whether a build may be skipped for this file: nothing it depends on has changed. */
  hasBasis(basis: string): boolean {
    return this.#old?.basis === basis;
  }

  /**
   * Whether somebody else's content is in the way.
   * @param isOurs what tells of a file whose date has changed since Kamino wrote it that nobody has edited it
   */
  isEdited(path: string, isOurs: (there: Uint8Array, old: FileRecord | null) => boolean): boolean {
    if (this.#isFresh || this.#there.wasUntouched(path)) return false;
    const there = this.#there.read(path);
    return there !== null && !isOurs(there, this.#old?.files.get(path) ?? null);
  }

  /** Paths that Kamino wrote and nobody needs any more. */
  left(paths: ReadonlySet<string>): string[] {
    return this.#there.left(paths);
  }

  /** The file stays as it is. */
  keep(source: SiteFile): void {
    const old = this.#old?.files.get(source.path);
    if (old) this.#next.set(source.path, old);
    this.note(source.path, this.notesOf(source.path));
    this.same += 1;
  }

  /** What was told of a page when it was made. */
  notesOf(path: string): PageNotes | null {
    return this.#old?.notes.get(path) ?? null;
  }

  /** What is told of a page now, for when it need not be made again. */
  note(path: string, notes: PageNotes | null): void {
    if (notes) this.#notes.set(path, notes);
  }

  /** The file could not be written: it is known as it was, and made anew the next time. */
  refuse(path: string): void {
    // It may have been in another thread's hands.
    const at = this.#next.delete(path) ? this.created.lastIndexOf(path) : -1;
    if (at >= 0) this.created.splice(at, 1);
    const old = this.#old?.files.get(path);
    if (old) this.#next.set(path, { ...old, sourceSize: 0, sourceTime: 0 });
  }

  /**
   * @param source null for a file of Kamino's own
   * @param checksum of what Kamino put into it
   * @param isSame whether the finished file that is there has the same page in it
   */
  put(
    path: string,
    source: SiteFile | null,
    { bytes, checksum }: Finished,
    isSame: (there: Uint8Array) => boolean = () => false,
  ): void {
    if (this.#handOver(path, source, { bytes, checksum })) return;
    const there = this.#isFresh ? null : this.#there.read(path);
    const isEqual = there?.equals(bytes) === true;
    if (there && !isEqual && isSame(there)) this.menusAlone.push(path);
    this.#settle(path, isEqual ? null : () => this.#writer.write(path, bytes), { source, checksum });
  }

  copy(source: SiteFile, from: string): void {
    const there = this.#isFresh ? null : this.#there.read(source.path);
    const bytes = there !== null || isSummed(source.size) ? readFileSync(from) : null;
    const isEqual = bytes !== null && there?.equals(bytes) === true;
    this.#settle(source.path, isEqual ? null : () => this.#writer.copy(from, source.path), {
      source,
      checksum: bytes && sumOfCopy(bytes),
    });
  }

  /** Moves a file that the site no longer has out of the way; gives its new place. What nobody is to touch stays. */
  putAside(path: string): { place: string | null } | 'edited' {
    ensureReal(this.folder, path);
    if (!this.#there.isUntouched(path) && !this.#there.isAsMade(path)) {
      this.#next.set(path, this.#old!.files.get(path)!);
      return 'edited';
    }
    this.gone.push(path);
    return { place: this.#isDry ? null : this.#record.putAside(join(this.folder, path), path) };
  }

  /** Takes away what Kamino made and makes anew under another name; false where somebody has changed it. */
  discard(path: string): boolean {
    ensureReal(this.folder, path);
    if (!this.#there.isUntouched(path)) return false;
    if (!this.#isDry) rmSync(join(this.folder, path));
    return true;
  }

  /** Files that are neither of this site nor made by Kamino, in a folder that Kamino did not make; a few of them. */
  foreign(ours: ReadonlySet<string>): string[] {
    ensureReal(this.folder, '');
    if (this.#isFresh) return [];
    // What is no folder is told by its own name, and not by that of a file that should be in it.
    readdirSync(this.folder);
    return this.#there.isAny ? [] : foreignIn(this.folder, ours);
  }

  /**
   * Before the first file is written.
   * @param size of all pages together, in bytes; @param threads asked for
   * @throws {LinkInWay}
   */
  begin(size: number, threads: number | undefined): void {
    ensureReal(this.folder, '');
    if (!this.#isFresh) {
      // One that takes nothing is told once, before anything is written.
      readdirSync(this.folder);
      if (!this.#isDry) accessSync(this.folder, constants.W_OK);
      return;
    }
    if (this.#isDry) return;
    makePath(dirname(this.folder));
    sweep(dirname(this.folder));
    mkdirSync(this.#place);
    if (size >= worthSecond) this.#second = SecondWriter.of(this.#place, threads);
  }

  /** What another thread was given is written when this returns. @param attempt tries again what it could not write */
  settle(attempt: (path: string, write: () => void) => void): void {
    for (const { path, bytes } of this.#second?.end() ?? [])
      attempt(path, () => {
        const { time } = this.#writer.write(path, bytes);
        this.#next.get(path)!.time = time;
      });
    this.#second = null;
  }

  /** After the last one. */
  finish(made: Pick<OutputRecord, 'basis' | 'glance' | 'others'>): void {
    if (this.#isDry) return;
    if (this.#isFresh) renameSync(this.#place, this.folder);
    this.#record.save(this.#name, { ...made, taken: null, files: this.#next, notes: this.#notes });
  }

  abandon(): void {
    if (!this.#isFresh || this.#isDry) return;
    this.created.length = 0;
    this.#second?.end();
    try {
      rmSync(this.#place, { recursive: true, force: true });
    } catch {
      // What stopped the run is told; what it could not make, it cannot take away.
    }
  }

  /** False where the file is to be written in this thread. */
  #handOver(path: string, source: SiteFile | null, { bytes, checksum }: Finished): boolean {
    if (!this.#second) return false;
    const record = recordOf(source, checksum, { size: bytes.length, time: 0 });
    const isGiven = this.#second.write(path, bytes, record);
    if (isGiven) this.created.push(path);
    if (isGiven) this.#next.set(path, record);
    return isGiven;
  }

  /** @param write null where the file is as it should be already */
  #settle(
    path: string,
    write: (() => Written) | null,
    { source, checksum }: { source: SiteFile | null; checksum: number | null },
  ): void {
    const isThere = !this.#isFresh && existsSync(join(this.folder, path));
    const made = write !== null && !this.#isDry ? write() : this.#there.stat(path);
    if (write === null) this.same += 1;
    else (isThere ? this.changed : this.created).push(path);
    this.#next.set(path, recordOf(source, checksum, made));
  }
}

function recordOf(source: SiteFile | null, checksum: number | null, made: Written | null): FileRecord {
  const { size: sourceSize = 0, time: sourceTime = 0 } = source ?? {};
  return { sourceSize, sourceTime, size: made?.size ?? 0, time: made?.time ?? 0, checksum };
}
