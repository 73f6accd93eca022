import { controlAt, controls, focusOnControl, liesOver, openNow } from './walk/controls.ts';
import { hoverAt, linkAt, links } from './walk/links.ts';
import { currents, marks, styleOfLink } from './walk/marks.ts';
import {
  bringText,
  dress,
  folds,
  goTo,
  scrollToEnd,
  scrollToStart,
  spaced,
  state,
  texts,
} from './walk/page.ts';
import { arrived, sections } from './walk/sections.ts';
import { focusOnLink, stop, unfocus } from './walk/stops.ts';
import { targets } from './walk/targets.ts';

/** Runs in a page that is walked: each function tells of the page as it is now, and none of them waits. */
const told = {
  links,
  linkAt,
  hoverAt,
  controls,
  openNow,
  controlAt,
  focusOnControl,
  liesOver,
  sections,
  arrived,
  stop,
  unfocus,
  focusOnLink,
  targets,
  texts,
  bringText,
  folds,
  state,
  marks,
  currents,
  styleOfLink,
  spaced,
  dress,
  scrollToEnd,
  scrollToStart,
  goTo,
};
Object.defineProperty(window, 'kaminoWalk', {
  value: (name: keyof typeof told, given: readonly unknown[]) =>
    JSON.stringify((told[name] as (...args: unknown[]) => unknown)(...given) ?? null),
});
