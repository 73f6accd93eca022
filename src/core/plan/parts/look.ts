import { type Key, type WrittenOf, mapOf, oneOf, optional } from '../../format/key.ts';
import { border, color, lengths, mapOr, motion, shadow, text } from '../../format/values.ts';
import type { LookPart } from '../look-types.ts';
import { fontKeys } from './font.ts';
import { frameKeys } from './frame.ts';
import { pictureKeys } from './picture.ts';
import { states } from './states.ts';

export const contrastKeys = {
  level: optional(oneOf('AA', 'AAA'), {
    otherwise: '`AA`',
    means: 'Labels reach 4.5 or 7 (WCAG 2.2, 1.4.3 and 1.4.6), marks 3.',
    example: 'level: AAA',
  }),
  mend: optional(oneOf('tints', 'all', 'none'), {
    otherwise: '`tints`',
    means:
      '`tints`: derived colours that fall short become the nearest passing ones of the same hue, and are told; what you wrote stays, and is told. `all`: both are mended. `none`: neither.',
    example: 'mend: none',
  }),
} as const;

/** What an entry and a part of a menu may have of their own. */
export const ownLookKeys = {
  accent: optional(color, {
    takes: 'a colour of CSS',
    otherwise: 'the colour of the labels',
    means: 'Every tint follows from this one colour.',
    example: 'accent: "#3d5a80"',
  }),
  background: optional(color, {
    takes: 'a colour of CSS, or `none`',
    otherwise: 'the page’s own ground',
    means: 'The ground of the menus; of an entry, its own.',
    example: 'background: "#14213a"\ncolor: "#f4efe3"',
  }),
  picture: optional(mapOr(mapOf(pictureKeys), text), {
    below: 'picture',
    takes: 'a picture of the site, or `file`, `fill`, `at`',
    otherwise: 'none',
    means:
      'A picture as the ground, over its colour: of the menus themselves, of an entry, of a part. How well labels can be read is measured on all of it; what cannot be known is told, as where the page is seen beside it.',
    example: 'picture: img/hill.jpg\ncolor: "#ffffff"',
  }),
  color: optional(color, {
    takes: 'a colour of CSS',
    otherwise: 'the page’s own',
    means:
      'The colour of the labels. On a ground that the plan names, ink or paper where no colour is given.',
    example: 'color: "#1d2733"',
  }),
  font: optional(mapOf(fontKeys), {
    below: 'font',
    takes: '`family`, `size`, `weight`, `style`, `transform`, `line`, `spacing`, `word-spacing`, `file`',
    otherwise: 'the page’s own',
    means: 'The type of the labels.',
    example: 'font: { family: Inter, weight: 500 }',
  }),
  padding: optional(lengths(4), {
    takes: 'one to four lengths',
    otherwise: '`0.7em 0.95em`',
    means: 'The room inside each entry.',
    example: 'padding: 0.75rem 1.25rem',
  }),
  radius: optional(lengths(4), {
    takes: 'one to four lengths',
    otherwise: '`0.35em`',
    means: 'The corners of each entry.',
    example: 'radius: 0.4rem',
  }),
  border: optional(border, {
    takes: 'a width, a style and a colour, or `none`',
    otherwise: '`none`',
    means:
      'The border of each entry. Where only some entries or states have one, the others keep room for it, so that nothing moves.',
    example: 'border: 1px solid currentcolor',
  }),
  shadow: optional(shadow, {
    takes: 'a shadow of CSS, or `none`',
    otherwise: '`none`',
    means: 'The shadow of each entry.',
    example: 'shadow: 0 1px 4px rgb(0 0 0 / 0.2)',
  }),
  'icon-color': optional(color, {
    takes: 'a colour of CSS',
    otherwise: 'that of the label',
    means: 'The colour of icons that have none of their own.',
    example: 'icon-color: "#e9b44c"',
  }),
  'icon-size': optional(lengths(1), {
    takes: 'a length',
    otherwise: '`1.25em`',
    means: 'How wide and high icons are.',
    example: 'icon-size: 1.75rem',
  }),
  states: optional(states, {
    below: 'states',
    takes: 'a state for each name',
    otherwise: 'a tint under the pointer, a mark below the current entry',
    means: 'How entries look under the pointer, with the keyboard’s focus, held down, and where they are.',
    example: 'states:\n  hover: { tint: 20% }\n  current: { marker: dot }',
  }),
} as const;
export type WrittenOwnLook = WrittenOf<typeof ownLookKeys>;
export const ownLook = mapOf(ownLookKeys);

