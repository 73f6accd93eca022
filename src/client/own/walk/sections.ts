import type { SeenSection } from '../../../core/walk/seen.ts';
import { isDrawn, nameOf } from './points.ts';

/** Each place as it stands once the page has been scrolled to it. */
export function sections(ids: readonly string[]): SeenSection[] {
  return ids.map(id => {
    const element = document.getElementById(id) ?? document.getElementsByName(id)[0];
    if (!element) return { id, isSeen: false, coveredBy: null };
    element.scrollIntoView({ block: 'start', behavior: 'instant' });
    return { id, isSeen: isShown(element), coveredBy: coverOf(element) };
  });
}

/** A place after something led to it: nothing is scrolled. */
export function arrived(id: string): SeenSection {
  const element = document.getElementById(id) ?? document.getElementsByName(id)[0];
  const box = element?.getBoundingClientRect();
  if (!element || !box) return { id, isSeen: false, coveredBy: null };
  const isSeen = isShown(element) && box.top < innerHeight && box.bottom >= 0;
  return { id, isSeen, coveredBy: isSeen ? coverOf(element) : null };
}

/** An empty element is where what follows it is. */
function isShown(element: Element): boolean {
  if (element.getClientRects().length > 0) return isDrawn(element);
  const isEmpty = element.childNodes.length === 0 && getComputedStyle(element).display !== 'none';
  return isEmpty && element.parentElement !== null && isDrawn(element.parentElement);
}

/** What lies over the first words of a place. */
function coverOf(element: Element): string | null {
  const words = element.matches('section, article, div, main')
    ? (element.querySelector('h1, h2, h3, h4, h5, h6, p') ?? element)
    : element;
  const box = words.getClientRects()[0];
  if (!box || box.width === 0 || box.height === 0) return null;
  const [x, y] = [box.left + Math.min(8, box.width / 2), box.top + Math.min(box.height, 30) / 2];
  if (x < 0 || x >= innerWidth || y >= innerHeight) return null;
  // Above the window: the page cannot show it from its beginning.
  const top = y < 0 ? null : document.elementFromPoint(x, y);
  if (y < 0) return 'the upper edge of the window';
  return !top || words.contains(top) || top.contains(words) ? null : nameOf(top);
}
