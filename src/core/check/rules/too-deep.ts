import type { CheckRule } from '../types.ts';
import { reachOfLinks } from '../reach.ts';

/** How many links a page may be away from the front page is the plan's wish. */
export const tooDeep: CheckRule = {
  name: 'too-deep',
  severity: 'warning',
  about: 'No page is further from the front page than the plan wishes.',
  why: 'Each page on the way is one more choice, and some visitors give up at each.',
  example: 'rules: { depth: 3 }',
  find: (site, tell) => {
    const { deepest } = site;
    if (deepest === null) return [];
    return reachOfLinks(site)
      .pages.filter(({ depth }) => depth !== null && depth > deepest)
      .map(({ page, depth, from }) =>
        tell(
          { file: page },
          `${depth!} links have to be followed to this page, the last of them in ${from!}; the plan wishes ${deepest} at most`,
          'Give it an entry in a menu of the front page, or wish less:  rules: { depth: … }  What leads where:  kamino map --reach',
        ),
      );
  },
};
