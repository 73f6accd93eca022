import { parts } from '../core/inlay/names.ts';

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
  return node instanceof Element ? node.closest<HTMLElement>(`.${part}`) : null;
}

export function styleOf(element: Element, name: string): string {
  return getComputedStyle(element).getPropertyValue(name);
}

/** A time in ms that the style sheet says; not a number where it says none. */
export const timeOf = (element: Element, name: string): number => parseFloat(styleOf(element, name));

/** How long what the pointer opened stays when it leaves. */
export const slip = 300;

export const isOpened = `.${parts.opener}[open]`;

/** A link that is followed in this window. */
export function isFollowed(event: MouseEvent): boolean {
  const isHere = !(event.ctrlKey || event.metaKey || event.shiftKey);
  return isHere && event.target instanceof Element && event.target.closest(`.${parts.menu} a`) !== null;
}
