import { differences } from '../../hand/differences.ts';
import { placeOfDifference } from '../places.ts';
import type { CheckRule } from '../types.ts';

/** The lists of a menu are closed. */
export const unclosedList: CheckRule = {
  name: 'unclosed-list',
  severity: 'warning',
  about: 'The lists of a menu are closed.',
  why: 'A list without an end tag swallows what stands behind it.',
  example: '<ul><li>…          →  <ul><li>…</li></ul>',
  find: (site, tell) =>
    differences(site).flatMap(one => {
      if (one.kind !== 'unclosed') return [];
      return [
        tell(
          placeOfDifference(one, site),
          'this list of a menu is never closed',
          'Put its end tag behind its last entry.',
        ),
      ];
    }),
};
