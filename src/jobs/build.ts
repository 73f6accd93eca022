import { readFileSync } from 'node:fs';
import { join, resolve } from 'node:path';
import { crc32 } from 'node:zlib';
import type { Inlay } from '../core/inlay/inlay.ts';
import { findInlaid, lift } from '../core/inlay/lift.ts';
import { styleSheet } from '../core/inlay/style.ts';
import { type ResolvedLook, onPage } from '../core/look/page.ts';
import { carrier } from '../core/menu/carried.ts';
import { resolveMenus } from '../core/menu/resolve.ts';
import type { ResolvedMenu } from '../core/menu/types.ts';
import type { Plan } from '../core/plan/types.ts';
import { bytesOf, rawOf } from '../core/text/bytes.ts';
import { type Finding, finding, hasErrors, sortFindings } from '../core/text/finding.ts';
import type { Source } from '../core/text/source.ts';
import { type Finished, Output } from '../files/output.ts';
import { PageMaker } from '../files/pages.ts';
import type { FileRecord, Glance } from '../files/record.ts';
import type { SiteFile } from '../files/walk.ts';
import {
  cannotRead,
  cannotWrite,
  editedOutput,
  folderFindings,
  isFileError,
  lacksMain,
  nameTaken,
  unusedMenu,
} from './build-findings.ts';
import { planMark } from './glance.ts';
import { shownPath } from './paths.ts';
import { type OpenPlan, type OpenSite, openPlan, openSite, readWords } from './project.ts';
import { version } from './version.ts';

export interface BuildOptions {
  /** A plan, or the folder of one. */
  plan?: string;
  /** Compute everything, write nothing. */
  dryRun?: boolean;
  /** Replace finished files that someone has edited. */
  overwrite?: boolean;
  progress?: (done: number, all: number) => void;
}

export interface BuildResult {
  /** `stopped`: nothing was written. */
  outcome: 'built' | 'nothing-new' | 'stopped';
  /** 0 fine, 1 errors among the findings, 2 a bad plan or a failure. */
  status: 0 | 1 | 2;
  findings: Finding[];
  /** The output folder as the user sees it. */
  output: string;
  /** The menus, and how many pages are to carry each. */
  menus: { name: string; pages: number }[];
  /** Pages of the site. */
  pages: number;
  /** Paths in the output; with `dryRun` those that would be. */
  created: string[];
  changed: string[];
  gone: string[];
  same: number;
}

const ownStyle = 'kamino/menu.css';

/** Reads plan and pages, puts the menus in, and writes what differs. */
export async function build(options: BuildOptions = {}): Promise<BuildResult> {
  const open = openPlan(options.plan);
  const result = emptyResult(open);
  if (!open.plan) return stopped(result, open.findings, 2);
  const { site, findings } = openSite(open, open.plan);
  if (!site) return stopped(result, [...open.findings, ...findings], 2);
  result.pages = site.facts.pages.size;
  const prepared = await prepare(open, open.plan, site);
  const told = [...open.findings, ...prepared.findings];
  if (hasErrors(told)) return stopped(result, told, 2);
  const run = new Run(open, open.plan, site, prepared);
  const output = new Output(
    resolve(open.folder, open.plan.output),
    open.plan.output,
    site.record,
    options.dryRun === true,
  );
  try {
    return write(run, output, { ...result, findings: [...told, ...site.findings] }, options);
  } catch (error) {
    if (!isFileError(error)) throw error;
    output.abandon();
    return stopped(result, [cannotWrite(error)], 2);
  }
}

interface Prepared {
  findings: Finding[];
  menus: ResolvedMenu[];
  style: string;
  /** Stands for all that finished files depend on beside their sources. */
  basis: string;
}

/** All that can be known, and can be wrong, before a page is touched. */
async function prepare(open: OpenPlan, plan: Plan, site: OpenSite): Promise<Prepared> {
  const facts = { ...site.facts, words: readWords(open, plan, site) };
  const { menus, findings } = resolveMenus(plan, facts, open.source);
  const { look, findings: ofLook } = await lookOf(plan, open.source);
  const style = styleSheet(menus, look, plan.look);
  const basis = [version, open.source.text, JSON.stringify(menus), style].map(part => crc32(part)).join(' ');
  const taken = [...facts.files].find(path => path.toLowerCase() === ownStyle);
  const ofFolders = folderFindings(open, plan, site);
  return {
    findings: [...findings, ...ofLook, ...ofFolders, ...(taken ? [nameTaken(taken)] : [])],
    menus,
    style,
    basis,
  };
}

