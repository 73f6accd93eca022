import type { SitePath } from '../address/path.ts';
import { endOfLink } from '../site/links.ts';
import { mostFrequent } from '../text/frequent.ts';
import { type CopyEntry, copyEntries } from './copy-entries.ts';
import { type HandEntry, type HandMenu, type HandSite, type NavigationKind, flatEntries } from './types.ts';

const longestLabel = 40;
/** More links than this lead not only to the page before and the page behind. */
const mostTurning = 5;
/** Words by which pages are turned, in some languages. */
const turningWords =
  'prev\\w*|next|back|up|top|first|last|newer|older|nesaf|blaenorol|yn ôl|weiter|zurück|nächste\\w*|vorherige\\w*|suivante?|précédente?|siguiente|anterior|successiv[oa]|precedente|volgende|vorige';
const turning = new RegExp(`^\\W*(?:${turningWords})(?![\\p{L}\\p{N}])`, 'iu');
const turningOnly = new RegExp(`^\\W*(?:\\d+|${turningWords})\\W*$`, 'iu');
const arrow = /^[«‹←⇐<]|[»›→⇒>]$/u;

/** The way to the page before, or to the one behind: by its word, its arrow or its `rel`. */
export function isTurning({ label, marks }: HandEntry): boolean {
  return marks.includes('rel=next') || marks.includes('rel=prev') || turning.test(label) || arrow.test(label);
}

/** What a row of links is by its entries alone. @param page the file name of its page: that leads to the page, too */
export function kindOfEntries(
  entries: readonly HandEntry[],
  page: string,
): Exclude<NavigationKind, 'breadcrumb'> {
  const all = flatEntries(entries).map(({ entry }) => entry);
  const links = all.filter(one => one.href !== null);
  const plain = all.filter(one => one.href === null && one.entries.length === 0);
  const turners = links.filter(isTurning).length;
  if (turners > 0 && turners * 2 >= links.length && links.length <= mostTurning) return 'previous-next';
  if (links.length < 2 || plain.length > Math.max(1, links.length / 2)) return 'list';
  const isOwn = (href: string): boolean => href.startsWith('#') || href.startsWith(`${page}#`);
  if (isMost(links.filter(one => isOwn(one.href!.trim())).length, links.length)) return 'sections';
  const labels = links.map(one => one.label);
  if (labels.reduce((sum, label) => sum + label.length, 0) > longestLabel * labels.length) return 'list';
  return labels.filter(label => turningOnly.test(label)).length * 2 < labels.length ? 'menu' : 'list';
}

const isMost = (some: number, all: number): boolean => some * 3 >= all * 2;

/** What the rows of links of a site are, as its pages show together. */
export function navigationKinds(site: HandSite): ReadonlyMap<HandMenu, NavigationKind> {
  const kept = known.get(site);
  if (kept) return kept;
  const kinds = new Map<HandMenu, NavigationKind>();
  const byElement = new Map<string, Row[]>();
  const toSections: Row[] = [];
  for (const [path, menus] of site.candidates)
    for (const menu of menus) {
      const hrefs =
        menu.kind === 'menu' ? flatEntries(menu.entries).flatMap(({ entry }) => entry.href ?? []) : [];
      const kind = kindOn({ path, menu }, hrefs, site);
      kinds.set(menu, kind);
      if (kind === 'menu' && leadToSections(hrefs)) toSections.push({ path, menu });
      if (!menu.element.includes(' ')) continue;
      const alike = byElement.get(menu.element);
      if (alike) alike.push({ path, menu });
      else byElement.set(menu.element, [{ path, menu }]);
    }
  for (const alike of byElement.values()) {
    unturn(alike, kinds, site);
    adjust(alike, kinds);
  }
  adopt(toSections, kinds, site);
  known.set(site, kinds);
  return kinds;
}

