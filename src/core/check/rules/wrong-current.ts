import { differences } from '../../hand/differences.ts';
import { placeOfDifference } from '../places.ts';
import type { CheckRule } from '../types.ts';

/** The entry that is marked as the current one leads to the page itself. */
export const wrongCurrent: CheckRule = {
  name: 'wrong-current',
  severity: 'warning',
  about: 'The entry marked as current leads to the page itself.',
  why: 'The entry marked as current leads to another page than this one: copied, and not changed.',
  example: '<a class="on" href="visit.html"> on prices.html',
  find: (site, tell) =>
    differences(site).flatMap(one => {
      if (one.kind !== 'current') return [];
      const page = one.right ? `this page is \`${one.right.label}\`` : 'leads to another page than this one';
      const message = `\`${one.entry.entry.label}\` is marked as current, and ${page}`;
      return [tell(placeOfDifference(one, site), message, 'Move the mark; a plan keeps it right.')];
    }),
};
