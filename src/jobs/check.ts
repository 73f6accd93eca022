import { existsSync, statSync } from 'node:fs';
import { dirname, resolve } from 'node:path';
import { pathMatcher } from '../core/address/glob.ts';
import { checkSite } from '../core/check/index.ts';
import { type Finding, finding, hasErrors, sortFindings } from '../core/text/finding.ts';
import { SiteRecord } from '../files/record.ts';
import { inPlace } from './own.ts';
import { findPlan, fromUser, isPartOfSite, shownPath } from './paths.ts';
import { openPlan } from './project.ts';
import { readSite } from './read-site.ts';
import { siteStyles } from './site-styles.ts';

export interface CheckOptions {
  /** A plan or its folder, whose finished pages are checked; or any folder of pages. */
  site?: string;
  progress?: (done: number, all: number) => void;
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
export function check(options: CheckOptions = {}): CheckResult {
  const { root, plan, base, missing } = folderToCheck(options.site);
  const empty = { site: shownPath(root), pages: 0, links: 0, menus: 0 };
  if (missing) return { ...empty, status: 2, findings: [missing] };
  const record = new SiteRecord(dirname(plan), true);
  const outputs = ['built', ...record.folders]
    .filter(name => name !== inPlace)
    .map(name => resolve(dirname(plan), name));
  const inSite = isPartOfSite(
    root,
    plan,
    outputs.filter(folder => folder !== root),
    pathMatcher([]),
  );
  const reading = readSite(root, '**/*.{html,htm}', path => !inSite(path), { ...options, menus: true, base });
  const site = { ...reading.site, styles: siteStyles(root, reading.site) };
  const findings = sortFindings(fromUser([...reading.findings, ...checkSite(site)], root));
  const pages = [...site.pages.values()];
  const ours = pages.flatMap(page =>
    [...new Set(page.links.flatMap(link => link.menu ?? []))].filter(name => name !== 'skip'),
  );
  return {
    status: hasErrors(findings) ? 1 : 0,
    findings,
    site: shownPath(root),
    pages: pages.length,
    links: pages.reduce((sum, page) => sum + page.links.length, 0),
    menus: ours.length,
  };
}

/** The finished pages of a plan; where there is no plan, the folder itself. */
function folderToCheck(given = '.'): { root: string; plan: string; base: string; missing: Finding | null } {
  const file = findPlan(given);
  const told = (root: string, message: string, remedy: string): ReturnType<typeof folderToCheck> => ({
    root,
    plan: file,
    base: '/',
    missing: finding('cannot-read', { file: shownPath(root) }, message, remedy),
  });
  const path = resolve(given);
  if (!existsSync(path))
    return told(path, 'there is no such folder', 'Name the folder of a plan, or of pages.');
  if (!existsSync(file)) return { root: path, plan: file, base: '/', missing: null };
  const open = openPlan(given);
  if (!open.plan) return { root: path, plan: file, base: '/', missing: open.findings[0] ?? null };
  const { output, site } = open.plan;
  const root = resolve(open.folder, output === inPlace ? site : output);
  if (existsSync(root) && statSync(root).isDirectory())
    return { root, plan: file, base: open.plan.links.base, missing: null };
  return told(root, 'the finished pages are not there yet', 'Build them first:  kamino build');
}
