import { type StateName, stateNames } from '../plan/look-types.ts';
import type { Box } from './box.ts';
import { markLevel } from './contrast-teller.ts';
import type { ColorTools, Hex } from './hex.ts';
import type { Paint, StateValues } from './types.ts';

/**
 * The mark of the current entry, or the ring of focus, seen on every ground it may stand on. Where no colour is, as on a dark
 * bar whose entries get light under the pointer, it has that of the label, which is another in each state.
 */
export function markPaint(box: Box, of: 'marker' | 'focus', states: readonly StateName[]): Paint {
  const { accent, tools, source } = box;
  const color = accent.css === 'currentcolor' ? box.base.color : accent;
  const isMarked = (name: StateName): boolean => (box.state(name).marker?.at ?? 'none') !== 'none';
  if (of === 'marker' && !stateNames.some(isMarked)) return accent;
  const isThere = (name: StateName): boolean =>
    of === 'focus' || (name !== 'current' && name !== 'within') || isMarked(name);
  const met = [box.base, ...states.filter(isThere).map(name => box.state(name))];
  // The ring may stand on an entry with a ground of its own, for which the accent is given up without a word.
  const all = of === 'marker' ? met : [...met, box.state('current'), box.state('within')];
  const [grounds, allGrounds] = [met, all].map(some => some.flatMap(one => one.ground ?? [])) as [
    Hex[],
    Hex[],
  ];
  if (!tools || color.hex === null || allGrounds.length === 0)
    return color.css === 'inherit' ? { css: 'currentcolor', hex: null } : color;
  const isMended = box.mends('tints');
  const isSought = isMended && !source.isUnsure && grounds.length > 0;
  const hex = isSought ? tools.nearestPassing(color.hex, grounds, markLevel) : color.hex;
  const worst = tools.worst(hex, allGrounds).ratio;
  const asLabels = isMended && worst < markLevel && worstOf(tools, all) > worst;
  if (hex !== color.hex && !source.isSilent && source.look.accent !== null)
    box.teller.tellOnce('', 'mended-color', source.look, 'accent', [
      `marks and the ring of focus are ${asLabels ? 'as their labels' : hex} in place of ${color.hex}, which stands out too little from ${grounds.find(one => tools.contrast(color.hex!, one) < markLevel) ?? grounds[0]!}`,
      'Nothing needs to be done. With  contrast: { mend: none }  derived colours stay as they come.',
    ]);
  const label = of === 'marker' ? box.state('current') : box.base;
  box.note({
    state: of === 'marker' ? 'current' : 'focus',
    of,
    color: asLabels ? label.color.hex : hex,
    ground: asLabels ? label.ground : [allGrounds[0]!],
    level: markLevel,
  });
  return asLabels ? { css: 'currentcolor', hex: null } : { css: hex, hex };
}

/** How well labels are read at the worst, where their grounds are known. */
function worstOf(tools: ColorTools, states: readonly Pick<StateValues, 'color' | 'ground'>[]): number {
  const ratios = states.flatMap(({ color, ground }) =>
    color.hex === null || ground === null ? [] : tools.worst(color.hex, ground).ratio,
  );
  return Math.min(...ratios);
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
