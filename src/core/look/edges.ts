import type { ResolvedMenu } from '../menu/types.ts';
import type { Look } from '../plan/look-types.ts';
import { groundIn } from './merge.ts';

/**
 * How a bar stands to the edges around it, where the plan says nothing of that. `air`: its ground may reach the edges of
 * the window, and its labels keep away from them. `flush`: nothing of it is seen but its labels, which begin where the
 * text of a page does that it lies in by itself.
 */
export type Edges = 'air' | 'flush';

type Standing = Pick<
  ResolvedMenu,
  'form' | 'align' | 'widths' | 'over' | 'home' | 'fold' | 'entries' | 'separators' | 'place'
>;

/** How far labels stay away from the edges of the window, in rem. */
export const usualAir = 1;

/** @param look that of the menu, with all that holds for it */
export function edgesOf(menu: Standing, look: Look): Edges | null {
  if (menu.form !== 'bar' || look.frame.padding !== null) return null;
  if (groundIn(look) !== null || look.picture !== null)
    // The usual padding is air enough.
    return look.padding !== null || look.font.size !== null ? 'air' : null;
  return begins(menu) && !isBoxed(menu, look) ? 'flush' : null;
}

/**
 * What is first in it, folded or not, stands where the menu begins. In the place of an old one it stands as that did; one
 * that never folds has a style sheet as small as can be.
 */
const begins = ({ align, widths, over, home, fold, place }: Standing): boolean =>
  (align === 'start' || align === 'spread') &&
  widths === 'natural' &&
  (home === null || home.at === 'start') &&
  (fold.when === 'crowded' || fold.when === 'below') &&
  !over &&
  (place ?? []).every(({ side }) => side !== 'instead-of');

/** Something is seen of the menu's box, or of that of its first entry. */
function isBoxed({ entries, separators }: Standing, look: Look): boolean {
  const lines = [...Object.values(look.frame), look.border, look.shadow];
  const first = entries[0];
  const isOwn = first !== undefined && (first.highlight ?? first.look ?? first.picture) !== null;
  return isOwn || separators !== null || lines.some(one => one !== null && one !== 'none');
}

/** Whether labels have to be kept away from the edges of the window. @param look see `edgesOf` */
export const needsAir = (menu: ResolvedMenu, look: Look): boolean => edgesOf(menu, look) === 'air';
