import { existsSync, readFileSync, renameSync } from 'node:fs';
import { basename, dirname, join, relative, sep } from 'node:path';
import { crc32 } from 'node:zlib';
import type { Raw } from '../core/text/bytes.ts';
import { type Finding, finding } from '../core/text/finding.ts';
import { shownPath } from './paths.ts';
import { isFileError } from './errors.ts';
import { lookAt, makeFolder } from './real.ts';
import { type Reading, ReadRecord, recordFile, resolvedFile } from './reading.ts';
import { type Glance, type Other, type PageNotes, type Row, isInside, isWhole } from './stored.ts';
import { TakenOut } from './taken.ts';
import { Writer, writeWhole } from './write.ts';

/** What Kamino wrote into one folder, and from what. */
export interface OutputRecord {
  /** Stands for the plan, Kamino's version, and all else that a finished file depends on beside its source. */
  basis: string;
  /** Null where the last build had something to tell. */
  glance: Glance | null;
  files: Map<string, FileRecord>;
  /** Files of the site of which there are no rows. */
  others: readonly Other[];
  /** How many pieces taken out of pages are kept, where they are nowhere else; null where the sources have them. */
  taken: number | null;
  /** What was told of pages, for those that need not be made again. */
  notes: ReadonlyMap<string, PageNotes>;
}

export type { Glance } from './stored.ts';

/** What of an output is another after a build of few files. */
export interface FewRows {
  rows: ReadonlyMap<string, Row>;
  glance: Glance | null;
  notes: [path: string, notes: PageNotes][];
}

export interface FileRecord {
  /** The source, by size and time; zero for a file that Kamino made itself. */
  sourceSize: number;
  sourceTime: number;
  /** The finished file, by size and time, and the CRC-32 of what Kamino put into it; of a copy that of the whole, null for a large one. */
  size: number;
  time: number;
  checksum: number | null;
}

/** The record beside a plan, in `.kamino/`. It is no part of the site or the output. */
export class SiteRecord extends ReadRecord {
  /** The record as it is on the disk. */
  #text: string;
  /** Read only: nothing is written, kept or moved. */
  #isDry = true;
  readonly #taken: TakenOut;

  /** @param seen as it was read a moment ago; @param isRight whether one can be used */
  constructor(planFolder: string, seen: Reading | null = null, isRight = isWhole) {
    super(planFolder, seen, isRight);
    this.#text = this.reading.text;
    this.#taken = new TakenOut(this.folder);
  }

  /** From now on it is written to; until then it is only read. */
  toWrite(): this {
    this.#isDry = false;
    return this;
  }

  /** A record that cannot be trusted counts as none: contents are compared then. */
  get findings(): Finding[] {
    return this.isDamaged ? [damaged(shownPath(join(this.folder, recordFile)))] : [];
  }

  output(name: string): OutputRecord | null {
    const stored = this.found(name);
    if (!stored) return null;
    const files = new Map<string, FileRecord>();
    // Rows are not taken apart as lists: of ten thousand files that takes five times as long.
    for (const row of stored.files)
      files.set(row[0], {
        sourceSize: row[1],
        sourceTime: row[2],
        size: row[3],
        time: row[4],
        checksum: row[5],
      });
    const { basis, glance, others = [], taken = null, notes } = stored;
    return { basis, glance, files, others, taken, notes: new Map(notes) };
  }

  save(name: string, record: OutputRecord): void {
    const files: Row[] = [];
    record.files.forEach((one, path) => {
      files.push([path, one.sourceSize, one.sourceTime, one.size, one.time, one.checksum]);
    });
    files.sort((one, other) => (one[0] < other[0] ? -1 : 1));
    const notes = [...record.notes];
    const { basis, glance, taken } = record;
    const others = [...record.others];
    this.stored.outputs[name] = {
      basis,
      glance,
      files,
      ...(others.length > 0 ? { others } : {}),
      ...(taken === null ? {} : { taken }),
      ...(notes.length > 0 ? { notes } : {}),
    };
    this.#write();
  }

