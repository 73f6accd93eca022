import { nearestFile } from '../../target/nearest-page.ts';
import { retarget } from '../../target/read-place.ts';
import { nearest } from '../../text/nearest.ts';
import { linksOf, placeOfLink } from '../../site/links.ts';
import { isToldByMenu, writtenFrom } from '../places.ts';
import type { CheckRule } from '../types.ts';

/** A link leads to a file of the site, and to a place that its page has. */
export const deadLink: CheckRule = {
  name: 'dead-link',
  severity: 'error',
  about: 'A link leads to a file of the site, and to a place in it.',
  why: 'The link leads to no file of the site, or to no place in it.',
  example: 'href="vist.html"   →  href="visit.html"',
  find: (site, tell) => {
    // Many links lead to the same lost place.
    const places = new Map<string, string | null>();
    const near = ({ path, id }: { path: string; id: string }): string | null => {
      const key = `${path}#${id}`;
      const known = places.get(key);
      if (known !== undefined) return known;
      const found = nearestId(id, site.pages.get(path)?.ids.map(place => place.id) ?? []);
      places.set(key, found);
      return found;
    };
    return linksOf(site).odd.flatMap(one => {
      const { end } = one;
      if (isToldByMenu(one, site)) return [];
      if (end.kind === 'no-file') {
        const moved = site.movedTo(end.path);
        if (moved !== null)
          return [
            tell(
              placeOfLink(one),
              `\`${end.path}\` is \`${moved}\` now`,
              `Write  ${writtenFrom(one.page.frame.path, moved)}\nor let all links follow:  ${retarget(end.path, moved)} --links`,
            ),
          ];
        const file = nearestFile(end.path, site.files);
        const remedy = file
          ? `Did you mean \`${writtenFrom(one.page.frame.path, file)}\`?`
          : 'Add the file, or take the link out.';
        return [tell(placeOfLink(one), `the site has no \`${end.path}\``, remedy)];
      }
      if (end.kind !== 'no-place') return [];
      const id = near(end);
      const remedy = id ? `Did you mean \`#${id}\`?` : `Give the place an id:  id="${end.id}"`;
      return [tell(placeOfLink(one), `\`${end.path}\` has no place \`#${end.id}\``, remedy)];
    });
  },
};

/** Not one that differs in its numbers only: that is another of a row. */
function nearestId(id: string, ids: readonly string[]): string | null {
  const plain = (text: string): string => text.replace(/\d+/g, '#');
  const near = nearest(id, ids);
  return near !== null && plain(near) === plain(id) ? null : near;
}