/** Whether most of these addresses are of places in one page. */
function leadToSections(hrefs: readonly string[]): boolean {
  const places = hrefs.filter(href => href.includes('#'));
  if (!isMost(places.length, hrefs.length)) return false;
  const page = mostFrequent(places.map(pageOf));
  return isMost(places.filter(href => pageOf(href) === page).length, hrefs.length);
}

const pageOf = (address: string): string => address.replace(/#.*/, '');

/** On the page whose sections menus of other pages lead to, the same row is a copy of them. */
function adopt(rows: readonly Row[], kinds: Map<HandMenu, NavigationKind>, site: HandSite): void {
  const seen = new Set<string>();
  const leads = ({ key, target }: CopyEntry): string => `${key} ${target ?? ''}`;
  for (const { path, menu } of rows) {
    const own = copyEntries(menu, path, site);
    const page = mostFrequent(own.map(({ target }) => pageOf(target ?? '')));
    // Rows of one kind that lead to one page are copies of each other.
    const name = `${menu.element}\n${page ?? ''}`;
    if (page === null || seen.has(name)) continue;
    seen.add(name);
    const all = new Set(own.map(leads));
    for (const one of site.candidates.get(page) ?? []) {
      if (kinds.get(one) !== 'sections' || one.element !== menu.element) continue;
      const there = copyEntries(one, page, site);
      const same = there.filter(entry => all.has(leads(entry))).length;
      if (isMost(same, Math.max(there.length, own.length))) kinds.set(one, 'menu');
    }
  }
}

const known = new WeakMap<HandSite, ReadonlyMap<HandMenu, NavigationKind>>();

function kindOn({ path, menu }: Row, links: readonly string[], site: HandSite): NavigationKind {
  // The menu of a site of one page leads to the sections of that page.
  if (site.pages.size === 1) return menu.kind === 'sections' ? 'menu' : menu.kind;
  if (menu.kind !== 'menu') return menu.kind;
  const page = site.pages.get(path)!;
  const own = links.filter(href => {
    if (!href.includes('#')) return false;
    const end = endOfLink(href, page, site);
    return end.kind === 'page' && end.path === path;
  });
  return isMost(own.length, links.length) ? 'sections' : 'menu';
}

interface Row {
  path: SitePath;
  menu: HandMenu;
}

/** Links that are called as those to the next page, and lead to the same from everywhere, turn no pages: `First`, `Top ten`. */
function unturn(alike: readonly Row[], kinds: Map<HandMenu, NavigationKind>, site: HandSite): void {
  const turning = alike.filter(({ menu }) => kinds.get(menu) === 'previous-next');
  if (turning.length < 2) return;
  const targets = new Map<string, Map<string, number>>();
  for (const { path, menu } of turning)
    for (const { entry, key, target } of copyEntries(menu, path, site)) {
      if (target === null || !isTurning(entry)) continue;
      const counts = targets.get(key) ?? new Map<string, number>();
      targets.set(key, counts.set(target, (counts.get(target) ?? 0) + 1));
    }
  const counts = [...targets.values()].map(one => [...one.values()]);
  const all = counts.flat().reduce((sum, one) => sum + one, 0);
  const same = counts.reduce((sum, one) => sum + Math.max(...one), 0);
  if (all > counts.length && isMost(same, all)) for (const { menu } of turning) kinds.set(menu, 'menu');
}

/** Elements of the same name, class and id are of one kind, where most of them are. */
function adjust(rows: readonly Row[], kinds: Map<HandMenu, NavigationKind>): void {
  if (rows.length < 3) return;
  const alike = rows.map(one => one.menu);
  const counts = new Map<NavigationKind, number>();
  for (const menu of alike) {
    const kind = kinds.get(menu)!;
    counts.set(kind, (counts.get(kind) ?? 0) + 1);
  }
  for (const [kind, count] of counts) {
    if (count * 2 <= alike.length) continue;
    // Where most are menus, one with few links is one; what turns pages or leads through them is not.
    const others = kind === 'menu' ? alike.filter(menu => kinds.get(menu) === 'list') : alike;
    for (const menu of others) kinds.set(menu, kind);
  }
}
