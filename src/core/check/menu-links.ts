import type { SitePath } from '../address/path.ts';
import { differences } from '../hand/differences.ts';
import { isTurning, navigationKinds } from '../hand/kinds.ts';
import { siteMenus } from '../hand/site-menus.ts';
import { type HandMenu, flatEntries } from '../hand/types.ts';
import { endOfLink } from '../site/links.ts';
import { hashOf } from '../site/targets.ts';
import type { CheckedSite } from './types.ts';

/** An entry of a menu written by hand, with where it leads. */
export interface MenuLink {
  page: SitePath;
  label: string;
  /** A path of the site with the place in it, or a whole address. */
  target: string;
  start: number;
  end: number;
}

/** The entries of the menus of one page that have words and lead somewhere; what turns from page to page is none. */
function menuLinks(site: CheckedSite, path: SitePath, menus: ReadonlySet<HandMenu>): MenuLink[] {
  // A copy that is not as the others is told as that.
  if (oddPages(site).has(path)) return [];
  const page = site.pages.get(path)!;
  return (site.candidates.get(path) ?? [])
    .filter(menu => menus.has(menu))
    .flatMap(menu => flatEntries(menu.entries))
    .flatMap(({ entry }) => {
      const { label, href, start, end } = entry;
      if (href === null || label === '' || isTurning(entry)) return [];
      const to = endOfLink(href, page, site);
      if (to.kind === 'away') return [{ page: path, label, target: href, start, end }];
      if (to.kind !== 'page' && to.kind !== 'file') return [];
      return [
        {
          page: path,
          label,
          target: `${to.path}${hashOf(href) === '' ? '' : `#${hashOf(href)}`}`,
          start,
          end,
        },
      ];
    });
}

/** Menus that the pages share, and what says that it is one; a long list in the text of a page, such as an index, is none. */
function menusOf(site: CheckedSite): ReadonlySet<HandMenu> {
  const kinds = navigationKinds(site);
  const shared = siteMenus(site).flatMap(({ copies }) => [...copies.values()]);
  const named = [...kinds].filter(([{ region }, kind]) => kind === 'menu' && region !== 'other');
  return new Set([...shared, ...named.map(([menu]) => menu)]);
}

const known = new WeakMap<CheckedSite, ReadonlySet<SitePath>>();

function oddPages(site: CheckedSite): ReadonlySet<SitePath> {
  const odd = known.get(site) ?? new Set(differences(site).map(one => one.path));
  known.set(site, odd);
  return odd;
}

/** As two labels are the same to people. */
export const saidOf = (label: string): string => label.trim().toLowerCase();

/** Entries of one page that are alike in one thing and differ in another, each such group once for the site. */
export function clashes(
  site: CheckedSite,
  alike: (one: MenuLink) => string,
  differ: (one: MenuLink) => string,
): { other: MenuLink; all: MenuLink[] }[] {
  const known = new Set<string>();
  const menus = menusOf(site);
  return [...site.pages.keys()].flatMap(path => {
    const groups = new Map<string, MenuLink[]>();
    for (const one of menuLinks(site, path, menus))
      groups.set(alike(one), [...(groups.get(alike(one)) ?? []), one]);
    return [...groups.values()].flatMap(own => {
      const all = [...new Map(own.map(one => [differ(one), one])).values()];
      const key = [alike(own[0]!), ...all.map(differ).sort()].join('\n');
      if (all.length < 2 || known.has(key)) return [];
      known.add(key);
      return [{ other: own.find(one => differ(one) !== differ(own[0]!))!, all }];
    });
  });
}
