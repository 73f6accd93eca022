import type { Point, SeenControl } from '../../../core/walk/seen.ts';
import { allLinks } from './links.ts';
import { labelOf, menuOf, pressPoint } from './points.ts';

const selector = [
  'summary',
  'button:not([disabled])',
  '[role="button"]',
  '[aria-expanded]',
  'label[for]',
].join();

let known: HTMLElement[] | null = null;

/** What opens something, in a menu or at the head of the page. */
export function allControls(): HTMLElement[] {
  known ??= [...document.querySelectorAll<HTMLElement>(selector)].filter(
    one => (menuOf(one) !== null || one.closest('header, [role="banner"]') !== null) && opensSomething(one),
  );
  return known;
}

function opensSomething(element: HTMLElement): boolean {
  if (!(element instanceof HTMLLabelElement)) return true;
  const box = element.control;
  return box instanceof HTMLInputElement && /^(?:checkbox|radio)$/.test(box.type);
}

export function controls(): SeenControl[] {
  return allControls().map((control, index) => ({
    index,
    menu: menuOf(control),
    label: labelOf(control) || control.getAttribute('aria-label') || '',
    at: pressPoint(control),
    isOpen: isOpen(control),
  }));
}

/** Whether each control’s part is open; nothing is scrolled. */
export function openNow(): (boolean | null)[] {
  return allControls().map(isOpen);
}

export function controlAt(index: number): Point | null {
  const control = allControls()[index];
  return control ? pressPoint(control) : null;
}

/** A label is pressed by its box. */
export function focusOnControl(index: number): boolean {
  const control = allControls()[index];
  const taker = control instanceof HTMLLabelElement ? control.control : control;
  taker?.focus();
  return taker !== undefined && taker !== null && document.activeElement === taker;
}

export function isOpen(control: HTMLElement): boolean | null {
  if (control.localName === 'summary') return (control.parentElement as HTMLDetailsElement).open;
  const said = control.getAttribute('aria-expanded');
  if (said !== null) return said === 'true';
  if (control instanceof HTMLLabelElement) return (control.control as HTMLInputElement).checked;
  const popover = (control as HTMLButtonElement).popoverTargetElement;
  return popover ? popover.matches(':popover-open') : null;
}

/** Whether a link that a control has opened lies over the page, in place of moving it aside. */
export function liesOver(control: number, link: number): boolean {
  const opener = allControls()[control];
  let one = allLinks()[link]?.parentElement ?? null;
  for (; opener && one && !one.contains(opener); one = one.parentElement) {
    const { position } = getComputedStyle(one);
    if (position === 'absolute' || position === 'fixed') return true;
  }
  return false;
}
