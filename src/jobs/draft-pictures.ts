import { picturesFromHand } from '../core/draft/old-pictures.ts';
import { type RuledPage, stripFromStyles } from '../core/draft/old-strips.ts';
import type { DraftPictures } from '../core/draft/types.ts';
import type { HandSource } from '../core/draft/from-menu.ts';
import { inlineRules } from '../core/page/styles.ts';
import { readTree } from '../core/page/tree.ts';
import type { OpenFolder } from './folder.ts';

/** So many pages tell how the current one is shown. */
const mostPages = 6;

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
  const rules = [...sheets.files.values()].flat();
  const pages = [...menu.copies.keys()].slice(0, mostPages).map((path): RuledPage => {
    const { raw, charset } = site.pages.get(path)!.frame;
    const tree = readTree(raw, charset, true);
    return { path, tree, rules: [...rules, ...inlineRules(path, tree)] };
  });
  const strip = stripFromStyles(menu, pages, { name, site });
  return strip ? [strip] : [];
}
