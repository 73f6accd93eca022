import { nearestFile } from '../../target/nearest-page.ts';
import { missingFiles } from '../../site/resources.ts';
import { writtenFrom } from '../places.ts';
import type { CheckRule } from '../types.ts';

/** A picture, style sheet, script or font that a page or a style sheet names is there. */
export const missingFile: CheckRule = {
  name: 'missing-file',
  severity: 'error',
  about: 'A picture, style sheet, script or font that is named is there.',
  why: 'A page or a style sheet names a file that the site does not have: visitors see a gap, or a page without its looks.',
  example: '<img src="img/gul.jpg">  →  <img src="img/gull.jpg">',
  find: (site, tell) =>
    missingFiles(site, site.text).map(({ kind, path, right, place, from }) => {
      const near = right ?? nearestFile(path, site.files);
      const remedy = near
        ? `Did you mean \`${writtenFrom(from, near)}\`?`
        : 'Add the file, or take out what names it.';
      const message =
        right === null
          ? `the ${kind} \`${path}\` is not there`
          : `the ${kind} \`${path}\` is called \`${right}\`: most servers tell capitals apart`;
      return tell(place, message, remedy);
    }),
};
