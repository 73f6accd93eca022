import type { ResolvedMenu } from '../menu/types.ts';
import type { MenuFonts } from './fonts.ts';

/** The narrowest window that is built for, in px, and how much larger letters may be set there (WCAG 2.2, 1.4.4 and 1.4.10). */
const narrowest = 320;
const largest = 2;

/**
 * Menus with folds as they are needed: a bar that nobody asked to fold does so where it has no room, but for one that
 * is known to fit everywhere.
 */
export function settledFolds(menus: readonly ResolvedMenu[], fonts: MenuFonts): ResolvedMenu[] {
  const fits = (menu: ResolvedMenu): boolean => {
    const { width, frame } = fonts.fit(menu);
    return width * largest <= Math.min(narrowest - frame.sides, frame.row);
  };
  const folding = new Set(menus.flatMap(menu => (menu.fold.isUsual && !fits(menu) ? menu.name : [])));
  return menus.map(menu =>
    menu.fold.isUsual && !folding.has(menu.name)
      ? { ...menu, fold: { ...menu.fold, when: 'never' as const } }
      : menu,
  );
}
