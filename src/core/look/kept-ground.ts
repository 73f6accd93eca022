import type { Look, StateLook, StateName } from '../plan/look-types.ts';
import { type Painted, isSeenOn } from './grounds.ts';
import type { ColorTools } from './hex.ts';
import type { LookTeller } from './teller.ts';
import type { Paint, StateValues } from './types.ts';

/** A state, the one it starts from, its label, and the contrast that this has at rest or needs. */
interface Stated {
  name: StateName;
  spec: StateLook;
  start: StateValues;
  label: Paint;
  level: number;
}

/** What a box gives of itself. */
interface Keeper {
  tools: ColorTools | null;
  source: { look: Look; isSilent: boolean };
  teller: LookTeller;
  mends: (least: 'tints' | 'all') => boolean;
}

/**
 * A ground that was derived moves a little rather than that its label turns over: to the nearest on which the label is
 * read as well as at rest, where it can still be told from the ground before.
 */
export function keptGround(
  box: Keeper,
  painted: Painted,
  { name, spec, start, label, level }: Stated,
): Painted {
  const { tools, source, teller } = box;
  const { hex } = painted.background;
  const isDerived = spec.tint !== null || spec.lighter !== null || spec.darker !== null;
  if (!tools || hex === null || label.hex === null || !isDerived || !box.mends('tints')) return painted;
  const ratio = tools.contrast(label.hex, hex);
  if (ratio >= level) return painted;
  const nearest = tools.nearestPassing(hex, [label.hex], level);
  const isSeen = start.ground?.every(one => isSeenOn(nearest, one, tools)) ?? false;
  if (tools.contrast(nearest, label.hex) < level || !isSeen) return painted;
  if (!source.isSilent && source.look.states[name] !== undefined)
    teller.tell('mended-color', source.look, `states.${name}`, [
      `the ground of \`${name}\` is ${nearest} in place of ${hex}, on which labels in ${label.hex} have a contrast of ${ratio.toFixed(2)}; ${Number(level.toFixed(2))} is needed`,
      'Nothing needs to be done. With  contrast: { mend: none }  derived colours stay as they come.',
    ]);
  return { background: { css: nearest, hex: nearest }, ground: [nearest] };
}
