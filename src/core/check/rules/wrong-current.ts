import { differences } from '../../site/hand/differences.ts';
import { finding } from '../../text/finding.ts';
import { placeOfDifference } from '../places.ts';
import type { CheckRule } from '../types.ts';

/** The entry that is marked as the current one leads to the page itself. */
export const wrongCurrent: CheckRule = {
  find: site =>
    differences(site).flatMap(one => {
      if (one.kind !== 'current') return [];
      const message = `\`${one.entry.entry.label}\` is marked as current, and this page is \`${one.right.label}\``;
      return [
        finding(
          'wrong-current',
          placeOfDifference(one, site),
          message,
          'Move the mark; a plan keeps it right.',
        ),
      ];
    }),
};
