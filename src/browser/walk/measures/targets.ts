import type { SeenTarget } from '../../../core/walk/seen.ts';
import type { FoundWay } from '../explore.ts';
import type { Noter } from '../noter.ts';
import type { Visit } from '../visit.ts';
import { openings } from './closing.ts';

/** What is pressed is large enough, or stands apart. */
export async function targets(visit: Visit, found: readonly FoundWay[], noter: Noter): Promise<void> {
  await visit.fresh(noter.page);
  for (const way of [[], ...openings(found).map(one => one.way)]) {
    if (way.length > 0) await visit.open(noter.page, way);
    for (const { menu, label, width, height, isSpaced } of await visit.tab.ask<SeenTarget[]>('targets')) {
      if (isSpaced) continue;
      const size = `${Math.round(width)} by ${Math.round(height)} px`;
      await noter.seen(
        'small-target',
        `what is pressed in ${menu} is small, with others close by`,
        menu,
        `“${label}” (${size})`,
      );
    }
  }
}
