import { carriersOf, patternsOf } from '../address/patterns.ts';
import { type SitePath, isIndex } from '../address/path.ts';
import { type Navigation, turns } from '../hand/navigation.ts';
import type { HandSite } from '../hand/types.ts';
import { besideLinks } from '../page/beside-links.ts';
import { type Finding, finding } from '../text/finding.ts';
import { counted } from '../text/nearest.ts';
import type { Firsts } from './firsts.ts';
import type { DraftMenu, DraftSite } from './types.ts';

/** Ways to the pages before and behind, in place of those that were written by hand. */
export function menuFromTurning(
  navigation: Navigation,
  name: string,
  { site, known, firsts }: { site: HandSite; known: DraftSite; firsts: Firsts },
): DraftMenu | Finding {
  const { selector, copies } = navigation;
  const { order, fitting, all, chain } = orderOf(navigation, site, known);
  if (fitting < all * leastFitting) return noOrder(selector, fitting, all);
  const found = firsts.of(selector);
  // The first and the last page of a set have one link, and are found by the selector alone.
  const pages = new Set(chain ?? [...copies.keys(), ...found.keys()]);
  const holdsMore = [...pages].some(path => {
    const { raw, charset } = site.pages.get(path)!.frame;
    const extent = found.get(path);
    return extent !== undefined && besideLinks(raw.slice(extent.start, extent.end), charset).length > 0;
  });
  return {
    name,
    title: 'Before and behind',
    form: 'previous-next',
    comments: commentsOf(selector, pages, holdsMore),
    ...carriersOf(pages, new Set(site.pages.keys())),
    place: [
      { side: holdsMore ? 'before' : 'instead-of', selectors: [selector], drop: false },
      // The first page of a row may have its only link elsewhere.
      ...([...pages].every(path => found.has(path))
        ? []
        : [{ side: 'last-in', selectors: ['body'], drop: false } as const]),
    ],
    set: chain ?? setOf(pages, site),
    order,
    fold: null,
    entries: [],
    files: [],
    notes: [],
  };
}

function commentsOf(selector: string, pages: ReadonlySet<SitePath>, holdsMore: boolean): string[] {
  const first = `In place of links by hand on ${counted(pages.size, 'page')}.`;
  if (!holdsMore) return [first];
  return [
    first,
    `\`${selector}\` stays: it says more than these links. Take out of it by hand what this menu replaces;`,
    'or all of it goes with  place: { instead-of: …, drop: true }',
  ];
}

/** Index pages are no part of a set. */
function setOf(pages: ReadonlySet<SitePath>, site: HandSite): string[] {
  return patternsOf(
    new Set([...pages].filter(path => !isIndex(path))),
    [...site.pages.keys()].filter(path => !isIndex(path)),
  );
}

type Order = NonNullable<DraftMenu['order']>;

/** So many of the links by hand must lead where those of Kamino will. */
const leastFitting = 0.8;

function noOrder(selector: string, fitting: number, all: number): Finding {
  return finding(
    'no-hand-menu',
    null,
    `the links of \`${selector}\` follow no order by title, file name or date, and make no single row: ${all - fitting} of ${counted(all, 'link')} would lead elsewhere`,
    'Leave it as it is; or write  form: previous-next  into the plan, with the pages of its `set` one by one, and  order: listed',
  );
}

/** The order in which most of the links by hand go on, and how many of them do. */
function orderOf(
  navigation: Navigation,
  site: HandSite,
  known: DraftSite,
): { order: Order; fitting: number; all: number; chain: SitePath[] | null } {
  const links = turns(navigation, site);
  // Pages at the ends of the row have one link, and are no copies.
  const ends = links.map(one => one.to);
  const paths = [...new Set([...navigation.copies.keys(), ...ends])].filter(path => !isIndex(path));
  const collator = new Intl.Collator('en', { sensitivity: 'base', numeric: true });
  const titleOf = (path: SitePath): string => known.pages.get(path)?.label ?? path;
  const dateOf = (path: SitePath): string => site.pages.get(path)!.date ?? path;
  const by = (key: (path: SitePath) => string): SitePath[] =>
    [...paths].sort((one, other) => collator.compare(key(one), key(other)));
  const byFile = [...paths].sort();
  const orders: [Order, SitePath[]][] = [
    ['file', byFile],
    ['title', by(titleOf)],
    ['oldest', by(dateOf)],
    ['latest', by(dateOf).reverse()],
  ];
  const fits = (order: readonly SitePath[]): number => {
    const places = new Map(order.map((path, at) => [path, at]));
    return links.filter(({ from, to, isNext }) => {
      const [one, other] = [places.get(from), places.get(to)];
      return one !== undefined && other !== undefined && other - one === (isNext ? 1 : -1);
    }).length;
  };
  const [best] = orders
    .map(([order, sorted]) => ({ order, count: fits(sorted) }))
    .sort((a, b) => b.count - a.count);
  const all = links.length;
  const { order, count } = best!;
  const chain = count < all * leastFitting ? chainOf(links) : null;
  return chain
    ? { order: 'listed', fitting: fits(chain), all, chain }
    : { order, fitting: count, all, chain: null };
}

/** A plan that names more pages one by one is none that people read. */
const longestChain = 60;

/** The pages one after the other as their links go on; null where these make no single row of them. */
function chainOf(links: ReturnType<typeof turns>): SitePath[] | null {
  const next = new Map<SitePath, SitePath>();
  for (const { from, to, isNext } of links) if (isNext) next.set(from, to);
  for (const { from, to, isNext } of links) if (!isNext && !next.has(to)) next.set(to, from);
  const behind = new Set(next.values());
  const [first, ...others] = [...next.keys()].filter(path => !behind.has(path));
  if (first === undefined || others.length > 0) return null;
  const chain = new Set<SitePath>();
  for (let path: SitePath | undefined = first; path !== undefined && !chain.has(path); path = next.get(path))
    chain.add(path);
  return chain.size <= longestChain ? [...chain] : null;
}
