import { siteMenus } from '../../hand/site-menus.ts';
import { flatEntries } from '../../hand/types.ts';
import { placeInRaw } from '../../text/place.ts';
import type { CheckRule } from '../types.ts';

/** A picture in a menu has its room before it comes. */
export const unsizedPicture: CheckRule = {
  name: 'unsized-picture',
  severity: 'note',
  about: 'A picture that is an entry of a menu says its size.',
  why: 'Without a width and a height the menu moves when its pictures come, and people press what they did not mean.',
  example: '<img src="visit.gif">  →  <img src="visit.gif" width="96" height="28">',
  isOfFinished: true,
  find: (site, tell) => {
    const known = new Set<string>();
    return siteMenus(site).flatMap(({ copies }) =>
      [...copies].flatMap(([path, copy]) =>
        flatEntries(copy.entries).flatMap(({ entry: { picture, start, end } }) => {
          if (!picture || (picture.width !== null && picture.height !== null) || known.has(picture.address))
            return [];
          known.add(picture.address);
          const name = picture.address.split('/').at(-1)!;
          return [
            tell(
              placeInRaw(site.pages.get(path)!.frame, start, end),
              `the picture \`${name}\` in a menu says no size`,
              'Write its  width  and  height.',
            ),
          ];
        }),
      ),
    );
  },
};
