import type { Hex } from './hex.ts';

/** The colours of a menu as CSS, each also a custom property. */
export interface ResolvedLook {
  color: string;
  background: string;
  accent: string;
  hoverColor: string;
  hoverBackground: string;
  pressedBackground: string;
  marker: string;
  /** Text on the accent. */
  onAccent: string;
  focus: string;
}

/** How much of the accent goes into the ground under the pointer, and under a pressed button. */
export const hoverShare = 0.12;
export const pressedShare = 0.2;

/** On the page's own ground the browser mixes the tints. */
export function onPage(accent: Hex | null, color: Hex | null): ResolvedLook {
  const text = color ?? 'inherit';
  const tint = accent ?? color ?? 'currentcolor';
  const mixed = (share: number): string => `color-mix(in oklab, ${tint} ${share * 100}%, transparent)`;
  return {
    color: text,
    background: 'transparent',
    accent: tint,
    hoverColor: text,
    hoverBackground: mixed(hoverShare),
    pressedBackground: mixed(pressedShare),
    marker: tint,
    // Without a known accent the page's own ground is all that surely differs from its text.
    onAccent: 'Canvas',
    focus: color ?? 'currentcolor',
  };
}
