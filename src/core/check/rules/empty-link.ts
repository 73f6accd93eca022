import { linksOf, placeOfLink } from '../../site/links.ts';
import type { CheckRule } from '../types.ts';

/** A link leads somewhere. */
export const emptyLink: CheckRule = {
  name: 'empty-link',
  severity: 'warning',
  about: 'A link leads somewhere.',
  why: 'An empty address leads to the page that the link stands in, and `#` to its top: mostly a target that was still to come.',
  example: '<a href="">Prices</a>  →  <a href="prices.html">Prices</a>',
  find: (site, tell) =>
    linksOf(site).odd.flatMap(one => {
      if (one.end.kind !== 'empty') return [];
      const isTop = one.link.href.trim() === '#';
      const message = isTop
        ? 'this link leads to the top of the page it stands in'
        : 'this link leads to the page it stands in';
      const remedy = isTop
        ? 'Give it a target; a way to the top is  href="#top".'
        : 'Give it a target, or make it text.';
      return [tell(placeOfLink(one), message, remedy)];
    }),
};
