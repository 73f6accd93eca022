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
  getColor,
  getLuminance,
  mix as mixColors,
  parse,
  sRGB,
  serialize,
  to,
  toGamut,
} from 'colorjs.io/fn';
import { readGradient } from './gradient.ts';
import { hasPicture } from './picture-css.ts';
import type { ColorTools, Ground, Hex } from './hex.ts';

for (const space of [sRGB, HSL, HWB, Lab, LCH, OKLab, OKLCH, P3]) ColorSpace.register(space);

/** Reads a CSS colour; null for what is none, or depends on the page (`currentcolor`). */
export function readColor(css: string): Hex | null {
  return kept(read, css, text => {
    try {
      return hexOf(getColor(parse(text)));
    } catch {
      return null;
    }
  });
}
const read = new Map<string, Hex | null>();

/** `share` (0 to 1) of `other` mixed into a colour, in OKLab (https://www.w3.org/TR/css-color-5/#color-mix). */
export function mix(color: Hex, other: Hex, share: number): Hex {
  return hexOf(mixColors(color, other, share, { space: OKLab, outputSpace: sRGB }));
}

const luminances = new Map<Hex, number>();
const luminanceOf = (color: Hex): number => kept(luminances, color, one => Math.max(0, getLuminance(one)));

/** Contrast by WCAG 2.2, 1 to 21 (https://www.w3.org/TR/WCAG22/#dfn-contrast-ratio). */
export function contrast(one: Hex, other: Hex): number {
  const [first, second] = [luminanceOf(one), luminanceOf(other)];
  return (Math.max(first, second) + 0.05) / (Math.min(first, second) + 0.05);
}

const coarse = 1 / 40;
const fine = 1 / 640;

/**
 * The nearest colour of the same hue that reaches a contrast on every ground, or the colour itself where it does;
 * black or white, whichever comes nearer to it, where no lightness reaches it.
 */
export function nearestPassing(color: Hex, grounds: readonly Hex[], level: number): Hex {
  const passes = (hex: Hex): boolean => grounds.every(ground => contrast(hex, ground) >= level);
  if (passes(color)) return color;
  const base = to(color, OKLCH);
  const start = base.coords[0] ?? 0;
  const at = (lightness: number): Hex =>
    hexOf({ ...base, coords: [Math.min(1, Math.max(0, lightness)), base.coords[1], base.coords[2]] });
  for (let step = coarse; step < 1 + coarse; step += coarse) {
    const found = [-step, step]
      .filter(by => start + by > -coarse && start + by < 1 + coarse && passes(at(start + by)))
      .map(by => refined(by, by - Math.sign(by) * coarse, by => passes(at(start + by))))
      .sort((one, other) => Math.abs(one) - Math.abs(other));
    if (found.length > 0) return at(start + found[0]!);
  }
  const least = (hex: Hex): number => Math.min(...grounds.map(ground => contrast(hex, ground)));
  return least('#000000') >= least('#ffffff') ? '#000000' : '#ffffff';
}

/** The step nearest to `fails` that passes still. */
function refined(passing: number, failing: number, passes: (by: number) => boolean): number {
  let [good, bad] = [passing, failing];
  while (Math.abs(good - bad) > fine) {
    const middle = (good + bad) / 2;
    if (passes(middle)) good = middle;
    else bad = middle;
  }
  return good;
}

/** The colour with another lightness in OKLCH (0 to 1); hue and chroma stay as far as sRGB has them. */
export function withLightness(color: Hex, change: (lightness: number) => number): Hex {
  const base = to(color, OKLCH);
  const lightness = Math.min(1, Math.max(0, change(base.coords[0] ?? 0)));
  return hexOf({ ...base, coords: [lightness, base.coords[1], base.coords[2]] });
}

/** Lightness in OKLCH, 0 to 1. */
export function lightnessOf(color: Hex): number {
  return kept(lightnesses, color, one => to(one, OKLCH).coords[0] ?? 0);
}
const lightnesses = new Map<Hex, number>();

/** What has been computed once for a colour. */
function kept<Value>(known: Map<string, Value>, color: string, compute: (color: string) => Value): Value {
  const before = known.get(color);
  if (before !== undefined) return before;
  if (known.size > 5000) known.clear();
  const value = compute(color);
  known.set(color, value);
  return value;
}

/** Whether a colour covers what lies behind it. */
export function isOpaque(color: Hex): boolean {
  return color.length === 7;
}

/** Points between two stops. */
const steps = 8;

/** The stops of a gradient and points between them, by the two spaces in use: it is somewhere between these. */
function along(css: string, under: Ground | null): Ground | null {
  const gradient = hasPicture(css) ? null : readGradient(css);
  if (!gradient || gradient.stops.length === 0) return null;
  const stops = gradient.stops.map(readColor);
  const seen = new Set<Hex>();
  for (let at = 0; at < stops.length; at += 1) {
    const [one, next] = [stops[at]!, stops[at + 1] ?? stops[at]!];
    if (one === null || next === null) return null;
    for (const space of [sRGB, OKLab])
      for (let step = 0; step <= (one === next ? 0 : steps); step += 1)
        for (const color of over(
          hexOf(mixColors(one, next, step / steps, { space, outputSpace: sRGB })),
          under,
        ))
          if (color === null) return null;
          else seen.add(color);
  }
  return [...seen];
}

/** A colour over what lies there; null where that is not known. */
function over(color: Hex, under: Ground | null): readonly (Hex | null)[] {
  if (isOpaque(color)) return [color];
  if (under === null) return [null];
  const { coords, alpha } = to(color, sRGB);
  return under.map(one =>
    hexOf(mixColors(one, { space: sRGB, coords, alpha: 1 }, alpha ?? 1, { space: sRGB })),
  );
}

function solid(css: string): string {
  const gradient = readGradient(css);
  if (gradient) return gradient.with(gradient.stops.map(solid));
  const hex = readColor(css);
  return hex === null || isOpaque(hex) ? css : hex.slice(0, 7);
}

function recolored(css: string, change: (css: string) => string): string {
  const gradient = readGradient(css);
  return gradient ? gradient.with(gradient.stops.map(change)) : css;
}

function worst(color: Hex, ground: Ground): { ratio: number; at: Hex } {
  const all = ground.map(at => ({ ratio: contrast(color, at), at }));
  return all.reduce((least, one) => (one.ratio < least.ratio ? one : least));
}

export const colorTools: ColorTools = {
  read: readColor,
  mix,
  contrast,
  nearestPassing,
  withLightness,
  lightnessOf,
  isOpaque,
  over: (color, under) => over(color, under) as Ground,
  solid,
  along,
  recolored,
  worst,
};

function hexOf(color: ColorTypes): Hex {
  const plain = to(color, sRGB);
  // Most colours need no mapping, which takes long.
  const isInside = plain.coords.every(one => one !== null && one >= 0 && one <= 1);
  const inside = isInside ? plain : toGamut(plain, { space: sRGB });
  return serialize(inside, { format: 'hex', collapse: false });
}
