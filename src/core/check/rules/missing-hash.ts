import { linksOf, placeOfLink } from '../../site/links.ts';
import type { CheckRule } from '../types.ts';

/** A link to a place in the page begins with `#`. */
export const missingHash: CheckRule = {
  name: 'missing-hash',
  severity: 'error',
  about: 'A link to a place in the page begins with #.',
  why: 'A link to a place in the page begins with #.',
  example: 'href="prices"      →  href="#prices"',
  find: (site, tell) =>
    linksOf(site).odd.flatMap(one => {
      if (one.end.kind !== 'no-hash') return [];
      const { id } = one.end;
      return [
        tell(placeOfLink(one), `\`${id}\` is a place in this page, and no file`, `Write  href="#${id}"`),
      ];
    }),
};
