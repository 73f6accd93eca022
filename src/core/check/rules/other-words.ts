import { listed } from '../../text/nearest.ts';
import { placeInRaw } from '../../text/place.ts';
import { type MenuLink, menuLinks, saidOf } from '../menu-links.ts';
import type { CheckRule } from '../types.ts';

/** One place has one label in the menus of a page (WCAG 2.2, 3.2.4); the front page may be the name of the site too. */
export const otherWords: CheckRule = {
  name: 'other-words',
  severity: 'note',
  about: 'One place has one label in the menus of a page.',
  why: 'Two entries of menus on one page lead to the same place under different labels: people look for two places.',
  example: '“Prices” and “What it costs” to visit.html#prices  →  one of them',
  isOfFinished: true,
  find: (site, tell) => {
    const known = new Set<string>();
    return [...site.pages.keys()].flatMap(path => {
      const targets = new Map<string, MenuLink[]>();
      for (const one of menuLinks(site, path))
        targets.set(one.target, [...(targets.get(one.target) ?? []), one]);
      return [...targets].flatMap(([target, own]) => {
        const labels = [...new Map(own.map(one => [saidOf(one.label), one.label])).values()];
        const key = `${target} ${labels.map(saidOf).sort().join(' ')}`;
        if (target === site.front || labels.length < 2 || known.has(key)) return [];
        known.add(key);
        const { start, end } = own.find(one => saidOf(one.label) !== saidOf(own[0]!.label))!;
        const message = `\`${target}\` is called ${listed(
          labels.map(one => `\`${one}\``),
          'and',
        )} in menus of one page`;
        return [
          tell(placeInRaw(site.pages.get(path)!.frame, start, end), message, 'Call it the same in both.'),
        ];
      });
    });
  },
};
