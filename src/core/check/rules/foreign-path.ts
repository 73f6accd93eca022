import { finding } from '../../text/finding.ts';
import { linksOf, placeOfLink } from '../../site/links.ts';
import { isToldByMenu } from '../places.ts';
import type { CheckRule } from '../types.ts';

/** A link stays in the site's folder. */
export const foreignPath: CheckRule = {
  find: site =>
    linksOf(site).flatMap(one => {
      if (one.end.kind !== 'foreign' || isToldByMenu(one, site)) return [];
      const message = `\`${one.link.href.trim()}\` leads out of the site’s folder`;
      return [
        finding(
          'foreign-path',
          placeOfLink(one),
          message,
          'Copy the file into the site, and write its path from this page.',
        ),
      ];
    }),
};
