import { readAddress } from '../../address/href.ts';
import { folderOf } from '../../address/path.ts';
import { siteMenus } from '../../hand/site-menus.ts';
import { flatEntries } from '../../hand/types.ts';
import { placeInRaw } from '../../text/place.ts';
import type { CheckRule } from '../types.ts';

/** A picture that is an entry is shown in its own proportions. */
export const stretchedPicture: CheckRule = {
  name: 'stretched-picture',
  severity: 'warning',
  about: 'A picture that is an entry of a menu is shown in its own proportions.',
  why: 'Its page says another width or height than the file has: it is stretched, or blurred. Mostly another picture was saved under the same name.',
  example: '<img src="visit.gif" width="80" height="28">  →  width="96" height="28"',
  find: (site, tell) =>
    siteMenus(site).flatMap(({ copies }) =>
      [...copies].flatMap(([path, copy]) =>
        flatEntries(copy.entries).flatMap(({ entry: { picture, start, end } }) => {
          if (picture?.width == null || picture.height == null) return [];
          const file = readAddress(picture.address, folderOf(path));
          const own = file.kind === 'inside' && site.files.has(file.path) ? site.size(file.path) : null;
          if (!own || Math.abs(picture.width / picture.height / (own.width / own.height) - 1) < 0.04)
            return [];
          const name = picture.address.split('/').at(-1)!;
          return [
            tell(
              placeInRaw(site.pages.get(path)!.frame, start, end),
              `\`${name}\` is ${own.width} x ${own.height} px, and is shown as ${picture.width} x ${picture.height}: it is stretched`,
              `Write its own size:  width="${own.width}" height="${own.height}"`,
            ),
          ];
        }),
      ),
    ),
};
