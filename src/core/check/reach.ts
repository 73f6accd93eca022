import type { SitePath } from '../address/path.ts';
import { sectionHeadings } from '../page/sections.ts';
import { eachTarget } from '../site/targets.ts';
import type { WholeSite } from '../site/whole.ts';

/** A page as links lead to it from the front page. */
export interface ReachedPage {
  page: SitePath;
  title: string;
  /** The fewest links that have to be followed; null where none lead there. */
  depth: number | null;
  /** The page on which the last of them stands; null for the front page and where none lead there. */
  from: SitePath | null;
  /** The menu in which that link stands; null for one in the text. */
  menu: string | null;
  /** Its sections, each with the fewest links to it; null: by scrolling only. */
  sections: { id: string | null; label: string; depth: number | null }[];
}

/** What one menu does for the reach of the site. */
export interface MenuShare {
  /** null: links in the text. */
  menu: string | null;
  /** Pages to which it leads. */
  leadsTo: number;
  /** Pages that nobody would get to without it. */
  alone: SitePath[];
}

export interface Reach {
  front: SitePath | null;
  /** By depth, those without a way last. */
  pages: ReachedPage[];
  menus: MenuShare[];
}

interface Edge {
  to: SitePath;
  menu: string | null;
}

/** What menus alone lead to from the front page, which counts too. */
export function menuReach(site: WholeSite): ReadonlySet<SitePath> {
  return new Set(followed(site.front, edgesOf(site).edges, menu => menu !== null).keys());
}

function edgesOf(site: WholeSite): { edges: Map<SitePath, Edge[]>; places: Map<string, SitePath[]> } {
  const edges = new Map<SitePath, Edge[]>();
  const places = new Map<string, SitePath[]>();
  const seen = new Set<string>();
  eachTarget(site, (page, to, hash, { menu }) => {
    const { path } = page.frame;
    if (hash !== '') places.set(`${to}#${hash}`, [...(places.get(`${to}#${hash}`) ?? []), path]);
    const key = `${path}\n${to}\n${menu ?? ''}`;
    if (to === path || seen.has(key)) return;
    seen.add(key);
    edges.set(path, [...(edges.get(path) ?? []), { to, menu: shownMenu(menu) }]);
  });
  return { edges, places };
}

/** The fewest followed links from the front page to each page and section. */
export function reachOfLinks(site: WholeSite): Reach {
  const { edges, places } = edgesOf(site);
  const found = followed(site.front, edges, () => true);
  const pages = [...site.pages.values()].map<ReachedPage>(page => {
    const { path, title } = page.frame;
    const way = found.get(path) ?? null;
    const sections = sectionHeadings(page).map(({ id, text }) => ({
      id,
      label: text,
      depth:
        id === null ? null : least((places.get(`${path}#${id}`) ?? []).map(one => found.get(one)?.depth)),
    }));
    return {
      page: path,
      title: title ?? path,
      depth: way?.depth ?? null,
      from: way?.from ?? null,
      menu: way?.menu ?? null,
      sections,
    };
  });
  pages.sort(
    (one, other) => (one.depth ?? Infinity) - (other.depth ?? Infinity) || (one.page < other.page ? -1 : 1),
  );
  return { front: site.front, pages, menus: sharesOf(site, edges, found) };
}

/** The skip link and the way to the top lead to no other page. */
const shownMenu = (menu: string | null): string | null => (menu === 'skip' || menu === 'top' ? null : menu);

/** One more than the least; null where there is none. */
function least(depths: readonly (number | undefined)[]): number | null {
  const known = depths.filter(one => one !== undefined);
  return known.length === 0 ? null : Math.min(...known) + 1;
}

interface Found {
  depth: number;
  from: SitePath | null;
  menu: string | null;
}

/** Breadth first; of links on one page those in menus come first, as people look there first. */
function followed(
  front: SitePath | null,
  edges: ReadonlyMap<SitePath, readonly Edge[]>,
  counts: (menu: string | null) => boolean,
): Map<SitePath, Found> {
  const found = new Map<SitePath, Found>();
  if (front === null) return found;
  found.set(front, { depth: 0, from: null, menu: null });
  for (const [page, { depth }] of found) {
    const own = edges.get(page) ?? [];
    for (const isMenu of [true, false])
      for (const { to, menu } of own)
        if ((menu !== null) === isMenu && counts(menu) && !found.has(to))
          found.set(to, { depth: depth + 1, from: page, menu });
  }
  return found;
}

function sharesOf(
  site: WholeSite,
  edges: ReadonlyMap<SitePath, readonly Edge[]>,
  found: ReadonlyMap<SitePath, Found>,
): MenuShare[] {
  const targets = new Map<string | null, Set<SitePath>>();
  for (const own of edges.values())
    for (const { to, menu } of own) targets.set(menu, (targets.get(menu) ?? new Set()).add(to));
  return [...targets].map(([menu, own]) => {
    const without = followed(site.front, edges, other => other !== menu);
    return { menu, leadsTo: own.size, alone: [...found.keys()].filter(page => !without.has(page)) };
  });
}
