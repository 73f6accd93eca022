import type { SeenTarget } from '../../../core/walk/seen.ts';
import type { Noter } from '../noter.ts';
import type { Visit } from '../visit.ts';

/** What is pressed is large enough, or stands apart. */
export async function targets(visit: Visit, noter: Noter): Promise<void> {
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
