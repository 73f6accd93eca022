import type { LookPart, MarkerKind, StateName } from '../plan/look-types.ts';
import type { Ground, Hex } from './hex.ts';

/** A colour of CSS; `hex` is null where it depends on the page. */
export interface Paint {
  css: string;
  hex: Hex | null;
}

/** An entry's box in one state, every value known. */
export interface StateValues {
  color: Paint;
  /** Of the box itself: `transparent` where it has none. */
  background: Paint;
  /** What lies behind the label; null where that is not known. */
  ground: Ground | null;
  border: string | null;
  shadow: string | null;
  iconColor: string | null;
  weight: string | null;
  marker: MarkerKind;
}

/** Where a look holds: in all menus, one of them, a part of these, or one entry. */
export interface ScopeAddress {
  menu: string | null;
  part: LookPart | null;
  /** The hook of an entry, or a way to set entries apart. */
  entry: string | null;
  highlight: 'background' | 'border' | 'shadow' | null;
}

/** One figure of contrast: a label, a mark or a ring against what lies beside it. */
export interface Figure {
  state: StateName | 'base';
  of: 'label' | 'marker' | 'focus';
  color: Hex;
  ground: Hex;
  ratio: number;
  level: number;
}

/** A look with every value known. */
export interface Scope {
  address: ScopeAddress;
  /** Custom properties without `--kamino-`, in order. */
  values: ReadonlyMap<string, string>;
  /** Those that are others in a dark scheme, as they hold in both. */
  dark: ReadonlyMap<string, string>;
  /** Marks of the current entry and of what it is in. */
  markers: Record<'current' | 'within', MarkerKind>;
  /** null: where neither the plan nor a default says. */
  hasOwnMarkers: boolean;
  figures: readonly Figure[];
}

/** All looks of a plan. */
export interface ResolvedLooks {
  scopes: readonly Scope[];
  /** What any of them uses beside colours of labels and grounds. */
  uses: {
    states: ReadonlySet<StateName>;
    border: boolean;
    shadow: boolean;
    icon: boolean;
    /** Menus have a box of their own. */
    frame: boolean;
    /** What of these any state says for itself; all others have it from the base. */
    ofStates: { border: boolean; shadow: boolean; icon: boolean };
    /** A state is bolder than others; `boldest` is the most of all. */
    weight: boolean;
    boldest: number;
  };
  /** `auto`: menus follow the visitor's scheme, whatever the page does. */
  scheme: 'page' | 'auto' | 'off';
}
