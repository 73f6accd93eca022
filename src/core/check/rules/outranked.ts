import { atLeast } from '../../page/styles.ts';
import { counted, listed } from '../../text/nearest.ts';
import { ours } from '../outranking.ts';
import type { CheckRule } from '../types.ts';

/** No rule of the page's own beats Kamino's inside a menu, by an id, more classes or `!important`. */
export const outranked: CheckRule = {
  name: 'outranked',
  severity: 'warning',
  about: 'No rule of the page’s own beats Kamino’s inside a menu.',
  why: 'A rule of the page’s own beats Kamino’s inside a menu, by an id, more classes, or `!important`.',
  example: '#top a { color: red }  →  #top a:not(.kamino *) { color: red }',
  find: ({ beating }, tell) =>
    beating.map(({ rule, pages, menus }) => {
      const important = rule.declarations.filter(one => one.isImportant);
      const sets = atLeast(rule.specificity, ours) ? rule.declarations : important;
      const properties = [...new Set(sets.map(one => one.property))];
      const named = menus.map(menu => `\`${menu}\``);
      return tell(
        rule.place,
        `\`${rule.selector}\` beats Kamino’s rules inside ${listed(named, 'and')} on ${counted(pages, 'page')}: ${properties.join(', ')}`,
        'Take the rule out, or keep it off the menu with  :not(.kamino *)  behind its last part.',
      );
    }),
};