  /** A few rows of an output are others now. */
  saveFew(name: string, { rows, glance, notes }: FewRows): void {
    const { notes: _, ...stored } = this.stored.outputs[name]!;
    this.stored.outputs[name] = {
      ...stored,
      glance,
      files: stored.files.map(row => rows.get(row[0]) ?? row),
      ...(stored.taken === undefined ? {} : { taken: this.takenCount }),
      ...(notes.length > 0 ? { notes } : {}),
    };
    this.#write();
  }

  /**
   * Keeps a plan and its site as they were understood.
   * @returns the checksum under which that is found; undefined where the next build has to do without
   */
  keepResolved(bytes: Uint8Array): number | undefined {
    if (this.#isDry) return undefined;
    const file = join(this.folder, resolvedFile);
    try {
      this.#enter('');
      const there = lookAt(file);
      const isThere = there?.size === bytes.length && there.isFile() && readFileSync(file).equals(bytes);
      if (!isThere) new Writer(this.folder).write(resolvedFile, bytes);
      return crc32(bytes);
    } catch (error) {
      if (!isFileError(error)) throw error;
      return undefined;
    }
  }

  /** A folder that a finished site was packed into is no part of it. */
  savePack(folder: string): void {
    const name = relative(dirname(this.folder), folder).split(sep).join('/');
    const packs = new Set([...(this.stored.packs ?? []), name]);
    if (!isInside(name) || packs.size === this.stored.packs?.length) return;
    this.stored.packs = [...packs].sort();
    this.#write();
  }

  /** Files below the plan's folder that are no part of the site. */
  saveSheets(files: readonly { file: string; size: number }[]): void {
    const rows = files.map(
      ({ file, size }) => [relative(dirname(this.folder), file).split(sep).join('/'), size] as const,
    );
    const own = new Map([
      ...(this.stored.sheets ?? []),
      ...rows.filter(([path]) => !/^(?:\.\.\/|\/|[a-z]:)/i.test(path)),
    ]);
    if (own.size === 0) return;
    this.stored.sheets = [...own].sort(([one], [other]) => (one < other ? -1 : 1));
    this.#write();
  }

  #write(): void {
    const text = JSON.stringify(this.stored);
    if (this.#isDry || text === this.#text) return;
    this.#enter('');
    if (this.isDamaged) renameSync(join(this.folder, recordFile), join(this.folder, 'record-damaged.json'));
    writeWhole(join(this.folder, recordFile), Buffer.from(text));
    this.#text = text;
  }

  /**
   * Keeps what was taken out of a page.
   * @param isSafe it is nowhere else, and has to be on the disk before the page is written: `settle` sees to that
   */
  keep(hash: string, raw: Raw, isSafe: boolean): void {
    if (!this.#isDry) this.#taken.keep(hash, raw, isSafe);
  }

  settle(): void {
    this.#taken.settle();
  }

  /** What was taken out under this name, or null. */
  taken(hash: string): Raw | null {
    return this.#taken.get(hash);
  }

  /** Keeps a source as it was before it was written over; what was kept of it earlier goes. @throws {LinkInWay} */
  keepSource(path: string, bytes: Uint8Array): void {
    if (this.#isDry) return;
    this.#enter(join('before', dirname(path)).split(sep).join('/'));
    writeWhole(join(this.folder, 'before', path), bytes);
  }

  /** @throws {LinkInWay} */
  #enter(folder: string): void {
    makeFolder(dirname(this.folder), join(basename(this.folder), folder));
  }

  /** Where files that the site no longer has are put. */
  get aside(): string {
    return join(this.folder, 'gone');
  }

  /** Moves a finished file of ours that the site no longer has out of the output; gives its new place. */
  putAside(file: string, path: string): string {
    const gone = join(this.folder, 'gone', path);
    let target = gone;
    for (let number = 2; existsSync(target); number += 1) target = `${gone}.${number}`;
    this.#enter(join('gone', dirname(path)));
    renameSync(file, target);
    return target;
  }
}

function damaged(file: string): Finding {
  return finding(
    'damaged-record',
    { file },
    'this record is damaged, and was not used: finished files are compared by their contents',
    'It is written anew by the next build; what it was is kept beside it as record-damaged.json.',
  );
}
