import type { SitePath } from '../address/path.ts';
import { endOfLink } from '../site/links.ts';
import { type SiteEntry, copyEntries, entryKey, flatShared, sharedEntries } from './shared.ts';
import { type HandMenu, type HandSite, flatEntries } from './types.ts';

/** One menu written by hand, with all its copies. */
export interface SiteMenu {
  copies: ReadonlyMap<SitePath, HandMenu>;
  /** Pages without it. */
  lacking: readonly SitePath[];
  /** What most copies hold. */
  entries: readonly SiteEntry[];
  /** Tried in order, they find every copy that has a selector, each with how many pages it is needed for. */
  selectors: readonly { selector: string; pages: readonly SitePath[] }[];
}

/** The menus that recur over the pages of a site, those on most pages first; on a single page, those to its sections. */
export function siteMenus(site: HandSite): SiteMenu[] {
  const kept = known.get(site);
  if (kept) return kept;
  const clusters: Cluster[] = [];
  for (const [path, menus] of orderedPages(site)) place(clusters, path, menus, site);
  const found = clusters
    .filter(one => isCarried(one, site) && isOfThisPage(one, site))
    .map(one => menuOf(one, clusters, site))
    .filter(menu => new Set(flatShared(menu.entries).flatMap(one => one.target ?? [])).size > 1)
    .sort((one, other) => weight(other, site) - weight(one, site) || firstStart(one) - firstStart(other));
  known.set(site, found);
  return found;
}

const known = new WeakMap<HandSite, SiteMenu[]>();

/** A list in the text of a few pages is no menu, however alike: a menu stands on a fair share of them, or says what it is. */
function isCarried({ copies, counts }: Cluster, site: HandSite): boolean {
  const all = site.pages.size;
  if (copies.size >= (all === 1 ? 1 : Math.max(2, Math.ceil(all / 10)))) return true;
  const [first] = copies.values();
  const isNamed = /^nav\b|\b(?:nav|menu)/i.test(first!.kind);
  const always = [...counts.values()].filter(count => count * 10 >= copies.size * 9).length;
  return isNamed && copies.size >= 3 && always * 10 >= counts.size * 8;
}

interface Cluster {
  copies: Map<SitePath, HandMenu>;
  /** How often each label, and each target, has been met. */
  counts: Map<string, number>;
}

/** The front page first: it is what the copies are most likely copies of. */
function orderedPages(site: HandSite): [SitePath, readonly HandMenu[]][] {
  const all = [...site.candidates];
  return [...all.filter(([path]) => path === site.front), ...all.filter(([path]) => path !== site.front)];
}

/** Labels and targets of a copy. */
function keysOf(menu: HandMenu, path: SitePath, site: HandSite): string[] {
  const keys = copyEntries(menu, path, site).flatMap(({ entry, target }) => [
    entry.label === '' ? null : `label ${entryKey(entry.label)}`,
    target === null ? null : `target ${target}`,
  ]);
  return [...new Set(keys.filter(one => one !== null))];
}

const leastAlike = 0.5;

/** Gives each menu of a page to the cluster that it is most like; each takes one a page. */
function place(clusters: Cluster[], path: SitePath, menus: readonly HandMenu[], site: HandSite): void {
  const keys = menus.map(menu => keysOf(menu, path, site));
  const pairs = menus.flatMap((menu, at) =>
    clusters.map(cluster => ({ at, cluster, score: alike(menu, keys[at]!, cluster) })),
  );
  pairs.sort((one, other) => other.score - one.score || one.at - other.at);
  const placed = new Set<number>();
  const taken = new Set<Cluster>();
  for (const { at, cluster, score } of pairs) {
    if (score < leastAlike || placed.has(at) || taken.has(cluster)) continue;
    placed.add(at);
    taken.add(cluster);
    add(cluster, path, menus[at]!, keys[at]!);
  }
  menus.forEach((menu, at) => {
    if (placed.has(at)) return;
    const cluster: Cluster = { copies: new Map(), counts: new Map() };
    add(cluster, path, menu, keys[at]!);
    clusters.push(cluster);
  });
}

function add(cluster: Cluster, path: SitePath, menu: HandMenu, keys: readonly string[]): void {
  cluster.copies.set(path, menu);
  for (const key of keys) cluster.counts.set(key, (cluster.counts.get(key) ?? 0) + 1);
}

