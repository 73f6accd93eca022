import type { Noter } from '../noter.ts';
import type { Visit } from '../visit.ts';
import { openings } from './closing.ts';
import type { Measure } from './measure.ts';

/** What is measured of a page as it is; it leaves open what is open. */
export type Look = (visit: Visit, noter: Noter, isOpen: boolean) => Promise<void>;

/** Looks at a page with its menus closed, and with each way open that opens something. */
export function closedAndOpen(...looks: readonly Look[]): Measure {
  return async (visit, found, noter) => {
    await visit.fresh(noter.page);
    for (const way of [[], ...openings(found).map(one => one.way)]) {
      if (way.length > 0) await visit.open(noter.page, way);
      for (const look of looks) await look(visit, noter, way.length > 0);
    }
  };
}
