import { differences } from '../../site/hand/differences.ts';
import { finding } from '../../text/finding.ts';
import { counted } from '../../text/nearest.ts';
import type { CheckRule } from '../types.ts';

/** A menu that most pages carry stands on every page. */
export const menuMissing: CheckRule = {
  find: site =>
    differences(site).flatMap(({ kind, path, menu }) => {
      if (kind !== 'lacking') return [];
      const by = menu.selectors[0] ? `\`${menu.selectors[0].selector}\` ` : '';
      return [
        finding(
          'menu-missing',
          { file: path },
          `this page lacks the menu ${by}that ${counted(menu.copies.size, 'page')} carry`,
          'Put the menu in, or leave the page out with `except`.',
        ),
      ];
    }),
};
