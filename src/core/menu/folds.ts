import { foldKinds } from '../plan/fold-kinds.ts';
import { forms } from '../plan/forms.ts';
import type { Fold } from '../plan/types.ts';
import type { ResolvedMenu } from './types.ts';

interface Folding {
  fold: Pick<Fold, 'when' | 'as'>;
}

/** Whether a menu ever folds away behind a toggle. */
export function folds({ fold }: Folding): boolean {
  return fold.when !== 'never' && foldKinds[fold.as].hasToggle;
}

/** Whether somebody asked it to. */
export const isToFold = (menu: Pick<ResolvedMenu, 'fold'>): boolean => folds(menu) && !menu.fold.isUsual;

/** Whether it folds into something that lies over the page. */
export function covers(menu: Folding): boolean {
  return folds(menu) && foldKinds[menu.fold.as].isCover;
}

export const hasSubmenus = ({ entries }: Pick<ResolvedMenu, 'entries'>): boolean =>
  entries.some(one => one.entries.length > 0);

/** How many levels lie below entries. */
export const levelsBelow = (entries: ResolvedMenu['entries']): number =>
  Math.max(0, ...entries.map(one => (one.entries.length > 0 ? 1 + levelsBelow(one.entries) : 0)));

/** Whether its submenus ever lie over the page, as sheets that the pointer may open. */
export function hasSheets(menu: Pick<ResolvedMenu, 'form' | 'opens' | 'entries' | 'fold'>): boolean {
  const { isRow, opensInFlow } = forms[menu.form];
  const isOver = isRow || (opensInFlow && menu.opens.by === 'hover');
  return isOver && hasSubmenus(menu) && menu.fold.when !== 'any-width';
}

/** Whether it is a link on its own: a button, or the way to the top. */
export function isSingle({ form }: Pick<ResolvedMenu, 'form'>): boolean {
  return forms[form].isSingle;
}
