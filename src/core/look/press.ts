import type { Look } from '../plan/look-types.ts';
import type { Box } from './box.ts';
import { lengthOf, sides } from './lengths.ts';
import type { LookTeller } from './teller.ts';
import type { StateValues } from './types.ts';

/** WCAG 2.2, 2.5.8: so many px from the middle of one target to that of the next. */
const leastApart = 24;
/** What the style sheet gives where a look says nothing, in em; and the page's own size in px. */
const usualLine = 1.35;
const usualGap = '0.2em';
const usualSize = 16;

/** Tells of states that nobody sees come, and of entries below each other that lie too close to be pressed. */
export function tellPressed(box: Box, look: Look, teller: LookTeller): void {
  tellAlike(box, look, teller);
  tellClose(look, teller);
}

function tellAlike(box: Box, look: Look, teller: LookTeller): void {
  for (const state of ['hover', 'pressed'] as const) {
    if (look.states[state] === undefined) continue;
    const values = box.state(state);
    if (seen(values) !== seen(box.base) || (values.marker?.at ?? 'none') !== 'none') continue;
    teller.tell('same-state', look, `states.${state}`, [
      `in the state \`${state}\` an entry looks as it does at rest`,
      `Give it a look of its own:  ${state}: { tint: 12% }`,
    ]);
  }
}

/** What is seen of a box, but for its mark. */
const seen = ({ color, background, ground, border, shadow, iconColor, weight }: StateValues): string =>
  JSON.stringify([color.hex ?? color.css, ground ?? background.css, border, shadow, iconColor, weight]);

function tellClose({ padding, gap, font, ...look }: Look, teller: LookTeller): void {
  if (padding === null) return;
  const size = px(font.size ?? `${usualSize}px`, usualSize);
  const [top, right, bottom] = sides(padding) as [string, string, string, string];
  const line = size * lineOf(font.line, size);
  const apart = [top, bottom, gap?.split(' ')[0] ?? usualGap]
    .map(one => px(one, size))
    .reduce((sum, one) => sum + one, line);
  // What is written in other units is known in a browser only.
  if (!(apart < leastApart)) return;
  const needed = Math.ceil((leastApart - line) / 2);
  teller.tell('low-rows', { padding, gap, font, ...look }, 'padding', [
    `entries below each other are ${apart.toFixed(0)} px apart, and ${leastApart} are needed to press the right one`,
    `Give them more:  padding: ${needed}px${right === '0' ? '' : ` ${right}`}`,
  ]);
}

const px = (length: string, em: number): number =>
  /^-?[\d.]+(?:px|em|rem|ch)?$/.test(length) ? lengthOf(length, em) : NaN;

/** A bare number is a share of the size. */
function lineOf(line: string | null, size: number): number {
  if (line === null || line === 'normal') return usualLine;
  const bare = Number(line);
  return Number.isFinite(bare) ? bare : lengthOf(line, size) / size || usualLine;
}
