import type { Look, LookPart, StateLook, StateName } from '../plan/look-types.ts';
import { emptyFrame, emptyLook } from '../plan/read-look.ts';
import type { Plan } from '../plan/types.ts';

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

/** The same without the picture: what lies over the page, or on a ground of its own, does not show it. */
export const withoutPicture = (look: Look): Look =>
  look.picture === null ? look : { ...look, picture: null };

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

/** Whether a plan says anything of looks. */
export function hasLooks({ look, looks, menus }: Plan): boolean {
  const has = (entries: Plan['menus'][number]['entries']): boolean =>
    entries.some(
      one =>
        one.look !== null ||
        (one.highlight !== null && typeof one.highlight === 'object') ||
        has(one.entries),
    );
  return look !== null || looks.size > 0 || menus.some(menu => menu.look !== null || has(menu.entries));
}

/** The looks of a plan with a picture as their ground. */
export function pictured({ look, looks, menus }: Plan): Look[] {
  const all = [look, ...menus.map(menu => menu.look), ...looks.values()];
  return [
    ...new Set(all.filter((one): one is Look => one !== null && !('name' in one) && one.picture !== null)),
  ];
}

/** Their files. */
export const picturesOf = (plan: Plan): string[] => [
  ...new Set(pictured(plan).map(({ picture }) => picture!.file)),
];
