import type { Look, StateLook } from '../plan/look-types.ts';
import type { ColorTools } from './hex.ts';

/** Grounds above this lightness get a dark counterpart. */
const lightGround = 0.55;

/** The look in a dark scheme; null where its ground is dark already, or unknown. */
export function darkLook(look: Look, tools: ColorTools): Look | null {
  const ground = look.background === null ? null : tools.read(look.background);
  if (ground === null || tools.lightnessOf(ground) <= lightGround) return null;
  return turned(look, tools);
}

/** Every colour with its lightness turned round; hues stay. */
export function turned(look: Look, tools: ColorTools): Look {
  const turn = (css: string | null): string | null => {
    const hex = css === null ? null : tools.read(css);
    return hex === null ? css : tools.withLightness(hex, lightness => 0.2 + (1 - lightness) * 0.76);
  };
  const state = (one: StateLook): StateLook => ({
    ...one,
    accent: turn(one.accent),
    background: turn(one.background),
    color: turn(one.color),
    iconColor: turn(one.iconColor),
    // What was darker on a light ground is lighter on a dark one.
    lighter: one.darker,
    darker: one.lighter,
  });
  return {
    ...look,
    accent: turn(look.accent),
    background: turn(look.background),
    color: turn(look.color),
    iconColor: turn(look.iconColor),
    states: Object.fromEntries(Object.entries(look.states).map(([name, one]) => [name, state(one)])),
    parts: Object.fromEntries(Object.entries(look.parts).map(([name, one]) => [name, turned(one, tools)])),
  };
}
