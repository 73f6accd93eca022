import type { SeenBox, SeenFold, SeenState, SeenText } from '../../../core/walk/seen.ts';
import { allControls } from './controls.ts';
import { allLinks } from './links.ts';
import { isDrawn, labelOf, menuOf, nameOf, pressPoint } from './points.ts';

let shift = 0;
let worst = 0;
let shifted: string | null = null;

interface Shift extends PerformanceEntry {
  value: number;
  hadRecentInput: boolean;
  sources?: { node?: Node | null }[];
}

try {
  new PerformanceObserver(list => {
    count(list.getEntries() as Shift[]);
  }).observe({ type: 'layout-shift', buffered: true });
} catch {
  // A browser that does not tell of layout shifts.
}

function count(entries: readonly Shift[]): void {
  for (const { value, hadRecentInput, sources } of entries) {
    if (hadRecentInput) continue;
    shift += value;
    const node = sources?.find(one => one.node)?.node;
    const element = node && (node.nodeType === 1 ? (node as Element) : node.parentElement);
    if (value <= worst || !element) continue;
    [worst, shifted] = [value, nameOf(element)];
  }
}

/** The page as a whole. */
export function state(): SeenState {
  const root = document.scrollingElement ?? document.documentElement;
  const sideways = Math.max(0, root.scrollWidth - root.clientWidth);
  const running = moving();
  return {
    sideways,
    widest: sideways > 0 ? widest(root.clientWidth) : null,
    isLocked: isLocked(root),
    isMoving: running.length > 0,
    moves: Math.max(0, ...running),
    shift,
    shifted,
    path: location.pathname,
    hash: location.hash,
    scrolled: Math.round(root.scrollTop),
  };
}

/** How long those that run still take, in ms; those that go on for ever are the page’s own. */
function moving(): number[] {
  return (document.getAnimations?.() ?? []).flatMap(one => {
    const { endTime } = one.effect?.getComputedTiming() ?? {};
    const isTimed = one.timeline === document.timeline && typeof endTime === 'number' && endTime < 5000;
    return one.playState === 'running' && isTimed
      ? [Math.max(1, endTime - Number(one.currentTime ?? 0))]
      : [];
  });
}

function isLocked(root: Element): boolean {
  if (root.scrollHeight <= root.clientHeight + 1) return false;
  const clips = (one: Element): boolean => /hidden|clip/.test(getComputedStyle(one).overflowY);
  return clips(document.documentElement) || (document.body !== null && clips(document.body));
}

/** The innermost element that reaches over the edge, and that nothing around it cuts off. */
function widest(width: number): SeenState['widest'] {
  let found: Element | null = null;
  let most = width + 1;
  for (const one of document.body.querySelectorAll('*')) {
    const { right } = one.getBoundingClientRect();
    if (right + scrollX < most || !isDrawn(one) || isCut(one)) continue;
    [found, most] = [one, right + scrollX];
  }
  return found && { element: nameOf(found), menu: menuOf(found) };
}

function isCut(element: Element): boolean {
  for (let one = element.parentElement; one && one !== document.body; one = one.parentElement)
    if (getComputedStyle(one).overflowX !== 'visible') return true;
  return false;
}

/** Those that were told of last. */
let read: Element[] = [];

/** Where one of these lies once it has been scrolled to; null where something lies over it. */
export function bringText(index: number): SeenBox | null {
  const element = read[index];
  return element && pressPoint(element) ? boxOf(textBox(element)) : null;
}

const boxOf = ({ left, top, width, height }: DOMRect): SeenBox => ({ left, top, width, height });

/** What people read in menus: links and controls with words. */
export function texts(): SeenText[] {
  const all = [...allLinks(), ...allControls()].filter(
    one => menuOf(one) !== null && isDrawn(one) && labelOf(one) !== '',
  );
  const rows = all
    .map(element => ({ element, box: textBox(element) }))
    .filter(({ box }) => box.width > 1 && box.height > 1);
  read = rows.map(({ element }) => element);
  return rows.map(({ element, box }) => ({
    menu: menuOf(element)!,
    label: labelOf(element),
    box: boxOf(box),
    isLarge: isLarge(element),
    fault: isCutOff(element) ? 'cut off' : overlapped(element, box, rows),
  }));
}

