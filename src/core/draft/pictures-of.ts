import type { OldPages } from './copy-in.ts';
import type { HandSource } from './from-menu.ts';
import { type PictureFacts, picturesFromHand } from './old-pictures.ts';
import { stripFromStyles } from './old-strips.ts';
import type { DraftPictures } from './types.ts';

interface PicturedPages extends OldPages {
  site: OldPages['site'] & PictureFacts;
}

/** The pictures that an old menu was made of: an image in each link, or a strip that style sheets move. */
export function oldPictures(
  { menus: [menu], byTag }: HandSource,
  name: string,
  { site, sheets }: PicturedPages,
): DraftPictures[] {
  // Words in pictures are words of one language.
  if (!menu || byTag) return [];
  const images = picturesFromHand(menu, { name, site, facts: site });
  if (images) return [images];
  const strip = stripFromStyles(menu, [...sheets.files.values()].flat(), { name, site });
  return strip ? [strip] : [];
}
