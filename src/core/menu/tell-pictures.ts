import type { SitePath } from '../address/path.ts';
import type { PictureState } from '../plan/picture-types.ts';
import type { Mark } from '../plan/types.ts';
import { shortened } from '../text/nearest.ts';
import type { Ground } from './ground.ts';
import type { EntryFiles } from './types.ts';

/** What tells of states without a picture. */
interface StatesTold {
  mark: Mark;
  ground: Ground;
  /** The plan says that the one at rest is shown. */
  isSaid: (hook: string, state: PictureState) => boolean;
  /** How the plan says so. */
  remedy: (state: PictureState) => string;
}

/** A state without a picture shows the one at rest. That nobody draws pressed buttons is no news. */
export function tellStates(
  entries: readonly EntryFiles[],
  { mark, ground, isSaid, remedy }: StatesTold,
): void {
  for (const state of ['hover', 'current', 'pressed'] as const satisfies readonly PictureState[]) {
    const without = entries.filter(({ hook, files }) => !files[state] && !isSaid(hook, state));
    const isNone = entries.every(one => !one.files[state]);
    if (without.length === 0 || (isNone && state === 'pressed')) continue;
    const labels = without.map(one => one.label);
    const who =
      isNone && without.length === entries.length
        ? 'no entry has a picture'
        : `${shortened(labels, 4)} ${labels.length === 1 ? 'has' : 'have'} no picture`;
    const mind = state === 'current' ? 'Only a mark of the look tells then which page this is. ' : '';
    ground.tell(
      'no-state-picture',
      mark,
      `${who} of the state \`${state}\`, and the one at rest is shown`,
      `${mind}Where that is meant:  ${remedy(state)}`,
    );
  }
}

/** Two entries with one picture. */
export function tellSame(entries: readonly EntryFiles[], ground: Ground): void {
  const seen = new Map<SitePath, string>();
  for (const { label, files } of entries)
    for (const path of new Set(Object.values(files).map(one => one.path))) {
      const earlier = seen.get(path);
      if (earlier !== undefined)
        ground.tell(
          'same-picture',
          Object.values(files)[0]!.mark,
          `\`${earlier}\` and \`${label}\` have the same picture \`${path}\``,
          'Give each its own.',
        );
      seen.set(path, label);
    }
}
