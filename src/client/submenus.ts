import { parts } from '../core/markup/names.ts';
import { all, around, isLink, isOpened, on, slip, styleOf, figureOf } from './shared.ts';

/**
 * Submenus that lie over the page open as the pointer rests on their entries, and on a click; only one way down is open
 * at a time. Whether one lies over the page is asked of the style sheet, each time.
 */
type Opener = HTMLDetailsElement;

/** What the pointer opened; a click holds it open, and takes it out. */
const hovered = new Set<Opener>();
/** Where the pointer is about to open: openers from the innermost on. */
let goal: Opener[] = [];
let timer: ReturnType<typeof setTimeout> | undefined;
let nearest = 0;

const listOf = (opener: Opener): HTMLElement => opener.nextElementSibling as HTMLElement;
const summaryOf = (opener: Opener): HTMLElement => opener.firstElementChild as HTMLElement;
const isSheet = (opener: Opener): boolean => styleOf(listOf(opener), 'position') === 'absolute';
const sheets = (): Opener[] => all<Opener>(isOpened).filter(isSheet);
/** How long the pointer rests on an entry before its submenu opens. */
const restOf = (opener: Opener): number => figureOf(opener, '--kamino-after');
const openerOf = (entry: Element): Opener | null => entry.querySelector<Opener>(`:scope>.${parts.opener}`);

/** The openers of the entries around a node, from the innermost on. */
function chain(node: EventTarget | null): Opener[] {
  const found: Opener[] = [];
  let entry = around(node, parts.entry);
  while (entry) {
    const opener = openerOf(entry);
    if (opener) found.push(opener);
    entry = around(entry.parentElement, parts.entry);
  }
  return found;
}

function close(opener: Opener): void {
  opener.open = false;
  hovered.delete(opener);
}

function closeAllBut(kept: Opener[]): void {
  for (const one of sheets()) if (!kept.includes(one)) close(one);
}

function open(opener: Opener): void {
  closeAllBut(chain(opener));
  opener.open = true;
  place(opener);
}

/** Turned to the other side, moved or made to scroll, so that it lies in the window. */
function place(opener: Opener): void {
  const list = listOf(opener);
  const { classList, style } = list;
  classList.remove(parts.up, parts.tall, parts.turned);
  style.maxBlockSize = '';
  // Where it lies by itself, whatever moves it now.
  const { offsetLeft, offsetTop, offsetWidth: width, offsetHeight: height } = list;
  const entry = list.offsetParent!.getBoundingClientRect();
  const [left, top] = [entry.left + offsetLeft, entry.top + offsetTop];
  const [right, bottom] = [left + width, top + height];
  const wide = document.documentElement.clientWidth;
  let x = Math.min(wide - right, 0) || Math.max(-left, 0);
  let y = 0;
  if (offsetTop < entry.height) {
    // Beside its entry: as far from it on the other side.
    const turned = entry.left + entry.right - right;
    if (x && turned >= 0 && turned + width <= wide) {
      x = turned - left;
      classList.add(parts.turned);
    }
    y = Math.max(Math.min(innerHeight - bottom, 0), -top);
  }
  if (bottom + y > innerHeight) {
    const isUp = offsetTop >= entry.height && height < entry.top;
    classList.add(isUp ? parts.up : parts.tall);
    style.maxBlockSize = isUp ? '' : `${innerHeight - top - y}px`;
  }
  style.transform = `translate(${x}px,${y}px)`;
}

/** What somebody presses holds: nothing opens or closes behind it because the pointer had come there before. */
function stop(): void {
  clearTimeout(timer);
  timer = undefined;
}

function wait(time: number): void {
  stop();
  timer = setTimeout(() => {
    timer = undefined;
    for (const one of hovered) if (!goal.includes(one)) close(one);
    for (const one of goal.toReversed())
      if (!one.open) {
        open(one);
        hovered.add(one);
      }
  }, time);
}

/** A way across a neighbour towards an open submenu does not open the neighbour’s. */
function towards({ clientX, clientY }: PointerEvent): boolean {
  const other = sheets().find(one => !goal.includes(one));
  if (!other) return false;
  const { left, right, top, bottom } = listOf(other).getBoundingClientRect();
  const before = nearest;
  nearest = Math.hypot(
    Math.max(left - clientX, 0, clientX - right),
    Math.max(top - clientY, 0, clientY - bottom),
  );
  return nearest < before;
}

function aim(event: PointerEvent, node: EventTarget | null): void {
  if (event.pointerType === 'touch') return;
  const now = chain(node).filter(one => isSheet(one) && restOf(one) >= 0);
  if (now[0] === goal[0]) return;
  goal = now;
  nearest = 0;
  towards(event);
  wait(now[0] ? restOf(now[0]) : slip);
}

on('pointerover', event => aim(event, event.target));
on('pointerout', event => event.relatedTarget ?? aim(event, null));
on('pointermove', event => {
  if (timer && towards(event)) wait(slip);
});

on('click', event => {
  stop();
  const { target } = event;
  const opener = around(target, parts.opener) as Opener | null;
  if (!opener || !isSheet(opener)) return closeAllBut(isLink(target) ? [] : chain(target));
  event.preventDefault();
  if (opener.open && !hovered.delete(opener)) close(opener);
  else open(opener);
});

on('focusin', ({ target }) => closeAllBut([...chain(target), ...hovered]));

/** What the arrow keys go through: entries beside each other, or all that are seen below each other. */
function controlsIn(list: Element, isDown: boolean): HTMLElement[] {
  return all(`.${parts.link},.${parts.opener}>*`, list).filter(
    one => one.getClientRects().length > 0 && (isDown || around(one, parts.list) === list),
  );
}

on('keydown', event => {
  const { key } = event;
  const target = event.target as HTMLElement;
  let next: HTMLElement | undefined;
  if (key === 'Escape') {
    stop();
    const inner = chain(target).find(one => one.open) ?? sheets().at(-1);
    if (!inner) return;
    if (listOf(inner).contains(target)) next = summaryOf(inner);
    close(inner);
    event.preventDefault();
  }
  const list = around(target, parts.list);
  if (list && target.matches(`.${parts.link},summary`) && !event.altKey && !event.ctrlKey && !event.metaKey) {
    const isDown = styleOf(list, 'flex-direction') === 'column';
    const sides = ['ArrowLeft', 'ArrowRight'];
    if (styleOf(list, 'direction') === 'rtl') sides.reverse();
    const ways = ['ArrowUp', 'ArrowDown'];
    const [along, across] = isDown ? [ways, sides] : [sides, ways];
    const controls = controlsIn(list, isDown);
    const at = controls.indexOf(target);
    if (key === along[0]) next = controls[at - 1];
    if (key === along[1]) next = controls[at + 1];
    if (key === across[1]) {
      const [opener] = chain(target);
      if (opener && opener.parentElement === around(target, parts.entry)) {
        open(opener);
        [next] = controlsIn(listOf(opener), true);
      }
    }
    const above = list.previousElementSibling;
    if (key === across[0] && above?.matches(isOpened)) {
      next = summaryOf(above as Opener);
      close(above as Opener);
    }
  }
  if (!next) return;
  event.preventDefault();
  next.focus();
});

addEventListener('pagehide', () => {
  // What was about to open is not open when the visitor comes back.
  stop();
  closeAllBut([]);
});
addEventListener('resize', () => sheets().forEach(place));
