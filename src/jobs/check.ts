import { dirname } from 'node:path';
import { type WouldBuild, againstPlan } from '../core/check/carried.ts';
import { checkSite } from '../core/check/index.ts';
import { type Finding, hasErrors, sortFindings } from '../core/text/finding.ts';
import type { Checked, KeptCheck } from '../files/kept-check.ts';
import { oddFolder } from '../files/folder-errors.ts';
import { planIn, fromUser, shownPath } from '../files/paths.ts';
import type { Seen } from '../files/reading.ts';
import { ruleMistakes, weighed } from '../opening/weighed.ts';
import { type FolderOptions, openFolder } from '../opening/folder.ts';
import { type Finished, finishedPages } from './finished.ts';

export interface CheckOptions {
  /** A plan or its folder, whose finished pages are checked; or any folder of pages. */
  site?: string;
  /** In how many threads a large site is read. */
  threads?: number | undefined;
  progress?: (done: number, all: number) => void;
  /** The pages were built just now: whether they are older than their sources is not asked. */
  isFresh?: boolean;
}

export interface CheckResult {
  status: 0 | 1 | 2;
  findings: Finding[];
  /** The folder that was checked, as the user sees it. */
  site: string;
  pages: number;
  links: number;
  /** How many menus of Kamino's the pages carry. */
  menus: number;
}

/** Looks for what is wrong in finished pages. */
export async function check({
  site: given,
  threads,
  progress,
  isFresh,
}: CheckOptions = {}): Promise<CheckResult> {
  const folder = finishedPages(given);
  const { root, plan, above, missing, isPlanned, opened } = folder;
  const shown = shownPath(root);
  if (missing) return { status: 2, findings: [missing], site: shown, pages: 0, links: 0, menus: 0 };
  const { findings: found, pages, links, menus } = await lookedThrough(folder, { threads, progress });
  const against = isPlanned && isFresh !== true ? await planned(plan) : [];
  const findings = sortFindings([
    ...weighed(against, opened),
    ...oddFolder(root, { hasPages: pages > 0, above }),
    ...ruleMistakes(opened),
    ...fromUser(weighed(found, opened), root),
  ]);
  return { status: hasErrors(findings) ? 1 : 0, findings, site: shown, pages, links, menus };
}

type Reading = Pick<FolderOptions, 'threads' | 'progress'>;

/** What is wrong in a folder, whatever the plan says of its rules: found now, or once when all was as it is. */
async function lookedThrough(folder: Finished, reading: Reading): Promise<Checked> {
  const kept = folder.isPlanned ? await keptCheck(folder) : null;
  const known = kept?.found();
  if (known) return known;
  const { checked, isWhole } = look(folder, reading);
  if (isWhole) kept?.keep(checked);
  return checked;
}

/** What is kept lies beside a plan. */
async function keptCheck({ root, plan, base }: Finished): Promise<KeptCheck> {
  const { KeptCheck } = await import('../files/kept-check.ts');
  return new KeptCheck({ root, plan, base });
}

/** Says too whether all pages could be read. */
function look({ root, plan, base }: Finished, reading: Reading): { checked: Checked; isWhole: boolean } {
  const { site, findings } = openFolder(root, { plan, isLifted: false, base, ...reading });
  const pages = [...site.pages.values()];
  const links = pages.map(page => page.linkSummary);
  const checked = {
    findings: [...findings, ...checkSite(site)],
    pages: pages.length,
    links: links.reduce((sum, { count }) => sum + count, 0),
    menus: links.flatMap(({ menus }) => menus.filter(name => name !== 'skip')).length,
  };
  return { checked, isWhole: findings.length === 0 };
}

/** What a build would find and do now. */
async function planned(plan: string): Promise<Finding[]> {
  const { glance } = await import('./glance.ts');
  const { result, seen } = await glance(plan);
  return againstPlan(
    result ? { files: [], findings: result.findings } : await dryRun(plan, seen),
    `kamino build${whereOf(plan)}`,
  );
}

async function dryRun(plan: string, seen: Seen | null): Promise<WouldBuild> {
  const { make } = await import('./make.ts');
  const { outcome, created, changed, gone, findings } = await make(plan, { dryRun: true }, seen);
  return { files: outcome === 'stopped' ? [] : [...created, ...changed, ...gone], findings };
}

/** As the user names a plan: its folder, or itself where it has another name. */
function whereOf(plan: string): string {
  const folder = dirname(plan);
  const shown = shownPath(planIn(folder) === plan ? folder : plan);
  return shown === '.' ? '' : ` ${shown}`;
}
