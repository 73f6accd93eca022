import { isPictureFile, noPictureOf } from '../menu/picture-names.ts';
import type { Plan } from '../plan/types.ts';
import { type Finding, finding } from '../text/finding.ts';
import type { Source } from '../text/source.ts';
import { picturesIn } from './looks-in.ts';

/** Pictures of looks that the site does not have. @param files of the site */
export function wrongPictures(plan: Plan, files: ReadonlySet<string>, source: Source): Finding[] {
  return picturesIn(plan).flatMap(({ picture: { file }, mark: { start, end } }) => {
    if (files.has(file) && isPictureFile(file)) return [];
    return [finding('missing-file', source.place(start, end), ...noPictureOf(file, files))];
  });
}
