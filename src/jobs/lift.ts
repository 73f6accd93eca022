import { existsSync, readFileSync, readdirSync, rmSync, rmdirSync } from 'node:fs';
import { dirname, join, resolve } from 'node:path';
import { crc32 } from 'node:zlib';
import { pathMatcher } from '../core/address/glob.ts';
import { readAddress } from '../core/address/href.ts';
import { folderOf } from '../core/address/path.ts';
import { LostRecord, findInlaid, keepMenus, lift as liftPage } from '../core/inlay/lift.ts';
import { readFull } from '../core/site/full.ts';
import { bytesOf, rawOf } from '../core/text/bytes.ts';
import { charsetOf } from '../core/text/charset.ts';
import { type Finding, finding, hasErrors, sortFindings } from '../core/text/finding.ts';
import { placeInRaw } from '../core/text/place.ts';
import { checksumOf } from '../files/pages.ts';
import { SiteRecord } from '../files/record.ts';
import { walkFolder } from '../files/walk.ts';
import { Writer } from '../files/write.ts';
import { cannotWrite, editedStyle, isFileError } from './build-findings.ts';
import { inPlace, isOwnText, ownPaths } from './own.ts';
import { fromUser, isPartOfSite, shownPath } from './paths.ts';
import { openPlan } from './project.ts';

export interface LiftOptions {
  /** A plan, or a folder of pages with or without one. */
  plan?: string;
  dryRun?: boolean;
  /** Leave working menus in the pages and take only Kamino's marks off. */
  keepMenus?: boolean;
  /** Lift menus too that someone has edited by hand. */
  overwrite?: boolean;
}

export interface LiftResult {
  status: 0 | 1 | 2;
  findings: Finding[];
  /** The site as the user sees it. */
  site: string;
  /** Paths of pages that are as they were, and of files of Kamino's that are gone; with `dryRun` those that would be. */
  lifted: string[];
  removed: string[];
  /** The folder of finished pages that the plan names, where there is one. */
  output: string | null;
}

/** Takes what Kamino put into the pages of a site out again. */
export function lift(options: LiftOptions = {}): LiftResult {
  const open = openPlan(options.plan);
  const given = resolve(options.plan ?? '.');
  const root = open.plan ? resolve(open.folder, open.plan.site) : existsSync(open.file) ? open.folder : given;
  const site = shownPath(root);
  const result: LiftResult = {
    status: 0,
    findings: [],
    site,
    lifted: [],
    removed: [],
    output: outputOf(open),
  };
  if (!existsSync(root)) return { ...result, status: 2, findings: [noSite(site)] };
  const record = new SiteRecord(open.folder, options.dryRun);
  try {
    new Lifting(root, record, options).pages(open, result);
  } catch (error) {
    if (!isFileError(error)) throw error;
    return { ...result, status: 2, findings: [cannotWrite(error)] };
  }
  return {
    ...result,
    findings: sortFindings(fromUser(result.findings, root)),
    status: hasErrors(result.findings) ? 1 : 0,
  };
}

type Open = ReturnType<typeof openPlan>;

class Lifting {
  readonly #root: string;
  readonly #record: SiteRecord;
  readonly #options: LiftOptions;
  readonly #writer: Writer;
  /** Ids that were taken out of pages. */
  readonly #ids = new Map<string, Set<string>>();

  constructor(root: string, record: SiteRecord, options: LiftOptions) {
    this.#root = root;
    this.#record = record;
    this.#options = options;
    this.#writer = new Writer(root, false);
  }

