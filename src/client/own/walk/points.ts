import type { Point } from '../../../core/walk/seen.ts';
import { inlayAttribute, reserved } from '../../../core/markup/names.ts';

/** How an element is called in a finding. */
export function nameOf({ localName, id, classList }: Element): string {
  return localName + (id ? `#${id}` : classList.length > 0 ? `.${classList[0]!}` : '');
}

const others: ReadonlySet<string> = new Set([reserved.style, reserved.script, reserved.viewport]);
let navs: Element[] | null = null;

/** The menu that an element lies in: one of Kamino’s by its name, any other navigation by what it is called. */
export function menuOf(element: Element): string | null {
  const own = element.closest(`[${inlayAttribute}]`)?.getAttribute(inlayAttribute);
  if (own && !others.has(own)) return own;
  const nav = element.closest('nav, [role="navigation"]');
  if (!nav) return null;
  navs ??= [...document.querySelectorAll('nav, [role="navigation"]')];
  return nav.getAttribute('aria-label') || nav.id || `nav ${navs.indexOf(nav) + 1}`;
}

/** What people read on it, else what is read out. */
export function labelOf(element: Element): string {
  const text = (element as HTMLElement).innerText || element.textContent || '';
  const spoken = element.getAttribute('aria-label') ?? element.querySelector('img[alt]')?.getAttribute('alt');
  return (text.trim() || spoken || '').replace(/\s+/g, ' ').trim().slice(0, 80);
}

/** Nothing but the element and what is in it is hit there. */
function isHit(element: Element, { x, y }: Point): boolean {
  const top = document.elementFromPoint(x, y);
  return top !== null && (element.contains(top) || top === element.closest('label'));
}

function isInWindow({ x, y }: Point): boolean {
  return x >= 0 && y >= 0 && x < innerWidth && y < innerHeight;
}

/** Points to try: the middle of each of its boxes, then a quarter in. */
function pointsOf(element: Element): Point[] {
  const boxes = [...element.getClientRects()].filter(box => box.width > 0 && box.height > 0).slice(0, 4);
  const inner = (box: DOMRect, part: number): Point => ({
    x: box.left + box.width * part,
    y: box.top + box.height * part,
  });
  return [
    ...boxes.map(box => inner(box, 0.5)),
    ...boxes.flatMap(box => [inner(box, 0.25), inner(box, 0.75)]),
  ];
}

export function isDrawn(element: Element): boolean {
  return element.getClientRects().length > 0 && getComputedStyle(element).visibility === 'visible';
}

/** Where a pointer can press an element, which is scrolled to where it must be; null where none can. */
export function pressPoint(element: Element): Point | null {
  if (!isDrawn(element)) return null;
  const find = (): Point | null =>
    pointsOf(element).find(one => isInWindow(one) && isHit(element, one)) ?? null;
  const here = find();
  if (here) return here;
  element.scrollIntoView({ block: 'center', inline: 'nearest', behavior: 'instant' });
  return find();
}
