import { parts } from '../core/markup/names.ts';
import { all, arriveAt, figureOf, named, on, styleOf } from './shared.ts';

/**
 * Sections of the page: how high what stays at the top is, which section is in view, where the focus goes. Nothing here
 * hears the page scroll: observers tell when the top of a section passes the line below what stays.
 */
const root = document.documentElement;
/** Far enough for any page. */
const far = 1e7;

/** Links of menus that lead to sections of this page, with these, in the order of the page. */
let sections: [link: HTMLAnchorElement, target: Element][] = [];
/** Sections whose top is at the line or above. */
const passed = new Set<Element>();
let isAtEnd = false;
/** What was jumped to; it counts until the visitor scrolls. */
let followed: Element | null = null;
let observers: IntersectionObserver[] = [];

function targetOf(url: Location | HTMLAnchorElement): HTMLElement | null {
  if (url.pathname + url.search !== location.pathname + location.search) return null;
  return named(url.hash);
}

/** The height of menus that stay, and of what they stand in; one beside the text covers nothing of it. */
function stays(): number {
  let height = 0;
  for (const menu of all(`.${parts.menu}`))
    for (let one: HTMLElement | null = menu; one; one = one.parentElement)
      if (/sticky|fixed/.test(styleOf(one, 'position')) && styleOf(one, 'top') === '0px') {
        const box = one.getBoundingClientRect();
        if (box.width > innerWidth / 2) height = Math.max(height, box.height);
      }
  root.style.setProperty('--kamino-stays', `${Math.ceil(height)}px`);
  return height;
}

/** The last one that has passed; at the end of a page that scrolls, the last one there is. */
function mark(): void {
  const last =
    isAtEnd && root.scrollHeight > innerHeight
      ? sections.at(-1)
      : sections.findLast(([, one]) => passed.has(one));
  const now = sections.some(([, one]) => one === followed) ? followed : last?.[1];
  for (const [link, target] of sections)
    if (link.ariaCurrent !== 'page') link.ariaCurrent = target === now ? 'location' : null;
}

/** @param margin around the window, in px, so that what lies in it whole lies beyond a line */
function watch(margin: string, see: (entry: IntersectionObserverEntry) => void): IntersectionObserver {
  const observer = new IntersectionObserver(
    entries => {
      entries.forEach(see);
      mark();
    },
    // In a frame too its own window counts.
    { root: document, rootMargin: margin, threshold: 1 },
  );
  observers.push(observer);
  return observer;
}

function start(): void {
  for (const one of observers) one.disconnect();
  observers = [];
  // The air below what stays is a margin of the root, which moves nothing there.
  const line = stays() + figureOf(root, 'scroll-margin-top') + 1.1;
  sections = all<HTMLAnchorElement>(`.${parts.menu} a:not([data-kamino-panel])`).flatMap(link => {
    const target = targetOf(link);
    return target ? [[link, target] as [HTMLAnchorElement, Element]] : [];
  });
  sections.sort(([, one], [, other]) => (one.compareDocumentPosition(other) & 4 ? -1 : 1));
  // What is not seen at all, in a closed part of the page, has no bounds and has not passed.
  const below = watch(`${-line}px 0px ${far}px`, ({ target, boundingClientRect, rootBounds }) => {
    if (boundingClientRect.top < rootBounds!.top) passed.add(target);
    else passed.delete(target);
  });
  for (const [, target] of sections) below.observe(target);
  watch(`${far}px 0px 1px`, ({ intersectionRatio }) => (isAtEnd = intersectionRatio === 1)).observe(root);
}

/** What lies in a closed part of the page is opened. */
function reveal(target: Element | null): boolean {
  let isChanged = false;
  for (let one = target?.closest('details'); one; one = one.parentElement!.closest('details')) {
    isChanged ||= !one.open;
    one.open = true;
  }
  return isChanged;
}

/** The page has gone to a section: marks and focus follow. */
function arrive(): void {
  followed = targetOf(location);
  if (reveal(followed)) followed!.scrollIntoView();
  mark();
}

on('click', ({ target, ctrlKey, metaKey, shiftKey }) => {
  // Into a window of its own.
  if (ctrlKey || metaKey || shiftKey) return;
  const link = target instanceof Element ? target.closest('a') : null;
  const section = link && targetOf(link);
  if (!section) return;
  stays();
  reveal(section);
  // While the focus is in what stays, some browsers make no room for it: the section would begin below its edge.
  link.blur();
  setTimeout(() => {
    followed = section;
    mark();
    arriveAt(section);
  });
});

function scrolled(): void {
  followed = null;
  mark();
}
on('wheel', scrolled);
on('touchmove', scrolled);
on('keydown', ({ key }) => /^(Arrow|Page|Home|End| )/.test(key) && scrolled());
// The scroll bar belongs to the root.
on('pointerdown', ({ target }) => target === root && scrolled());

addEventListener('hashchange', arrive);
addEventListener('resize', start);
addEventListener('load', start);
const observer = new ResizeObserver(start);
for (const one of all(`.${parts.menu}`)) observer.observe(one);
start();
arrive();
