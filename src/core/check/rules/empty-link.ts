import { linksOf, placeOfLink } from '../../site/links.ts';
import type { CheckRule } from '../types.ts';

/** A link leads somewhere. */
export const emptyLink: CheckRule = {
  name: 'empty-link',
  severity: 'warning',
  about: 'A link leads somewhere.',
  why: 'A link without an address leads nowhere.',
  example: '<a href="">Prices</a>  →  <a href="prices.html">Prices</a>',
  find: (site, tell) =>
    linksOf(site).flatMap(one => {
      if (one.end.kind !== 'empty') return [];
      return [tell(placeOfLink(one), 'this link leads nowhere', 'Give it a target, or make it text.')];
    }),
};