function isLarge(element: Element): boolean {
  const { fontSize, fontWeight } = getComputedStyle(element);
  return parseFloat(fontSize) >= (Number(fontWeight) >= 700 ? 18.66 : 24);
}

function textBox(element: Element): DOMRect {
  const range = document.createRange();
  range.selectNodeContents(element);
  return range.getBoundingClientRect();
}

function isCutOff(element: Element): boolean {
  return [element, ...element.querySelectorAll('*')].some(one => {
    const { overflowX, overflowY } = getComputedStyle(one);
    const { scrollWidth, clientWidth, scrollHeight, clientHeight } = one;
    // What is said to screen readers only is one px large.
    if (clientWidth <= 1 || clientHeight <= 1) return false;
    return (
      (overflowX !== 'visible' && scrollWidth > clientWidth + 1) ||
      (overflowY !== 'visible' && scrollHeight > clientHeight + 1)
    );
  });
}

function overlapped(
  element: Element,
  box: DOMRect,
  rows: readonly { element: Element; box: DOMRect }[],
): string | null {
  const over = rows.find(
    ({ element: other, box: its }) =>
      other !== element &&
      !other.contains(element) &&
      !element.contains(other) &&
      menuOf(other) === menuOf(element) &&
      Math.min(box.right, its.right) - Math.max(box.left, its.left) > 2 &&
      Math.min(box.bottom, its.bottom) - Math.max(box.top, its.top) > 2 &&
      isOnTop(other),
  );
  return over && isOnTop(element) ? `over “${labelOf(over.element)}”` : null;
}

/** What lies below an open submenu is not read there. */
const isOnTop = (element: Element): boolean => pressPoint(element) !== null;

/** What menus show at the width that the window has now. */
export function folds(): SeenFold[] {
  const menus = new Map<string, SeenFold>();
  const own = (name: string): SeenFold => {
    const known = menus.get(name) ?? { menu: name, shown: 0, all: 0, controls: 0, height: 0 };
    menus.set(name, known);
    return known;
  };
  for (const link of allLinks()) {
    const menu = menuOf(link);
    if (menu === null || depthOf(link) > 1) continue;
    own(menu).all += 1;
    if (pressPoint(link)) own(menu).shown += 1;
  }
  for (const control of allControls()) {
    const menu = menuOf(control);
    if (menu !== null && pressPoint(control)) own(menu).controls += 1;
  }
  for (const nav of document.querySelectorAll('nav, [role="navigation"]')) {
    const menu = menuOf(nav);
    if (menu !== null) own(menu).height = Math.max(own(menu).height, nav.getBoundingClientRect().height);
  }
  return [...menus.values()];
}

/** In how many lists of its menu a link stands. */
function depthOf(link: Element): number {
  let depth = 0;
  for (let one = link.parentElement; one && !one.matches('nav, [role="navigation"]'); one = one.parentElement)
    if (one.matches('ul, ol')) depth += 1;
  return depth;
}

const spacing = new CSSStyleSheet();

/** WCAG 2.2, 1.4.12: the spacing that a reader may ask for. */
export function spaced(isOn: boolean): void {
  document.adoptedStyleSheets = document.adoptedStyleSheets.filter(one => one !== spacing);
  if (!isOn) return;
  spacing.replaceSync(
    '* { line-height: 1.5 !important; letter-spacing: 0.12em !important; word-spacing: 0.16em !important } p { margin-block-end: 2em !important }',
  );
  document.adoptedStyleSheets = [...document.adoptedStyleSheets, spacing];
}

/** What a visitor sets on every page. */
export function dress(root: 'rtl' | 'text-200'): void {
  if (root === 'rtl') document.documentElement.dir = 'rtl';
  else document.documentElement.style.fontSize = '200%';
}

export function scrollToEnd(): void {
  scrollTo({ top: document.documentElement.scrollHeight, behavior: 'instant' });
}

export function scrollToStart(): void {
  scrollTo({ top: 0, behavior: 'instant' });
}

/** As by the address of a place. */
export function goTo(id: string): void {
  location.hash = encodeURIComponent(id);
}
