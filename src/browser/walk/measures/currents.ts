import type { Noter } from '../noter.ts';
import type { Visit } from '../visit.ts';

/** In each menu this page is said to be the current one, and no other. */
export async function currents(visit: Visit, noter: Noter): Promise<void> {
  const seen = await visit.tab.ask<{ menu: string; wrong: string[]; unsaid: string[] }[]>('currents');
  for (const { menu, wrong, unsaid } of seen) {
    for (const label of wrong)
      await noter.seen(
        'false-current',
        `an entry of ${menu} is said to be this page, and leads elsewhere`,
        menu,
        `“${label}”`,
      );
    for (const label of unsaid)
      await noter.seen(
        'false-current',
        `an entry of ${menu} is this page, and is not marked as current`,
        menu,
        `“${label}”`,
      );
  }
}
