import { parts } from '../core/markup/names.ts';

/** Everything is heard at the document, so that menus which other scripts put in or take out need no call. */
export function on<Type extends keyof DocumentEventMap>(
  type: Type,
  listener: (event: DocumentEventMap[Type]) => void,
  capture = false,
): void {
  document.addEventListener(type, listener, capture);
}

export function all<Kind extends HTMLElement>(selector: string, root: ParentNode = document): Kind[] {
  return [...root.querySelectorAll<Kind>(selector)];
}

/** The innermost element of a part around a node. */
export function around(node: EventTarget | null, part: string): HTMLElement | null {
  return (node as Partial<Element> | null)?.closest?.(`.${part}`) as HTMLElement | null;
}

export function styleOf(element: Element, name: string): string {
  return getComputedStyle(element).getPropertyValue(name);
}

/** A time in ms or a length in px that the style sheet says; not a number where it says none. */
export const figureOf = (element: Element, name: string): number => parseFloat(styleOf(element, name));

/** How long what the pointer opened stays when it leaves. */
export const slip = 300;

export const isOpened = `.${parts.opener}[open]`;

/** A link of a menu. */
export const isLink = (node: EventTarget | null): boolean =>
  around(node, parts.menu)?.contains((node as Element).closest('a')) === true;

/** What is in view already stays where it is. */
export const focusOn = (element: Element): void => (element as HTMLElement).focus({ preventScroll: true });

/** The element that a `#` of an address names, or an old `a name`; none for one that is not written rightly. */
export function named(hash: string): HTMLElement | null {
  try {
    const id = decodeURIComponent(hash.slice(1));
    return document.getElementById(id) ?? document.querySelector(`a[name="${CSS.escape(id)}"]`);
  } catch {
    return null;
  }
}

/** The focus goes to a place that may be none by itself. */
export function arriveAt(place: HTMLElement): void {
  if (place.tabIndex < 0) place.tabIndex = -1;
  focusOn(place);
}
