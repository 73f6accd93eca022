import type { SeenStop } from '../../../core/walk/seen.ts';
import type { Noter } from '../noter.ts';

/** The way of the focus through a page. */
export interface TabWay {
  /** In the order in which the focus came to them. */
  stops: SeenStop[];
  /** The focus went round in a part of the page, and Escape did not free it. */
  isTrapped: boolean;
  /** Not the whole page was gone through. */
  isCut: boolean;
}

/** What the whole way of the focus through a page shows. */
export function judgeStops({ stops, isTrapped, isCut }: TabWay, noter: Noter): void {
  if (isTrapped || isCut) {
    const last = stops.at(-1);
    noter.told(
      'focus-trap',
      `the focus does not come out of ${last ? nameOf(last) : 'the page'} and what is around it`,
      last?.menu,
    );
  }
  const orders = new Map<string, SeenStop>();
  for (const stop of stops) {
    if (stop.menu === null) continue;
    const before = orders.get(stop.menu);
    if (before && before.order > stop.order)
      noter.told(
        'focus-order',
        `in ${stop.menu} the focus jumps back`,
        stop.menu,
        `${nameOf(before)} to ${nameOf(stop)}`,
      );
    orders.set(stop.menu, stop);
  }
}

export function nameOf({ label, menu, kind }: SeenStop): string {
  return `${label === '' ? `a ${kind}` : `“${label}”`}${menu === null ? '' : ` in ${menu}`}`;
}
