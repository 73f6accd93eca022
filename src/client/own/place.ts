// Where an old menu stands in what holds it.
import type { ComputedLook } from '../../core/draft/computed-look.ts';
import { styleOf } from '../shared.ts';
import { type Box, asRead, standing } from './rows.ts';

/** Between the edge of an element and what it holds. */
export const insideOf = (holder: Element, side: string): number =>
  parseFloat(styleOf(holder, `padding-${side}`)) + parseFloat(styleOf(holder, `border-${side}-width`));

const isAuto = (box: Element, property: string): boolean =>
  box.computedStyleMap().get(property)?.toString() === 'auto';

/** The room around it, in px; null for one that does not stand in the flow. */
export function marginsOf(box: Element): ComputedLook['margins'] {
  const isInRow = /flex|grid/.test(styleOf(box.parentElement!, 'display'));
  if (isInRow || styleOf(box, 'display').startsWith('inline')) return null;
  const [top, right, bottom, left] = ['top', 'right', 'bottom', 'left'].map(side =>
    isAuto(box, `margin-${side}`) ? 0 : parseFloat(styleOf(box, `margin-${side}`)),
  );
  return [top!, right!, bottom!, left!];
}

/** It takes all the room that its margins leave. */
const isFilling = (box: Element): boolean =>
  styleOf(box, 'display') === 'block' &&
  styleOf(box, 'max-width') === 'none' &&
  isAuto(box, 'width') &&
  !isAuto(box, 'margin-left') &&
  !isAuto(box, 'margin-right');

/** The width of an element that lies in the middle of what holds it, by more than its margins; else 0. */
export function widthInMiddle(box: Element): number {
  const own = box.getBoundingClientRect();
  const holder = box.parentElement!;
  const around = holder.getBoundingClientRect();
  const before = own.left - around.left - insideOf(holder, 'left');
  const behind = around.right - own.right - insideOf(holder, 'right');
  const isInMiddle = before > 8 && Math.abs(before - behind) <= 2 && !isFilling(box);
  return isInMiddle ? own.width : 0;
}

/** Where a menu that is as wide as its entries stands in what holds it; null for one that begins there, or fills it. */
export function placeOf(menu: Element): ComputedLook['align'] {
  const holder = menu.parentElement!;
  const isShrunk =
    /flex|grid/.test(styleOf(holder, 'display')) ||
    styleOf(menu, 'float') !== 'none' ||
    styleOf(menu, 'display').startsWith('inline');
  if (!isShrunk) return null;
  const [own, around] = [menu, holder].map(one => asRead(one.getBoundingClientRect(), holder)) as [Box, Box];
  const [left, right] = ['left', 'right'].map(side => insideOf(holder, side)) as [number, number];
  const isLeftward = styleOf(holder, 'direction') === 'rtl';
  const before = own.left - around.left - (isLeftward ? right : left);
  const found = standing(before, around.right - own.right - (isLeftward ? left : right));
  return found === 'end' ? found : null;
}
