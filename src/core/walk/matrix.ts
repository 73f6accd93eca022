import type { SitePath } from '../address/path.ts';
import { sectionLabels } from '../page/sections.ts';
import { eachTarget } from '../site/targets.ts';
import type { WholeSite } from '../site/whole.ts';
import type { Matrix, MenuRow, ReachRow, WalkTarget, WalkedLink, WalkedPage } from './types.ts';

/** What one visitor has done. */
export interface Walked {
  visitor: string;
  /** On paper nothing is pressed: what is read there is reached. */
  onPaper: boolean;
  pages: ReadonlyMap<SitePath, WalkedPage>;
  /** Pages that did not answer: nobody uses them, and nothing leads on from them. */
  dead: ReadonlySet<SitePath>;
}

/** Pages, and the places in them that have a heading or that a link leads to. */
export function targetsOf(site: WholeSite): WalkTarget[] {
  const linked = new Set<string>();
  eachTarget(site, (_, path, hash) => void linked.add(`${path}#${hash}`));
  const pages = [...site.pages.values()];
  const inOrder = [
    ...pages.filter(one => one.frame.path === site.front),
    ...pages.filter(one => one.frame.path !== site.front),
  ];
  return inOrder.flatMap(page => {
    const { path, title } = page.frame;
    const labels = sectionLabels(page);
    const own = new Set(page.headings.flatMap(one => one.id ?? []));
    const ids = [...labels.keys()].filter(id => own.has(id) || linked.has(`${path}#${id}`));
    return [
      { page: path, id: null, label: title ?? path },
      ...ids.map(id => ({ page: path, id, label: labels.get(id) || `#${id}` })),
    ];
  });
}

/** Who gets where, in how many presses. */
export function matrixOf(site: WholeSite, targets: readonly WalkTarget[], walks: readonly Walked[]): Matrix {
  const reached = walks.map(walk => reachOf(site, walk));
  const rows: ReachRow[] = targets.map(target => ({
    target,
    actions: reached.map(one => one(target)?.actions ?? null),
  }));
  return { visitors: walks.map(one => one.visitor), menus: menuRows(walks), rows };
}

/** The fewest presses to a place, and what is followed on the way. */
export interface Way {
  actions: number;
  /** The labels of the links. */
  labels: readonly string[];
}

/** An edge of the graph: a link with the presses that follow it. */
interface Edge {
  to: SitePath;
  hash: string;
  actions: number;
  label: string;
}

/** The fewest presses to each target, from the front page on. */
export function reachOf(site: WholeSite, walk: Walked): (target: WalkTarget) => Way | null {
  const edges = edgesOf(site, walk);
  const pages = new Map<SitePath, Way>();
  const places = new Map<string, Way>();
  const waiting: SitePath[][] = [];
  const put = (page: SitePath, way: Way): void => {
    if ((pages.get(page)?.actions ?? Infinity) <= way.actions) return;
    pages.set(page, way);
    (waiting[way.actions] ??= []).push(page);
  };
  if (site.front !== null) put(site.front, { actions: 0, labels: [] });
  for (let actions = 0; actions < waiting.length; actions += 1)
    for (const page of waiting[actions] ?? []) {
      const here = pages.get(page)!;
      if (here.actions !== actions) continue;
      for (const edge of edges(page)) {
        const way = { actions: actions + edge.actions, labels: [...here.labels, edge.label] };
        put(edge.to, way);
        const key = `${edge.to}#${edge.hash}`;
        if ((places.get(key)?.actions ?? Infinity) > way.actions) places.set(key, way);
      }
    }
  return ({ page, id }) => {
    if (walk.onPaper && !walk.dead.has(page))
      return isRead(walk, page, id) ? { actions: 0, labels: [] } : null;
    if (walk.dead.has(page)) return null;
    const there = pages.get(page) ?? null;
    if (id === null) return there;
    const linked = places.get(`${page}#${id}`) ?? null;
    // Who is on the page scrolls to what is seen of it.
    const scrolled = isRead(walk, page, id) ? there : null;
    return linked === null || (scrolled !== null && scrolled.actions < linked.actions) ? scrolled : linked;
  };
}

/** A place that nobody looked at is taken for what its page is. */
function isRead({ pages }: Walked, page: SitePath, id: string | null): boolean {
  const section = id === null ? null : pages.get(page)?.sections.find(one => one.id === id);
  return section?.isSeen !== false;
}

/** On pages that were not walked, an entry takes as many presses as where it was, and another link takes one. */
function edgesOf(site: WholeSite, { pages, dead }: Walked): (page: SitePath) => Edge[] {
  const known = new Map<string, number | null>();
  for (const { links } of pages.values())
    for (const link of links)
      if (link.menu !== null && link.actions !== 0) known.set(keyOf(link), link.actions);
  const read = new Map<SitePath, Edge[]>();
  eachTarget(site, (page, to, hash, link) => {
    if (pages.has(page.frame.path) || dead.has(page.frame.path)) return;
    const actions = link.menu === null ? 1 : (known.get(keyOf({ menu: link.menu, to, hash })) ?? 1);
    const list = read.get(page.frame.path) ?? [];
    list.push({ to, hash, actions, label: link.menu === null ? to : `${link.menu}: ${to}` });
    read.set(page.frame.path, list);
  });
  return page => {
    const own = dead.has(page) ? undefined : pages.get(page);
    if (!own) return read.get(page) ?? [];
    return own.links.flatMap(link => {
      const actions = link.actions === 0 ? (known.get(keyOf(link)) ?? null) : link.actions;
      return link.to === null || actions === null
        ? []
        : [{ to: link.to, hash: link.hash, actions, label: link.label }];
    });
  };
}

const keyOf = ({ menu, to, hash }: Pick<WalkedLink, 'menu' | 'to' | 'hash'>): string =>
  `${menu} ${to}#${hash}`;

/** Menus in the order in which they were met. */
function menuRows(walks: readonly Walked[]): MenuRow[] {
  const names = new Set(
    walks.flatMap(walk =>
      [...walk.pages.values()].flatMap(page => page.links.flatMap(one => one.menu ?? [])),
    ),
  );
  return [...names]
    .filter(name => name !== 'skip' && name !== 'top')
    .map(menu => ({ menu, cells: walks.map(walk => cellOf(walk, menu)) }));
}

function cellOf({ pages }: Walked, menu: string): MenuRow['cells'][number] {
  const tried = [...pages.values()].flatMap(page =>
    page.links.filter(one => one.menu === menu && one.actions !== 0),
  );
  const reached = tried.flatMap(one => one.actions ?? []);
  return { reached: reached.length, all: tried.length, most: Math.max(0, ...reached) };
}