  pages(open: Open, result: LiftResult): void {
    const outputs = [open.plan?.output ?? 'built', ...this.#record.folders].filter(name => name !== inPlace);
    const folders = outputs.map(name => resolve(open.folder, name));
    const inSite = isPartOfSite(this.#root, open.file, folders, pathMatcher(open.plan?.leaveOut ?? []));
    const { files, findings } = walkFolder(this.#root, path => !inSite(path));
    result.findings.push(...findings);
    const isPage = pathMatcher([open.plan?.read ?? '**/*.{html,htm}'], true);
    for (const { path } of files) if (isPage(path)) this.#page(path, result);
    if (this.#ids.size > 0) this.#lostIds(files.map(file => file.path).filter(isPage), result);
    if (!this.#options.keepMenus) this.#ownFiles(result);
  }

  #page(path: string, result: LiftResult): void {
    const { dryRun = false, keepMenus: keeps = false, overwrite = false } = this.#options;
    const raw = rawOf(readFileSync(join(this.#root, path)));
    const [first] = findInlaid(raw);
    if (!first) return;
    const known = this.#record.output(inPlace)?.files.get(path)?.checksum ?? null;
    if (!overwrite && !keeps && known !== null && checksumOf(raw) !== known) {
      const place = placeInRaw({ path, raw, charset: charsetOf(raw, null) }, first.start, first.start + 4);
      result.findings.push(edited(place));
      return;
    }
    try {
      const lifted = keeps ? keepMenus(raw) : liftPage(raw, hash => this.#record.taken(hash));
      if (!dryRun) this.#writer.write(path, bytesOf(lifted));
      result.lifted.push(path);
      if (!keeps) this.#noteIds(path, raw);
    } catch (error) {
      if (!(error instanceof LostRecord)) throw error;
      result.findings.push(lost(path, error));
    }
  }

  #noteIds(path: string, raw: string): void {
    for (const { name, start, end } of findInlaid(raw)) {
      const id = name === null ? / id="([^"]*)"$/.exec(raw.slice(start, end))?.[1] : undefined;
      if (id !== undefined) this.#ids.set(path, (this.#ids.get(path) ?? new Set()).add(id));
    }
  }

  /** Links of the pages' own to ids that have gone with the menus. */
  #lostIds(paths: readonly string[], result: LiftResult): void {
    for (const path of paths) {
      const raw = rawOf(readFileSync(join(this.#root, path)));
      const page = readFull(path, this.#options.dryRun ? liftPage(raw, () => '') : raw);
      for (const link of page.links) {
        const address = readAddress(link.href, folderOf(path));
        const target = address.kind === 'inside' ? address.path : address.kind === 'same-page' ? path : null;
        if (target === null || !('fragment' in address) || address.fragment === null) continue;
        if (this.#ids.get(target)?.has(address.fragment) !== true) continue;
        result.findings.push(lostId(placeInRaw(page.frame, link.start, link.end), target, address.fragment));
      }
    }
  }

  /** Kamino's own files go too, unless someone has edited them. */
  #ownFiles(result: LiftResult): void {
    for (const path of ownPaths) this.#ownFile(path, result);
  }

  #ownFile(path: string, result: LiftResult): void {
    const file = join(this.#root, path);
    if (!existsSync(file) || !isOwnText(path, readFileSync(file, 'latin1'))) return;
    const known = this.#record.output(inPlace)?.files.get(path);
    const isEdited = known !== undefined && crc32(readFileSync(file)) !== known.checksum;
    if (isEdited && !this.#options.overwrite) {
      result.findings.push(editedStyle(path));
      return;
    }
    result.removed.push(path);
    if (this.#options.dryRun) return;
    rmSync(file);
    if (readdirSync(dirname(file)).length === 0) rmdirSync(dirname(file));
  }
}

function outputOf(open: Open): string | null {
  if (!open.plan || open.plan.output === inPlace) return null;
  const folder = resolve(open.folder, open.plan.output);
  return existsSync(folder) ? shownPath(folder) : null;
}

function noSite(site: string): Finding {
  return finding(
    'cannot-read',
    { file: site },
    'there is no such folder',
    'Name the folder of the pages, or of their plan.',
  );
}

function edited(place: Finding['place']): Finding {
  return finding(
    'edited-inside',
    place,
    'someone has edited this menu by hand; the page was left alone',
    'Lift with --overwrite to take it out all the same, or with --keep-menus to keep it.',
  );
}

function lostId(place: Finding['place'], page: string, id: string): Finding {
  return finding(
    'lost-id',
    place,
    `this link leads to \`#${id}\`, an id that Kamino had given a heading of \`${page}\``,
    `Give the heading the id yourself:  id="${id}"`,
  );
}

function lost(path: string, error: LostRecord): Finding {
  return finding(
    'lost-record',
    { file: path },
    `${error.message}; the page was left alone`,
    'Bring back the folder .kamino, or lift with --keep-menus.',
  );
}
