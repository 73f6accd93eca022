import type { SitePath } from '../address/path.ts';
import type { Menu } from '../plan/types.ts';
import { marksOn } from './marks.ts';
import type { ResolvedEntry, ResolvedMenu } from './types.ts';

/** What pages have of a menu, by its form and where its entries come from. */
export function shownBy({ form, set, from }: Menu): ResolvedMenu['shows'] {
  if (form === 'breadcrumb') return 'trail';
  if (form === 'contents') return 'contents';
  if (set) return 'set';
  return from?.part === 'branch' ? 'branch' : 'entries';
}

/** What a menu shows on a page; nothing where it has nothing to show there. */
export function entriesOn(menu: ResolvedMenu, page: SitePath): readonly ResolvedEntry[] {
  switch (menu.shows) {
    case 'entries':
      return menu.entries;
    case 'branch':
      return branchOf(menu, page);
    case 'trail':
      return trailTo(menu, page);
    case 'contents':
      return menu.contents!.get(page) ?? [];
    case 'set':
      return neighbours(menu, page);
  }
}

/** Whether a menu has something to show on a page. */
export function isShown(menu: ResolvedMenu, page: SitePath): boolean {
  return menu.shows === 'entries' || entriesOn(menu, page).length > 0;
}

/** What lies below the top entry that the page is in. */
function branchOf(menu: ResolvedMenu, page: SitePath): readonly ResolvedEntry[] {
  const marks = marksOn(menu, page);
  return menu.entries.find(one => marks.has(one))?.entries ?? [];
}

/** The entries from the top down to the page, and the page itself where no entry names it. */
function trailTo(menu: ResolvedMenu, page: SitePath): readonly ResolvedEntry[] {
  const { front } = menu;
  const own = menu.pages?.get(page);
  const marks = marksOn(menu, page);
  const chain: ResolvedEntry[] = [];
  for (let level: readonly ResolvedEntry[] = menu.entries; ;) {
    const next = level.find(one => marks.has(one));
    if (!next) break;
    chain.push(next);
    if (marks.get(next) === 'current') break;
    level = next.entries;
  }
  const isNamed = chain.length > 0 && marks.get(chain.at(-1)!) === 'current';
  const home = front !== null && page !== front ? menu.pages?.get(front) : undefined;
  const all = [
    ...(home && !leadsTo(chain[0], front!) ? [home] : []),
    ...chain,
    ...(isNamed || !own ? [] : [own]),
  ];
  return all.length > 1 ? all : [];
}

function leadsTo(entry: ResolvedEntry | undefined, path: SitePath): boolean {
  return entry?.leadsTo.kind === 'page' && entry.leadsTo.path === path;
}

/** The page before and the page behind this one; null stands for none at an end. */
function neighbours(menu: ResolvedMenu, page: SitePath): readonly ResolvedEntry[] {
  const at = placeIn(menu, page);
  if (at < 0) return [];
  return [menu.entries[at - 1], menu.entries[at + 1]].filter(one => one !== undefined);
}

const places = new WeakMap<ResolvedMenu, ReadonlyMap<SitePath, number>>();

/** Where the first entry stands that leads to a page; -1 for none. */
function placeIn(menu: ResolvedMenu, page: SitePath): number {
  const known = places.get(menu) ?? placesOf(menu);
  places.set(menu, known);
  return known.get(page) ?? -1;
}

function placesOf({ entries }: ResolvedMenu): Map<SitePath, number> {
  const found = new Map<SitePath, number>();
  for (const [at, { leadsTo: to }] of entries.entries())
    if (to.kind === 'page' && !found.has(to.path)) found.set(to.path, at);
  return found;
}

/** Whether a neighbour comes before the page. */
export function isBefore(menu: ResolvedMenu, entry: ResolvedEntry, page: SitePath): boolean {
  return menu.entries[placeIn(menu, page) - 1] === entry;
}
