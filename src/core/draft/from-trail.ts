import { carriersOf } from '../address/patterns.ts';
import type { Navigation } from '../hand/navigation.ts';
import type { HandSite } from '../hand/types.ts';
import { besideLinks, wordsKey } from '../page/beside-links.ts';
import { counted } from '../text/nearest.ts';
import type { Firsts } from './firsts.ts';
import type { DraftMenu, DraftSite } from './types.ts';

/** The way from the front page to each page, in place of the one that was written by hand where that says no more. */
export function menuFromTrail(
  { selector, copies }: Navigation,
  name: string,
  { site, known, firsts }: { site: HandSite; known: DraftSite; firsts: Firsts },
): DraftMenu {
  const found = firsts.of(selector);
  const pages = new Set(copies.keys());
  const saysMore = [...pages].filter(path => {
    const { raw, charset } = site.pages.get(path)!.frame;
    const extent = found.get(path);
    const own = wordsKey(known.pages.get(path)?.label ?? '');
    const beside = extent ? besideLinks(raw.slice(extent.start, extent.end), charset) : [];
    return beside.some(one => one.what !== 'words' || wordsKey(one.text) !== own);
  });
  const stays = saysMore.length > 0;
  return {
    name,
    title: 'You are here',
    form: 'breadcrumb',
    comments: [
      `In place of links by hand on ${counted(pages.size, 'page')}.`,
      ...(stays
        ? [
            `\`${selector}\` stays: on ${counted(saysMore.length, 'page')} it says more than the links and the page’s own name.`,
            'Take it out by hand; or all of it goes with  place: { instead-of: …, drop: true }',
          ]
        : []),
    ],
    ...carriersOf(pages, new Set(site.pages.keys())),
    place: [{ side: stays ? 'before' : 'instead-of', selectors: [selector], drop: false }],
    set: null,
    fold: null,
    entries: [],
    files: [],
    notes: [],
  };
}
