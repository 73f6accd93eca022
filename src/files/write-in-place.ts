import { type Stats, existsSync, readFileSync, rmSync } from 'node:fs';
import { crc32 } from 'node:zlib';
import { findInlaid } from '../core/inlay/find.ts';
import { type Finding, hasErrors } from '../core/text/finding.ts';
import { readRaw } from './read.ts';
import { isAskedAgain } from './asked-again.ts';
import { ReadOnly, Refusals, attempt, editedStyle, leftOut, linkToOther } from './errors.ts';
import type { Finished } from './pages.ts';
import { inPlace, isOwnPath, ownPaths } from './own.ts';
import { fromUser } from './paths.ts';
import { ensureReal, isReadOnly, lookAt } from './real.ts';
import { glanceOf, othersOf } from './glance-of.ts';
import type { FileRecord, OutputRecord } from './record.ts';
import type { Run } from './run.ts';
import { listedAs, stampOf } from './stamp.ts';
import type { SiteFile } from './walk.ts';
import { ChangedMeanwhile, type KnownFile, Writer } from './write.ts';
import type { PageNotes, Row } from './stored.ts';
import type { SiteWriter, Told, WriteOptions } from './writer.ts';

/**
 * Changes the pages of a site themselves. Pages edited around a menu are taken up; a page edited inside one is told and
 * left alone.
 */
export class PlaceWriter implements SiteWriter {
  readonly written = {
    created: [] as string[],
    changed: [] as string[],
    gone: [],
    same: 0,
    menusAlone: [] as string[],
    why: null,
  };
  readonly findings: Finding[] = [];
  /** What was left alone, with the reason. */
  readonly #left: Finding[] = [];
  readonly #refusals = new Refusals();
  readonly #run: Run;
  readonly #options: WriteOptions;
  readonly #writer: Writer;
  #recorded: OutputRecord | null | undefined;
  readonly #next = new Map<string, FileRecord>();
  readonly #notes = new Map<string, PageNotes>();

  constructor(run: Run, options: WriteOptions) {
    this.#run = run;
    this.#options = options;
    if (!options.dryRun) run.site.record.toWrite();
    this.#writer = new Writer(run.site.root, { isSafe: true, sweeps: true });
  }

  /** What the last build made. */
  get #last(): OutputRecord | null {
    return (this.#recorded ??= this.#run.site.record.output(inPlace));
  }

