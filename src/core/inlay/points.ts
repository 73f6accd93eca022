import { ownHeader } from '../page/wanted.ts';
import { formatting, holdsNoNav, holdsOnlyOwnParts, paragraphEnders, voidElements } from '../page/kinds.ts';
import type { Raw } from '../text/bytes.ts';
import type { Cells, Element, Found, Frame } from '../page/types.ts';
import type { MenuPlace, PlaceSide } from '../plan/types.ts';
import type { ResolvedMenu } from '../menu/types.ts';

/** Where a menu goes into a page. */
export type Point =
  /** `drop`: how many bytes of the page go out there; `cell`: the menu goes into a cell with these attributes; `isWhole`: whatever they hold. */
  | { kind: 'at'; at: number; drop?: number; cell?: Raw; isWhole?: true }
  /** There is a place, but no `nav` may stand there. */
  | { kind: 'bad'; element: Element | null; why: string }
  /** No selector of `place` matches. */
  | { kind: 'none' };

/** The slot of the menu's name, else its `place`, else the page's own header, else the start of the body. */
export function pointFor(menu: ResolvedMenu, frame: Frame): Point {
  const slot = frame.slots.find(one => one.name === menu.name);
  if (slot) return inside(slot.element, 'last-in', frame);
  if (menu.place) return placed(menu.place, frame);
  const header = frame.found.get(ownHeader);
  return header ? inside(header, 'first-in', frame) : bodyStart(frame);
}

/** The element that a menu stands in, by which it stays no longer than that does: a slot, or the name of an element. */
export function holderOf(menu: ResolvedMenu, frame: Frame): string {
  if (frame.slots.some(one => one.name === menu.name)) return 'slot';
  if (!menu.place) return frame.found.has(ownHeader) ? 'header' : 'body';
  const spot = menu.place.find(({ selector }) => selector === 'body' || frame.found.has(selector));
  if (spot === undefined || spot.selector === 'body') return 'body';
  const { side, selector } = spot;
  const element = frame.found.get(selector)!;
  return side === 'first-in' || side === 'last-in' ? element.name : (element.within.at(-1) ?? 'body');
}

/** Why no `nav` may stand in these elements (outermost first), or null. */
function whyNot(names: readonly string[], inOpenLink: boolean): string | null {
  const parent = names.at(-1) ?? '';
  if (holdsOnlyOwnParts.has(parent)) return `a menu may not stand directly in \`${parent}\``;
  const above = names.findLast(name => holdsNoNav.has(name));
  if (above !== undefined) return `a menu may not stand in or below \`${above}\``;
  return inOpenLink ? 'a link before it was never closed and goes on here' : null;
}

function placed(place: MenuPlace, frame: Frame): Point {
  for (const { side, selector, drop } of place) {
    if (selector === 'body' && side === 'first-in') return bodyStart(frame);
    if (selector === 'body' && side === 'last-in') return bodyEnd(frame);
    const element = frame.found.get(selector);
    if (!element) continue;
    const point = beside(element, side, frame);
    return drop && point.kind === 'at' ? { ...point, isWhole: true } : point;
  }
  return { kind: 'none' };
}

function beside(element: Element | Found, side: PlaceSide, frame: Frame): Point {
  switch (side) {
    case 'first-in':
    case 'last-in':
      return inside(element, side, frame);
    case 'instead-of': {
      if ('cells' in element && element.cells) return insteadOfCells(element, element.cells);
      const why = whyNot(openBefore(element), element.inOpenLink);
      if (why) return { kind: 'bad', element, why };
      const end = voidElements.has(element.name) ? element.open : endOf(element);
      return end < 0 ? unclosed(element) : { kind: 'at', at: element.start, drop: end - element.start };
    }
    case 'before':
    case 'after': {
      const inLink = side === 'after' && element.end >= 0 ? element.linkAtClose : element.inOpenLink;
      const why = whyNot(side === 'before' ? openBefore(element) : element.within, inLink);
      if (why) return { kind: 'bad', element, why };
      if (side === 'before') return { kind: 'at', at: element.start };
      if (element.end >= 0) return { kind: 'at', at: element.end };
      if (voidElements.has(element.name)) return { kind: 'at', at: element.open };
      return unclosed(element);
    }
  }
}

/** Behind an element; a list that is never closed ends where it is meant to. */
function endOf(element: Element | Found): number {
  return element.end < 0 && 'listEnd' in element ? element.listEnd : element.end;
}

/** A cell stands in their row, and the menu in it. */
function insteadOfCells(element: Element, { start, end, attributes }: Cells): Point {
  const why = whyNot([...element.within, 'td'], false);
  if (why) return { kind: 'bad', element, why };
  return end < 0 ? unclosed(element) : { kind: 'at', at: start, drop: end - start, cell: attributes };
}

/** What is open where a menu before this element would stand: a paragraph that the element ends, a menu ends as well. */
function openBefore({ name, openBefore: names }: Element): readonly string[] {
  return paragraphEnders.has(name) ? withoutParagraph(names) : names;
}

function inside(element: Element, side: 'first-in' | 'last-in', frame: Frame): Point {
  if (voidElements.has(element.name))
    return { kind: 'bad', element, why: `\`${element.name}\` holds nothing` };
  const why = whyNot([...element.within, element.name], element.inOpenLink);
  if (why) return { kind: 'bad', element, why };
  if (side === 'first-in')
    return element.open < frame.raw.length ? { kind: 'at', at: element.open } : pageEnd(frame);
  if (element.close < 0) return unclosed(element);
  // A paragraph that is still open ends with the element, and as well with a menu before its end.
  const atClose = withoutParagraph(element.openAtClose);
  const whyThere = whyNot(atClose, element.linkAtClose);
  return whyThere ? { kind: 'bad', element, why: whyThere } : { kind: 'at', at: element.close };
}

/** Without an innermost paragraph, and the formatting in it. */
function withoutParagraph(names: readonly string[]): readonly string[] {
  const paragraph = names.lastIndexOf('p');
  const isInnermost = paragraph >= 0 && names.slice(paragraph + 1).every(name => formatting.has(name));
  return isInnermost ? names.slice(0, paragraph) : names;
}

function unclosed(element: Element): Point {
  return { kind: 'bad', element, why: `\`${element.name}\` has no end tag of its own` };
}

function bodyStart(frame: Frame): Point {
  return frame.bodyPoint < frame.raw.length ? { kind: 'at', at: frame.bodyPoint } : pageEnd(frame);
}

/** Before the `</body>`; behind everything where a paragraph is still open there, which a menu would end too early. */
function bodyEnd(frame: Frame): Point {
  if (frame.bodyEnd >= frame.raw.length) return pageEnd(frame);
  const { names, inOpenLink } = frame.openAtEnd;
  const why = whyNot(names, inOpenLink);
  if (!why) return { kind: 'at', at: frame.bodyEnd };
  return names.includes('p') ? pageEnd(frame) : { kind: 'bad', element: null, why };
}

/** Behind the last byte: nothing follows that an open paragraph could still hold. */
function pageEnd(frame: Frame): Point {
  const { names, inOpenLink } = frame.openAtLast;
  const why = frame.isCutOff
    ? 'the page ends inside a tag, a comment, an element of text or code that is never closed'
    : whyNot(withoutParagraph(names), inOpenLink);
  return why ? { kind: 'bad', element: null, why } : { kind: 'at', at: frame.raw.length };
}
