import { existsSync, readFileSync, rmSync } from 'node:fs';
import { crc32 } from 'node:zlib';
import { findInlaid } from '../core/inlay/find.ts';
import { type Finding, hasErrors } from '../core/text/finding.ts';
import { readRaw } from './read.ts';
import { ReadOnly, Refusals, attempt, editedStyle, leftOut, linkToOther } from './errors.ts';
import type { Finished } from './pages.ts';
import { inPlace, isOwnPath, ownPaths } from './own.ts';
import { fromUser } from './paths.ts';
import { ensureReal, isReadOnly, lookAt } from './real.ts';
import type { FileRecord } from './record.ts';
import type { Run } from './run.ts';
import { stampOf } from './stamp.ts';
import type { SiteFile } from './walk.ts';
import { ChangedMeanwhile, type KnownFile, Writer } from './write.ts';
import type { SiteWriter, WriteOptions } from './writer.ts';

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
  readonly #known: ReadonlyMap<string, FileRecord>;
  readonly #next = new Map<string, FileRecord>();

  constructor(run: Run, options: WriteOptions) {
    this.#run = run;
    this.#options = options;
    if (!options.dryRun) run.site.record.toWrite();
    this.#writer = new Writer(run.site.root, { isSafe: true, sweeps: true });
    this.#known = run.site.record.output(inPlace)?.files ?? new Map<string, FileRecord>();
  }

  /** A page that was edited is left alone, one by one. */
  edited(): Finding[] {
    return [];
  }

  /** Every page is written whole, or not at all: nothing is to be taken away. */
  abandon = (): void => undefined;

  write(): void {
    const { site } = this.#run;
    const pages = site.files.filter(file => this.#run.isPage(file.path));
    pages.forEach((file, at) => {
      this.#options.progress?.(at, pages.length);
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
    if (!this.#options.dryRun)
      site.record.save(inPlace, { basis: '', glance: null, files: this.#next, notes: new Map() });
    this.findings.push(...fromUser([...this.#left, ...this.#run.pageFindings], site.root));
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

  #keepRecord(path: string): void {
    const old = this.#known.get(path);
    if (old) this.#next.set(path, old);
  }

  /** @param content what is there now; null for nothing */
  #settle(
    path: string,
    { bytes, checksum }: Finished,
    content: Uint8Array | null,
    known: KnownFile = { there: lookAt(this.#run.from(path)) },
  ): void {
    const isSame = content !== null && Buffer.compare(content, bytes) === 0;
    if (!isSame) {
      if (isReadOnly(known.there ?? null)) throw new ReadOnly(this.#run.from(path));
      this.#run.site.record.settle();
      if (!this.#options.dryRun) this.#writer.write(path, bytes, known);
    }
    if (isSame) this.written.same += 1;
    else (content === null ? this.written.created : this.written.changed).push(path);
    this.#next.set(path, { sourceSize: 0, sourceTime: 0, size: bytes.length, time: 0, checksum });
  }
}

/** A page that somebody writes all the time is changed in the end as it was read. */
const mostTries = 5;
