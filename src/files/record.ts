import { existsSync, mkdirSync, readFileSync, renameSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { type Raw, bytesOf, rawOf } from '../core/text/bytes.ts';
import { writeWhole } from './write.ts';

/** What Kamino wrote into one folder, and from what. */
export interface OutputRecord {
  /** Stands for the plan, Kamino's version, and all else that a finished file depends on beside its source. */
  basis: string;
  /** Null where the last build had something to tell. */
  glance: Glance | null;
  files: Map<string, FileRecord>;
}

/** What tells whether a plan must be looked at again, and what a build says when it need not. */
export interface Glance {
  /** Stands for the plan's text and the version of the program. */
  plan: string;
  site: string;
  leaveOut: string[];
  /** Paths of Kamino's own files in the output. */
  own: string[];
  menus: { name: string; pages: number }[];
  pages: number;
}

export interface FileRecord {
  /** The source, by size and time; zero for a file that Kamino made itself. */
  sourceSize: number;
  sourceTime: number;
  /** The finished file, by size and time, and the CRC-32 of what Kamino put into it; null for a copy. */
  size: number;
  time: number;
  checksum: number | null;
}

type Row = [
  path: string,
  sourceSize: number,
  sourceTime: number,
  size: number,
  time: number,
  checksum: number | null,
];

interface Stored {
  kamino: 1;
  outputs: Record<string, { basis: string; glance: Glance | null; files: Row[] }>;
}

/** The record beside a plan, in `.kamino/`. It is no part of the site or the output. */
export class SiteRecord {
  readonly #folder: string;
  readonly #stored: Stored;
  /** The record as it is on the disk. */
  #text: string;

  readonly #isDry: boolean;

  /** @param isDry read only: nothing is written, kept or moved */
  constructor(planFolder: string, isDry = false) {
    this.#isDry = isDry;
    this.#folder = join(planFolder, '.kamino');
    this.#text = readText(join(this.#folder, 'record.json'));
    this.#stored = readStored(this.#text);
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
    return { basis: stored.basis, glance: stored.glance, files };
  }

  glance(name: string): Glance | null {
    return this.#stored.outputs[name]?.glance ?? null;
  }

  save(name: string, record: OutputRecord): void {
    const files = [...record.files]
      .map(([path, one]): Row => [path, one.sourceSize, one.sourceTime, one.size, one.time, one.checksum])
      .sort(([one], [other]) => (one < other ? -1 : 1));
    this.#stored.outputs[name] = { basis: record.basis, glance: record.glance, files };
    const text = JSON.stringify(this.#stored);
    if (this.#isDry || text === this.#text) return;
    mkdirSync(this.#folder, { recursive: true });
    writeWhole(join(this.#folder, 'record.json'), Buffer.from(text));
    this.#text = text;
  }

  /** Keeps what was taken out of a page; it is on the disk when this returns, and never pruned. */
  keep(hash: string, raw: Raw): void {
    const file = join(this.#folder, 'taken', hash);
    if (this.#isDry || existsSync(file)) return;
    mkdirSync(dirname(file), { recursive: true });
    writeWhole(file, bytesOf(raw));
  }

  /** What was taken out under this name, or null. */
  taken(hash: string): Raw | null {
    if (!/^[0-9a-f]+$/.test(hash)) return null;
    try {
      return rawOf(readFileSync(join(this.#folder, 'taken', hash)));
    } catch {
      return null;
    }
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

function readText(file: string): string {
  try {
    return readFileSync(file, 'utf8');
  } catch {
    return '';
  }
}

/** A record that is lost or damaged counts as none: contents are compared then. */
function readStored(text: string): Stored {
  try {
    const stored = JSON.parse(text) as Partial<Stored>;
    if (stored.kamino === 1 && typeof stored.outputs === 'object')
      return { kamino: 1, outputs: stored.outputs };
  } catch {
    // None yet.
  }
  return { kamino: 1, outputs: {} };
}
