// How the entries of an old menu stand in a row.
import type { ComputedLook } from '../../core/draft/computed-look.ts';

function contentsOf(link: Element): Range {
  const range = document.createRange();
  range.selectNodeContents(link);
  return range;
}

export const wordsBox = (link: Element): DOMRect => contentsOf(link).getBoundingClientRect();

/** What the lines of a label behind its first one take. */
export function moreLines(link: Element): number {
  const tops = [...contentsOf(link).getClientRects()].filter(box => box.width > 0).map(box => box.top);
  return tops.length > 0 ? Math.max(...tops) - Math.min(...tops) : 0;
}

/** Where the entries of one row stand in the menu; null where they fill it, or begin where it does. */
export function alignOf(menu: Element, links: readonly Element[]): ComputedLook['align'] {
  const [first, last] = [links[0]!, links.at(-1)!].map(one => one.getBoundingClientRect()) as [
    DOMRect,
    DOMRect,
  ];
  if (Math.abs(first.top - last.top) > 4 || links.length < 2) return null;
  const own = menu.getBoundingClientRect();
  const { left, right } = extentOf(links, first, last);
  const [before, behind] = [left - own.left, own.right - right];
  if (before < leastAside || behind < 0) return null;
  if (Math.abs(before - behind) <= Math.max(4, before / 10)) return 'center';
  return behind < before / 4 ? 'end' : null;
}

/** From the first to the last of a row, with what stands there that is no link: the entry of the page itself may be none. */
function extentOf(links: readonly Element[], first: DOMRect, last: DOMRect): { left: number; right: number } {
  const range = document.createRange();
  let holder = links[0]!.parentElement!;
  while (!links.every(link => holder.contains(link))) holder = holder.parentElement!;
  const texts = document.createTreeWalker(holder, NodeFilter.SHOW_TEXT);
  let [left, right] = [first.left, last.right];
  for (let text = texts.nextNode(); text; text = texts.nextNode()) {
    if (text.textContent!.trim() === '') continue;
    range.selectNodeContents(text);
    for (const box of range.getClientRects()) {
      if (box.bottom <= first.top || box.top >= first.bottom) continue;
      [left, right] = [Math.min(left, box.left), Math.max(right, box.right)];
    }
  }
  return { left, right };
}

/** Less room before the entries is padding, in px. */
const leastAside = 48;

/** What each entry stands in by itself: an item of a list or a cell, or its link alone. */
export function itemsOf(menu: Element, links: readonly Element[]): readonly Element[] {
  const items = links.map(one => [one.closest('li, td')].find(item => item && menu.contains(item)) ?? one);
  return new Set(items).size === links.length ? items : links;
}

/** The boxes of entries that stand in one row; null for a few, and for several rows. */
export function rowOf(menu: Element, links: readonly Element[]): DOMRect[] | null {
  const boxes = itemsOf(menu, links).map(one => one.getBoundingClientRect());
  return boxes.length > 2 && boxes.every(box => Math.abs(box.top - boxes[0]!.top) < 4) ? boxes : null;
}

/** The entry that is pushed away from those before it, to the other end; null where none is, or where several stand apart. */
export function pushedOf(row: readonly DOMRect[] | null): ComputedLook['pushed'] {
  if (!row) return null;
  const gaps = row.slice(1).map((box, at) => box.left - row[at]!.right);
  const [most = 0, next = 0] = [...gaps].sort((one, other) => other - one);
  const isApart = gaps.length > 1 && most >= leastAside && most >= 4 * Math.max(next, 4);
  return isApart ? { at: gaps.indexOf(most) + 1, of: row.length } : null;
}

/** What entries of one width have beside the widest label; null where each is as wide as its own. */
export function evenOf(row: readonly DOMRect[] | null, links: readonly Element[]): number | null {
  if (!row) return null;
  const [boxes, words] = [row.map(box => box.width), links.map(one => wordsBox(one).width)];
  const widest = Math.max(...words);
  const isEven = Math.max(...boxes) - Math.min(...boxes) <= 2 && widest - Math.min(...words) > 8;
  return isEven ? Math.max(...boxes) - widest : null;
}

/** Whether neighbours in one row meet: what is between their words is theirs, and no gap. */
export function touches(links: readonly Element[]): boolean {
  const boxes = links.map(one => one.getBoundingClientRect());
  const gaps = boxes.slice(1).flatMap((box, at) => {
    const before = boxes[at]!;
    return Math.abs(box.top - before.top) < 4 ? [box.left - before.right] : [];
  });
  return gaps.length > 0 && gaps.filter(gap => Math.abs(gap) < 2).length * 2 > gaps.length;
}
