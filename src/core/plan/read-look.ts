import type { Frame, Look, Marker, StateLook } from './look-types.ts';
import type { PlanPath, PlanPlaces } from './places.ts';
import type { WrittenLook } from './parts/look.ts';
import type { WrittenState } from './parts/states.ts';
import type { LookUse, Mark } from './types.ts';

export const emptyFrame: Frame = {
  padding: null,
  row: null,
  width: null,
  border: null,
  edges: null,
  radius: null,
  shadow: null,
  blur: null,
};

/** Makes a look from what is written, or the name of one. */
export function readLookUse(
  written: string | WrittenLook | undefined,
  path: PlanPath,
  places: PlanPlaces,
): LookUse | null {
  if (written === undefined) return null;
  if (typeof written === 'string') return { name: written, mark: places.mark(path) };
  return readLook(written, path, places);
}

export function readLook(written: WrittenLook, path: PlanPath, places: PlanPlaces): Look {
  const parts = Object.entries(written.parts ?? {}).map(
    ([name, part]) => [name, readLook(part, [...path, 'parts', name], places)] as const,
  );
  const states = Object.entries(written.states ?? {}).map(([name, state]) => [
    name,
    {
      ...readState(state),
      picture: readPicture(state.picture, [...path, 'states', name, 'picture'], places),
    },
  ]);
  return {
    ...ownOf(written),
    picture: readPicture(written.picture, [...path, 'picture'], places),
    states: Object.fromEntries(states) as Look['states'],
    parts: Object.fromEntries(parts),
    marks: marksOf(written, path, places),
  };
}

function readPicture(written: WrittenLook['picture'], path: PlanPath, places: PlanPlaces): Look['picture'] {
  if (written === undefined) return null;
  if (typeof written === 'string')
    return { file: sitePath(places.slashes(written, path)), fill: 'cover', at: 'center' };
  return { ...written, file: sitePath(places.slashes(written.file, [...path, 'file'])) };
}

const sitePath = (written: string): string => written.replace(/^(?:\.\/)+/, '');

function ownOf(written: WrittenLook): Omit<Look, 'parts' | 'marks'> {
  return {
    accent: written.accent ?? null,
    background: written.background ?? null,
    picture: null,
    color: written.color ?? null,
    font: fontOf(written.font ?? {}),
    padding: written.padding ?? null,
    gap: written.gap ?? null,
    frame: { ...emptyFrame, ...written.frame },
    radius: written.radius ?? null,
    border: written.border ?? null,
    shadow: written.shadow ?? null,
    iconColor: written['icon-color'] ?? null,
    iconSize: written['icon-size'] ?? null,
    motion: written.motion === 'none' ? '0ms' : (written.motion ?? null),
    contrast: { level: null, mend: null, ...written.contrast },
    dark: written.dark ?? null,
    states: {},
  };
}

function fontOf({ 'word-spacing': wordSpacing, ...written }: NonNullable<WrittenLook['font']>): Look['font'] {
  return {
    family: null,
    size: null,
    weight: null,
    spacing: null,
    style: null,
    transform: null,
    line: null,
    file: null,
    ...written,
    wordSpacing: wordSpacing ?? null,
  };
}

/** A look, and a state, that say nothing. */
export const emptyLook: Look = { ...ownOf({}), parts: {}, marks: {} };
export const emptyState: StateLook = readState({});

/** Where values stand that something may be told of. */
function marksOf(written: WrittenLook, path: PlanPath, places: PlanPlaces): Record<string, Mark> {
  const marks: Record<string, Mark> = {};
  const note = (keys: readonly string[]): void => {
    marks[keys.join('.')] = places.mark([...path, ...keys]);
  };
  for (const key of markedKeys) if (written[key] !== undefined) note([key]);
  for (const key of ['file', 'family'] as const) if (written.font?.[key] !== undefined) note(['font', key]);
  for (const key of ['blur', 'edges'] as const) if (written.frame?.[key] !== undefined) note(['frame', key]);
  for (const [name, state] of Object.entries(written.states ?? {})) {
    note(['states', name]);
    for (const key of markedInStates) if (state[key] !== undefined) note(['states', name, key]);
  }
  return marks;
}

const markedKeys = [
  'accent',
  'background',
  'picture',
  'color',
  'font',
  'padding',
  'radius',
  'border',
  'shadow',
  'icon-color',
  'icon-size',
] as const;
const markedInStates = [
  'accent',
  'background',
  'picture',
  'color',
  'border',
  'shadow',
  'icon-color',
  'from',
  'marker',
] as const;

/** A word stands for a mark of the usual measures. */
function readMarker(written: WrittenState['marker']): Marker | null {
  if (written === undefined) return null;
  const own = typeof written === 'string' ? { at: written } : written;
  return { thickness: null, length: null, offset: null, color: null, comes: null, ...own };
}

function readState(written: WrittenState): StateLook {
  const share = (text: string | undefined): number | null =>
    text === undefined ? null : Number(text.replace('%', '')) / 100;
  return {
    from: written.from ?? null,
    tint: share(written.tint),
    lighter: share(written.lighter),
    darker: share(written.darker),
    marker: readMarker(written.marker),
    accent: written.accent ?? null,
    background: written.background ?? null,
    picture: null,
    color: written.color ?? null,
    border: written.border ?? null,
    shadow: written.shadow ?? null,
    iconColor: written['icon-color'] ?? null,
    weight: written.font?.weight ?? null,
  };
}
