import type { Look, StateLook, StateName } from '../plan/look-types.ts';
import { emptyState } from '../plan/read-look.ts';
import type { ColorTools, Hex } from './hex.ts';
import type { Paint } from './types.ts';

const ink = '#1b2430';
const paper = '#ffffff';

/** How much of the accent goes into the ground under the pointer, and under a pressed button. */
const hoverShare = 0.12;
const pressedShare = 0.2;
/** Grounds that are nearer to each other than this cannot be told apart. */
const leastDifference = 1.04;

/** The label that a ground lies under, and the contrast that it needs. */
export interface Labels {
  label: Hex | null;
  level: number;
  tools: ColorTools;
}

/** What the plan says of a state, else what holds without it. */
export function specOf(
  box: { look: Look; state: (name: StateName) => { ground: Hex | null } },
  name: StateName,
  tools: ColorTools | null,
): StateLook {
  const { states } = box.look;
  const said = states[name];
  if (said) return said;
  if (name === 'hover') return { ...emptyState, tint: hoverShare };
  if (name !== 'pressed') return emptyState;
  if (!states.hover || states.hover.from === 'pressed') return { ...emptyState, tint: pressedShare };
  // A dark ground cannot be much darker: it turns lighter.
  const { ground } = box.state('hover');
  const isDark = ground !== null && tools !== null && tools.lightnessOf(ground) < 0.25;
  return { ...emptyState, from: 'hover', ...(isDark ? { lighter: 0.08 } : { darker: 0.08 }) };
}

/** A ground with a share of the accent in it. */
export function tinted(
  from: Paint,
  { under, accent, share }: { under: Hex | null; accent: Paint; share: number },
  tools: ColorTools | null,
): Paint {
  if (under === null || accent.hex === null || !tools)
    return layered(from, `${accent.css} ${percent(share)}`);
  const hex = tools.mix(under, accent.hex, share);
  return { css: hex, hex };
}

/** The tint that is seen and leaves the label as readable as it can: the first of some that does. */
export function defaultTint(
  under: Hex,
  { accent, share, moves }: { accent: Paint; share: number; moves: 'to-accent' | 'from-label' },
  { label, level, tools }: Labels,
): Paint {
  const atRest = label === null ? 0 : Math.min(level, tools.contrast(label, under));
  const isFine = (hex: Hex): boolean =>
    tools.contrast(hex, under) >= leastDifference && (label === null || tools.contrast(label, hex) >= atRest);
  const isLight = label !== null && tools.lightnessOf(label) > tools.lightnessOf(under);
  const away = (by: number) => (): Hex => tools.withLightness(under, value => value + (isLight ? -by : by));
  const towards = (by: number) => away(-by);
  const tints = [1, 0.8, 0.6, 0.45].map(
    part => (): Hex => (accent.hex === null ? under : tools.mix(under, accent.hex, share * part)),
  );
  const shifts = [away(share * 0.5), towards(share * 0.5), away(share), towards(share * 0.35)];
  let seen: Hex | null = null;
  for (const make of moves === 'to-accent' ? [...tints, ...shifts] : [...shifts, ...tints]) {
    const hex = make();
    if (isFine(hex)) return { css: hex, hex };
    if (seen === null && tools.contrast(hex, under) >= leastDifference) seen = hex;
  }
  const hex = seen ?? towards(share)();
  return { css: hex, hex };
}

/** A share of a colour over whatever lies there. */
export function layered({ css }: Paint, share: string): Paint {
  const ground = css === 'transparent' ? 'transparent' : css;
  return { css: `color-mix(in oklab, ${share}, ${ground})`, hex: null };
}

export function percent(share: number): string {
  return `${Math.round(share * 1000) / 10}%`;
}

/** Ink or paper, whichever stands out more; on a ground where neither suffices, what does. */
export function textOn(ground: Hex, level: number, tools: ColorTools): Hex {
  const better = tools.contrast(ink, ground) >= tools.contrast(paper, ground) ? ink : paper;
  return tools.nearestPassing(better, [ground], level);
}
