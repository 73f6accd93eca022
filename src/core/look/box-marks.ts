import { type StateName, stateNames } from '../plan/look-types.ts';
import type { Box } from './box.ts';
import { markLevel } from './contrast-teller.ts';
import type { Hex } from './hex.ts';
import type { Paint } from './types.ts';

/** The mark of the current entry, or the ring of focus, seen on every ground it may stand on. */
export function markPaint(box: Box, of: 'marker' | 'focus', states: readonly StateName[]): Paint {
  const { accent, tools, source } = box;
  const color = accent.css === 'currentcolor' ? box.base.color : accent;
  const isMarked = (name: StateName): boolean => (box.state(name).marker?.at ?? 'none') !== 'none';
  if (of === 'marker' && !stateNames.some(isMarked)) return accent;
  const isThere = (name: StateName): boolean =>
    of === 'focus' || (name !== 'current' && name !== 'within') || isMarked(name);
  const groundsOf = (names: readonly StateName[]): Hex[] =>
    [box.base, ...names.filter(isThere).map(name => box.state(name))].flatMap(one => one.ground ?? []);
  const grounds = groundsOf(states);
  if (!tools || color.hex === null || grounds.length === 0)
    return color.css === 'inherit' ? { css: 'currentcolor', hex: null } : color;
  const nearest = (on: readonly Hex[]): Hex =>
    box.mends('tints') && !source.isUnsure ? tools.nearestPassing(color.hex!, on, markLevel) : color.hex!;
  const passes = (one: Hex, on: readonly Hex[]): boolean => tools.worst(one, on).ratio >= markLevel;
  const onAll = nearest(grounds);
  // Where none is seen on all, states have another one.
  const atRest = groundsOf([]);
  const hex = passes(onAll, grounds) || atRest.length === 0 ? onAll : nearest(atRest);
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

/** The mark in a state: as it is at rest where it is seen there, else as the label is, or nearly so. */
export function statePaint(box: Box, name: StateName, atRest: Paint): Paint {
  const { ground, color } = box.state(name);
  const { tools } = box;
  const isKnown = tools && atRest.hex !== null && color.hex !== null && ground !== null;
  if (!isKnown || !box.mends('tints')) return atRest;
  if (tools.worst(atRest.hex!, ground).ratio >= markLevel) return atRest;
  const hex = tools.nearestPassing(color.hex!, ground, markLevel);
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
