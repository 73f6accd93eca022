import type { Look, Picture } from '../plan/look-types.ts';
import type { Plan } from '../plan/types.ts';
import type { Mark } from '../text/mark.ts';

/** Every look that a plan writes, wherever it stands. */
export const looksIn = (plan: Plan): readonly Look[] => [...found(plan, new Set())];

function* found(value: unknown, seen: Set<unknown>): Generator<Look> {
  if (typeof value !== 'object' || value === null || seen.has(value)) return;
  seen.add(value);
  if ('marks' in value && 'states' in value && 'padding' in value) yield value as Look;
  const inner = value instanceof Map ? value.values() : Object.values(value);
  for (const one of inner) yield* found(one, seen);
}

/** Whether a plan says anything of looks. */
export const hasLooks = (plan: Plan): boolean => found(plan, new Set()).next().done === false;

/** The pictures that are grounds in a plan, with their places in it. */
export const picturesIn = (plan: Plan): { picture: Picture; mark: Mark }[] =>
  looksIn(plan).flatMap(({ picture, states, marks }) =>
    [
      { picture, mark: marks['picture'] },
      ...Object.entries(states).map(([name, state]) => ({
        picture: state.picture,
        mark: marks[`states.${name}.picture`],
      })),
    ].flatMap(one => (one.picture && one.mark ? [{ picture: one.picture, mark: one.mark }] : [])),
  );

/** Their files. */
export const picturesOf = (plan: Plan): string[] => [
  ...new Set(picturesIn(plan).map(({ picture }) => picture.file)),
];
