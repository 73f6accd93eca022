import { hash as hashBy } from 'node:crypto';
import { readdirSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { type Raw, bytesOf } from '../core/text/bytes.ts';
import { readRaw } from './read.ts';
import { lookAt, makeFolder } from './real.ts';
import { recordFolder } from './reading.ts';
import { Writer, writeWhole } from './write.ts';

/** The name under which something taken out of a page is kept. */
export function hashOf(raw: Raw): string {
  return hashBy('sha256', bytesOf(raw)).slice(0, 24);
}

/** What was taken out of pages, each a file beside the record with the name of its content; none ever goes. */
export class TakenOut {
  readonly #folder: string;
  /** Those that are there for sure. */
  readonly #kept = new Set<string>();
  /** The names in the folder, as it was found. */
  #names: ReadonlySet<string> | null = null;
  #writer: Writer | null = null;
  #isSettled = true;

  /** @param record the folder of the record */
  constructor(record: string) {
    this.#folder = join(record, 'taken');
  }

  /** What was taken out under this name, or null. */
  get(hash: string): Raw | null {
    if (!/^[0-9a-f]+$/.test(hash)) return null;
    const file = join(this.#folder, hash);
    try {
      const raw = lookAt(file)?.isFile() ? readRaw(file) : null;
      return raw !== null && hashOf(raw) === hash ? raw : null;
    } catch {
      return null;
    }
  }

  /** @param isSafe what is kept is nowhere else: it has to be on the disk, and not only handed over @throws {LinkInWay} */
  keep(hash: string, raw: Raw, isSafe: boolean): void {
    if (this.#kept.has(hash)) return;
    const names = (this.#names ??= this.#enter());
    // A name that is there may be that of a file which was never written to its end.
    if (!names.has(hash)) {
      this.#writer ??= new Writer(this.#folder, { isFresh: true, isSafe });
      this.#writer.write(hash, bytesOf(raw));
      this.#isSettled = false;
    } else if (this.get(hash) === null) writeWhole(join(this.#folder, hash), bytesOf(raw));
    this.#kept.add(hash);
  }

  /** Before a page takes the place of what was taken out: that it was kept is on the disk too. */
  settle(): void {
    if (!this.#isSettled) this.#writer?.settle();
    this.#isSettled = true;
  }

  #enter(): ReadonlySet<string> {
    makeFolder(dirname(dirname(this.#folder)), `${recordFolder}/taken`);
    return new Set(readdirSync(this.#folder));
  }
}
