import type { Scope } from '../look/types.ts';
import type { ResolvedMenu } from '../menu/types.ts';
import { forms } from '../plan/forms.ts';
import { isOfPart } from './around.ts';

/** What is written of a scope: lines of rules. */
export interface Written {
  values: string;
  dark: string;
  drawn: string;
}

/** What submenus have wherever they lie, where that reaches the submenus of a folded menu that a scope is of. */
export function submenusOf(
  { address: { menu, part, entry, highlight } }: Scope,
  scopes: readonly Scope[],
  menus: readonly ResolvedMenu[],
): Scope[] {
  if (part !== 'fold-submenu' || entry !== null || highlight !== null) return [];
  const isGroundless = menus.some(
    one => (menu === null || one.name === menu) && forms[one.form].isGroundless,
  );
  const all = scopes.filter(one => isOfPart(one, 'submenu') && !one.isOfSheets);
  // Menus that say something of their own submenus say it of these with other words.
  if (menu === null) return all.every(one => one.address.menu === null) && !isGroundless ? all : [];
  const own = all.filter(({ address }) => address.menu === menu);
  return own.length > 0 || isGroundless ? own : all.filter(({ address }) => address.menu === null);
}

/** Whether each line is said of some submenus already that are the same elements. */
export function isSaidOfSubmenus(own: Written, submenus: readonly Written[]): boolean {
  const isIn = (lines: string, all: string): boolean =>
    lines.split('\n').every(line => all.split('\n').includes(line));
  return submenus.some(
    one => isIn(own.values, one.values) && isIn(own.dark, one.dark) && isIn(own.drawn, one.drawn),
  );
}
