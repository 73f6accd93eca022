import { contrast, readColor } from '../look/color.ts';
import type { OldButton } from './computed-look.ts';
import type { DraftLook } from './types.ts';

/** Of what is set apart, where it has other corners or letters than Kamino would give it. */
export function buttonFrom(
  { button, fontWeight, fontSize }: { button: OldButton | null; fontWeight: string; fontSize: string },
  rem: (px: string) => string,
): DraftLook['button'] {
  const [background, color] = button ? [button.background, button.color].map(readColor) : [];
  // Words that cannot be read get a colour from Kamino.
  if (!button || !background || !color || contrast(color, background) < leastContrast) return null;
  const isBolder = button.fontWeight !== fontWeight;
  const corner = Number.parseFloat(button.radius);
  const isUsual =
    corner === 0 ||
    (!button.radius.endsWith('%') && Math.abs(corner - usualRadius * Number.parseFloat(fontSize)) < 4);
  if (!isBolder && isUsual) return null;
  const isRound = corner >= leastRound;
  return {
    background,
    color,
    radius: corner === 0 ? '0' : button.radius.endsWith('%') || isRound ? '999px' : rem(button.radius),
    fontWeight: isBolder ? button.fontWeight : null,
  };
}

/** https://www.w3.org/TR/WCAG22/#contrast-minimum */
export const leastContrast = 4.5;
/** Of Kamino's own entries, in em. */
const usualRadius = 0.35;
/** Corners that make half a circle of each end, in px. */
const leastRound = 40;
