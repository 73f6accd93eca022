import type { Mark } from '../text/mark.ts';

/** The states of an entry beside `base`, in the order in which one wins over another. */
export const stateNames = ['within', 'current', 'hover', 'focus', 'pressed'] as const;
export type StateName = (typeof stateNames)[number];

/** The parts of a menu that may look otherwise. */
export const partNames = ['submenu', 'fold', 'toggle', 'home'] as const;
export type LookPart = (typeof partNames)[number];

/** Where an entry is marked. */
export type MarkerKind = 'below' | 'above' | 'start' | 'dot' | 'none';

/** A look as the plan has it: null where it says nothing. Values are those of CSS. */
export interface Look {
  accent: string | null;
  background: string | null;
  color: string | null;
  font: {
    family: string | null;
    size: string | null;
    weight: string | null;
    spacing: string | null;
    file: string | null;
  };
  padding: string | null;
  gap: string | null;
  /** The menu's own box. */
  frame: { padding: string | null; row: string | null; width: string | null };
  radius: string | null;
  border: string | null;
  shadow: string | null;
  iconColor: string | null;
  contrast: { level: 'AA' | 'AAA' | null; mend: 'tints' | 'all' | 'none' | null };
  dark: 'page' | 'auto' | 'off' | null;
  states: Readonly<Partial<Record<StateName, StateLook>>>;
  parts: Readonly<Partial<Record<LookPart, Look>>>;
  /** Where values stand in the plan, by their path in the look: `color`, `states.hover.color`. */
  marks: Readonly<Record<string, Mark>>;
}

/** What a state says beside the one it starts from. */
export interface StateLook {
  from: StateName | 'base' | null;
  /** Shares from 0 to 1: of the accent mixed into the ground; of its lightness in OKLCH. */
  tint: number | null;
  lighter: number | null;
  darker: number | null;
  marker: MarkerKind | null;
  accent: string | null;
  background: string | null;
  color: string | null;
  border: string | null;
  shadow: string | null;
  iconColor: string | null;
  weight: string | null;
}
