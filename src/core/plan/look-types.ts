import type { Mark } from '../text/mark.ts';

/** The states of an entry beside `base`, in the order in which one wins over another. */
export const stateNames = ['within', 'current', 'hover', 'focus', 'pressed'] as const;
export type StateName = (typeof stateNames)[number];
/** Those that come and go. */
export const passingStates = ['hover', 'focus', 'pressed'] as const satisfies readonly StateName[];

/** The parts of a menu that may look otherwise. */
export const partNames = ['submenu', 'fold', 'toggle', 'home', 'scrolled'] as const;
export type LookPart = (typeof partNames)[number];

/** Where an entry is marked. */
export const markerKinds = ['below', 'above', 'start', 'dot', 'none'] as const;
export type MarkerKind = (typeof markerKinds)[number];

/** A mark with its measures; null where the plan says nothing of them. */
export interface Marker {
  at: MarkerKind;
  thickness: string | null;
  /** `label`, `entry` or a length. */
  length: string | null;
  offset: string | null;
  color: string | null;
  comes: 'at-once' | 'fade' | 'grow' | null;
}

/** A look as the plan has it: null where it says nothing. Values are those of CSS. */
export interface Look {
  accent: string | null;
  background: string | null;
  /** Over the background. */
  picture: Picture | null;
  color: string | null;
  font: {
    family: string | null;
    size: string | null;
    weight: string | null;
    spacing: string | null;
    wordSpacing: string | null;
    style: string | null;
    transform: 'uppercase' | 'lowercase' | 'capitalize' | 'none' | null;
    /** A share of the size. */
    line: string | null;
    file: string | null;
  };
  padding: string | null;
  gap: string | null;
  /** The menu's own box. */
  frame: Frame;
  radius: string | null;
  border: string | null;
  shadow: string | null;
  iconColor: string | null;
  iconSize: string | null;
  /** How long and how a state comes, as CSS has it: `140ms ease-out`; `0ms` for at once. */
  motion: string | null;
  contrast: { level: 'AA' | 'AAA' | null; mend: 'tints' | 'all' | 'none' | null };
  dark: 'page' | 'auto' | 'off' | null;
  states: Readonly<Partial<Record<StateName, StateLook>>>;
  parts: Readonly<Partial<Record<LookPart, Look>>>;
  /** Where values stand in the plan, by their path in the look: `color`, `states.hover.color`. */
  marks: Readonly<Record<string, Mark>>;
}

export const pictureFills = ['cover', 'contain', 'repeat', 'once'] as const;
export const picturePlaces = ['center', 'top', 'bottom', 'left', 'right'] as const;

/** A picture of the site as a ground. */
export interface Picture {
  /** Its path in the site. */
  file: string;
  fill: (typeof pictureFills)[number];
  at: (typeof picturePlaces)[number];
}

/** The menu's own box. */
export interface Frame {
  padding: string | null;
  row: string | null;
  width: string | null;
  border: string | null;
  /** The sides that have the border; null for all. */
  edges: readonly FrameEdge[] | null;
  radius: string | null;
  shadow: string | null;
  blur: string | null;
}
export type FrameEdge = (typeof frameEdges)[number];
export const frameEdges = ['top', 'bottom', 'start', 'end'] as const;

/** What a state says beside the one it starts from. */
export interface StateLook {
  from: StateName | 'base' | null;
  /** Shares from 0 to 1: of the accent mixed into the ground; of its lightness in OKLCH. */
  tint: number | null;
  lighter: number | null;
  darker: number | null;
  marker: Marker | null;
  accent: string | null;
  background: string | null;
  picture: Picture | null;
  color: string | null;
  border: string | null;
  shadow: string | null;
  iconColor: string | null;
  weight: string | null;
}
