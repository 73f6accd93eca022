import { forms } from '../plan/forms.ts';
import { withMargins } from './margins.ts';
import { withHome } from './old-home.ts';
import { type DraftLook, type DraftMenu, nothingOfMenu, pageLook } from './types.ts';

/** Drafted menus, the look of the plan, and those of menus that look otherwise. */
export interface Looking {
  menus: readonly DraftMenu[];
  look: DraftLook;
}

/** Whether a menu takes over how an old one looks; those in a form of their own look as that does. */
export const hasOldLook = ({ form }: DraftMenu): boolean => !forms[form].isGroundless || isPlain({ form });

/** It is on the page's own ground, and has nothing of the look of others. */
export const isPlain = ({ form }: Pick<DraftMenu, 'form'>): boolean => form === 'plain';

/**
 * Where old menus look alike their look is that of the plan; where they differ each has its own, since what one says
 * another would have to take back.
 * @param found how old menus look, by the name of the new one
 */
export function withLooks(menus: readonly DraftMenu[], found: ReadonlyMap<string, DraftLook>): Looking {
  const dressed = menus.map(menu => {
    const old = found.get(menu.name);
    return old ? dress(menu, old) : { menu, look: null };
  });
  const looks = dressed.flatMap(({ menu, look }) => (look === null || isPlain(menu) ? [] : look));
  const first = looks[0] ?? pageLook;
  const areAlike = looks.every(look => JSON.stringify(look) === JSON.stringify(first));
  const { fontFamily, fontSize, fontWeight, transform, spacing } = first;
  const hasLetters = [fontFamily, fontSize, fontWeight, transform, spacing].some(one => one !== null);
  // A menu on the page's own ground leaves the colours of others to them, and would have to take back their letters.
  const isForAll = areAlike && !(hasLetters && menus.some(({ form }) => forms[form].isGroundless));
  if (isForAll)
    return {
      menus: dressed.map(({ menu, look }) => (isPlain(menu) ? { ...menu, look } : menu)),
      look: first,
    };
  return {
    menus: dressed.map(({ menu, look }) => (look === null ? menu : { ...menu, look })),
    look: pageLook,
  };
}

/** What an old look says of the menu itself goes into that; the rest is its look. */
function dress(menu: DraftMenu, old: DraftLook): { menu: DraftMenu; look: DraftLook } {
  const { align, widths, line, button, pushed, home, isTabs, around, ...look } =
    menu.isWithin === true ? { ...old, frame: pageLook.frame } : old;
  const form = isTabs && menu.form === 'bar' ? 'tabs' : menu.form;
  const entries = menu.entries.map((one, at) => ({
    ...one,
    ...(one.highlight && button ? { highlight: button } : {}),
    ...(at === pushed?.at && pushed.of === menu.entries.length ? { isApart: true } : {}),
  }));
  return {
    menu: allApart(withHome({ ...withMargins(menu, around), form, align, widths, line, entries }, home)),
    look: { ...look, ...nothingOfMenu },
  };
}

/** Where all entries stand apart from the name before them, they stand at the end. */
function allApart<Menu extends DraftMenu>(menu: Menu): Menu {
  const [first, ...rest] = menu.entries;
  return first?.isApart === true
    ? { ...menu, align: 'end', entries: [{ ...first, isApart: false }, ...rest] }
    : menu;
}
