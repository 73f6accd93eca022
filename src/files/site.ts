import { pathMatcher } from '../core/address/glob.ts';
import { type SitePlace, listBy } from './listing.ts';
import type { Walk } from './walk.ts';

/** What a page is where no plan says it. */
export const usualRead = '**/*.{html,htm}';

/** The files that belong to a site. @property leaveOut patterns of what the plan leaves out */
export function listSite({ leaveOut = [], ...place }: SitePlace & { leaveOut?: readonly string[] }): Walk {
  return listBy(place, pathMatcher(leaveOut));
}
