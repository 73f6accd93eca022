// How the entries of an old menu stand in a row.
import type { ComputedLook } from '../../core/draft/computed-look.ts';
import { styleOf } from '../shared.ts';

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

/** A box as it is read: where lines run to the left, what is at its right end comes first. */
export type Box = Pick<DOMRect, 'left' | 'right' | 'top' | 'bottom' | 'width'>;

/** @param from whose direction counts */
export function asRead({ left, right, top, bottom, width }: DOMRect, from: Element): Box {
  const isLeftward = styleOf(from, 'direction') === 'rtl';
  return { left: isLeftward ? -right : left, right: isLeftward ? -left : right, top, bottom, width };
}

/** Where the entries of one row stand in the menu; null where they fill it, or begin where it does. */
export function alignOf(menu: Element, links: readonly Element[]): ComputedLook['align'] {
  const [first, last] = [links[0]!, links.at(-1)!].map(one => asRead(one.getBoundingClientRect(), menu)) as [
    Box,
    Box,
  ];
  if (Math.abs(first.top - last.top) > 4 || links.length < 2) return null;
  const own = asRead(menu.getBoundingClientRect(), menu);
  const { left, right } = extentOf(links, first, last);
  return standing(left - own.left, own.right - right);
}

/** The same of a row of links with a field beside them: in the middle, or nothing is said. */
export function alignOfAll(menu: Element, links: readonly Element[]): 'center' | null {
  const tops = links.map(one => one.getBoundingClientRect().top);
  if (Math.max(...tops) - Math.min(...tops) > 4 || menu.querySelector('img, svg') !== null) return null;
  const range = document.createRange();
  range.selectNodeContents(menu);
  const [own, all] = [menu.getBoundingClientRect(), range.getBoundingClientRect()];
  return standing(all.left - own.left, own.right - all.right) === 'center' ? 'center' : null;
}

/** Where something stands that has so much room before it and behind it. */
export function standing(before: number, behind: number): 'center' | 'end' | null {
  if (before < leastAside || behind < 0) return null;
  if (Math.abs(before - behind) <= Math.max(4, before / 10)) return 'center';
  return behind < before / 4 ? 'end' : null;
}

/** From the first to the last of a row, with what stands there that is no link: the entry of the page itself may be none. */
function extentOf(links: readonly Element[], first: Box, last: Box): { left: number; right: number } {
  const range = document.createRange();
  let holder = links[0]!.parentElement!;
  while (!links.every(link => holder.contains(link))) holder = holder.parentElement!;
  const texts = document.createTreeWalker(holder, NodeFilter.SHOW_TEXT);
  let [left, right] = [first.left, last.right];
  for (let text = texts.nextNode(); text; text = texts.nextNode()) {
    if (text.textContent!.trim() === '') continue;
    range.selectNodeContents(text);
    for (const one of range.getClientRects()) {
      const box = asRead(one, holder);
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

/** Whether boxes stand in one row, on one line or on its middle. */
export function areBeside(boxes: readonly Box[]): boolean {
  const top = Math.max(...boxes.map(box => box.top));
  return boxes.every(box => box.bottom > top);
}

/** The boxes of entries that stand in one row; null for a few, and for several rows. */
export function rowOf(menu: Element, links: readonly Element[]): Box[] | null {
  const boxes = itemsOf(menu, links).map(one => asRead(one.getBoundingClientRect(), menu));
  return boxes.length > 2 && areBeside(boxes) ? boxes : null;
}

const gapsOf = (row: readonly Box[]): number[] => row.slice(1).map((box, at) => box.left - row[at]!.right);

/** Whether what is between neighbours of a row is mostly alike. */
export function isEvenly(row: readonly Box[]): boolean {
  const gaps = gapsOf(row);
  return Math.max(...gaps) <= 2 * Math.max(0, Math.min(...gaps)) + 8;
}

/** The entry that is pushed away from those before it, to the other end; null where none is, or where several stand apart. */
export function pushedOf(row: readonly Box[] | null): ComputedLook['pushed'] {
  if (!row) return null;
  const gaps = gapsOf(row);
  const [most = 0, next = 0] = [...gaps].sort((one, other) => other - one);
  const isApart = gaps.length > 1 && most >= leastAside && most >= 4 * Math.max(next, 4);
  return isApart ? { at: gaps.indexOf(most) + 1, of: row.length } : null;
}

/** What entries of one width have beside the widest label; null where each is as wide as its own. */
export function evenOf(row: readonly Box[] | null, links: readonly Element[]): number | null {
  if (!row) return null;
  const [boxes, words] = [row.map(box => box.width), links.map(one => wordsBox(one).width)];
  const widest = Math.max(...words);
  const isEven = Math.max(...boxes) - Math.min(...boxes) <= 2 && widest - Math.min(...words) > 8;
  return isEven ? Math.max(...boxes) - widest : null;
}

/** Whether neighbours in one row meet: what is between their words is theirs, and no gap. */
export function touches(links: readonly Element[]): boolean {
  const boxes = links.map(one => asRead(one.getBoundingClientRect(), one));
  const gaps = boxes.slice(1).flatMap((box, at) => {
    const before = boxes[at]!;
    return Math.abs(box.top - before.top) < 4 ? [box.left - before.right] : [];
  });
  return gaps.length > 0 && gaps.filter(gap => Math.abs(gap) < 2).length * 2 > gaps.length;
}
