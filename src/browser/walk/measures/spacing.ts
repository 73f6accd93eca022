import type { SeenText } from '../../../core/walk/seen.ts';
import type { Noter } from '../noter.ts';
import type { Visit } from '../visit.ts';

/** Labels have room as they are, and with the space that readers may ask for. */
export async function spacing(visit: Visit, noter: Noter): Promise<void> {
  await tell(visit, noter, '');
  await visit.tab.ask('spaced', true);
  await visit.settle();
  await tell(visit, noter, ' with more space between lines, words and letters');
  await visit.tab.ask('spaced', false);
}

async function tell(visit: Visit, noter: Noter, when: string): Promise<void> {
  for (const { menu, label, fault } of await visit.tab.ask<SeenText[]>('texts'))
    if (fault !== null)
      await noter.seen(
        'crowded-text',
        `${fault === 'cut off' ? 'a label is cut off' : 'a label lies over another'}${when}`,
        menu,
        fault === 'cut off' ? `“${label}”` : `“${label}” ${fault}`,
      );
}
