import { parts } from '../core/markup/names.ts';
import { all } from './shared.ts';

/**
 * Menus that lie over the page: from where the page has been scrolled past them they follow the window, and look as the
 * plan says for there. Without this they stay where they are.
 */
const gone = 8;
const menus = all(`.${parts.over}`);
/** How far down the page each menu lies by itself, while it does. */
const tops = new Map<HTMLElement, number>();

/** What stays with the window: the menu, or what holds it. */
function holderOf(menu: HTMLElement): HTMLElement {
  for (let one: HTMLElement | null = menu; one; one = one.parentElement)
    if (/absolute|fixed/.test(getComputedStyle(one).position)) return one;
  return menu;
}

function follow(): void {
  for (const menu of menus) {
    const { classList } = menu;
    if (!classList.contains(parts.live)) tops.set(menu, holderOf(menu).getBoundingClientRect().top + scrollY);
    const top = Math.max(0, tops.get(menu)!);
    classList.toggle(parts.live, scrollY >= top);
    classList.toggle(parts.scrolled, scrollY > top + gone);
  }
}

addEventListener('scroll', follow, { passive: true });
addEventListener('resize', follow);
follow();
