import type { ResolvedMenu } from '../menu/types.ts';
import type { Frame } from '../page/types.ts';
import type { Span } from '../text/bytes.ts';
import type { Inlaying } from './inlaying.ts';
import { holderOf, pointFor } from './points.ts';

/** Elements that are no longer than what they hold. */
const shortHolders = new Set(['slot', 'header', 'hgroup', 'nav', 'form', 'td']);

/** The first menu whose place is another one with scripts off, where a `noscript` holds markup; null where all agree. */
export function differences(menus: readonly ResolvedMenu[], on: Frame, off: Frame): ResolvedMenu | null {
  const isSame =
    !off.leaks &&
    on.main?.insert === off.main?.insert &&
    on.bodyPoint === off.bodyPoint &&
    on.headPoint === off.headPoint;
  const at = (menu: ResolvedMenu, frame: Frame): number | string => {
    const point = pointFor(menu, frame);
    return point.kind === 'at' ? point.at : point.kind;
  };
  return (isSame ? menus.find(menu => at(menu, on) !== at(menu, off)) : menus[0]) ?? null;
}

/** Menus that are to stay, in an element that is gone as soon as it is scrolled past. */
export function staysShort(menus: readonly ResolvedMenu[], frame: Frame): Inlaying['staysShort'] {
  return menus
    .filter(menu => menu.stays !== null && !menu.over && menu.stays.selector === null)
    .map(menu => ({ menu: menu.name, holder: holderOf(menu, frame) }))
    .filter(one => shortHolders.has(one.holder));
}

/** Why two menus cannot both stand: one takes out the place of the other. */
export function overlapOf(spans: readonly Span[]): string | null {
  const inside = (one: Span): boolean =>
    spans.some(other => other !== one && other.at <= one.at && one.at < other.at + (other.drop ?? 0));
  return spans.some(inside) ? 'another menu takes the place of this one' : null;
}
