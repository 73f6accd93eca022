/** A colour of CSS as Kamino writes it: `#rrggbb`, with two digits more where it is not opaque. */
export type Hex = string;

/** All that may lie behind a label: one colour, or many along a gradient. */
export type Ground = readonly Hex[];

/** What is done with colours; the library behind it is loaded only where a plan has any. */
export interface ColorTools {
  read: (css: string) => Hex | null;
  mix: (color: Hex, other: Hex, share: number) => Hex;
  contrast: (one: Hex, other: Hex) => number;
  nearestPassing: (color: Hex, grounds: readonly Hex[], level: number) => Hex;
  withLightness: (color: Hex, change: (lightness: number) => number) => Hex;
  lightnessOf: (color: Hex) => number;
  isOpaque: (color: Hex) => boolean;
  /** A translucent colour over what lies under it. */
  over: (color: Hex, under: Ground) => Ground;
  /** A ground without what lets another one through. */
  solid: (css: string) => string;
  /** The colours along a gradient over what lies under it; null for what is no gradient, or cannot be known. */
  along: (css: string, under: Ground | null) => Ground | null;
  /** A gradient with its colours changed; the text itself where it is none. */
  recolored: (css: string, change: (css: string) => string) => string;
  /** The least contrast on a ground, and the colour of it that has it. */
  worst: (color: Hex, ground: Ground) => { ratio: number; at: Hex };
}
