import { differences } from '../../site/hand/differences.ts';
import { finding } from '../../text/finding.ts';
import { placeOfDifference } from '../places.ts';
import type { CheckRule } from '../types.ts';

/** The lists of a menu are closed. */
export const unclosedList: CheckRule = {
  find: site =>
    differences(site).flatMap(one => {
      if (one.kind !== 'unclosed') return [];
      return [
        finding(
          'unclosed-list',
          placeOfDifference(one, site),
          'this list of a menu is never closed',
          'Put its end tag behind its last entry.',
        ),
      ];
    }),
};
