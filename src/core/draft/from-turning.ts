import { carriersOf, patternsOf } from '../address/patterns.ts';
import { type SitePath, isIndex } from '../address/path.ts';
import { type Navigation, turns } from '../hand/navigation.ts';
import type { HandSite } from '../hand/types.ts';
import { besideLinks } from '../page/beside-links.ts';
import { counted } from '../text/nearest.ts';
import type { Firsts } from './firsts.ts';
import type { DraftMenu, DraftSite } from './types.ts';

/** Ways to the pages before and behind, in place of those that were written by hand. */
export function menuFromTurning(
  navigation: Navigation,
  name: string,
  { site, known, firsts }: { site: HandSite; known: DraftSite; firsts: Firsts },
): DraftMenu {
  const { selector, copies } = navigation;
  const found = firsts.of(selector);
  // The first and the last page of a set have one link, and are found by the selector alone.
  const pages = new Set([...copies.keys(), ...found.keys()]);
  const holdsMore = [...pages].some(path => {
    const { raw, charset } = site.pages.get(path)!.frame;
    const extent = found.get(path);
    return extent !== undefined && besideLinks(raw.slice(extent.start, extent.end), charset).length > 0;
  });
  return {
    name,
    title: 'Before and behind',
    form: 'previous-next',
    comments: [`In place of links by hand on ${counted(pages.size, 'page')}.`],
    ...carriersOf(pages, new Set(site.pages.keys())),
    place: [{ side: holdsMore ? 'before' : 'instead-of', selectors: [selector], drop: false }],
    // Index pages are no part of a set.
    set: patternsOf(
      new Set([...pages].filter(path => !isIndex(path))),
      [...site.pages.keys()].filter(path => !isIndex(path)),
    ),
    order: orderOf(navigation, site, known),
    fold: null,
    entries: [],
    files: [],
    notes: [],
  };
}

type Order = NonNullable<DraftMenu['order']>;

/** The order in which most of the links by hand go on. */
function orderOf(navigation: Navigation, site: HandSite, known: DraftSite): Order {
  const links = turns(navigation, site);
  const paths = [...navigation.copies.keys()].filter(path => !isIndex(path));
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
  return best!.order;
}