/** Share of the smaller one's labels and targets that both have, and a little for standing at the same place. */
function alike(menu: HandMenu, keys: readonly string[], { copies, counts }: Cluster): number {
  const usual = [...counts].filter(([, count]) => count * 2 >= copies.size).map(([key]) => key);
  const shared = keys.filter(key => (counts.get(key) ?? 0) * 2 >= copies.size).length;
  if (shared < 3) return 0;
  const share = shared / Math.min(keys.length, usual.length);
  if (share < 0.4) return 0;
  const [first] = copies.values();
  const sameKind = first!.kind === menu.kind ? 0.3 : 0;
  const sameRegion = first!.region === menu.region ? 0.2 : 0;
  return share * 0.8 + sameKind + sameRegion - (sameKind + sameRegion === 0 ? 0.2 : 0);
}

/** On a site of one page a menu leads to sections of that page. */
function isOfThisPage(cluster: Cluster, site: HandSite): boolean {
  if (site.pages.size > 1) return true;
  const [[path, menu]] = [...cluster.copies] as [[SitePath, HandMenu]];
  const page = site.pages.get(path)!;
  const links = [...flatEntries(menu.entries)].flatMap(({ entry }) => entry.href ?? []);
  const own = links.filter(href => {
    const end = endOfLink(href, page, site);
    return href.startsWith('#') || end.kind === 'no-hash' || (end.kind === 'page' && end.path === path);
  });
  return /^nav\b/.test(menu.kind) || own.length * 2 >= links.length;
}

function menuOf(cluster: Cluster, clusters: readonly Cluster[], site: HandSite): SiteMenu {
  const others = clusters.filter(one => one !== cluster);
  return {
    copies: cluster.copies,
    lacking: [...site.pages.keys()].filter(path => !cluster.copies.has(path)).sort(),
    entries: sharedEntries(cluster.copies, site),
    selectors: selectorsFor(cluster, others),
  };
}

/** As few selectors as find all copies, and never another menu where a copy is missing. */
function selectorsFor(cluster: Cluster, others: readonly Cluster[]): SiteMenu['selectors'] {
  const foreign = new Map<string, Set<SitePath>>();
  for (const { copies } of others)
    for (const [path, menu] of copies)
      for (const selector of menu.selectors)
        foreign.set(selector, (foreign.get(selector) ?? new Set()).add(path));
  const open = new Map(cluster.copies);
  const chosen: { selector: string; pages: SitePath[] }[] = [];
  while (open.size > 0) {
    const uses = new Map<string, { pages: SitePath[]; rank: number }>();
    for (const [path, menu] of open)
      menu.selectors.forEach((selector, rank) => {
        const use = uses.get(selector) ?? { pages: [], rank: 0 };
        use.pages.push(path);
        use.rank += rank;
        uses.set(selector, use);
      });
    const wrong = (selector: string): number => foreign.get(selector)?.size ?? 0;
    const [best] = [...uses].sort(
      ([a, one], [b, other]) =>
        wrong(a) - wrong(b) ||
        other.pages.length * trust(b) - one.pages.length * trust(a) ||
        one.rank / one.pages.length - other.rank / other.pages.length ||
        (a < b ? -1 : 1),
    );
    if (!best) break;
    chosen.push({ selector: best[0], pages: best[1].pages });
    for (const path of best[1].pages) open.delete(path);
  }
  return chosen;
}

/** How sure it is that a selector means the menu and not its place: by a name of its own, by what it lies in, by chance. */
function trust(selector: string): number {
  const last = selector.split(' ').at(-1)!;
  if (/[#.]/.test(last.replace(/\[[^\]]*\]/g, ''))) return 1;
  if (/\[|^nav$/.test(last) || /[#.]/.test(selector)) return 0.8;
  return 0.4;
}

/** The main menu of a site stands on most pages, not at their foot, and has the most entries. */
function weight({ copies, entries }: SiteMenu, site: HandSite): number {
  const [first] = copies.values();
  const isUsual = copies.size * 2 > site.pages.size;
  const atFoot = first!.region === 'footer' ? 50 : 0;
  return (isUsual ? 1000 : 0) - atFoot + flatShared(entries).length + copies.size / site.pages.size;
}

function firstStart({ copies }: SiteMenu): number {
  return [...copies.values()][0]!.start;
}
