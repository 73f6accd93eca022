import type { SitePath } from '../address/path.ts';
import { endOfLink } from '../site/links.ts';
import type { Cluster } from './cluster.ts';
import { areaOf, clustersOf } from './clusters.ts';
import { type Shared, flatShared, sharedOf } from './shared.ts';
import { type HandMenu, type HandSite, flatEntries } from './types.ts';

/** One menu written by hand, with all its copies. */
export interface SiteMenu extends Shared {
  copies: ReadonlyMap<SitePath, HandMenu>;
  /** Pages that ought to have it: not those on which the menu of another language or area stands. */
  lacking: readonly SitePath[];
  /** It is on most pages that ought to have it. */
  isUsual: boolean;
  /** Tried in order, they find every copy that has a selector, each with how many pages it is needed for. */
  selectors: readonly { selector: string; pages: readonly SitePath[] }[];
}

/** The menus that recur over the pages of a site, those on most pages first; on a single page, those to its sections. */
export function siteMenus(site: HandSite): SiteMenu[] {
  const kept = known.get(site);
  if (kept) return kept;
  const clusters = clustersOf(site);
  const scattered = scatteredElements(clusters);
  const found = clusters
    .filter(one => isCarried(one, site) && !scattered.has(elementOf(one)) && isOfThisPage(one, site))
    .map(one => menuOf(one, clusters, site))
    .filter(menu => new Set(flatShared(menu.entries).flatMap(one => one.target ?? [])).size > 1)
    .sort((one, other) => weight(other, site) - weight(one, site) || firstStart(one) - firstStart(other));
  known.set(site, found);
  return found;
}

const known = new WeakMap<HandSite, SiteMenu[]>();

const elementOf = ({ copies }: Cluster): string => [...copies.values()][0]!.element;

/** Elements of a name of their own that hold something else on many pages: tags, say, or pictures to turn pages by. */
function scatteredElements(clusters: readonly Cluster[]): Set<string> {
  const counts = new Map<string, { all: number; alone: number }>();
  for (const cluster of clusters) {
    const element = elementOf(cluster);
    if (!element.includes(' ') && element !== 'map') continue;
    const count = counts.get(element) ?? { all: 0, alone: 0 };
    count.all += cluster.copies.size;
    if (cluster.copies.size < 3) count.alone += cluster.copies.size;
    counts.set(element, count);
  }
  const found = [...counts].filter(([, { all, alone }]) => all >= 6 && alone * 3 >= all);
  return new Set(found.map(([element]) => element));
}

/** A list in the text of a few pages is no menu, however alike: a menu stands on a fair share of them, or says what it is. */
function isCarried({ copies, spread }: Cluster, site: HandSite): boolean {
  const all = site.pages.size;
  if (copies.size >= (all === 1 ? 1 : Math.max(2, Math.ceil(all / 10)))) return true;
  const [first] = copies.values();
  const isNamed = /^nav\b|\b(?:nav|menu)/i.test(first!.element);
  return isNamed && copies.size >= 3 && spread.always * 10 >= spread.all * 8;
}

/** On a site of one page a menu leads to sections of that page. */
function isOfThisPage(cluster: Cluster, site: HandSite): boolean {
  if (site.pages.size > 1) return true;
  const [[path, menu]] = [...cluster.copies] as [[SitePath, HandMenu]];
  const page = site.pages.get(path)!;
  const links = flatEntries(menu.entries).flatMap(({ entry }) => entry.href ?? []);
  const own = links.filter(href => {
    const end = endOfLink(href, page, site);
    return href.startsWith('#') || end.kind === 'no-hash' || (end.kind === 'page' && end.path === path);
  });
  return /^nav\b/.test(menu.element) || own.length * 2 >= links.length;
}

function menuOf(cluster: Cluster, clusters: readonly Cluster[], site: HandSite): SiteMenu {
  const others = clusters.filter(one => one !== cluster);
  const lacking = lackingOf(cluster, others, site);
  return {
    ...sharedOf(cluster.copies, site),
    copies: cluster.copies,
    lacking,
    isUsual: cluster.copies.size > lacking.length,
    selectors: selectorsFor(cluster, others),
  };
}

/** Pages without a menu: but for those of another language, and those that have another menu in its place. */
function lackingOf(cluster: Cluster, others: readonly Cluster[], site: HandSite): SitePath[] {
  const { copies } = cluster;
  const languages = new Set([...copies.keys()].map(path => languageOf(path, site)));
  const areas = new Set([...copies.keys()].map(areaOf));
  const rivals = others.filter(one => isRival(one, cluster));
  return [...site.pages.keys()]
    .filter(path => !copies.has(path) && languages.has(languageOf(path, site)))
    .filter(path => !rivals.some(rival => rival.copies.has(path)))
    .filter(path => rivals.length === 0 || areas.has(areaOf(path)))
    .sort();
}

/** It stands on other pages, at the same place: the menu of another area. */
function isRival(one: Cluster, cluster: Cluster): boolean {
  if (one.copies.size < 2) return false;
  const [first] = cluster.copies.values();
  const [other] = one.copies.values();
  const isThere =
    first!.element === other!.element || (first!.region === other!.region && first!.region !== 'other');
  return isThere && ![...one.copies.keys()].some(path => cluster.copies.has(path));
}

const languageOf = (path: SitePath, site: HandSite): string =>
  site.pages.get(path)!.frame.language?.toLowerCase().split('-')[0] ?? '';

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
function weight({ copies, entries, isUsual }: SiteMenu, site: HandSite): number {
  const [first] = copies.values();
  const atFoot = first!.region === 'footer' ? 50 : 0;
  return (isUsual ? 1000 : 0) - atFoot + flatShared(entries).length + copies.size / site.pages.size;
}

function firstStart({ copies }: SiteMenu): number {
  return [...copies.values()][0]!.start;
}
