import { statSync } from 'node:fs';
import { dirname, resolve } from 'node:path';
import {
  type Difference,
  type Earlier,
  type Sums,
  differenceOf,
  goneFrom,
  sumsThere,
  writtenSums,
} from '../core/pack/list.ts';
import { type Finding, hasErrors, sortFindings } from '../core/text/finding.ts';
import { cannotWrite, isFileError } from '../files/errors.ts';
import { foreignIn } from '../files/foreign.ts';
import { alone } from '../files/lock.ts';
import { deleteFiles, earlierSums, isArchive, packedSum, writePacked } from '../files/packing.ts';
import {
  changedThere,
  foreignTarget,
  nothingToDelete,
  targetInside,
  withErrors,
} from '../files/pack-errors.ts';
import { fromUser, isFolder, isThere, shownPath } from '../files/paths.ts';
import { packsBeside, sumsBeside, usualTarget } from '../files/pack-places.ts';
import { SiteRecord } from '../files/record.ts';
import { listSite } from '../files/site.ts';
import { writeWhole } from '../files/write.ts';
import type { Packed } from '../files/zip.ts';
import { check } from './check.ts';
import { type Finished, finishedPages } from './finished.ts';
import { siteListOf } from './site-list.ts';

export interface PackOptions {
  /** A plan or its folder, whose finished pages are packed; or any folder of pages. */
  site?: string;
  /** A folder, or a file whose name ends with `.zip`. */
  to?: string;
  /** An earlier list of sums to compare with; that of the last time by default. */
  since?: string;
  /** The file for the paths that are to be uploaded. */
  list?: string;
  /** What the site no longer has is taken out of the folder. */
  delete?: boolean;
  /** Adds a list of pages for search engines. */
  sitemap?: boolean;
  /** Packs a site in which something is wrong. */
  despiteErrors?: boolean;
  dryRun?: boolean;
}

export interface PackResult extends Difference {
  status: 0 | 1 | 2;
  findings: Finding[];
  /** All as the user sees it. */
  site: string;
  target: string;
  sums: string;
  list: string | null;
  kind: 'zip' | 'folder';
  deleted: string[];
  /** Files, and the bytes of the archive; null where nothing was written, or for a folder. */
  files: number;
  bytes: number | null;
}

/** Puts a finished site together for its upload, and tells what is another since the last time. */
export async function pack(options: PackOptions = {}): Promise<PackResult> {
  const finished = finishedPages(options.site);
  const { plan, missing } = finished;
  const target = resolve(options.to ?? usualTarget(finished));
  const job = new PackJob(options, finished, target);
  if (missing) return job.stopped([missing], 2);
  try {
    const isFree = options.dryRun === true || !isThere(plan);
    return isFree ? await job.work() : await alone(dirname(plan), () => job.work());
  } catch (error) {
    if (!isFileError(error)) throw error;
    return job.stopped([cannotWrite(error)], 2);
  }
}

class PackJob {
  readonly #options: PackOptions;
  readonly #finished: Finished;
  readonly #target: string;
  readonly #kind: PackResult['kind'];
  readonly #findings: Finding[] = [];
  #listed: string | null = null;

