import { finding } from '../../text/finding.ts';
import { linksOf, placeOfLink } from '../../site/links.ts';
import type { CheckRule } from '../types.ts';

/** A link leads somewhere. */
export const emptyLink: CheckRule = {
  find: site =>
    linksOf(site).flatMap(one => {
      if (one.end.kind !== 'empty') return [];
      return [
        finding(
          'empty-link',
          placeOfLink(one),
          'this link leads nowhere',
          'Give it a target, or make it text.',
        ),
      ];
    }),
};
