import { type StateName, stateNames } from '../plan/look-types.ts';
import type { Box } from './box.ts';
import { markLevel } from './contrast-teller.ts';
import type { Paint } from './types.ts';

/** The mark of the current entry, or the ring of focus, seen on every ground it may stand on. */
export function markPaint(box: Box, of: 'marker' | 'focus', states: readonly StateName[]): Paint {
  const { accent, tools, source } = box;
  const color = accent.css === 'currentcolor' ? box.base.color : accent;
  const isMarked = (name: StateName): boolean => (box.state(name).marker?.at ?? 'none') !== 'none';
  if (of === 'marker' && !stateNames.some(isMarked)) return accent;
  const isThere = (name: StateName): boolean =>
    of === 'focus' || (name !== 'current' && name !== 'within') || isMarked(name);
  const others = states.filter(isThere).map(name => box.state(name));
  const grounds = [box.base, ...others].flatMap(one => one.ground ?? []);
  if (!tools || color.hex === null || grounds.length === 0)
    return color.css === 'inherit' ? { css: 'currentcolor', hex: null } : color;
  const hex =
    box.mends('tints') && !source.isUnsure ? tools.nearestPassing(color.hex, grounds, markLevel) : color.hex;
  if (hex !== color.hex && !source.isSilent && source.look.accent !== null)
    box.teller.tellOnce('', 'mended-color', source.look, 'accent', [
      `marks and the ring of focus are ${hex} in place of ${color.hex}, which stands out too little from ${grounds.find(one => tools.contrast(color.hex!, one) < markLevel) ?? grounds[0]!}`,
      'Nothing needs to be done. With  contrast: { mend: none }  derived colours stay as they come.',
    ]);
  box.note({
    state: of === 'marker' ? 'current' : 'focus',
    of,
    color: hex,
    ground: [grounds[0]!],
    level: markLevel,
  });
  return { css: hex, hex };
}

/** The colour that the plan gives to the mark of a state; told where it is not seen on its ground. */
export function markerColor(box: Box, name: StateName): Paint | null {
  const { marker, ground } = box.state(name);
  const paint = box.paint(marker?.color ?? null);
  if (!paint || !box.tools || paint.hex === null || ground === null) return paint;
  const { ratio, at } = box.tools.worst(paint.hex, ground);
  if (ratio < markLevel && !box.source.isSilent)
    box.teller.tell('low-contrast', box.look, `states.${name}.marker`, [
      `the mark in ${paint.hex} on ${at} has a contrast of ${ratio.toFixed(2)}; ${markLevel} is needed`,
      `The nearest that passes:  color: "${box.tools.nearestPassing(paint.hex, ground, markLevel)}"`,
    ]);
  return paint;
}
