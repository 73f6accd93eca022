import { copyEntries } from '../../hand/copy-entries.ts';
import { flatShared, matched } from '../../hand/shared.ts';
import { siteMenus } from '../../hand/site-menus.ts';
import { placeInRaw } from '../../text/place.ts';
import { spaced } from '../../text/names.ts';
import type { CheckRule } from '../types.ts';

/** A picture that is an entry says its words. */
export const wordlessEntry: CheckRule = {
  name: 'wordless-entry',
  severity: 'warning',
  about: 'A picture that is an entry of a menu says its words (WCAG 2.2, 1.1.1 and 2.4.4).',
  why: 'Without an alternate text nobody knows where this entry leads who does not see the picture: search engines, screen readers, and visitors whose pictures do not come.',
  example: '<img src="visit.gif">  →  <img src="visit.gif" alt="Visit us">',
  find: (site, tell) =>
    siteMenus(site).flatMap(({ copies, entries }) =>
      [...copies].flatMap(([path, copy]) => {
        const own = copyEntries(copy, path, site);
        // On other pages it may say them.
        const usual = matched(own, flatShared(entries));
        return own.flatMap(one => {
          const { picture, start, end } = one.entry;
          if (!picture || picture.hasWords) return [];
          const file = picture.address.split('/').at(-1)!;
          const words = usual.get(one)?.label || spaced(file.replace(/\.[^.]*$/, ''));
          return [
            tell(
              placeInRaw(site.pages.get(path)!.frame, start, end),
              `the picture \`${file}\` is an entry of a menu, and says no words`,
              `Give it some:  alt="${words}"`,
            ),
          ];
        });
      }),
    ),
};
