import type { Look, StateLook, StateName } from '../plan/look-types.ts';
import { emptyState } from '../plan/read-look.ts';
import type { ColorTools, Ground, Hex } from './hex.ts';
import { hasPicture, isLayered } from './picture-css.ts';
import type { Paint } from './types.ts';

const ink = '#1b2430';
const paper = '#ffffff';

/** How much of the accent goes into the ground under the pointer, and under a pressed button. */
const hoverShare = 0.12;
const pressedShare = 0.2;
/** Grounds that are nearer to each other than this cannot be told apart. */
const leastDifference = 1.04;
export const isSeenOn = (one: Hex, other: Hex, tools: ColorTools): boolean =>
  tools.contrast(one, other) >= leastDifference;

/** The label that a ground lies under, and the contrast that it needs. */
export interface Labels {
  label: Hex | null;
  level: number;
  tools: ColorTools;
}

/** What the plan says of a state, else what holds without it. */
export function specOf(
  box: { look: Look; state: (name: StateName) => { ground: Ground | null } },
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
  const isDark = ground !== null && tools !== null && ground.every(one => tools.lightnessOf(one) < 0.25);
  return { ...emptyState, from: 'hover', ...(isDark ? { lighter: 0.08 } : { darker: 0.08 }) };
}

/** Whatever a page may have below what it is seen through lies between these. */
export const anyGround: Ground = ['#ffffff', '#000000'];

/** What a colour or a gradient makes of what lies under it; null where that is not known. */
export function groundOf(css: string, under: Ground | null, tools: ColorTools): Ground | null {
  const hex = tools.read(css);
  if (hex === null) return tools.along(css, under);
  if (tools.isOpaque(hex)) return [hex];
  return under && [...new Set(tools.over(hex, under))];
}

/** A ground of a box: what it is painted with, and what then lies behind the label. */
export interface Painted {
  background: Paint;
  ground: Ground | null;
}

/** A ground with a share of the accent in it. */
function tinted(
  from: Paint,
  { under, accent, share }: { under: Ground | null; accent: Paint; share: number },
  tools: ColorTools | null,
): Painted {
  if (under === null || accent.hex === null || !tools)
    return { background: layered(from, `${accent.css} ${percent(share)}`), ground: null };
  const ground = under.map(one => tools.mix(one, accent.hex!, share));
  return painted(from, ground, `${accent.hex} ${percent(share)}`);
}

/** What a ground becomes in a state. */
export interface Change {
  from: Paint;
  under: Ground | null;
  accent: Paint;
  /** The label that a tint is chosen for, where the plan says nothing of the state. */
  labels: Labels | null;
  moves: 'to-accent' | 'from-label';
}

/** The ground of a state: as it was, with a share of the accent in it, or lighter or darker. */
export function stateGround(
  { tint, lighter, darker }: StateLook,
  change: Change,
  tools: ColorTools | null,
): Painted {
  const { from, under, labels } = change;
  const [only] = under?.length === 1 && !hasPicture(from.css) ? under : [];
  if (tint !== null && labels && only !== undefined) {
    const paint = defaultTint(only, { ...change, share: tint }, labels);
    return { background: paint, ground: [paint.hex!] };
  }
  if (tint !== null) {
    const colored = tinted(from, { ...change, share: tint }, tools);
    return labels && under ? readableTint(colored, { from, under, share: tint }, labels) : colored;
  }
  const shift = lighter ?? (darker === null ? null : -darker);
  if (shift === null) return { background: from, ground: under };
  const share = `${shift > 0 ? 'white' : 'black'} ${percent(Math.abs(shift))}`;
  if (under === null || !tools) return { background: layered(from, share), ground: null };
  if (only !== undefined) return painted(from, [tools.withLightness(only, value => value + shift)], share);
  const end = shift > 0 ? '#ffffff' : '#000000';
  return painted(
    from,
    under.map(one => tools.mix(one, end, Math.abs(shift))),
    share,
  );
}

/** One colour is painted as such; a share of a colour over a gradient as a layer. */
function painted(from: Paint, ground: Ground, share: string): Painted {
  const [hex] = ground;
  const isPlain = ground.length === 1 && !hasPicture(from.css);
  return { background: isPlain ? { css: hex!, hex: hex! } : layered(from, share), ground };
}

/** The tint of many colours, unless their label is read less well on it: then they move away from the label. */
function readableTint(
  colored: Painted,
  { from, under, share }: { from: Paint; under: Ground; share: number },
  { label, level, tools }: Labels,
): Painted {
  if (label === null || colored.ground === null) return colored;
  const atRest = Math.min(level, tools.worst(label, under).ratio);
  if (tools.worst(label, colored.ground).ratio >= atRest) return colored;
  const away = {
    css: tools.contrast(label, '#000000') > tools.contrast(label, '#ffffff') ? 'black' : 'white',
  };
  return tinted(from, { under, accent: { ...away, hex: tools.read(away.css) }, share }, tools);
}

/** The tint that is seen and leaves the label as readable as it can: the first of some that does. */
function defaultTint(
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
function layered({ css }: Paint, share: string): Paint {
  if (!isLayered(css)) return { css: `color-mix(in oklab, ${share}, ${css})`, hex: null };
  const layer = `color-mix(in oklab, ${share}, transparent)`;
  return { css: `linear-gradient(${layer}, ${layer}), ${css}`, hex: null };
}

function percent(share: number): string {
  return `${Math.round(share * 1000) / 10}%`;
}

/** Ink or paper, whichever stands out more; on a ground where neither suffices, what does. */
export function textOn(ground: Ground, level: number, tools: ColorTools): Hex {
  const better = tools.worst(ink, ground).ratio >= tools.worst(paper, ground).ratio ? ink : paper;
  return tools.nearestPassing(better, ground, level);
}
