import { readFileSync, readdirSync, statSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { type Stored, type StoredOutput, readStored } from './stored.ts';
import { stampOf } from './stamp.ts';
import type { SiteFile, Walk } from './walk.ts';

/** A record as it was read, with what tells whether it is still that one. */
export interface Reading {
  /** Null for a record that is damaged, or not there. */
  stored: Stored | null;
  text: string;
  stamp: string;
}

/** Stands for what a site is listed by: a plan’s checksum, and what a record says that it says. */
export const listedBy = (plan: string, root: string, output: string, leaveOut: readonly string[]): string =>
  JSON.stringify([plan, root, output, leaveOut]);

/** What was seen of a site before its build began, which need not be looked at again. */
export interface Seen {
  reading: Reading;
  /** The files of the site, and what stands for that by which they were listed (`listedBy`); null where they were not. */
  site: { by: string; listed: Walk } | null;
  /** The sources that have changed, where nothing else has, with the name of their output; null where more has. */
  few: { output: string; changed: readonly SiteFile[] } | null;
}

/** Beside a plan. */
export const recordFolder = '.kamino';
export const recordFile = 'record.json';

/** A plan and its site as the last build understood them. */
export const resolvedFile = 'resolved';

/** What a record tells without being written to. */
export class ReadRecord {
  readonly reading: Reading;
  protected readonly folder: string;
  protected readonly stored: Stored;

  /** It is there, and cannot be used: it counts as none. */
  protected readonly isDamaged: boolean;

  /**
   * @param seen as it was read a moment ago; that holds where nobody has written it since
   * @param isRight whether a record of the right form can be used
   */
  constructor(
    planFolder: string,
    seen: Reading | null = null,
    isRight: (stored: Stored) => boolean = () => true,
  ) {
    this.folder = join(planFolder, recordFolder);
    this.reading = seen && isStill(seen, this.folder) ? seen : readRecord(this.folder);
    const { stored, text } = this.reading;
    const right = stored && isRight(stored) ? stored : null;
    this.isDamaged = right === null && text !== '';
    this.stored = right ?? { kamino: 1, outputs: {} };
  }

  /** The folders that Kamino wrote, by the names that the plan gave them. */
  get folders(): string[] {
    return [...Object.keys(this.stored.outputs), ...(this.stored.packs ?? [])];
  }

  /** Sheets and pictures that were written, as whole paths, with their size. */
  get sheets(): ReadonlyMap<string, number> {
    const folder = dirname(this.folder);
    return new Map((this.stored.sheets ?? []).map(([path, size]) => [join(folder, path), size]));
  }

  /** How many pieces there are that were taken out of pages. */
  get takenCount(): number {
    return takenIn(this.folder);
  }

  /** What was written into a folder. */
  found(name: string): StoredOutput | null {
    return (Object.hasOwn(this.stored.outputs, name) && this.stored.outputs[name]) || null;
  }
}

/** How many pieces taken out of pages there are in the folder of a record. */
function takenIn(folder: string): number {
  try {
    return readdirSync(join(folder, 'taken')).length;
  } catch {
    return 0;
  }
}

function readRecord(folder: string): Reading {
  const stamp = stampIn(folder);
  const text = readText(join(folder, recordFile));
  return { stored: readStored(text), text, stamp };
}

/** Whether nobody has written the record since. */
const isStill = (reading: Reading, folder: string): boolean => stampIn(folder) === reading.stamp;

const stampIn = (folder: string): string =>
  stampOf(statSync(join(folder, recordFile), { throwIfNoEntry: false }));

function readText(file: string): string {
  try {
    return readFileSync(file, 'utf8');
  } catch {
    return '';
  }
}
