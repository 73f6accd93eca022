import type { StyleRule } from '../page/styles.ts';

/** Of a browser's usual text, in px. */
const em = 16;

/** One condition on the width of the window, as media queries have it in either way of writing. */
export function limitOf(condition: string): { below: number; isNarrow: boolean } | null {
  const [, side, number, unit] =
    /^@media\s+(?:(?:only\s+)?screen\s+and\s+)?\(\s*(max-width\s*:|min-width\s*:|width\s*<=?|width\s*>=?)\s*([\d.]+)(px|em|rem)\s*\)$/i.exec(
      condition.trim(),
    ) ?? [];
  if (side === undefined) return null;
  const isNarrow = /max|</.test(side);
  const px = Number(number) * (unit === 'px' ? 1 : em);
  // That width itself is one of the narrow windows, or of the wide ones.
  const below = isNarrow && !/<$/.test(side) ? px + 1 : px;
  return { below: Math.round((below / em) * 100) / 100, isNarrow };
}

/** Rules that hold in other windows than narrow ones, with their conditions. */
export const inWideWindows = (rules: readonly StyleRule[]): StyleRule[] =>
  rules.filter(({ condition }) => condition === null || limitOf(condition)?.isNarrow !== true);
