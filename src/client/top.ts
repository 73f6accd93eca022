import { parts } from '../core/markup/names.ts';
import { all, focusOn, on, styleOf } from './shared.ts';

/** The way to the top is there from the start; it goes away where the page has hardly been scrolled. */
for (const row of all(`.${parts.top}`))
  new IntersectionObserver(
    ([entry]) => row.classList.toggle(parts.away, entry!.intersectionRatio === 1),
    // The length after which it shows, as the style sheet has it, in px.
    { root: document, rootMargin: `${styleOf(row, 'scroll-margin-top')} 0px ${1e7}px`, threshold: 1 },
  ).observe(document.documentElement);

on('click', ({ target }) => {
  if (!(target as Element).closest(`.${parts.top} a`)) return;
  document.body.tabIndex = -1;
  focusOn(document.body);
});
