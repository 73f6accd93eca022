import type { Point, SeenLink } from '../../../core/walk/seen.ts';
import { labelOf, menuOf, pressPoint } from './points.ts';

let known: HTMLAnchorElement[] | null = null;

/** The links of the page as it was read; what scripts add later is not among them. */
export function allLinks(): HTMLAnchorElement[] {
  known ??= [...document.querySelectorAll<HTMLAnchorElement>('a[href], area[href]')];
  return known;
}

/** @param only these, by their numbers; all where nothing is said */
export function links(only?: readonly number[]): SeenLink[] {
  const all = allLinks();
  return (only ?? [...all.keys()]).map(index => {
    const link = all[index]!;
    return { index, href: link.href, menu: menuOf(link), label: labelOf(link), at: pressPoint(link) };
  });
}

export function linkAt(index: number): Point | null {
  const link = allLinks()[index];
  return link ? pressPoint(link) : null;
}

/** Where the pointer may rest so that a hidden link comes: the words of the nearest entry around it that is seen. */
export function hoverAt(index: number): Point | null {
  const link = allLinks()[index];
  for (let one = link?.parentElement; one && one !== document.body; one = one.parentElement) {
    if (!one.matches('li, td, details, div')) continue;
    const head = [...one.children].find(child => !child.contains(link!));
    const at = (head && pressPoint(head)) ?? null;
    if (at) return at;
  }
  return null;
}
