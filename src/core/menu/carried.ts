import { pathMatcher } from '../address/glob.ts';
import type { SitePath } from '../address/path.ts';
import type { ResolvedMenu } from './types.ts';

/** Which pages carry a menu, by its `carried-by` and `except`. */
export function carrier(menus: readonly ResolvedMenu[]): (menu: ResolvedMenu, page: SitePath) => boolean {
  const tests = new Map(
    menus.map(menu => [menu, [pathMatcher(menu.carriedBy), pathMatcher(menu.except)] as const]),
  );
  return (menu, page) => {
    const [carried, except] = tests.get(menu)!;
    return carried(page) && !except(page);
  };
}
