import type { ResolvedLooks, Scope } from './types.ts';
import { type Uses, overStates } from './values.ts';

/** Without the colours of marks, or of rings, in states, where they are seen in all of them as they are at rest. */
export function withMarks(all: readonly Scope[], known: Uses): Pick<ResolvedLooks, 'scopes' | 'uses'> {
  const states = overStates(known);
  let [scopes, over] = [all, known.over];
  for (const kind of ['marker', 'focus'] as const) {
    const names = new Set(states[kind].map(name => `${name}-${kind}`));
    if (scopes.some(scope => isOther(scope, names, kind))) over = { ...over, [kind]: new Set(states[kind]) };
    else
      scopes = scopes.map(one => ({
        ...one,
        values: without(one.values, names),
        dark: without(one.dark, names),
      }));
  }
  return { scopes, uses: { ...known, over } };
}

/** Some of these is another than at rest, in light or in dark. */
function isOther({ values, dark }: Scope, names: ReadonlySet<string>, atRest: string): boolean {
  const inDark = (name: string): string | undefined => dark.get(name) ?? values.get(name);
  return [...names].some(name => values.get(name) !== values.get(atRest) || inDark(name) !== inDark(atRest));
}

const without = (values: ReadonlyMap<string, string>, names: ReadonlySet<string>): Map<string, string> =>
  new Map([...values].filter(([name]) => !names.has(name)));
