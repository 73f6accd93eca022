import { forms } from '../plan/forms.ts';
import { folds } from './folds.ts';
import type { ResolvedEntry, ResolvedMenu } from './types.ts';

type Bar = Pick<ResolvedMenu, 'form' | 'home' | 'fold'>;

/** Whether the site’s name stands in the middle of a bar, with entries on both sides. */
export function hasHomeInMiddle({ form, home }: Pick<Bar, 'form' | 'home'>): boolean {
  return home?.at === 'middle' && forms[form].isRow;
}

/** Whether entries stand in the middle of a bar whose home and remaining entries lie at its ends; it folds by itself. */
export function isCentredBar(
  menu: Pick<ResolvedMenu, 'form' | 'home' | 'fold' | 'align' | 'entries'>,
): boolean {
  const hasEnds = menu.home?.at === 'start' || menu.entries.some(one => one.remains);
  const { isRow } = forms[menu.form];
  return (
    isRow && menu.align === 'center' && menu.fold.when === 'crowded' && hasEnds && menu.home?.at !== 'middle'
  );
}

/** Whether the drawing of an entry stands above its label, where it is not folded. */
export const hasIconAbove = ({ icon }: Pick<ResolvedEntry, 'icon'>): boolean =>
  icon?.show === 'both' && icon.at === 'above';

/** The lists of a menu: those before and behind a home in its middle, and those that stay when others are folded. */
export function listsOf(
  menu: Bar,
  entries: readonly ResolvedEntry[],
): {
  before: readonly ResolvedEntry[];
  after: readonly ResolvedEntry[];
  remaining: readonly ResolvedEntry[];
} {
  const remaining = folds(menu) ? entries.filter(one => one.remains) : [];
  const others = entries.filter(one => !remaining.includes(one));
  const half = hasHomeInMiddle(menu) ? Math.ceil(others.length / 2) : others.length;
  return { before: others.slice(0, half), after: others.slice(half), remaining };
}
