// What lies behind the entries of an old menu.
import type { ComputedLook } from '../../core/draft/computed-look.ts';
import { styleOf } from '../shared.ts';
import { isClear } from './clear.ts';

/** The colour that lies behind an element. */
export function ground(from: Element): string | null {
  for (let one: Element | null = from; one; one = one.parentElement) {
    const color = styleOf(one, 'background-color');
    if (!isClear(color)) return color;
  }
  return null;
}

/** Whether a picture lies behind an element, or what it does not stand in: its words are for that, and not for the page. */
export function isOver(link: Element): boolean {
  const { left, top, width, height } = link.getBoundingClientRect();
  for (const one of document.elementsFromPoint(left + width / 2, top + height / 2)) {
    if (link.contains(one)) continue;
    if (styleOf(one, 'background-image') !== 'none' || one.matches('img, video, canvas, svg')) return true;
    if (!isClear(styleOf(one, 'background-color'))) return !one.contains(link);
  }
  return false;
}

/** The innermost element with words has the colour that is seen. */
export function wordsIn(link: Element): Element {
  let words = link;
  while (words.children.length === 1 && words.textContent.trim() === words.children[0]!.textContent.trim())
    words = words.children[0]!;
  return words;
}

/** Whether an entry leads to the page itself: how it looks tells where one is. */
export function isHere(link: Element): boolean {
  return link instanceof HTMLAnchorElement && link.hash === '' && link.pathname === location.pathname;
}

/** How the first entry looks that has a ground of its own, where most have none. */
export function buttonOf(links: readonly Element[], usual: Element): ComputedLook['button'] {
  const own = (link: Element): string => styleOf(link, 'background-color');
  const button = links.find(one => !isClear(own(one)) && !isHere(one));
  if (!button || !isClear(own(usual))) return null;
  const text = wordsIn(button);
  return {
    background: own(button),
    color: styleOf(text, 'color'),
    fontWeight: styleOf(text, 'font-weight'),
    radius: styleOf(button, 'border-top-left-radius'),
  };
}
