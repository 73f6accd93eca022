import {
  ColorSpace,
  type ColorTypes,
  HSL,
  HWB,
  LCH,
  Lab,
  OKLCH,
  OKLab,
  P3,
  contrastWCAG21,
  getColor,
  mix as mixColors,
  parse,
  sRGB,
  serialize,
  to,
  toGamut,
} from 'colorjs.io/fn';
import type { Hex } from './hex.ts';

for (const space of [sRGB, HSL, HWB, Lab, LCH, OKLab, OKLCH, P3]) ColorSpace.register(space);

/** Reads a CSS colour; null for what is none, or depends on the page (`currentcolor`). */
export function readColor(css: string): Hex | null {
  try {
    return hexOf(getColor(parse(css)));
  } catch {
    return null;
  }
}

/** `share` (0 to 1) of `other` mixed into a colour, in OKLab (https://www.w3.org/TR/css-color-5/#color-mix). */
export function mix(color: Hex, other: Hex, share: number): Hex {
  return hexOf(mixColors(color, other, share, { space: OKLab, outputSpace: sRGB }));
}

/** Contrast by WCAG 2.2, 1 to 21 (https://www.w3.org/TR/WCAG22/#dfn-contrast-ratio). */
export function contrast(one: Hex, other: Hex): number {
  return contrastWCAG21(one, other);
}

/**
 * The nearest colour of the same hue that reaches a contrast on every ground, or the colour itself where it does;
 * black or white where no lightness reaches it.
 */
export function nearestPassing(color: Hex, grounds: readonly Hex[], level: number): Hex {
  const passes = (hex: Hex): boolean => grounds.every(ground => contrast(hex, ground) >= level);
  if (passes(color)) return color;
  const base = to(color, OKLCH);
  const lightness = base.coords[0] ?? 0;
  for (let step = 1; step <= 200; step += 1) {
    for (const moved of [lightness - step / 200, lightness + step / 200]) {
      if (moved < 0 || moved > 1) continue;
      const hex = hexOf({ ...base, coords: [moved, base.coords[1], base.coords[2]] });
      if (passes(hex)) return hex;
    }
  }
  return passes('#000000') ? '#000000' : '#ffffff';
}

function hexOf(color: ColorTypes): Hex {
  const inside = toGamut(to(color, sRGB), { space: sRGB });
  return serialize(inside, { format: 'hex', collapse: false });
}
