import type { SeenFold } from '../../../core/walk/seen.ts';
import type { FoundWay } from '../explore.ts';
import type { Noter } from '../noter.ts';
import type { Visit } from '../visit.ts';

/** Of the first sheet. */
const most = 1 / 4;

/** Menus leave the paper to what people print the page for. */
export async function paper(visit: Visit, _: readonly FoundWay[], noter: Noter): Promise<void> {
  await visit.fresh(noter.page);
  const folds = await visit.tab.ask<SeenFold[]>('folds');
  const height = folds.reduce((sum, one) => sum + one.height, 0);
  const part = height / visit.window[1];
  if (part > most)
    await noter.seen(
      'fills-paper',
      `on paper menus take ${Math.round(part * 100)} % of the first sheet`,
      null,
    );
}
