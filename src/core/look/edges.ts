import type { ResolvedMenu } from '../menu/types.ts';
import type { Look } from '../plan/look-types.ts';
import { groundIn } from './merge.ts';

/**
 * How a bar stands to the edges around it, where the plan says nothing of that. `air`: its ground may reach the edges of
 * the window, and its labels keep away from them. `flush`: it has no ground, and its first label begins where the
 * text of the page does.
 */
export type Edges = 'air' | 'flush';

/** So far, in rem. */
export const usualAir = 1;

type Standing = Pick<ResolvedMenu, 'form' | 'align' | 'widths' | 'over' | 'home'>;

/** @param look that of the menu, with all that holds for it */
export function edgesOf(menu: Standing, look: Look): Edges | null {
  if (menu.form !== 'bar' || look.frame.padding !== null) return null;
  if (groundIn(look) !== null || look.picture !== null)
    // The usual padding is air enough.
    return look.padding === null && look.font.size === null ? null : 'air';
  const isBoxed = [...Object.values(look.frame), look.border, look.shadow].some(
    one => one !== null && one !== 'none',
  );
  const begins = menu.align === 'start' && menu.widths === 'natural' && menu.home?.at !== 'middle';
  return begins && !isBoxed && !menu.over ? 'flush' : null;
}
