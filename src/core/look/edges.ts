import type { ResolvedMenu } from '../menu/types.ts';
import type { Look } from '../plan/look-types.ts';
import { groundIn } from './merge.ts';

/** How far labels stay away from the edges of the window, in rem. */
export const usualAir = 1;

/**
 * Whether labels have to be kept away from the edges of the window: the ground of a bar may reach them, the plan says
 * nothing of the room in it, and the padding of entries is not the usual one, which is air enough.
 * @param look that of the menu, with all that holds for it
 */
export function needsAir({ form }: Pick<ResolvedMenu, 'form'>, look: Look): boolean {
  const isOpen = form === 'bar' && look.frame.padding === null;
  const hasGround = groundIn(look) !== null || look.picture !== null;
  return isOpen && hasGround && (look.padding !== null || look.font.size !== null);
}
