import { linksOf } from '../../site/links.ts';
import type { CheckRule } from '../types.ts';

/** Some other page links to each page; the front page is where visitors begin. */
export const orphan: CheckRule = {
  name: 'orphan',
  severity: 'warning',
  about: 'Some other page links to each page.',
  why: 'No other page links to this one, so that nobody finds it.',
  example: '- prices.html      add an entry to the plan',
  find: (site, tell) => {
    const { linked } = linksOf(site);
    return [...site.pages.keys()]
      .filter(path => path !== site.front && !linked.has(path))
      .map(path =>
        tell({ file: path }, 'no other page links to this one', 'Link to it, or leave it out of the site.'),
      );
  },
};