  constructor(options: PackOptions, finished: Finished, target: string) {
    [this.#options, this.#finished, this.#target] = [options, finished, target];
    this.#kind = isArchive(target) ? 'zip' : 'folder';
  }

  async work(): Promise<PackResult> {
    const asked = this.#wrongOptions();
    if (hasErrors(asked)) return this.stopped(asked, 2);
    const wrong = await this.#wrongSite();
    this.#findings.push(...wrong);
    if (hasErrors(wrong) && this.#options.despiteErrors !== true) return this.stopped([withErrors()], 1);
    const files = this.#files();
    if (files === null) return this.stopped([], 2);
    const now = new Map(files.map(one => [one.path, packedSum(one)]));
    const { since } = this.#options;
    const earlier = earlierSums(this.#target, now, since === undefined ? null : resolve(since));
    if ('rule' in earlier) return this.stopped([earlier], 2);
    const foreign = this.#foreign(new Set([...now.keys(), ...earlier.known.keys()]));
    if (foreign) return this.stopped([foreign], 2);
    return this.#write(files, now, earlier);
  }

  stopped(findings: readonly Finding[], status: 1 | 2): PackResult {
    const none = { created: [], changed: [], same: [], gone: [], deleted: [], files: 0, bytes: null };
    return { ...this.#places(), ...none, status, findings: sortFindings([...this.#findings, ...findings]) };
  }

  #places(): Pick<PackResult, 'site' | 'target' | 'sums' | 'list' | 'kind'> {
    return {
      site: shownPath(this.#finished.root),
      target: shownPath(this.#target),
      sums: shownPath(sumsBeside(this.#target)),
      list: this.#listed,
      kind: this.#kind,
    };
  }

  #wrongOptions(): Finding[] {
    const isIdle = this.#options.delete === true && this.#kind === 'zip';
    return [
      ...(isIdle ? [nothingToDelete(shownPath(this.#target))] : []),
      ...targetInside(this.#target, this.#finished),
    ];
  }

  /** What `check` finds; finished pages that are older than their sources are not to be uploaded. */
  async #wrongSite(): Promise<Finding[]> {
    const { findings } = await check({ site: this.#options.site ?? '.' });
    return findings
      .filter(one => one.severity !== 'note')
      .map(one => (one.rule === 'stale-output' ? { ...one, severity: 'error' } : one));
  }

  /** The files of the finished site, and what is made for search engines; null where that is not possible. */
  #files(): Packed[] | null {
    const { root, plan } = this.#finished;
    const place = { root, plan, record: new SiteRecord(dirname(plan)), ...packsBeside(this.#finished) };
    const { files, findings } = listSite(place);
    this.#findings.push(...fromUser(findings, root));
    const own = files.map(({ path }) => ({ path, from: `${root}/${path}` }));
    if (this.#options.sitemap !== true) return own;
    const made = siteListOf(this.#finished, new Set(own.map(one => one.path)));
    this.#findings.push(...made.findings);
    if (made.files === null) return null;
    const names = new Set(made.files.map(one => one.path));
    return [...own.filter(one => !names.has(one.path)), ...made.files].sort((one, other) =>
      one.path < other.path ? -1 : 1,
    );
  }

  /** A folder that holds what is of another site is not written into. */
  #foreign(ours: ReadonlySet<string>): Finding | null {
    if (this.#kind === 'zip' || !isFolder(this.#target)) return null;
    const found = foreignIn(this.#target, ours);
    return found.length === 0 ? null : foreignTarget(shownPath(this.#target), found);
  }

  async #write(files: readonly Packed[], now: Sums, earlier: Earlier): Promise<PackResult> {
    const difference = differenceOf(now, earlier.told);
    const { dryRun = false } = this.#options;
    const { same: deleted, changed } =
      this.#options.delete === true ? goneFrom(now, earlier) : { same: [], changed: [] };
    this.#findings.push(...changed.map(path => changedThere(shownPath(`${this.#target}/${path}`))));
    if (!dryRun) {
      await writePacked(this.#target, files, differenceOf(now, earlier.there));
      if (deleted.length > 0) deleteFiles(this.#target, deleted);
      this.#writeLists(now, earlier, { ...difference, deleted });
    }
    const bytes = dryRun || this.#kind === 'folder' ? null : statSync(this.#target).size;
    const findings = sortFindings(this.#findings);
    return {
      ...this.#places(),
      ...difference,
      deleted,
      files: files.length,
      bytes,
      status: hasErrors(findings) ? 1 : 0,
      findings,
    };
  }

  /** The sums of what is there now, and the paths that are to be uploaded; none of it is of the site. */
  #writeLists(now: Sums, { known, there }: Earlier, done: Difference & { deleted: readonly string[] }): void {
    const sums = this.#kind === 'folder' ? sumsThere(now, { known, there }, done.deleted) : now;
    writeWhole(sumsBeside(this.#target), Buffer.from(writtenSums(sums)));
    const written = [sumsBeside(this.#target), ...(this.#kind === 'zip' ? [this.#target] : [])];
    const { list } = this.#options;
    const paths = [...done.created, ...done.changed].sort();
    if (list !== undefined && this.#writeList(resolve(list), paths)) written.push(resolve(list));
    const { plan } = this.#finished;
    if (!isThere(plan)) return;
    const record = new SiteRecord(dirname(plan)).toWrite();
    record.saveSheets(written.map(file => ({ file, size: statSync(file).size })));
    if (this.#kind === 'folder') record.savePack(this.#target);
  }

  /** The site is packed already: where its list cannot be written, that is told beside. */
  #writeList(file: string, paths: readonly string[]): boolean {
    try {
      writeWhole(file, Buffer.from(paths.map(path => `${path}\n`).join('')));
      this.#listed = shownPath(file);
      return true;
    } catch (error) {
      if (!isFileError(error)) throw error;
      this.#findings.push(cannotWrite(error));
      return false;
    }
  }
}
