import { listed } from '../../text/nearest.ts';
import { placeInRaw } from '../../text/place.ts';
import { clashes, saidOf } from '../menu-links.ts';
import type { CheckRule } from '../types.ts';

/** The same label leads to the same place (WCAG 2.2, 2.4.4 and 3.2.4). */
export const sameWords: CheckRule = {
  name: 'same-words',
  severity: 'warning',
  about: 'Entries of menus with the same label lead to the same place.',
  why: 'Two entries of menus on one page say the same and lead to different places: nobody can tell them apart.',
  example: '“More” to a.html and “More” to b.html  →  “More of the dome”, “More of the hill”',
  isOfFinished: true,
  find: (site, tell) =>
    clashes(
      site,
      one => saidOf(one.label),
      one => one.target,
    )
      .filter(({ all }) => !isPageAndPlace(all.map(one => one.target)))
      .map(({ other, all }) => {
        const targets = listed(
          all.map(one => `\`${one.target}\``),
          'and',
        );
        const place = placeInRaw(site.pages.get(other.page)!.frame, other.start, other.end);
        return tell(
          place,
          `\`${other.label}\` leads to ${targets} in menus of one page`,
          'Say in each what is there.',
        );
      }),
};

/** A page and a place in it: its first heading is called as the page is. */
function isPageAndPlace([one = '', other = '', ...more]: readonly string[]): boolean {
  return more.length === 0 && (one.startsWith(`${other}#`) || other.startsWith(`${one}#`));
}
