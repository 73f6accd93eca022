import { picturesIn } from '../page/resources.ts';
import { type TreeNode, valueOf } from '../page/tree.ts';
import type { Charset } from '../text/charset.ts';
import { type HandEntry, type HandPicture, flatEntries } from './types.ts';

/** The picture in a link, with those that a script shows in its place. */
export function pictureOf(image: TreeNode, link: TreeNode, charset: Charset): HandPicture {
  const value = (node: TreeNode, name: string): string | null => valueOf(node, name, charset);
  const address = (value(image, 'src') ?? '').trim();
  const named = (event: string): string | null =>
    [image, link].flatMap(node => picturesIn(value(node, event) ?? '')).find(one => one !== address) ?? null;
  const size = (name: string): number | null => {
    const written = /^\s*(\d+)(?:px)?\s*$/.exec(value(image, name) ?? '');
    return written ? Number(written[1]) : null;
  };
  return {
    address,
    hover: named('onmouseover') ?? named('onmouseenter') ?? named('onfocus'),
    pressed: named('onmousedown'),
    width: size('width'),
    height: size('height'),
    hasWords: (value(image, 'alt') ?? value(image, 'title') ?? '').trim() !== '',
  };
}

/** What a mark of an entry begins with whose picture is named in another way than those of its neighbours. */
export const otherPicture = 'picture ';

/** Words at the end of a file name: `on` of `visit_on.gif`. */
const endOf = (address: string): string =>
  /[-_ .]([a-z0-9]+)\.[a-z]+(?:[?#].*)?$/i.exec(address)?.[1]?.toLowerCase() ?? '';

/** The entry whose picture is of another kind than most is marked, as that of the current page is. */
export function withPictureMarks(entries: readonly HandEntry[]): HandEntry[] {
  const pictures = flatEntries(entries).flatMap(({ entry: { picture } }) => picture ?? []);
  if (pictures.length < 3) return [...entries];
  const counts = new Map<string, number>();
  for (const { address } of pictures) counts.set(endOf(address), (counts.get(endOf(address)) ?? 0) + 1);
  const [usual, count] = [...counts].reduce((best, one) => (one[1] > best[1] ? one : best));
  if (count * 2 <= pictures.length) return [...entries];
  const marked = (one: HandEntry): HandEntry => {
    const end = one.picture === null ? usual : endOf(one.picture.address);
    const marks = end === usual ? one.marks : [...one.marks, `${otherPicture}${end}`];
    return { ...one, marks, entries: one.entries.map(marked) };
  };
  return entries.map(marked);
}
