import { type WrittenOf, mapOf, needed, oneOf, optional, preset } from '../../format/key.ts';
import { foldWhen, label, said, text } from '../../format/values.ts';

export const toggleKeys = {
  show: preset(oneOf('both', 'label', 'icon'), 'both', {
    means: 'What is seen; the word is always read out.',
    example: 'show: icon',
  }),
  label: optional(said(label), {
    takes: 'text, or one for each language',
    otherwise: '`Menu`',
    means: 'Its word.',
    example: 'label: All pages',
  }),
  at: preset(oneOf('start', 'end'), 'end', {
    means: 'At which end of its room it stands.',
    example: 'at: start',
  }),
  icon: preset(text, 'lines', {
    takes: '`lines`, `dots` or an SVG file',
    means: 'Its mark; lines and dots become a cross while the menu is open.',
    example: 'icon: dots',
  }),
  'open-icon': optional(text, {
    takes: 'an SVG file',
    otherwise: 'the same, or a cross',
    means: 'The mark while the menu is open.',
    example: 'icon: img/map.svg\nopen-icon: img/close.svg',
  }),
} as const;
export type WrittenToggle = WrittenOf<typeof toggleKeys>;

/** What a menu may fold into. */
const foldWords = ['stack', 'drawer', 'full-screen', 'none'] as const;
export type FoldWord = (typeof foldWords)[number];

export const foldKeys = {
  when: needed(foldWhen, {
    takes: '`crowded`, `below` a width, `any-width` or `never`',
    means:
      '`crowded`: where a bar no longer fits its own room; Kamino computes the width from the font. `below 48em` asks the window (em, rem or px). `any-width`: everywhere, its toggle left in view.',
    example: 'when: crowded',
    missing: 'Say where it folds:  when: crowded   or a width of the window:  when: below 48em',
  }),
  as: optional(oneOf(...foldWords), {
    otherwise: '`stack`',
    means:
      '`stack`: in the flow of the page, which moves down. `drawer`: from a side, over the page. `full-screen`: over all of it. `none`: not there any more, which is for menus whose targets stand in another one.',
    example: 'when: below 48em\nas: drawer',
  }),
  side: preset(oneOf('start', 'end'), 'start', {
    means: 'The side that a drawer comes from.',
    example: 'when: crowded\nas: drawer\nside: end',
  }),
  behind: preset(oneOf('covered', 'shifted', 'as-fits'), 'as-fits', {
    means:
      'The page behind a drawer: dimmed, or moved aside; `as-fits`: moved aside in windows of 64 em and more.',
    example: 'when: any-width\nas: drawer\nbehind: covered',
  }),
  by: preset(oneOf('click', 'hover'), 'click', {
    means: '`hover`: the menu also opens as the pointer rests on its toggle.',
    example: 'when: any-width\nas: drawer\nby: hover',
  }),
  joins: optional(text, {
    takes: 'the name of a menu',
    otherwise: 'nothing',
    means:
      'Where both are folded, this menu’s entries lie in the fold of that one. Both need the same `below`, or `any-width`.',
    example: 'when: below 48em\njoins: masthead',
  }),
  toggle: preset(
    mapOf(toggleKeys),
    { show: 'both', at: 'end', icon: 'lines' },
    {
      below: 'toggle',
      takes: '`show`, `label`, `at`, `icon`, `open-icon`',
      otherwise: 'lines and the word',
      means: 'What opens and closes the folded menu. Its looks are those of `parts: { toggle: … }`.',
      example: 'when: crowded\ntoggle: { show: icon }',
    },
  ),
} as const;
export type WrittenFold = WrittenOf<typeof foldKeys>;
export const fold = mapOf(foldKeys);
