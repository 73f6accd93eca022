import { parts } from '../core/inlay/names.ts';
import { all, around, isFollowed, isOpened, on, slip, styleOf, timeOf } from './shared.ts';

/**
 * Folded menus open and close by themselves: a stack is a `details`, a drawer and a full-screen menu a `popover`. What is
 * missing there is here: closing when a link is followed, when the window grows, when the page is left; the rest of the
 * page out of reach while it is covered; the way back of the focus.
 */
const stackOpen = `details.${parts.toggle}[open]`;
const coverOpen = `.${parts.fold}:popover-open`;
const root = document.documentElement;

/** What is out of reach while a menu covers the page. */
let inert: HTMLElement[] = [];
/** The page has other plans for the focus. */
let isLeaving = false;
/** A link has just been followed. */
let isFollowing = false;
/** The fold that the pointer opened. */
let hovered: HTMLElement | null = null;
let timer: ReturnType<typeof setTimeout> | undefined;

const menuOf = (node: EventTarget | null): HTMLElement | null => around(node, parts.menu);
const openFolds = (): HTMLElement[] => all(`${stackOpen},${coverOpen}`);
const toggleOf = (fold: HTMLElement): HTMLElement => menuOf(fold)!.querySelector(`.${parts.toggle}>*`)!;

function setOpen(fold: HTMLElement, isOpen: boolean): void {
  if (fold instanceof HTMLDetailsElement) fold.open = isOpen;
  else if (fold.matches(':popover-open') !== isOpen) fold.togglePopover(isOpen);
}

/** Closed at once, with no thought of the focus. */
function leave(fold: HTMLElement): void {
  isLeaving = true;
  setOpen(fold, false);
  isLeaving = false;
}

/** The style sheet alone says where a menu is folded: its toggle is seen. */
const observer = new ResizeObserver(entries => {
  for (const { target } of entries) {
    const fold = openFolds().find(one => toggleOf(one) === target);
    if (!fold || target.getClientRects().length > 0) continue;
    const focused = document.activeElement as HTMLElement;
    leave(fold);
    focused.focus({ preventScroll: true });
  }
});

/** While it covers the page nothing else can be reached. */
function holdRest(fold: HTMLElement): void {
  for (const one of inert) one.inert = false;
  inert = [];
  if (!fold.matches(coverOpen) || fold === hovered || styleOf(fold, '--kamino-behind')) return;
  for (let one = fold; one !== document.body; one = one.parentElement!)
    for (const other of one.parentElement!.children as HTMLCollectionOf<HTMLElement>)
      if (other !== one && !other.inert) {
        other.inert = true;
        inert.push(other);
      }
}

function opened(fold: HTMLElement): void {
  observer.observe(toggleOf(fold));
  holdRest(fold);
  if (fold !== hovered) fold.querySelector<HTMLElement>(`.${parts.close}`)?.focus({ preventScroll: true });
}

function closed(fold: HTMLElement): void {
  observer.unobserve(toggleOf(fold));
  for (const one of all<HTMLDetailsElement>(isOpened, menuOf(fold)!)) one.open = false;
  if (fold === hovered) hovered = null;
}

on(
  'beforetoggle',
  event => {
    const fold = event.target as HTMLElement;
    if (!fold.matches(`.${parts.fold}`)) return;
    const isOpening = event.newState === 'open';
    // The room of the scroll bar is kept.
    root.style.scrollbarGutter = isOpening && innerWidth > root.clientWidth ? 'stable' : '';
    if (isOpening) return;
    holdRest(fold.parentElement!);
    if (isLeaving) return;
    fold.classList.add(parts.closing);
    setTimeout(() => fold.classList.remove(parts.closing), slip);
  },
  true,
);

on(
  'toggle',
  event => {
    const fold = event.target as HTMLElement;
    if (!fold.matches(`.${parts.fold},details.${parts.toggle}`)) return;
    if (fold.matches(`${stackOpen},${coverOpen}`)) return opened(fold);
    closed(fold);
    if (fold.matches(`.${parts.fold}`) && document.activeElement === document.body && !isFollowing)
      toggleOf(fold).focus({ preventScroll: true });
  },
  true,
);

on('click', event => {
  const own = menuOf(event.target);
  isFollowing = isFollowed(event);
  for (const fold of openFolds()) {
    if (own !== menuOf(fold)) setOpen(fold, false);
    else if (isFollowing) {
      setOpen(fold, false);
      // The focus goes to where the link leads.
      (document.activeElement as HTMLElement).blur();
    } else if (fold === hovered) {
      hovered = null;
      if (around(event.target, parts.toggle)) event.preventDefault();
      holdRest(fold);
    }
  }
});

on('keydown', event => {
  if (event.key !== 'Escape' || event.defaultPrevented) return;
  for (const fold of all<HTMLDetailsElement>(stackOpen)) {
    const isInside = menuOf(fold) === menuOf(event.target);
    fold.open = false;
    if (isInside) toggleOf(fold).focus();
  }
});

on('pointerover', ({ target, pointerType }) => {
  if (pointerType === 'touch') return;
  clearTimeout(timer);
  const toggle = around(target, parts.toggle);
  const rest = toggle ? timeOf(toggle, '--kamino-rest') : NaN;
  if (rest >= 0)
    timer = setTimeout(() => {
      const fold = toggle!.matches('details')
        ? toggle!
        : menuOf(toggle)!.querySelector<HTMLElement>(`.${parts.fold}`)!;
      if (openFolds().includes(fold)) return;
      hovered = fold;
      setOpen(fold, true);
    }, rest);
  else if (hovered && menuOf(target) !== menuOf(hovered))
    timer = setTimeout(() => hovered && setOpen(hovered, false), slip);
});

addEventListener('resize', () => all(coverOpen).forEach(holdRest));
addEventListener('pagehide', () => openFolds().forEach(leave));
openFolds().forEach(opened);
