/** A colour of CSS as Kamino writes it: `#rrggbb`, with two digits more where it is not opaque. */
export type Hex = string;

/** What is done with colours; the library behind it is loaded only where a plan has any. */
export interface ColorTools {
  read: (css: string) => Hex | null;
  mix: (color: Hex, other: Hex, share: number) => Hex;
  contrast: (one: Hex, other: Hex) => number;
  nearestPassing: (color: Hex, grounds: readonly Hex[], level: number) => Hex;
  withLightness: (color: Hex, change: (lightness: number) => number) => Hex;
  lightnessOf: (color: Hex) => number;
  isOpaque: (color: Hex) => boolean;
}
