import type { Fold } from '../plan/types.ts';
import type { ResolvedFold, ResolvedMenu } from './types.ts';

interface Folding {
  fold: Pick<Fold, 'when' | 'as'>;
}

/** Whether a menu ever folds away behind a toggle. */
export function folds({ fold }: Folding): boolean {
  return fold.when !== 'never' && fold.as !== 'none';
}

/** Whether it folds into something that lies over the page. */
export function covers(menu: Folding): boolean {
  return folds(menu) && menu.fold.as !== 'stack';
}

/** Whether its submenus ever lie over the page, as sheets that the pointer may open. */
export function hasSheets({
  form,
  opens,
  entries,
}: Pick<ResolvedMenu, 'form' | 'opens' | 'entries'>): boolean {
  const isBar = form === 'bar' || form === 'tabs';
  return (
    (isBar || (form === 'column' && opens.by === 'hover')) && entries.some(one => one.entries.length > 0)
  );
}

/** A menu that never folds. */
export const unfolded: ResolvedFold = {
  when: 'never',
  belowEm: null,
  as: 'stack',
  side: 'start',
  behind: 'as-fits',
  by: 'click',
  joins: null,
  toggle: { show: 'both', label: null, at: 'end', icon: 'lines' },
};

/** Whether it is a link on its own: a button, or the way to the top. */
export function isSingle({ form }: Pick<ResolvedMenu, 'form'>): boolean {
  return form === 'button' || form === 'top';
}
