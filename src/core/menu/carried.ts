import { pathMatcher } from '../address/glob.ts';
import type { SitePath } from '../address/path.ts';

interface Carried {
  carriedBy: readonly string[];
  except: readonly string[];
  /** Pages of one language only. */
  language?: { pages: ReadonlySet<SitePath> } | null;
}

/** Which pages carry a menu, by its `carried-by` and `except`. */
export function carrier<Menu extends Carried>(
  menus: readonly Menu[],
): (menu: Menu, page: SitePath) => boolean {
  const tests = new Map(
    menus.map(menu => [menu, [pathMatcher(menu.carriedBy), pathMatcher(menu.except)] as const]),
  );
  return (menu, page) => {
    const [carried, except] = tests.get(menu)!;
    return carried(page) && !except(page) && menu.language?.pages.has(page) !== false;
  };
}
