import { listed } from '../../text/nearest.ts';
import { placeInRaw } from '../../text/place.ts';
import { type MenuLink, menuLinks, saidOf } from '../menu-links.ts';
import type { CheckRule } from '../types.ts';

/** The same label leads to the same place (WCAG 2.2, 2.4.4 and 3.2.4). */
export const sameWords: CheckRule = {
  name: 'same-words',
  severity: 'warning',
  about: 'Entries of menus with the same label lead to the same place.',
  why: 'Two entries of menus on one page say the same and lead to different places: nobody can tell them apart.',
  example: '“More” to a.html and “More” to b.html  →  “More of the dome”, “More of the hill”',
  isOfFinished: true,
  find: (site, tell) => {
    const known = new Set<string>();
    return [...site.pages.keys()].flatMap(path => {
      const labels = new Map<string, MenuLink[]>();
      for (const one of menuLinks(site, path))
        labels.set(saidOf(one.label), [...(labels.get(saidOf(one.label)) ?? []), one]);
      return [...labels.values()].flatMap(own => {
        const targets = [...new Set(own.map(one => one.target))];
        const key = `${saidOf(own[0]!.label)} ${targets.sort().join(' ')}`;
        if (targets.length < 2 || known.has(key)) return [];
        known.add(key);
        const { label, start, end } = own.find(one => one.target !== own[0]!.target)!;
        const message = `\`${label}\` leads to ${listed(
          targets.map(one => `\`${one}\``),
          'and',
        )} in menus of one page`;
        return [
          tell(placeInRaw(site.pages.get(path)!.frame, start, end), message, 'Say in each what is there.'),
        ];
      });
    });
  },
};
