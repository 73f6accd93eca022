import { type Look, type Marker, type StateName, stateNames } from '../plan/look-types.ts';
import type { Scope } from './types.ts';

/** Below the label, in the accent. */
export const usualMarker: Marker = {
  at: 'below',
  thickness: null,
  length: null,
  offset: null,
  color: null,
  comes: null,
};

/** The mark of a state: its own, or that of the state it starts from; null where it stays as it was before. */
export function markerOf(look: Look, name: StateName, chain: readonly StateName[] = []): Marker | null {
  const said = look.states[name];
  if (said?.marker) return said.marker;
  const from = said ? said.from : name === 'pressed' && look.states.hover ? 'hover' : null;
  const known = from === null || from === 'base' || chain.includes(from) ? null : from;
  const before = known && markerOf(look, known, [...chain, name]);
  return before ?? (name === 'current' || name === 'within' ? usualMarker : null);
}

export const isUsual = (marker: Marker): boolean => JSON.stringify(marker) === JSON.stringify(usualMarker);

/** The marks of all states that have one to say. */
function markersOf(look: Look): ReadonlyMap<StateName, Marker> {
  return new Map(
    stateNames.flatMap(name => {
      const marker = markerOf(look, name);
      return marker ? [[name, marker] as const] : [];
    }),
  );
}

/** The marks of a look, with those that are its own; null where all are as they are around it. */
export function ownMarkers(look: Look, around: Look): Scope['markers'] {
  const before = markersOf(around);
  const marks = [...markersOf(look)].map(([name, marker]) => {
    const isOwn = JSON.stringify(before.get(name)) !== JSON.stringify(marker);
    return [name, { marker, isOwn }] as const;
  });
  return marks.some(([, { isOwn }]) => isOwn) ? new Map(marks) : null;
}
