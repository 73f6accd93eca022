import type { SitePath } from '../address/path.ts';
import type { PictureState } from '../plan/picture-types.ts';
import type { Mark } from '../plan/types.ts';
import { shortened } from '../text/nearest.ts';
import type { Ground } from './ground.ts';
import type { EntryFiles } from './types.ts';

/** A state without a picture shows the one at rest. */
export function tellStates(entries: readonly EntryFiles[], mark: Mark, ground: Ground): void {
  for (const state of ['hover', 'current', 'pressed'] as const satisfies readonly PictureState[]) {
    const without = entries.filter(one => !one.files[state]);
    if (without.length === 0) continue;
    const who =
      without.length === entries.length
        ? 'no entry has'
        : `${shortened(
            without.map(one => one.label),
            4,
          )} ${without.length === 1 ? 'has' : 'have'} no`;
    ground.tell(
      'no-state-picture',
      mark,
      `${who} ${without.length === entries.length ? 'a ' : ''}picture of the state \`${state}\`, and the one at rest is shown`,
      state === 'current'
        ? 'Nothing else but a mark of the look tells then which page this is.'
        : 'Nothing needs to be done where that is meant.',
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
