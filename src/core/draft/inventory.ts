import type { SitePath } from '../address/path.ts';
import { menuNames } from '../hand/names.ts';
import type { SiteEntry } from '../hand/shared.ts';
import { type Navigation, navigations } from '../hand/navigation.ts';
import { type SiteMenu, siteMenus } from '../hand/site-menus.ts';
import type { HandMenu, HandSite } from '../hand/types.ts';
import { eachLink } from '../site/links.ts';
import { type BesideLinks, besideLinks } from '../page/beside-links.ts';
import { counted, shortened } from '../text/nearest.ts';
import { saysMore, saysWhose } from './beside.ts';

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

/** What each page of a site has. */
export function inventoryPages(site: HandSite): InventoryPage[] {
  /** How many pages lead to each, and the last of them. */
  const linkedFrom = new Map<SitePath, { pages: number; last: SitePath }>();
  const counts = new Map<SitePath, InventoryPage['links']>();
  for (const path of site.pages.keys()) {
    linkedFrom.set(path, { pages: 0, last: path });
    counts.set(path, { page: 0, file: 0, away: 0, nowhere: 0 });
  }
  eachLink(site, (_, end, page) => {
    const { path } = page.frame;
    const linked = end.kind === 'page' ? linkedFrom.get(end.path) : undefined;
    if (linked && linked.last !== path && end.kind === 'page' && end.path !== path) {
      linked.pages += 1;
      linked.last = path;
    }
    const isSomewhere = end.kind === 'page' || end.kind === 'file' || end.kind === 'away';
    counts.get(path)![isSomewhere ? end.kind : 'nowhere'] += 1;
  });
  return [...site.pages.values()].map(({ frame, headings, ids, words }) => ({
    path: frame.path,
    title: frame.title,
    language: frame.language,
    charset: frame.charset.name,
    words,
    sections: headings.map(({ level, text, id }) => ({ level, text, id })),
    ids: ids.map(one => one.id),
    linkedFrom: linkedFrom.get(frame.path)!.pages,
    links: counts.get(frame.path)!,
  }));
}

/** The menus that recur over the pages of a site. */
export function inventoryMenus(site: HandSite): InventoryMenu[] {
  return siteMenus(site).map(({ selectors, copies, lacking, entries }) => ({
    selectors: selectors.map(({ selector, pages }) => ({ selector, pages: pages.length })),
    carriedBy: [...copies.keys()].sort(),
    lacking: [...lacking],
    entries: entries.map(entryOf),
  }));
}

function entryOf({ label, target, entries }: SiteEntry): InventoryEntry {
  return { label, target, entries: entries.map(entryOf) };
}

/** What leads through a site beside its menus, and differs from page to page by design. */
export interface InventoryNavigation {
  kind: Navigation['kind'];
  /** Finds the first on each page. */
  selector: string;
  carriedBy: string[];
}

export function inventoryNavigations(site: HandSite): InventoryNavigation[] {
  return navigations(site).map(({ kind, selector, copies }) => ({
    kind,
    selector,
    carriedBy: [...copies.keys()].sort(),
  }));
}

const mostNamed = 3;

/** The command to go on with: the menus that most pages carry are what a plan takes over. */
export function nextStep(site: HandSite, folder: string): { command: string; about: string } {
  const taken = new Set<string>();
  const usual = siteMenus(site).filter(menu => {
    if (standsAtFoot(menu) && has(saysWhose, menu, site)) return false;
    const selector = menu.selectors[0]?.selector;
    // The menus of several languages or areas that have a selector in common are drafted together.
    if (selector === undefined || !menu.isUsual || taken.has(selector)) return false;
    taken.add(selector);
    return true;
  });
  const atFoot = usual.filter(one => standsAtFoot(one)).length;
  const likely = usual.filter(
    one => !standsAtFoot(one) || isNamed(one) || (atFoot < 2 && !isHeaded(one, site)),
  );
  // A row that says more would stay as it is: it is the last choice.
  const silent = likely.filter(one => !has(saysMore, one, site));
  const chosen = silent.length > 0 ? silent : likely.slice(0, 1);
  const command = `kamino draft${folder === '.' ? '' : ` ${folder}`}`;
  const [first] = chosen;
  if (!first) return { command, about: 'no menu is on most pages: by folders and titles' };
  const names = menuNames(chosen);
  const options = chosen.map((menu, at) => {
    const selector = JSON.stringify(menu.selectors[0]!.selector);
    return `--from ${at === 0 ? '' : `${names[at]!}=`}${selector}`;
  });
  return { command: `${command} ${options.join(' ')}`, about: aboutMenu(first, site.pages.size) };
}

const firstCopy = ({ copies }: SiteMenu): HandMenu => [...copies.values()][0]!;
const standsAtFoot = (menu: SiteMenu): boolean => firstCopy(menu).region === 'footer';

/** Whether something stands beside the links of a menu, in its first copy: in the line that says whose the page is they are no menu. */
function has(is: (one: BesideLinks) => boolean, { copies }: SiteMenu, site: HandSite): boolean {
  const [path, { start, end }] = [...copies][0]!;
  const { raw, charset } = site.pages.get(path)!.frame;
  return end >= 0 && besideLinks(raw.slice(start, end), charset).some(is);
}

/** Several lists without a name at the foot of a page are its columns, and no menu that goes by itself. */
const isNamed = (menu: SiteMenu): boolean => /^nav\b| /.test(firstCopy(menu).element);

/** Right behind a heading a list at the foot is one of its columns. */
function isHeaded({ copies }: SiteMenu, site: HandSite): boolean {
  const [path, { start }] = [...copies][0]!;
  return /<\/h[1-6]\s*>\s*$/i.test(
    site.pages.get(path)!.frame.raw.slice(Math.max(0, start - farthest), start),
  );
}
const farthest = 80;

function aboutMenu({ selectors, lacking }: SiteMenu, all: number): string {
  const [best, ...others] = selectors;
  return [
    `${best!.pages.length} of ${counted(all, 'page')}`,
    ...others.map(({ selector, pages }) => `${counted(pages.length, 'page')}: "${selector}"`),
    ...(lacking.length > 0 ? [`none on ${shortened(lacking, mostNamed)}`] : []),
  ].join('; ');
}
