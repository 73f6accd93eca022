import { hiddenBelow } from './hidden-below.ts';
import type { OldElement } from './laid-out.ts';
import { isPutAway } from './put-away.ts';
import { standsBeside } from './stacked.ts';

/** How a page has an old menu. */
export interface Standing {
  /** Not seen until a script brings it; its entries below each other beside the content; null for the usual ways. */
  way: 'away' | 'beside' | null;
  /** See `hiddenBelow`. */
  hiddenBelow: number | null;
}

export const usualStanding: Standing = { way: null, hiddenBelow: null };

export function standingOf(old: OldElement): Standing {
  const way = isPutAway(old) ? 'away' : standsBeside(old) ? 'beside' : null;
  return { way, hiddenBelow: hiddenBelow(old) };
}
