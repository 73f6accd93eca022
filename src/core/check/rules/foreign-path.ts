import { linksOf, placeOfLink } from '../../site/links.ts';
import { isToldByMenu } from '../places.ts';
import type { CheckRule } from '../types.ts';

/** A link stays in the site's folder. */
export const foreignPath: CheckRule = {
  name: 'foreign-path',
  severity: 'error',
  about: 'A link stays in the site’s folder.',
  why: 'The link leads out of the site’s folder, into another project or onto a disk.',
  example: 'href="../other-client/logo.html"',
  find: (site, tell) =>
    linksOf(site).odd.flatMap(one => {
      if (one.end.kind !== 'foreign' || isToldByMenu(one, site)) return [];
      const message = `\`${one.link.href.trim()}\` leads out of the site’s folder`;
      return [
        tell(placeOfLink(one), message, 'Copy the file into the site, and write its path from this page.'),
      ];
    }),
};
