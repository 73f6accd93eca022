import { forms } from '../plan/forms.ts';
import { type DraftLook, type DraftMenu, pageLook } from './types.ts';

/** Drafted menus, the look of the plan, and those of menus that look otherwise. */
export interface Looking {
  menus: readonly DraftMenu[];
  look: DraftLook;
}

/** Whether a menu has a look of its own: others are on the page's own ground. */
export const hasOwnLook = ({ form }: DraftMenu): boolean => !forms[form].isGroundless;

/**
 * Where old menus look alike their look is that of the plan; where they differ each has its own, since what one says
 * another would have to take back.
 * @param found how old menus look, by the name of the new one
 */
export function withLooks(menus: readonly DraftMenu[], found: ReadonlyMap<string, DraftLook>): Looking {
  const dressed = menus.map(menu => {
    const old = found.get(menu.name);
    if (!old) return { menu, look: null };
    const { align, ...look } = menu.isWithin === true ? { ...old, frame: pageLook.frame } : old;
    return { menu: { ...menu, align }, look: { ...look, align: null } };
  });
  const looks = dressed.flatMap(({ look }) => look ?? []);
  const first = looks[0] ?? pageLook;
  const areAlike = looks.every(look => JSON.stringify(look) === JSON.stringify(first));
  if (areAlike) return { menus: dressed.map(({ menu }) => menu), look: first };
  return {
    menus: dressed.map(({ menu, look }) => (look === null ? menu : { ...menu, look })),
    look: pageLook,
  };
}
