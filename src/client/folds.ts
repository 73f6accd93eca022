import { parts } from '../core/markup/names.ts';
import { all, around, focusOn, isLink, isOpened, on, slip, styleOf, figureOf } from './shared.ts';

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
/** A link has just been followed. */
let isFollowing = false;
/** The fold that the pointer opened. */
let hovered: HTMLElement | null = null;
let timer: ReturnType<typeof setTimeout> | undefined;

const menuOf = (node: EventTarget | null): HTMLElement | null => around(node, parts.menu);
const openFolds = (): HTMLElement[] => all(`${stackOpen},${coverOpen}`);
const isSeen = (element: Element): boolean => element.getClientRects().length > 0;
const toggleOf = (fold: HTMLElement): HTMLElement => menuOf(fold)!.querySelector(`.${parts.toggle}>*`)!;

function setOpen(fold: HTMLElement, isOpen: boolean): void {
  if (fold instanceof HTMLDetailsElement) fold.open = isOpen;
  else fold.togglePopover(isOpen);
}

/**
 * The style sheet alone says where a menu is folded: its toggle is seen. Where it is gone from the page as well, with an
 * open menu, the rest of the page is let go.
 */
const observer = new ResizeObserver(entries => {
  for (const { target } of entries) {
    if (isSeen(target)) continue;
    const fold = openFolds().find(one => toggleOf(one) === target);
    const focused = document.activeElement!;
    if (!fold) {
      letGo();
      root.style.paddingRight = '';
    } else {
      setOpen(fold, false);
      focusOn(focused);
    }
  }
});

function letGo(): void {
  for (const one of inert) one.inert = false;
  inert = [];
}

/** While a menu covers the page, it is a dialog, and nothing else can be reached. */
function hold(fold: HTMLElement): void {
  letGo();
  const isModal = fold.matches(coverOpen) && fold !== hovered && !styleOf(fold, '--kamino-behind');
  fold.role = isModal ? 'dialog' : null;
  fold.ariaLabel = isModal ? menuOf(fold)!.ariaLabel : null;
  if (!isModal) return;
  for (let one = fold; one !== document.body; one = one.parentElement!)
    for (const other of one.parentElement!.children as HTMLCollectionOf<HTMLElement>)
      if (other !== one && !other.inert) {
        other.inert = true;
        inert.push(other);
      }
}

function opened(fold: HTMLElement): void {
  observer.observe(toggleOf(fold));
  hold(fold);
}

function closed(fold: HTMLElement): void {
  observer.unobserve(toggleOf(fold));
  hold(fold);
  for (const one of all<HTMLDetailsElement>(isOpened, menuOf(fold)!)) one.open = false;
  if (fold === hovered) hovered = null;
}

on(
  'beforetoggle',
  ({ target, newState }) => {
    const fold = target as HTMLElement;
    if (!fold.matches(`.${parts.fold}`)) return;
    const isOpening = newState === 'open';
    // The page stays where it was as its scroll bar goes; what covers it lies there too.
    const bar = innerWidth - root.clientWidth;
    root.style.paddingRight = isOpening && bar && !styleOf(fold, '--kamino-behind') ? `${bar}px` : '';
    if (isOpening) return;
    // What the focus goes back to must not be out of reach.
    letGo();
    if (!isSeen(toggleOf(fold))) return;
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
      focusOn(toggleOf(fold));
  },
  true,
);

on('click', event => {
  const own = menuOf(event.target);
  isFollowing = isLink(event.target);
  for (const fold of openFolds()) {
    if (own !== menuOf(fold)) setOpen(fold, false);
    else if (isFollowing) {
      setOpen(fold, false);
      // The focus goes to where the link leads.
      (document.activeElement as HTMLElement).blur();
    } else if (fold === hovered) {
      hovered = null;
      if (around(event.target, parts.toggle)) event.preventDefault();
      hold(fold);
    }
  }
});

on('keydown', event => {
  if (event.key !== 'Escape' || event.defaultPrevented) return;
  for (const fold of all<HTMLDetailsElement>(stackOpen)) {
    const isInside = menuOf(fold) === menuOf(event.target);
    fold.open = false;
    if (isInside) focusOn(toggleOf(fold));
  }
});

on('pointerover', ({ target, pointerType }) => {
  if (pointerType === 'touch') return;
  clearTimeout(timer);
  const toggle = around(target, parts.toggle);
  const rest = toggle ? figureOf(toggle, '--kamino-rest') : NaN;
  if (rest >= 0)
    timer = setTimeout(() => {
      const fold = toggle!.matches('details')
        ? toggle!
        : menuOf(toggle)!.querySelector<HTMLElement>(`.${parts.fold}`)!;
      if (openFolds().includes(fold)) return;
      hovered = fold;
      const focused = document.activeElement!;
      setOpen(fold, true);
      focusOn(focused);
    }, rest);
  else if (hovered && menuOf(target) !== menuOf(hovered))
    timer = setTimeout(() => hovered && setOpen(hovered, false), slip);
});

addEventListener('resize', () => all(coverOpen).forEach(hold));
addEventListener('pagehide', () => openFolds().forEach(fold => setOpen(fold, false)));
openFolds().forEach(opened);
