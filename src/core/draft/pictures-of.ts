import type { Sheets } from '../page/reader.ts';
import type { HandSource } from './from-menu.ts';
import { picturesFromHand } from './old-pictures.ts';
import { stripFromStyles } from './old-strips.ts';
import type { DraftPictures } from './types.ts';

type StripSite = Parameters<typeof stripFromStyles>[2]['site'];
type ImageFacts = Parameters<typeof picturesFromHand>[1]['facts'];

/** What the pictures of old menus are looked for in. */
export interface OldPages {
  site: StripSite & Parameters<typeof picturesFromHand>[1]['site'] & Pick<ImageFacts, 'size'>;
  sheets: Sheets;
  text: ImageFacts['text'];
}

/** The pictures that an old menu was made of: an image in each link, or a strip that style sheets move. */
export function oldPictures(
  { menus: [menu], byTag }: HandSource,
  name: string,
  { site, sheets, text }: OldPages,
): DraftPictures[] {
  // Words in pictures are words of one language.
  if (!menu || byTag) return [];
  const facts = { text, size: site.size };
  const images = picturesFromHand(menu, { name, site, facts });
  if (images) return [images];
  const strip = stripFromStyles(menu, [...sheets.files.values()].flat(), { name, site });
  return strip ? [strip] : [];
}
