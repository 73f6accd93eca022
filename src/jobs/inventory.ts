import { existsSync, statSync } from 'node:fs';
import { resolve } from 'node:path';
import { pathMatcher } from '../core/address/glob.ts';
import { checkSite } from '../core/check/index.ts';
import { linksOf } from '../core/site/links.ts';
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
  /** How many pages link to it, and how many links it has to pages of the site and elsewhere. */
  linkedFrom: number;
  links: { page: number; file: number; away: number };
}

export interface Inventory {
  status: 0 | 1 | 2;
  site: string;
  pages: InventoryPage[];
  /** Files that are no pages. */
  otherFiles: number;
  findings: Finding[];
}

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
    return { status: 2, site, pages: [], otherFiles: 0, findings: [missing] };
  }
  const outputs = ['built', ...new SiteRecord(root, true).folders].filter(name => name !== inPlace);
  const folders = outputs.map(name => resolve(root, name));
  const inSite = isPartOfSite(root, findPlan(root), folders, pathMatcher([]));
  const reading = readSite(root, '**/*.{html,htm}', path => !inSite(path), { ...options, lifted: true });
  const findings = sortFindings(fromUser([...reading.findings, ...checkSite(reading.site)], root));
  const { files } = reading.site;
  const pages = pagesOf(reading.site);
  return {
    status: hasErrors(findings) ? 1 : 0,
    site,
    pages,
    otherFiles: files.size - pages.length,
    findings,
  };
}

function pagesOf(site: ReturnType<typeof readSite>['site']): InventoryPage[] {
  const links = linksOf(site);
  const linkedFrom = new Map<string, Set<string>>();
  for (const { end, page } of links) {
    if (end.kind !== 'page' || end.path === page.frame.path) continue;
    linkedFrom.set(end.path, (linkedFrom.get(end.path) ?? new Set()).add(page.frame.path));
  }
  const counts = new Map<string, { page: number; file: number; away: number }>();
  for (const path of site.pages.keys()) counts.set(path, { page: 0, file: 0, away: 0 });
  for (const { end, page } of links) {
    if (end.kind === 'page' || end.kind === 'file' || end.kind === 'away')
      counts.get(page.frame.path)![end.kind] += 1;
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