/** The library of colours is loaded only where the plan has any. */
async function lookOf({ look }: Plan, source: Source): Promise<{ look: ResolvedLook; findings: Finding[] }> {
  if (look.accent === null && look.background === null && look.color === null)
    return { look: onPage(null, null), findings: [] };
  const { resolveLook } = await import('../core/look/resolve.ts');
  return resolveLook(look, source);
}

/** The finished files of one build, each made when it is asked for. */
class Run {
  readonly prepared: Prepared;
  readonly site: OpenSite;
  readonly #plan: Plan;
  readonly #planMark: string;
  readonly #maker: PageMaker;
  readonly #inlay: Inlay;
  readonly #made = new Map<string, Finished>();

  constructor(open: OpenPlan, plan: Plan, site: OpenSite, prepared: Prepared) {
    this.#plan = plan;
    this.#planMark = planMark(open.source.text);
    this.prepared = prepared;
    this.site = site;
    this.#inlay = {
      menus: prepared.menus,
      carries: carrier(prepared.menus),
      styles: [ownStyle, ...(plan.style ? [plan.style.path] : [])],
      skipTo: plan.skipTo,
      front: site.facts.front,
    };
    this.#maker = new PageMaker(site.root, this.#inlay);
  }

  get findings(): Finding[] {
    return this.#maker.findings;
  }

  get lackMain(): string[] {
    return this.#maker.lackMain;
  }

  isPage(path: string): boolean {
    return this.site.pageFiles.has(path);
  }

  from(path: string): string {
    return `${this.site.root}/${path}`;
  }

  /** A finished page, good until the next is asked for. What was found in it is told once. */
  page(path: string): Finished {
    return this.#made.get(path) ?? this.#maker.page(path);
  }

  /** The same, kept for when it is written. */
  pageToKeep(path: string): Finished {
    const { bytes, checksum } = this.page(path);
    const made = { bytes: Uint8Array.from(bytes), checksum };
    this.#made.set(path, made);
    return made;
  }

  /** What the next build can go by if nothing has changed. */
  glance({ menus, pages }: BuildResult): Glance {
    return {
      plan: this.#planMark,
      site: this.#plan.site,
      leaveOut: [...this.#plan.leaveOut],
      own: [ownStyle],
      menus,
      pages,
    };
  }

  /** The menus, with how many pages are to carry each. */
  menus(): { name: string; pages: number }[] {
    const pages = [...this.site.facts.pages];
    const count = (menu: ResolvedMenu): number =>
      pages.filter(page => this.#inlay.carries(menu, page)).length;
    return this.prepared.menus.map(menu => ({ name: menu.name, pages: count(menu) }));
  }
}

function write(run: Run, output: Output, result: BuildResult, options: BuildOptions): BuildResult {
  const { prepared, site } = run;
  const style = { bytes: bytesOf(prepared.style), checksum: crc32(prepared.style) };
  result.menus = run.menus();
  result.findings.push(...result.menus.filter(menu => menu.pages === 0).map(menu => unusedMenu(menu.name)));
  const left = output.left(new Set([...site.files.map(file => file.path), ownStyle]));
  const edited = options.overwrite ? [] : findEdited(run, output, left);
  if (edited.length > 0) {
    const findings = edited.map(path => editedOutput(shownPath(join(output.folder, path))));
    return stopped(result, [...result.findings, ...findings], 1);
  }
  output.begin();
  site.files.forEach((file, at) => {
    options.progress?.(at, site.files.length);
    tryFile(run, output, file);
  });
  output.put(ownStyle, null, style);
  for (const path of left) {
    const aside = output.putAside(path);
    result.findings.push(goneFile(path, aside));
  }
  const ofPages = [...run.findings, ...(run.lackMain.length ? [lacksMain(run.lackMain)] : [])];
  result.findings.push(...ofPages);
  // Pages that have findings are made again the next time, so that these are told again.
  output.finish(
    ofPages.length > 0 ? '' : prepared.basis,
    result.findings.length > 0 ? null : run.glance(result),
  );
  const { created, changed, gone, same } = output;
  const isNew = created.length + changed.length + gone.length > 0;
  return { ...ended(result, isNew ? 'built' : 'nothing-new'), created, changed, gone, same };
}

function writeFile(run: Run, output: Output, file: SiteFile): void {
  const isSame = output.isUnchanged(file);
  if (!run.isPage(file.path)) {
    if (isSame) output.keep(file);
    else output.copy(file, run.from(file.path));
  } else if (isSame && output.hasBasis(run.prepared.basis)) output.keep(file);
  else output.put(file.path, file, run.page(file.path));
}

/** A file of the site that cannot be read is told, and the rest is built. */
function tryFile(run: Run, output: Output, file: SiteFile): void {
  try {
    writeFile(run, output, file);
  } catch (error) {
    if (!isFileError(error) || error.path !== run.from(file.path)) throw error;
    run.findings.push(cannotRead(file.path, error));
  }
}

/** Finished files that are neither what Kamino wrote nor what it would write now. */
function findEdited(run: Run, output: Output, left: readonly string[]): string[] {
  const { files } = run.site;
  const isNew = (file: SiteFile, there: Uint8Array): boolean =>
    equal(there, run.isPage(file.path) ? run.pageToKeep(file.path).bytes : readFileSync(run.from(file.path)));
  const isOurs = (file: SiteFile) => (there: Uint8Array, old: FileRecord | null) =>
    isNew(file, there) ||
    isAsWritten(there, old, () => (isSource(file, old) ? readFileSync(run.from(file.path)) : null));
  const isOwn = (there: Uint8Array, old: FileRecord | null): boolean =>
    equal(there, bytesOf(run.prepared.style)) || old?.checksum === crc32(there);
  return [
    ...files.filter(file => output.isEdited(file.path, isOurs(file))).map(file => file.path),
    ...(output.isEdited(ownStyle, isOwn) ? [ownStyle] : []),
    ...left.filter(path => output.isEdited(path, (there, old) => old?.checksum === crc32(there))),
  ];
}

/** Whether a finished page is what Kamino made of its source, which has not changed, and its own part as well. */
function isAsWritten(there: Uint8Array, old: FileRecord | null, source: () => Uint8Array | null): boolean {
  if (old === null || old.checksum === null) return false;
  const raw = rawOf(there);
  const inside = findInlaid(raw).reduce((sum, { start, end }) => crc32(raw.slice(start, end), sum), 0);
  if (inside !== old.checksum) return false;
  const bytes = source();
  return bytes !== null && lift(raw) === rawOf(bytes);
}

function isSource(file: SiteFile, old: FileRecord | null): boolean {
  return old?.sourceSize === file.size && old.sourceTime === file.time;
}

function equal(one: Uint8Array, other: Uint8Array): boolean {
  return Buffer.compare(one, other) === 0;
}

function goneFile(path: string, aside: string | null): Finding {
  const where =
    aside === null ? 'it would be moved out of the output' : `it was moved to ${shownPath(aside)}`;
  return finding('gone-page', { file: path }, `the site no longer has this file; ${where}`);
}

function emptyResult(open: OpenPlan): BuildResult {
  const output = shownPath(resolve(open.folder, open.plan?.output ?? 'built'));
  return {
    outcome: 'stopped',
    status: 2,
    findings: [],
    output,
    menus: [],
    pages: 0,
    created: [],
    changed: [],
    gone: [],
    same: 0,
  };
}

function stopped(result: BuildResult, findings: Finding[], status: 1 | 2): BuildResult {
  return { ...result, outcome: 'stopped', status, findings: sortFindings(findings) };
}

function ended(result: BuildResult, outcome: 'built' | 'nothing-new'): BuildResult {
  const findings = sortFindings(result.findings);
  return { ...result, outcome, status: hasErrors(findings) ? 1 : 0, findings };
}
