import type { SitePath } from '../address/path.ts';
import { isTurning, navigationKinds } from './kinds.ts';
import { copyEntries } from './copy-entries.ts';
import { siteMenus } from './site-menus.ts';
import type { HandMenu, HandSite, NavigationKind } from './types.ts';

/** Rows of links that differ from page to page by design. */
export interface Navigation {
  kind: Exclude<NavigationKind, 'menu'>;
  /** Finds the first on each page. */
  selector: string;
  copies: ReadonlyMap<SitePath, HandMenu>;
}

const leastPages = 3;

/** What leads through a site beside its menus, that on most pages first. */
export function navigations(site: HandSite): Navigation[] {
  if (site.pages.size === 1) return [];
  const kinds = navigationKinds(site);
  const inMenus = new Set(siteMenus(site).flatMap(({ copies }) => [...copies.values()]));
  const groups = new Map<string, { kind: NavigationKind; copies: Map<SitePath, HandMenu> }>();
  for (const [path, rows] of site.candidates)
    for (const row of rows) {
      if (!row.element.includes(' ') || inMenus.has(row)) continue;
      // What is alike in itself and recurs on too few pages is a list.
      const kind = kinds.get(row) === 'menu' ? 'list' : kinds.get(row)!;
      const key = `${kind} ${row.element}`;
      const group = groups.get(key) ?? { kind, copies: new Map<SitePath, HandMenu>() };
      groups.set(key, group);
      if (!group.copies.has(path)) group.copies.set(path, row);
    }
  return [...groups.values()]
    .filter(({ copies }) => copies.size >= leastPages)
    .flatMap(({ kind, copies }) => {
      const selector = usualSelector(copies);
      return kind === 'menu' || selector === null ? [] : [{ kind, selector, copies }];
    })
    .sort((one, other) => other.copies.size - one.copies.size || (one.selector < other.selector ? -1 : 1));
}

/** The one that finds the most copies; null where none finds most of them. */
function usualSelector(copies: ReadonlyMap<SitePath, HandMenu>): string | null {
  const counts = new Map<string, number>();
  for (const { selectors } of copies.values())
    for (const selector of selectors) counts.set(selector, (counts.get(selector) ?? 0) + 1);
  const [best] = [...counts].sort(([, one], [, other]) => other - one);
  return best && best[1] * 2 > copies.size ? best[0] : null;
}

/** Where the pages of a row of links lead, from each to its neighbours: the way back and the way on, as far as they say so. */
export function turns(
  { copies }: Navigation,
  site: HandSite,
): { from: SitePath; to: SitePath; isNext: boolean }[] {
  return [...copies].flatMap(([from, row]) => {
    const links = copyEntries(row, from, site).filter(({ end }) => end?.kind === 'page');
    return links.flatMap(({ entry, end }, at) => {
      if (end?.kind !== 'page' || end.path === from || !isTurning(entry)) return [];
      return [{ from, to: end.path, isNext: isNext(entry.label, entry.marks, at > 0) }];
    });
  });
}

function isNext(label: string, marks: readonly string[], isBehind: boolean): boolean {
  if (marks.includes('rel=next') || /[»›→⇒>]$/u.test(label)) return true;
  if (marks.includes('rel=prev') || /^[«‹←⇐<]/u.test(label)) return false;
  if (/next|newer|nesaf|weiter|nächst|suivant|siguiente|successiv|volgende/iu.test(label)) return true;
  if (/prev|back|older|blaenorol|zurück|vorherig|précédent|anterior|precedente|vorige/iu.test(label))
    return false;
  return isBehind;
}
