import type { ResolvedMenu } from '../menu/types.ts';
import { menuClass, parts } from '../markup/names.ts';

/** The folded menu while it is open. @param isCover it lies over the page */
export function openFold({ name }: Pick<ResolvedMenu, 'name'>, isCover: boolean): string {
  const open = isCover
    ? `.${parts.fold}:is(:popover-open, .${parts.closing})`
    : `.${parts.toggle}[open] ~ .${parts.list}`;
  return `.${parts.menu}.${menuClass(name)} ${open}`;
}
