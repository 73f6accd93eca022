import { listed } from '../../text/nearest.ts';
import { placeInRaw } from '../../text/place.ts';
import { clashes, saidOf } from '../menu-links.ts';
import type { CheckRule } from '../types.ts';

/** One place has one label in the menus of a page (WCAG 2.2, 3.2.4); the front page may be the name of the site too. */
export const otherWords: CheckRule = {
  name: 'other-words',
  severity: 'note',
  about: 'One place has one label in the menus of a page.',
  why: 'Two entries of menus on one page lead to the same place under different labels: people look for two places.',
  example: '“Prices” and “What it costs” to visit.html#prices  →  one of them',
  isOfFinished: true,
  find: (site, tell) =>
    clashes(
      site,
      one => one.target,
      one => saidOf(one.label),
    ).flatMap(({ other, all }) => {
      if (other.target === site.front) return [];
      const labels = listed(
        all.map(one => `\`${one.label}\``),
        'and',
      );
      const place = placeInRaw(site.pages.get(other.page)!.frame, other.start, other.end);
      return [
        tell(
          place,
          `\`${other.target}\` is called ${labels} in menus of one page`,
          'Call it the same in both.',
        ),
      ];
    }),
};
