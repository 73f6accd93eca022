import { picturesFromHand } from '../core/draft/old-pictures.ts';
import { stripFromStyles } from '../core/draft/old-strips.ts';
import type { DraftPictures } from '../core/draft/types.ts';
import type { HandSource } from '../core/draft/from-menu.ts';
import type { OpenFolder } from './folder.ts';

/** The pictures that an old menu was made of: an image in each link, or a strip that style sheets move. */
export function oldPictures(
  { menus: [menu], byTag }: HandSource,
  name: string,
  { site, sheets, text }: OpenFolder,
): DraftPictures[] {
  // Words in pictures are words of one language.
  if (!menu || byTag) return [];
  const facts = { text, size: site.size };
  const images = picturesFromHand(menu, { name, site, facts });
  if (images) return [images];
  const strip = stripFromStyles(menu, [...sheets.files.values()].flat(), { name, site });
  return strip ? [strip] : [];
}
