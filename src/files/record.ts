import { existsSync, mkdirSync, readFileSync, renameSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { writeWhole } from './write.ts';

/** What Kamino wrote into one folder, and from what. */
export interface OutputRecord {
  /** Stands for the plan, Kamino's version, and all else that a finished file depends on beside its source. */
  basis: string;
  files: Map<string, FileRecord>;
}

export interface FileRecord {
  /** The source, by size and time; zero for a file that Kamino made itself. */
  sourceSize: number;
  sourceTime: number;
  /** The finished file, by size and time, and its CRC-32 where it was computed. */
  size: number;
  time: number;
  checksum: number | null;
}

type Row = [path: string, sourceSize: number, sourceTime: number, size: number, time: number, checksum: number | null];

interface Stored {
  kamino: 1;
  outputs: Record<string, { basis: string; files: Row[] }>;
}

/** The record beside a plan, in `.kamino/`. It is no part of the site or the output. */
export class SiteRecord {
  readonly #folder: string;
  readonly #stored: Stored;

  constructor(planFolder: string) {
    this.#folder = join(planFolder, '.kamino');
    this.#stored = readStored(join(this.#folder, 'record.json'));
  }

  /** The folders that Kamino wrote, by the names that the plan gave them. */
  get folders(): string[] {
    return Object.keys(this.#stored.outputs);
  }

  output(name: string): OutputRecord | null {
    const stored = Object.hasOwn(this.#stored.outputs, name) ? this.#stored.outputs[name] : undefined;
    if (!stored) return null;
    const files = new Map<string, FileRecord>();
    for (const [path, sourceSize, sourceTime, size, time, checksum] of stored.files) {
      files.set(path, { sourceSize, sourceTime, size, time, checksum });
    }
    return { basis: stored.basis, files };
  }

  save(name: string, record: OutputRecord): void {
    const files = [...record.files]
      .map(([path, one]): Row => [path, one.sourceSize, one.sourceTime, one.size, one.time, one.checksum])
      .sort(([one], [other]) => (one < other ? -1 : 1));
    this.#stored.outputs[name] = { basis: record.basis, files };
    mkdirSync(this.#folder, { recursive: true });
    writeWhole(join(this.#folder, 'record.json'), Buffer.from(JSON.stringify(this.#stored)));
  }

  /** Moves a finished file of ours that the site no longer has out of the output; gives its new place. */
  putAside(file: string, path: string): string {
    const gone = join(this.#folder, 'gone', path);
    let target = gone;
    for (let number = 2; existsSync(target); number += 1) target = `${gone}.${number}`;
    mkdirSync(dirname(target), { recursive: true });
    renameSync(file, target);
    return target;
  }
}

/** A record that is lost or damaged counts as none: contents are compared then. */
function readStored(file: string): Stored {
  try {
    const stored = JSON.parse(readFileSync(file, 'utf8')) as Partial<Stored>;
    if (stored.kamino === 1 && typeof stored.outputs === 'object') return { kamino: 1, outputs: stored.outputs };
  } catch {
    // None yet.
  }
  return { kamino: 1, outputs: {} };
}
