import { type BesideLinks, besideLinks, wordsKey } from '../page/beside-links.ts';
import type { Copy } from './pieces.ts';

/** What stands beside the links of a copy, but for words that are shown anyway. */
export function besideOf({ raw, charset }: Copy, shown: ReadonlySet<string>): BesideLinks[] {
  return withoutShown(besideLinks(raw, charset), shown);
}

export function withoutShown(found: readonly BesideLinks[], shown: ReadonlySet<string>): BesideLinks[] {
  return found.filter(one => one.what !== 'words' || !shown.has(wordsKey(one.text)));
}

const longestCaption = 40;
/** Whose the page is, and since when: no name of a menu. */
const ownership = /©|\(c\)|\bcopyright\b|\b(?:19|20)\d\d\b/i;

/** It is a line that says whose the page is. */
export const saysWhose = ({ what, text }: BesideLinks): boolean => what === 'words' && ownership.test(text);

/** A telephone number, hours, a price: what is said, and no name. */
const isSaid = /\p{N}{2}/u;

/** What a row of links says beside them, so that it is no menu alone. */
export const saysMore = (one: BesideLinks): boolean => one.what === 'words' && isSaid.test(one.text);

/** The same few words on nearly every copy, and nothing else: what the menu is called. */
export function captionOf(beside: readonly BesideLinks[][]): string | null {
  const having = beside.filter(found => found.length > 0);
  if (having.length * 5 < beside.length * 4) return null;
  const [first] = having[0] ?? [];
  if (first?.what !== 'words' || first.text.length > longestCaption) return null;
  if (saysWhose(first) || isSaid.test(first.text)) return null;
  const key = wordsKey(first.text);
  return having.every(found => found[0]!.what === 'words' && wordsKey(found[0]!.text) === key)
    ? first.text
    : null;
}