export const partsKeys = {
  submenu: optional(ownLook, {
    below: 'own-look',
    takes: 'keys of a look',
    otherwise: 'the look of the menu',
    means: 'The entries below an entry.',
    example: 'submenu: { background: "#ffffff" }',
  }),
  fold: optional(ownLook, {
    below: 'own-look',
    takes: 'keys of a look',
    otherwise: 'the look of the menu',
    means: 'The menu while it is folded and open.',
    example: 'fold: { background: "#ffffff" }',
  }),
  toggle: optional(ownLook, {
    below: 'own-look',
    takes: 'keys of a look',
    otherwise: 'the look of the menu',
    means: 'The control that opens the folded menu.',
    example: 'toggle: { background: "#3d5a80", color: "#ffffff" }',
  }),
  home: optional(ownLook, {
    below: 'own-look',
    takes: 'keys of a look',
    otherwise: 'the look of the menu',
    means: 'The site’s name.',
    example: 'home: { color: "#3d5a80" }',
  }),
  scrolled: optional(ownLook, {
    below: 'own-look',
    takes: 'keys of a look',
    otherwise: 'the look of the menu',
    means: 'A menu that lies `over` the page and `stays`, once the page has been scrolled.',
    example: 'scrolled: { background: "#ffffff", color: "#1d2733" }',
  }),
} as const satisfies Record<LookPart, Key>;

export const lookKeys = {
  ...ownLookKeys,
  gap: optional(lengths(2), {
    takes: 'one or two lengths',
    otherwise: '`0.2em`',
    means: 'The space between entries.',
    example: 'gap: 0.5rem',
  }),
  frame: optional(mapOf(frameKeys), {
    below: 'frame',
    takes: '`padding`, `row`, `width`, `border`, `edges`, `radius`, `shadow`, `blur`',
    otherwise: 'no room of its own',
    means: 'The menu’s own box, around all of its entries.',
    example: 'frame: { padding: 0.5rem 1.5rem, row: 72rem }',
  }),
  motion: optional(motion, {
    takes: 'a time in ms, and a curve of CSS where it is not to be `ease-out`; or `none`',
    otherwise: '`140ms ease-out`',
    means: 'How long and how states come and go. Visitors who asked for less motion see none.',
    example: 'motion: 250ms ease-in-out',
  }),
  contrast: optional(mapOf(contrastKeys), {
    below: 'contrast',
    takes: '`level`, `mend`',
    otherwise: '`{ level: AA, mend: tints }`',
    means: 'How well labels must stand out from their ground, and what becomes of colours that do not.',
    example: 'contrast: { level: AAA }',
  }),
  dark: optional(oneOf('page', 'auto', 'off'), {
    otherwise: '`page`',
    means:
      'On a light ground the menus have a dark look too: where the page itself declares a dark scheme, wherever the visitor’s system is dark (`auto`), or never.',
    example: 'dark: auto',
  }),
  parts: optional(mapOf(partsKeys), {
    below: 'parts',
    takes: 'a look for `submenu`, `fold`, `toggle`, `home` or `scrolled`',
    otherwise: 'the look of the menu',
    means: 'What differs in a part of the menus.',
    example: 'parts:\n  submenu: { background: "#ffffff", color: "#1d2733" }',
  }),
} as const;
export type WrittenLook = WrittenOf<typeof lookKeys>;
export const look = mapOf(lookKeys);
