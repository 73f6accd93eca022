import type { Frame, LookPart, Marker, Picture, StateName } from '../plan/look-types.ts';
import type { Edges } from './edges.ts';
import type { Ground, Hex } from './hex.ts';

/** A colour of CSS; `hex` is null where it depends on the page. */
export interface Paint {
  css: string;
  hex: Hex | null;
  /** What it is made of where a picture is part of it. */
  layers?: { picture: Picture; over: string | null };
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
  /** null: as it was before the state came. */
  marker: Marker | null;
}

/** Properties of type that are written only where a look has them. */
export type TypeRow = 'word-spacing' | 'font-style' | 'text-transform' | 'line-height';

/** A part of a menu, or what lies below an entry in a folded one. */
export type ScopePart = LookPart | 'fold-submenu';

/** Where a look holds: in all menus, one of them, a part of these, or one entry. */
export interface ScopeAddress {
  menu: string | null;
  part: ScopePart | null;
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
  /** It has a ground of its own wherever it lies. */
  paints: boolean;
  /** It holds where what lies below entries comes as a sheet over the page, and only there. */
  isOfSheets: boolean;
  /** The marks of its states, where any is another than in what lies around it; else null. */
  markers: ReadonlyMap<StateName, { marker: Marker; isOwn: boolean }> | null;
  figures: readonly Figure[];
}

/** All looks of a plan. */
export interface ResolvedLooks {
  scopes: readonly Scope[];
  /** How menus stand to the edges around them, by name. */
  edges: ReadonlyMap<string, Edges>;
  /** What any of them uses beside colours of labels and grounds. */
  uses: {
    states: ReadonlySet<StateName>;
    border: boolean;
    shadow: boolean;
    icon: boolean;
    /** What of the box around menus any of them has. */
    frame: ReadonlySet<keyof Frame>;
    /** Type that not every look has, by the name of its property. */
    type: ReadonlySet<TypeRow>;
    iconSize: boolean;
    /** States come otherwise than by default. */
    motion: boolean;
    /** Some marks come in states that pass. */
    comes: boolean;
    /** Some gaps are others across lines than along them. */
    twoGaps: boolean;
    /** States whose mark has a colour of its own. */
    markerColors: ReadonlySet<StateName>;
    /** What of these any state says for itself; all others have it from the base. */
    ofStates: { border: boolean; shadow: boolean; icon: boolean };
    /** A state is bolder than others; `boldest` is the most of all. */
    weight: boolean;
    boldest: number;
  };
  /** `auto`: menus follow the visitor's scheme, whatever the page does. */
  scheme: 'page' | 'auto' | 'off';
}
