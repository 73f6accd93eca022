import type { FoundWay } from '../explore.ts';
import type { Noter } from '../noter.ts';
import type { Visit } from '../visit.ts';

/** One thing that is measured in a page that is gone through in full. @param isNew whether a menu was met first on this page */
export type Measure = (
  visit: Visit,
  found: readonly FoundWay[],
  noter: Noter,
  isNew: (menu: string) => boolean,
) => Promise<void>;
