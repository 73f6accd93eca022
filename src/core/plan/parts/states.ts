import { type Key, type WrittenOf, mapOf, oneOf, optional } from '../../format/key.ts';
import { border, color, mapOr, shadow, share, text } from '../../format/values.ts';
import { type StateName, markerKinds, passingStates, stateNames } from '../look-types.ts';
import { stateFontKeys } from './font.ts';
import { marker } from './marker.ts';
import { pictureKeys } from './picture.ts';

export const stateKeys = {
  from: optional(oneOf(...stateNames, 'base'), {
    takes: '`base` or another state',
    otherwise: '`base`',
    means: 'The state that this one starts from: it says only what differs.',
    example: 'from: hover\ndarker: 8%',
  }),
  tint: optional(share, {
    takes: 'a share in %',
    otherwise: 'none',
    means: 'So much of the accent is mixed into the ground.',
    example: 'tint: 12%',
  }),
  lighter: optional(share, {
    takes: 'a share in %',
    otherwise: 'none',
    means: 'The ground is so much lighter (in OKLCH).',
    example: 'lighter: 8%',
  }),
  darker: optional(share, {
    takes: 'a share in %',
    otherwise: 'none',
    means: 'The ground is so much darker (in OKLCH).',
    example: 'darker: 8%',
  }),
  marker: optional(mapOr(marker, oneOf(...markerKinds)), {
    below: 'marker',
    takes: '`below`, `above`, `start`, `dot`, `none`, or keys of a mark',
    otherwise: '`below` for `current` and `within`; in other states as it was',
    means:
      'Where a mark in the accent stands. Where entries stand below each other, what is below or above its label in the line stands at the start.',
    example: 'marker: dot',
  }),
  accent: optional(color, {
    takes: 'a colour of CSS',
    otherwise: 'that of the look',
    means: 'What `tint` mixes in.',
    example: 'accent: "#a33"\ntint: 20%',
  }),
  background: optional(color, {
    takes: 'a colour of CSS',
    otherwise: 'that of the state it starts from',
    means: 'The ground of the entry.',
    example: 'background: "#e5e9ee"',
  }),
  picture: optional(mapOr(mapOf(pictureKeys), text), {
    below: 'picture',
    takes: 'a picture of the site, or `file`, `fill`, `at`',
    otherwise: 'that of the state it starts from; none where the state has a `background`',
    means: 'A picture as the ground of the entry, over its colour: a button that lights up.',
    example: 'picture: img/hill.jpg\ncolor: "#ffffff"',
  }),
  color: optional(color, {
    takes: 'a colour of CSS',
    otherwise: 'that of the state it starts from',
    means: 'The label.',
    example: 'color: "#7a1f1f"',
  }),
  border: optional(border, {
    takes: 'a width, a style and a colour',
    otherwise: 'that of the state it starts from',
    means: 'All other states keep room for it.',
    example: 'border: 2px solid currentcolor',
  }),
  shadow: optional(shadow, {
    takes: 'a shadow of CSS',
    otherwise: 'that of the state it starts from',
    means: 'The shadow of the entry.',
    example: 'shadow: 0 2px 8px rgb(0 0 0 / 0.2)',
  }),
  'icon-color': optional(color, {
    takes: 'a colour of CSS',
    otherwise: 'that of the state it starts from',
    means: 'The colour of the icon: a lamp that lights up.',
    example: 'icon-color: "#ffcc33"',
  }),
  font: optional(mapOf(stateFontKeys), {
    below: 'state-font',
    takes: '`weight`',
    otherwise: 'that of the state it starts from',
    means: 'A bolder label: all labels keep room for it, so that nothing moves.',
    example: 'font: { weight: 700 }',
  }),
} as const;

export type WrittenState = WrittenOf<typeof stateKeys>;
const state = mapOf(stateKeys).oxor('tint', 'lighter', 'darker');

/** In the order in which one wins over another. */
export const statesKeys = {
  within: optional(state, {
    below: 'state',
    takes: 'keys of a state',
    otherwise: '`{ marker: below }`',
    means: 'An entry in whose branch this page lies.',
    example: 'within: { marker: none }',
  }),
  current: optional(state, {
    below: 'state',
    takes: 'keys of a state',
    otherwise: '`{ marker: below }`',
    means: 'The entry of this very page.',
    example: 'current: { marker: start, font: { weight: 700 } }',
  }),
  hover: optional(state, {
    below: 'state',
    takes: 'keys of a state',
    otherwise: '`{ tint: 12% }`',
    means: 'Under the pointer.',
    example: 'hover: { lighter: 6% }',
  }),
  focus: optional(state, {
    below: 'state',
    takes: 'keys of a state',
    otherwise: 'a ring',
    means: 'With the keyboard’s focus; the ring is always there.',
    example: 'focus: { from: hover }',
  }),
  pressed: optional(state, {
    below: 'state',
    takes: 'keys of a state',
    otherwise: 'a stronger tint, or a darker hover',
    means: 'While it is held down.',
    example: 'pressed: { from: hover, darker: 8% }',
  }),
} as const satisfies Record<StateName, Key>;

/** A mark that is there when the page comes cannot come. */
export const states = mapOf(statesKeys).custom(
  (value: Partial<Record<StateName, WrittenState>>, helpers): unknown => {
    const still = stateNames.find(name => {
      const own = value[name]?.marker;
      return !passingStates.some(one => one === name) && typeof own === 'object' && own.comes !== undefined;
    });
    return still === undefined ? value : helpers.error('marker.still', { still });
  },
);
