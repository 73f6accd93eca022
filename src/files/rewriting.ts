import { readFileSync } from 'node:fs';
import { hasErrors, type Finding } from '../core/text/finding.ts';
import { glanceOf } from './glance-of.ts';
import type { Finished } from './pages.ts';
import { fromUser } from './paths.ts';
import { ensureReal } from './real.ts';
import type { Run } from './run.ts';
import type { PageNotes, Row, StoredOutput } from './stored.ts';
import type { SiteFile } from './walk.ts';
import { Writer } from './write.ts';
import type { Told, Written } from './writer.ts';

/** A page that is to be written anew. */
interface Anew {
  file: SiteFile;
  made: Finished;
}

/** Writes a few pages of a finished site anew, where all the rest of it is as it was made. */
export class Rewriting {
  readonly findings: Finding[] = [];
  readonly written: Written;
  readonly #run: Run;
  readonly #folder: string;
  readonly #last: StoredOutput;
  readonly #anew: readonly Anew[];
  readonly #notes: [string, PageNotes][] = [];

  /**
   * Makes the pages; none is written yet.
   * @param folder the output; @param last what is known of it
   */
  constructor(run: Run, folder: string, last: StoredOutput, changed: readonly SiteFile[]) {
    [this.#run, this.#folder, this.#last] = [run, folder, last];
    const sources = new Map(changed.map(file => [file.path, file]));
    const notes = new Map(last.notes);
    const anew: Anew[] = [];
    // In the order of the site, as a whole build goes.
    for (const path of [...new Set([...notes.keys(), ...sources.keys()])].sort(byPath)) {
      const file = sources.get(path);
      if (file) anew.push({ file, made: run.pageToKeep(path) });
      else run.noteAgain(path, notes.get(path)!);
      const told = file ? run.notesOf(path) : notes.get(path);
      if (told) this.#notes.push([path, told]);
    }
    this.#anew = anew;
    const same = last.files.length - anew.length;
    this.written = { created: [], changed: [], gone: [], same, menusAlone: [], why: null };
  }

  write(told: Told): void {
    const { source, site, pageFindings } = this.#run;
    ensureReal(this.#folder, '');
    const writer = new Writer(this.#folder, { sweeps: true });
    const rows = new Map(this.#anew.map(one => [one.file.path, this.#written(one, writer)]));
    this.findings.push(...fromUser(pageFindings, site.root));
    const all = told(this.findings);
    const glance = hasErrors(all) ? null : glanceOf(this.#run, all, this.#last.glance?.resolved);
    site.record.saveFew(source.plan.output, { rows, glance, notes: this.#notes });
  }

  #written({ file, made }: Anew, writer: Writer): Row {
    const { path, size, time } = file;
    const before = this.#last.files.find(row => row[0] === path)!;
    if (readFileSync(`${this.#folder}/${path}`).equals(made.bytes)) {
      this.written.same += 1;
      return [path, size, time, before[3], before[4], made.checksum];
    }
    const there = writer.write(path, made.bytes);
    this.written.changed.push(path);
    return [path, size, time, there.size, there.time, made.checksum];
  }
}

const byPath = (one: string, other: string): number => (one < other ? -1 : 1);
