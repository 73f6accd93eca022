import { folds, hasSubmenus } from '../menu/folds.ts';
import type { ResolvedMenu } from '../menu/types.ts';
import { forms } from '../plan/forms.ts';
import { menuClass, parts } from '../markup/names.ts';

/** The folded menu while it is open. @param isCover it lies over the page */
export function openFold({ name }: Pick<ResolvedMenu, 'name'>, isCover: boolean): string {
  const open = isCover
    ? `.${parts.fold}:is(:popover-open, .${parts.closing})`
    : `.${parts.toggle}[open] ~ .${parts.list}`;
  return `.${parts.menu}.${menuClass(name)} ${open}`;
}

/** What is said of parts of all menus does not hold in those on the page's own ground. */
export function withGround(menus: readonly ResolvedMenu[]): string {
  const others = menus.filter(
    menu => forms[menu.form].isGroundless && (hasSubmenus(menu) || folds(menu) || menu.home !== null),
  );
  const classes = new Set(others.map(({ form }) => `.${parts[form]}`));
  return classes.size === 0 ? '' : `:where(:not(${[...classes].join(',')}))`;
}
