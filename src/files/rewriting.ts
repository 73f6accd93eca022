import { readFileSync } from 'node:fs';
import type { Finding } from '../core/text/finding.ts';
import { glanceOf } from './glance-of.ts';
import { inPlace } from './own-names.ts';
import { fromUser } from './paths.ts';
import { ensureReal } from './real.ts';
import type { Run } from './run.ts';
import type { PageNotes, Row, StoredOutput } from './stored.ts';
import type { SiteFile } from './walk.ts';
import { Writer } from './write.ts';
import { PlaceWriter } from './write-in-place.ts';
import type { Told, Written } from './writer.ts';

/** Writes pages anew, one by one. */
interface Pages {
  /** What of them is another. */
  written: Pick<Written, 'changed' | 'menusAlone'>;
  /** @returns what is known of it from now on */
  rewrite: (file: SiteFile) => Row;
}

/** Writes a few pages of a finished site anew, where all the rest of it is as it was made. */
export class Rewriting {
  readonly findings: Finding[] = [];
  written: Written = { created: [], changed: [], gone: [], same: 0, menusAlone: [], why: null };
  readonly #run: Run;
  readonly #last: StoredOutput;
  readonly #changed: ReadonlyMap<string, SiteFile>;
  readonly #pages: Pages;

  /** @param folder that of the finished site; @param last what is known of it */
  constructor(run: Run, folder: string, last: StoredOutput, changed: readonly SiteFile[]) {
    [this.#run, this.#last] = [run, last];
    this.#changed = new Map(changed.map(file => [file.path, file]));
    const isInPlace = run.source.plan.output === inPlace;
    this.#pages = isInPlace ? new PlaceWriter(run, {}) : new FolderPages(run, folder, last);
  }

  write(told: Told): void {
    const { site, source } = this.#run;
    const { rows, notes } = this.#rewritten();
    const { changed, menusAlone } = this.#pages.written;
    const all = this.#last.glance?.same ?? this.#last.files.length;
    this.written = { ...this.written, changed, menusAlone, same: all - changed.length };
    this.findings.push(...fromUser(this.#run.pageFindings, site.root));
    const glance = glanceOf(this.#run, told(this.findings), this.#last.glance?.same);
    site.record.saveFew(source.plan.output, { rows, glance, notes });
  }

  /** In the order of the site, as a whole build goes. */
  #rewritten(): { rows: Map<string, Row>; notes: [string, PageNotes][] } {
    const rows = new Map<string, Row>();
    const notes: [string, PageNotes][] = [];
    const before = new Map(this.#last.notes);
    for (const path of [...new Set([...before.keys(), ...this.#changed.keys()])].sort(byPath)) {
      const file = this.#changed.get(path);
      if (file) rows.set(path, this.#pages.rewrite(file));
      else this.#run.noteAgain(path, before.get(path)!);
      const told = file ? this.#run.notesOf(path) : before.get(path);
      if (told) notes.push([path, told]);
    }
    return { rows, notes };
  }
}

/** Those of a folder of finished pages. */
class FolderPages implements Pages {
  readonly written: Pages['written'] = { changed: [], menusAlone: [] };
  readonly #run: Run;
  readonly #folder: string;
  readonly #last: StoredOutput;
  readonly #writer: Writer;

  constructor(run: Run, folder: string, last: StoredOutput) {
    [this.#run, this.#folder, this.#last] = [run, folder, last];
    ensureReal(folder, '');
    this.#writer = new Writer(folder, { sweeps: true });
  }

  rewrite({ path, size, time }: SiteFile): Row {
    const { bytes, checksum } = this.#run.page(path);
    if (readFileSync(`${this.#folder}/${path}`).equals(bytes)) {
      const before = this.#last.files.find(row => row[0] === path)!;
      return [path, size, time, before[3], before[4], checksum];
    }
    const there = this.#writer.write(path, bytes);
    this.written.changed.push(path);
    return [path, size, time, there.size, there.time, checksum];
  }
}

const byPath = (one: string, other: string): number => (one < other ? -1 : 1);
