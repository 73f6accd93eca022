import type { Plan } from '../plan/types.ts';
import { type Finding, finding } from '../text/finding.ts';
import { mediaTypes } from '../text/media-types.ts';
import { nearest } from '../text/nearest.ts';
import type { Source } from '../text/source.ts';
import { pictured } from './merge.ts';

const isPicture = (file: string): boolean =>
  mediaTypes[/\.[^./]*$/.exec(file.toLowerCase())?.[0] ?? '']?.startsWith('image/') === true;

/** Pictures of looks that the site does not have. @param files of the site */
export function wrongPictures(plan: Plan, files: ReadonlySet<string>, source: Source): Finding[] {
  return pictured(plan).flatMap(({ picture, marks }) => {
    const { file } = picture!;
    const isThere = files.has(file);
    if (isThere && isPicture(file)) return [];
    const { start, end } = marks['picture']!;
    const near = isThere ? null : nearest(file, [...files].filter(isPicture));
    return [
      finding(
        'missing-file',
        source.place(start, end),
        isThere ? `\`${file}\` is no picture` : `the site has no file \`${file}\``,
        near ? `Did you mean \`${near}\`?` : 'Name a picture of the site: PNG, JPEG, GIF, WebP, AVIF or SVG.',
      ),
    ];
  });
}
