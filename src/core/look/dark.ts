import type { Look, StateLook } from '../plan/look-types.ts';
import type { ColorTools, Ground, Hex } from './hex.ts';

/** Grounds above this lightness get a dark counterpart. */
const lightGround = 0.55;

/** The look in a dark scheme; null where its ground is dark already, or unknown. */
export function darkLook(look: Look, tools: ColorTools): Look | null {
  const ground = look.background === null ? null : groundOf(look.background, tools);
  if (ground === null) return null;
  const lightness = ground.reduce((sum, one) => sum + tools.lightnessOf(one), 0) / ground.length;
  return lightness > lightGround ? turned(look, tools) : null;
}

function groundOf(css: string, tools: ColorTools): Ground | null {
  const hex = tools.read(css);
  return hex === null ? tools.along(css, null) : [hex];
}

/** The counterpart of a colour in a dark scheme. */
export function darkened(hex: Hex, tools: ColorTools): Hex {
  return tools.withLightness(hex, lightness => 0.2 + (1 - lightness) * 0.76);
}

/** A colour, or a gradient, with its lightness turned round. */
export function turnedColor(css: string, tools: ColorTools): string {
  const hex = tools.read(css);
  return hex === null ? tools.recolored(css, one => turnedColor(one, tools)) : darkened(hex, tools);
}

/** Every colour with its lightness turned round; hues stay. */
export function turned(look: Look, tools: ColorTools): Look {
  const turn = (css: string | null): string | null => (css === null ? null : turnedColor(css, tools));
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

/** A value in both schemes: `light-dark()` takes colours only, and stands at each stop of a gradient. */
export function lightDark(light: string, dark: string, tools: ColorTools): string {
  const darks: string[] = [];
  tools.recolored(dark, stop => {
    darks.push(stop);
    return stop;
  });
  if (darks.length === 0) return `light-dark(${light}, ${dark})`;
  const both = (stop: string): string => `light-dark(${stop}, ${darks.shift() ?? stop})`;
  return tools.recolored(light, both);
}
