import type { SeenStop } from '../../../core/walk/seen.ts';
import { isClear } from '../clear.ts';
import { allControls } from './controls.ts';
import { allLinks } from './links.ts';
import { isDrawn, labelOf, menuOf, nameOf } from './points.ts';

/** What has the focus now; null for the page itself. */
export function stop(): SeenStop | null {
  const here = document.activeElement;
  if (!here || here === document.body || here === document.documentElement) return null;
  const link = allLinks().indexOf(here as HTMLAnchorElement);
  const control = allControls().indexOf(controlOf(here));
  const box = here.getBoundingClientRect();
  return {
    kind: link >= 0 ? 'link' : control >= 0 ? 'control' : 'other',
    index: link >= 0 ? link : control,
    menu: menuOf(here),
    label: labelOf(here),
    order: [...document.querySelectorAll('*')].indexOf(here),
    isSeen:
      isDrawn(here) && box.bottom > 0 && box.right > 0 && box.top < innerHeight && box.left < innerWidth,
    coveredBy: coverOf(here),
    hasRing: hasRing(here),
    box: { left: box.left, top: box.top, width: box.width, height: box.height },
  };
}

/** A box that a label stands for is pressed by the label. */
function controlOf(element: Element): HTMLElement {
  const [label] = element instanceof HTMLInputElement ? (element.labels ?? []) : [];
  return label ?? (element as HTMLElement);
}

/** What covers all of what has the focus, where its boxes are looked at in five places each. */
function coverOf(element: Element): string | null {
  const boxes = [...element.getClientRects()].filter(box => box.width > 0 && box.height > 0).slice(0, 3);
  const points = boxes.flatMap(({ left, top, width, height }) =>
    [0.5, 0.1, 0.9].flatMap(part => [
      [left + width * part, top + height * 0.5],
      [left + width * 0.5, top + height * part],
    ]),
  );
  let cover: string | null = null;
  for (const [x, y] of points) {
    if (x! < 0 || y! < 0 || x! >= innerWidth || y! >= innerHeight) continue;
    const hit = document.elementFromPoint(x!, y!);
    if (!hit || element.contains(hit) || isForLabel(element, hit)) return null;
    cover ??= nameOf(hit);
  }
  return cover;
}

/** A box that is not shown is pressed, and seen, by its label. */
const isForLabel = (element: Element, hit: Element): boolean =>
  element instanceof HTMLInputElement && [...(element.labels ?? [])].some(one => one.contains(hit));

/** Only that the outline is drawn; whether it can be told from what is beside it is seen in a picture. */
function hasRing(element: Element): boolean {
  return [element, ...element.querySelectorAll('*')].some(one => {
    const { outlineStyle, outlineWidth, outlineColor } = getComputedStyle(one);
    // Browsers draw their own ring as they like, two px or more.
    const isWide = outlineStyle === 'auto' || parseFloat(outlineWidth) >= 2;
    return outlineStyle !== 'none' && isWide && !isClear(outlineColor);
  });
}

export function unfocus(): void {
  (document.activeElement as HTMLElement | null)?.blur();
}

export function focusOnLink(index: number): boolean {
  const link = allLinks()[index];
  link?.focus({ preventScroll: true });
  link?.scrollIntoView({ block: 'nearest', behavior: 'instant' });
  return link !== undefined && document.activeElement === link;
}
