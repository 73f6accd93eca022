import { hash as hashBy } from 'node:crypto';
import { existsSync, readFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import type { Finding } from '../core/text/finding.ts';
import { isFileError } from './errors.ts';
import { recordFolder } from './reading.ts';
import { Reader } from './read.ts';
import { isLarge, pageTest } from './read-whole.ts';
import { lookAt } from './real.ts';
import { SiteRecord } from './record.ts';
import { listSite } from './site.ts';
import { areFindings } from './stored.ts';
import { version } from './version.ts';
import { type SiteFile, walkFolder } from './walk.ts';
import { Writer } from './write.ts';

/** What a check has found in a folder of finished pages, with paths as they are in it. */
export interface Checked {
  findings: readonly Finding[];
  pages: number;
  links: number;
  menus: number;
}

/** The finished pages of a plan. */
export interface CheckedFolder {
  root: string;
  /** The plan's file. */
  plan: string;
  /** The folder of the server in which the site will lie. */
  base: string;
}

/** Beside a record. */
const checkedFile = 'checked';
/** In milliseconds: a file that was changed so shortly before may be changed again without its time telling it. */
const youngest = 2000;

/** In bytes. */
const largest = 1 << 26;

/** All that a check depends on, as it is now. */
interface State {
  /** Stands for it. */
  sum: string;
  /** Files that may be changed without its being seen. */
  young: readonly SiteFile[];
}

/**
 * What a check of a large site has found, kept beside its plan: the next one tells it again as long as nothing has changed. The
 * times at which files got into their folders go into that, which nobody can set: what comes from elsewhere is never believed.
 */
export class KeptCheck {
  readonly #folder: string;
  readonly #place: CheckedFolder;
  readonly #state: State | null;
  /** Stands for the contents of young files when the check began. */
  readonly #young: string;

  constructor(place: CheckedFolder) {
    this.#place = place;
    this.#folder = join(dirname(place.plan), recordFolder);
    this.#state = this.#isUsed ? this.#look() : null;
    this.#young = this.#contents();
  }

  /** A folder of this program’s own, and no link to another. */
  get #isUsed(): boolean {
    return lookAt(this.#folder)?.isDirectory() === true;
  }

  /** What was found when all was as it is; null where nobody knows. */
  found(): Checked | null {
    const file = join(this.#folder, checkedFile);
    if (!this.#state || lookAt(file)?.isFile() !== true) return null;
    try {
      const { sum, ...checked } = JSON.parse(readFileSync(file, 'utf8')) as Checked & { sum: unknown };
      return sum === this.#state.sum && areFindings(checked.findings) ? checked : null;
    } catch {
      return null;
    }
  }

  /** Keeps what was found, where nothing has changed meanwhile; a disk that takes nothing is none of a check's business. */
  keep(checked: Checked): void {
    const now = this.#state && this.#look();
    if (now?.young.length !== 0 || now.sum !== this.#state?.sum || this.#contents() !== this.#young) return;
    try {
      new Writer(this.#folder).write(checkedFile, bytesOf({ sum: now.sum, ...checked }));
    } catch (error) {
      if (!isFileError(error)) throw error;
    }
  }

  /** Null for a site that is read in no time, and for one that could not be listed. */
  #look(): State | null {
    const { root, plan, base } = this.#place;
    const at = Date.now();
    const record = new SiteRecord(dirname(plan));
    const { files, findings } = listSite({ root, plan, record });
    if (findings.length > 0 || !isLarge(files, pageTest())) return null;
    const aside = existsSync(record.aside) ? walkFolder(record.aside, () => false).files : [];
    const rest = [version, base, readFileSync(plan, 'utf8'), record.reading.stamp, record.takenCount];
    // The time of a file is the sum of two.
    const young = files.filter(({ time }) => time >= 2 * (at - youngest));
    return { sum: hashBy('sha256', JSON.stringify([rest, files, aside])), young };
  }

  #contents(): string {
    const reader = new Reader();
    const young = this.#state?.young ?? [];
    return young.map(file => this.#contentOf(file, reader)).join(' ');
  }

  /** Of a film, say, a check knows no more than that it is there. */
  #contentOf({ path, size }: SiteFile, reader: Reader): string {
    try {
      return size > largest ? '' : hashBy('sha256', reader.read(join(this.#place.root, path)));
    } catch {
      return '';
    }
  }
}

/** As JSON, finding by finding: one text of all takes several times the memory. */
function bytesOf({ findings, ...rest }: Checked & { sum: string }): Uint8Array {
  const pieces = findings.map((one, at) => Buffer.from(`${at === 0 ? '' : ','}${JSON.stringify(one)}`));
  const [start, end] = [`${JSON.stringify(rest).slice(0, -1)},"findings":[`, ']}'];
  return Buffer.concat([Buffer.from(start), ...pieces, Buffer.from(end)]);
}
