import { existsSync, statSync } from 'node:fs';
import { resolve } from 'node:path';
import { pathMatcher } from '../core/address/glob.ts';
import { checkSite } from '../core/check/index.ts';
import { menuNames } from '../core/site/hand/names.ts';
import type { SiteEntry } from '../core/site/hand/shared.ts';
import { type SiteMenu, siteMenus } from '../core/site/hand/site-menus.ts';
import { linksOf } from '../core/site/links.ts';
import type { WholeSite } from '../core/site/whole.ts';
import { counted, shortened } from '../core/text/nearest.ts';
import { type Finding, finding, hasErrors, sortFindings } from '../core/text/finding.ts';
import { SiteRecord } from '../files/record.ts';
import { inPlace } from './own.ts';
import { findPlan, fromUser, isPartOfSite, shownPath } from './paths.ts';
import { type ReadOptions, readSite } from './read-site.ts';

export interface InventoryPage {
  path: string;
  title: string | null;
  language: string | null;
  charset: string;
  words: number;
  /** Headings with their ids, in order. */
  sections: { level: number; text: string; id: string | null }[];
  ids: string[];
  /** How many pages link to it, and how many links it has to pages of the site, to files, away from it and to nowhere. */
  linkedFrom: number;
  links: { page: number; file: number; away: number; nowhere: number };
}

/** A menu written by hand. */
export interface InventoryMenu {
  /** What finds its copies, tried in order, and on how many pages each is needed. */
  selectors: { selector: string; pages: number }[];
  /** Pages that carry it, and those that do not. */
  carriedBy: string[];
  lacking: string[];
  /** What most copies hold. */
  entries: InventoryEntry[];
}

export interface InventoryEntry {
  label: string;
  /** A path in the site, an address elsewhere, or null. */
  target: string | null;
  entries: InventoryEntry[];
}

export interface Inventory {
  status: 0 | 1 | 2;
  site: string;
  pages: InventoryPage[];
  /** Files that are no pages. */
  otherFiles: number;
  menus: InventoryMenu[];
  /** The command to go on with. */
  next: { command: string; about: string };
  findings: Finding[];
}

const nothing = { pages: [], otherFiles: 0, menus: [], next: { command: 'kamino draft', about: '' } };

/** What a site has, and what is wrong in it. What Kamino put in is not counted. */
export function inventory(folder = '.', options: Pick<ReadOptions, 'progress'> = {}): Inventory {
  const root = resolve(folder);
  const site = shownPath(root);
  if (!existsSync(root) || !statSync(root).isDirectory()) {
    const missing = finding(
      'cannot-read',
      { file: site },
      'there is no such folder',
      'Name the folder of your pages.',
    );
    return { status: 2, site, ...nothing, findings: [missing] };
  }
  const record = new SiteRecord(root, true);
  const outputs = ['built', ...record.folders].filter(name => name !== inPlace);
  const folders = outputs.map(name => resolve(root, name));
  const inSite = isPartOfSite(root, findPlan(root), folders, pathMatcher([]));
  const reading = readSite(root, '**/*.{html,htm}', path => !inSite(path), {
    ...options,
    lifted: true,
    taken: hash => record.taken(hash),
  });
  const findings = sortFindings(fromUser([...reading.findings, ...checkSite(reading.site)], root));
  const { files } = reading.site;
  const pages = pagesOf(reading.site);
  return {
    status: hasErrors(findings) ? 1 : 0,
    site,
    pages,
    otherFiles: files.size - pages.length,
    menus: siteMenus(reading.site).map(menuOf),
    next: nextStep(reading.site, folder),
    findings,
  };
}

function menuOf({ selectors, copies, lacking, entries }: SiteMenu): InventoryMenu {
  return {
    selectors: selectors.map(({ selector, pages }) => ({ selector, pages: pages.length })),
    carriedBy: [...copies.keys()].sort(),
    lacking: [...lacking],
    entries: entries.map(entryOf),
  };
}

function entryOf({ label, target, entries }: SiteEntry): InventoryEntry {
  return { label, target, entries: entries.map(entryOf) };
}

const mostNamed = 3;

/** The menus that most pages carry are what a plan takes over. */
function nextStep(site: WholeSite, folder: string): Inventory['next'] {
  const usual = siteMenus(site).filter(
    menu => menu.selectors.length > 0 && menu.copies.size * 2 > site.pages.size,
  );
  const where = folder === '.' ? '' : ` ${folder}`;
  const [first] = usual;
  if (!first)
    return { command: `kamino draft${where}`, about: 'no menu is on most pages: by folders and titles' };
  const names = menuNames(usual);
  const options = usual.map((menu, at) => {
    const selector = JSON.stringify(menu.selectors[0]!.selector);
    return `--from ${at === 0 ? '' : `${names[at]!}=`}${selector}`;
  });
  const [best, ...others] = first.selectors;
  const all = site.pages.size;
  const about = [
    `${best!.pages.length} of ${counted(all, 'page')}`,
    ...others.map(({ selector, pages }) => `${counted(pages.length, 'page')}: "${selector}"`),
    ...(first.lacking.length > 0 ? [`none on ${shortened(first.lacking, mostNamed)}`] : []),
  ];
  return { command: `kamino draft${where} ${options.join(' ')}`, about: about.join('; ') };
}

function pagesOf(site: ReturnType<typeof readSite>['site']): InventoryPage[] {
  const links = linksOf(site);
  const linkedFrom = new Map<string, Set<string>>();
  for (const { end, page } of links) {
    if (end.kind !== 'page' || end.path === page.frame.path) continue;
    linkedFrom.set(end.path, (linkedFrom.get(end.path) ?? new Set()).add(page.frame.path));
  }
  const counts = new Map<string, InventoryPage['links']>();
  for (const path of site.pages.keys()) counts.set(path, { page: 0, file: 0, away: 0, nowhere: 0 });
  for (const { end, page } of links) {
    const isSomewhere = end.kind === 'page' || end.kind === 'file' || end.kind === 'away';
    counts.get(page.frame.path)![isSomewhere ? end.kind : 'nowhere'] += 1;
  }
  return [...site.pages.values()].map(({ frame, headings, ids, words }) => ({
    path: frame.path,
    title: frame.title,
    language: frame.language,
    charset: frame.charset.name,
    words,
    sections: headings.map(({ level, text, id }) => ({ level, text, id })),
    ids: ids.map(one => one.id),
    linkedFrom: linkedFrom.get(frame.path)?.size ?? 0,
    links: counts.get(frame.path)!,
  }));
}
