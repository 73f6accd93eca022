import type { Look, LookPart, StateLook, StateName } from '../plan/look-types.ts';
import { emptyFrame, emptyLook } from '../plan/read-look.ts';

/** What is said once holds below, unless something else is said there. */
export function mergeLooks(under: Look, over: Look | null): Look {
  if (over === null) return under;
  return {
    ...filled(under, over),
    font: filled(under.font, over.font),
    frame: filled(under.frame, over.frame),
    contrast: filled(under.contrast, over.contrast),
    states: mergedStates(under.states, over.states),
    parts: mergedParts(under.parts, over.parts),
    marks: { ...under.marks, ...over.marks },
  };
}

/** The ground that a look gives; null for none. */
export const groundIn = ({ background }: Pick<Look, 'background'>): string | null =>
  background === 'none' ? null : background;

/** What a part is under: one with a ground of its own does not show the picture of its menu. */
export const underPart = (look: Look, own: Look | null, isSheet: boolean): Look =>
  look.picture !== null && (isSheet || (own !== null && own.background !== null))
    ? { ...look, picture: null }
    : look;

/** The same without colours and a box: what lies on the page's own ground has the page's. */
export function withoutColors(look: Look): Look {
  return {
    ...look,
    accent: null,
    background: null,
    picture: null,
    color: null,
    border: null,
    shadow: null,
    iconColor: null,
    frame: emptyFrame,
    states: {},
    parts: {},
  };
}

function filled<Keys extends object>(under: Keys, over: Keys): Keys {
  const said = Object.entries(over).filter(([, value]) => value !== null);
  return { ...under, ...Object.fromEntries(said) } as Keys;
}

function mergedStates(under: Look['states'], over: Look['states']): Look['states'] {
  const made: Partial<Record<StateName, StateLook>> = { ...under };
  for (const [name, state] of Object.entries(over) as [StateName, StateLook][]) {
    const before = under[name];
    made[name] = before ? filled(shifts(state) ? { ...before, ...unshifted } : before, state) : state;
  }
  return made;
}

/** A ground is tinted, or lighter, or darker: what is said later takes the place of the others. */
const unshifted = { tint: null, lighter: null, darker: null };
const shifts = ({ tint, lighter, darker }: StateLook): boolean =>
  tint !== null || lighter !== null || darker !== null;

function mergedParts(under: Look['parts'], over: Look['parts']): Look['parts'] {
  const made: Partial<Record<LookPart, Look>> = { ...under };
  for (const [name, part] of Object.entries(over) as [LookPart, Look][])
    made[name] = mergeLooks(under[name] ?? emptyLook, part);
  return made;
}
