import { differences } from '../../hand/differences.ts';
import { counted } from '../../text/nearest.ts';
import type { CheckRule } from '../types.ts';

/** A menu that most pages carry stands on every page. */
export const menuMissing: CheckRule = {
  name: 'menu-missing',
  severity: 'warning',
  about: 'A menu that most pages carry is on every page.',
  why: 'Most pages carry this menu, this one does not.',
  example: 'kamino draft       puts it on every page',
  find: (site, tell) =>
    differences(site).flatMap(({ kind, path, menu }) => {
      if (kind !== 'lacking') return [];
      const by = menu.selectors[0] ? `\`${menu.selectors[0].selector}\` ` : '';
      return [
        tell(
          { file: path },
          `this page lacks the menu ${by}that ${counted(menu.copies.size, 'page')} carry`,
          'Put the menu in, or leave the page out with `except`.',
        ),
      ];
    }),
};
