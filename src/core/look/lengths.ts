import type { Look } from '../plan/look-types.ts';

/** The room inside an entry where a plan says none. */
export const defaultPadding = '0.7em 0.95em';

/** The four sides of a padding: top, right, bottom, left. */
export function sides(padding: string): string[] {
  const [top = '0', right = top, bottom = top, left = right] = padding.split(' ');
  return [top, right, bottom, left];
}

/** A length in px, at a root size of 16. */
export function lengthOf(length: string, em: number): number {
  const match = /^(-?[\d.]+)(px|em|rem|ch)?$/.exec(length);
  if (!match) return 0;
  const scales: Record<string, number> = { px: 1, em, rem: 16, ch: em * 0.5 };
  return Number(match[1]) * (match[2] === undefined ? 0 : scales[match[2]]!);
}

/** The letters that are seen (https://www.w3.org/TR/css-text-3/#text-transform). */
export function transformed(
  text: string,
  how: Look['font']['transform'],
  language: string | undefined,
): string {
  if (how === 'uppercase') return text.toLocaleUpperCase(language);
  if (how === 'lowercase') return text.toLocaleLowerCase(language);
  if (how !== 'capitalize') return text;
  return text.replace(/(?<![\p{L}\p{N}])\p{L}/gu, letter => letter.toLocaleUpperCase(language));
}
