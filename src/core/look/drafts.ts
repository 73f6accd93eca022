import type { Highlight } from '../menu/types.ts';
import { type Frame, type Look, type StateName, passingStates, stateNames } from '../plan/look-types.ts';
import { emptyFrame } from '../plan/read-look.ts';
import { markerOf } from './markers.ts';
import type { ResolvedLooks, ScopeAddress } from './types.ts';
import { typeRows } from './type-rows.ts';

type Uses = ResolvedLooks['uses'];

/** A look in its place: what holds around it, and whether it is a ground or a box on one. */
export interface Draft {
  address: ScopeAddress;
  look: Look;
  /** The box’s own; for a ground that of the menu or part. */
  own: Look | null;
  kind: 'ground' | 'box';
  /** It lies over the page: its ground covers that in any case. */
  isSheet: boolean;
  /** It lies over what nothing is known of. */
  isOver?: boolean;
  around: Draft | null;
  highlight: Highlight | null;
}

/** What any of the looks says: what no look says needs no rules. */
export function usesOf(drafts: readonly Draft[]): Uses {
  const isSaid = (test: (look: Look) => boolean): boolean => drafts.some(one => test(one.look));
  const states = new Set<StateName>(['hover', 'pressed']);
  for (const name of stateNames)
    if (isSaid(look => look.states[name] !== undefined && hasColors(look, name))) states.add(name);
  const isDrawn = (key: 'border' | 'shadow'): boolean =>
    isSaid(look => look[key] !== null || Object.values(look.states).some(one => one[key] !== null));
  const isStated = (key: 'border' | 'shadow' | 'iconColor'): boolean =>
    isSaid(look => Object.values(look.states).some(one => one[key] !== null));
  return {
    states,
    border: isDrawn('border'),
    shadow:
      isDrawn('shadow') ||
      drafts.some(one => one.address.highlight === 'border' || one.address.highlight === 'shadow'),
    icon: isSaid(
      look => look.iconColor !== null || Object.values(look.states).some(one => one.iconColor !== null),
    ),
    frame: saidOf(drafts.map(one => one.look.frame)),
    type: new Set(typeRows.filter(([, key]) => isSaid(look => look.font[key] !== null)).map(([row]) => row)),
    iconSize: isSaid(look => look.iconSize !== null),
    motion: isSaid(look => look.motion !== null),
    comes: isSaid(look => passingStates.some(name => (markerOf(look, name)?.at ?? 'none') !== 'none')),
    twoGaps: isSaid(look => look.gap?.includes(' ') === true),
    markerColors: new Set(stateNames.filter(name => isSaid(look => hasMarkColor(look, name)))),
    ofStates: {
      border: isStated('border'),
      shadow: isStated('shadow'),
      icon: isStated('iconColor'),
    },
    boldest: boldestOf(drafts.map(one => one.look)),
    weight: isSaid(look => Object.values(look.states).some(one => one.weight !== null)),
  };
}

function saidOf(frames: readonly Frame[]): Set<keyof Frame> {
  const keys = Object.keys(emptyFrame) as (keyof Frame)[];
  return new Set(keys.filter(key => frames.some(one => one[key] !== null)));
}

/** Its own, or that of the state it starts from: what says more than needed costs a line. */
function hasMarkColor({ states }: Look, name: StateName): boolean {
  const own = states[name];
  return own?.marker
    ? own.marker.color !== null
    : own !== undefined && Object.values(states).some(one => one.marker?.color != null && own.from !== null);
}

/** A marker alone needs no colours of its own. */
function hasColors(look: Look, name: StateName): boolean {
  return Object.entries(look.states[name]!).some(([key, value]) => key !== 'marker' && value !== null);
}

/** The heaviest weight of any state. */
function boldestOf(looks: readonly Look[]): number {
  const weights = looks.flatMap(look => Object.values(look.states).flatMap(one => one.weight ?? []));
  return Math.max(400, ...weights.map(one => (one === 'bold' ? 700 : Number(one) || 400)));
}

/** The widest border of any look: all boxes keep room for it, so that none moves its neighbours. */
export function widestBorder(looks: readonly Look[]): string | null {
  const all = looks.flatMap(look => [look.border, ...Object.values(look.states).map(one => one.border)]);
  const px = (width: string): number => parseFloat(width) * (width.endsWith('px') ? 1 : 16);
  const widths = all.flatMap(border => (border === null || border === 'none' ? [] : [border.split(' ')[0]!]));
  return widths.sort((one, other) => px(other) - px(one))[0] ?? null;
}
