import { finding } from '../../text/finding.ts';
import { linksOf, placeOfLink } from '../../site/links.ts';
import type { CheckRule } from '../types.ts';

/** A link to a place in the page begins with `#`. */
export const missingHash: CheckRule = {
  find: site =>
    linksOf(site).flatMap(one => {
      if (one.end.kind !== 'no-hash') return [];
      const { id } = one.end;
      return [
        finding(
          'missing-hash',
          placeOfLink(one),
          `\`${id}\` is a place in this page, and no file`,
          `Write  href="#${id}"`,
        ),
      ];
    }),
};