  get #known(): ReadonlyMap<string, FileRecord> {
    return this.#last?.files ?? new Map<string, FileRecord>();
  }

  /** The same where this one would make them of the same. */
  get #before(): OutputRecord | null {
    const { source, site } = this.#run;
    const isSame = this.#last?.basis === source.basis;
    return isSame && (this.#last?.taken ?? 0) <= site.record.takenCount ? this.#last : null;
  }

  /** A page that was edited is left alone, one by one. */
  edited(): Finding[] {
    return [];
  }

  /** Every page is written whole, or not at all: nothing is to be taken away. */
  abandon = (): void => undefined;

  write(told: Told): void {
    const { site, source } = this.#run;
    const pages = site.files.filter(file => this.#run.isPage(file.path));
    const before = this.#before;
    pages.forEach((file, at) => {
      this.#options.progress?.(at, pages.length);
      if (!before || !this.#isAsMade(file, before))
        this.#try(file.path, () => {
          this.#page(file);
        });
    });
    for (const path of this.#former(new Set(pages.map(file => file.path)))) this.#leave(path, leftOut(path));
    const earlier = [...this.#known.keys()].filter(isOwnPath);
    for (const path of new Set([...ownPaths, ...earlier, ...this.#run.source.own.keys()]))
      this.#try(path, () => {
        this.#own(path);
      });
    this.#writer.settle();
    // Nothing else of a page is ever changed.
    this.written.menusAlone.push(...this.written.changed.filter(path => this.#run.isPage(path)));
    // What happened to files in this run is told once.
    const isLasting = this.findings.length + site.record.findings.length === 0;
    this.findings.push(...fromUser([...this.#left, ...this.#run.pageFindings], site.root));
    const all = told(this.findings);
    if (!this.#options.dryRun) this.#save(source.basis, isLasting ? all : null);
  }

  /** @param told all that is told; null where some of it happened to files in this run */
  #save(basis: string, told: readonly Finding[] | null): void {
    const { record } = this.#run.site;
    const { same, created, changed } = this.written;
    const glance = told && glanceOf(this.#run, told, same + created.length + changed.length);
    const others = othersOf(this.#run, path => this.#next.has(path) || isOwnPath(path));
    const taken = record.takenCount;
    record.save(inPlace, { basis, glance, others, taken, files: this.#next, notes: this.#notes });
  }

  /** Whether a page is as the last build made it, of all that this one would make it of. */
  #isAsMade({ path, size, time }: SiteFile, before: OutputRecord): boolean {
    const old = before.files.get(path);
    const notes = before.notes.get(path) ?? null;
    if (old?.sourceSize !== size || old.sourceTime !== time || isAskedAgain(notes, this.#options))
      return false;
    this.#run.noteAgain(path, notes);
    if (notes) this.#notes.set(path, notes);
    this.#next.set(path, old);
    this.written.same += 1;
    return true;
  }

  /** One page alone, where nothing else has changed. @throws what stands in its way */
  rewrite(file: SiteFile): Row {
    this.#page(file);
    this.#writer.settle();
    const { path } = file;
    const { sourceSize, sourceTime, size, time, checksum } = this.#next.get(path)!;
    if (this.written.changed.at(-1) === path) this.written.menusAlone.push(path);
    return [path, sourceSize, sourceTime, size, time, checksum];
  }

  /** A page that cannot be read or written is told, and the rest goes on; but not on a disk that takes nothing more. */
  #try(path: string, write: () => void): void {
    const error = attempt(write);
    if (!error) return;
    const told = this.#refusals.of(this.#run.from(path), error);
    if (told) this.findings.push(told);
    this.#keepRecord(path);
  }

  #page({ path, real }: SiteFile): void {
    if (real !== undefined) return this.#link(path, real);
    const file = this.#run.from(path);
    for (let tries = mostTries; ; tries -= 1) {
      const there = lookAt(file);
      const seen = stampOf(there);
      try {
        return this.#change(path, { there, hasChanged: () => tries > 1 && stampOf(lookAt(file)) !== seen });
      } catch (error) {
        if (!(error instanceof ChangedMeanwhile)) throw error;
      }
    }
  }

  #change(path: string, known: KnownFile): void {
    const made = this.#run.page(path, this.#options);
    const notes = this.#run.notesOf(path);
    if (notes) this.#notes.set(path, notes);
    this.#settle(path, made, made.source ?? readFileSync(this.#run.from(path)), known);
  }

  /** Pages with menus from an earlier build that are no pages of the plan any more. */
  #former(pages: ReadonlySet<string>): string[] {
    return [...this.#known.keys()].filter(path => {
      if (pages.has(path) || isOwnPath(path)) return false;
      const file = this.#run.from(path);
      return lookAt(file)?.isFile() === true && findInlaid(readRaw(file)).length > 0;
    });
  }

  #own(path: string): void {
    const file = this.#run.from(path);
    const there = existsSync(file) ? readFileSync(file) : null;
    const checksum = this.#known.get(path)?.checksum;
    const bytes = this.#run.source.own.get(path);
    if (bytes === undefined) {
      // A script that no menu needs any more, or a picture that was packed anew.
      if (there !== null && crc32(there) === checksum && !this.#isNeeded && !this.#options.dryRun) {
        ensureReal(this.#run.site.root, path);
        rmSync(file);
      }
      return;
    }
    const made = { bytes, checksum: crc32(bytes) };
    const isOurs = there === null || crc32(there) === made.checksum || crc32(there) === checksum;
    if (isOurs || this.#options.overwrite) this.#settle(path, made, there);
    else this.#leave(path, editedStyle(path));
  }

  /** Whether some page was left as it was, with what it needs. */
  get #isNeeded(): boolean {
    return this.findings.length > 0 || this.#left.length > 0 || hasErrors(this.#run.findings);
  }

  /** A link to a page stays a link: the page that it leads to is changed, and once. */
  #link(path: string, real: string): void {
    if (this.#run.isPage(real)) this.written.same += 1;
    else this.#left.push(linkToOther(path, real));
  }

  #leave(path: string, why: Finding): void {
    this.#left.push(why);
    this.#keepRecord(path);
  }

  /** It is known as it was, and made anew the next time. */
  #keepRecord(path: string): void {
    const old = this.#known.get(path);
    if (old) this.#next.set(path, { ...old, sourceSize: 0, sourceTime: 0 });
  }

  /** @param content what is there now; null for nothing */
  #settle(
    path: string,
    { bytes, checksum }: Finished,
    content: Uint8Array | null,
    known: KnownFile = { there: lookAt(this.#run.from(path)) },
  ): void {
    const isSame = content !== null && Buffer.compare(content, bytes) === 0;
    let there = known.there ?? null;
    if (!isSame) {
      if (isReadOnly(there)) throw new ReadOnly(this.#run.from(path));
      this.#run.site.record.settle();
      there = this.#options.dryRun ? null : this.#written(path, bytes, known);
    }
    if (isSame) this.written.same += 1;
    else (content === null ? this.written.created : this.written.changed).push(path);
    const { size: sourceSize, time: sourceTime } = listedAs(there);
    this.#next.set(path, { sourceSize, sourceTime, size: bytes.length, time: 0, checksum });
  }

  /** Writes a file; gives what there is then, if that can be gone by. */
  #written(path: string, bytes: Uint8Array, known: KnownFile): Stats | null {
    const { size, time } = this.#writer.write(path, bytes, known);
    const there = lookAt(this.#run.from(path));
    // What was found in it may have been of the page as it was before: it is looked at once more.
    const isSettled = (this.#notes.get(path)?.findings ?? []).length === 0;
    return isSettled && there?.size === size && there.mtimeMs === time ? there : null;
  }
}

/** A page that somebody writes all the time is changed in the end as it was read. */
const mostTries = 5;
