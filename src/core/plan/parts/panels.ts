import { type WrittenOf, mapOf, needed, oneOf, optional, preset } from '../../format/key.ts';
import { label, lookName, mapOr, said, selector, slotName, text } from '../../format/values.ts';
import { look } from './look.ts';
import { place, placeTakes } from './place.ts';

export const panelsKeys = {
  panels: needed(slotName, {
    takes: 'a name',
    means: 'Its name, also that of its tabs and their slot.',
    example: 'panels: planets\npage: planets.html\nof: "#planets > section"',
  }),
  page: needed(text, {
    takes: 'a path',
    means: 'The page that they are in.',
    example: 'page: planets.html\nof: "#planets > section"',
  }),
  of: needed(selector, {
    takes: 'a selector',
    means: 'The parts of the page that are shown one at a time. Those without an id are given one.',
    example: 'page: planets.html\nof: .planet',
  }),
  switch: preset(text, 'tabs', {
    takes: '`tabs` or the name of a menu',
    means: 'What switches between them: tabs before the first one, or a menu with an entry for each.',
    example: 'page: planets.html\nof: .planet\nswitch: masthead',
  }),
  first: optional(text, {
    takes: 'the id of a panel',
    otherwise: 'the first of the page',
    means: 'The one that is shown where the address names none.',
    example: 'page: planets.html\nof: .planet\nfirst: saturn',
  }),
  height: preset(oneOf('own', 'tallest'), 'own', {
    means: 'As high as each needs, or as the tallest of them.',
    example: 'page: planets.html\nof: .planet\nheight: tallest',
  }),
  title: optional(said(label), {
    takes: 'text, or one for each language',
    otherwise: 'from the name',
    means: 'How a screen reader announces the tabs.',
    example: 'page: planets.html\nof: .planet\ntitle: Planets',
  }),
  place: optional(place, {
    below: 'place',
    takes: placeTakes,
    otherwise: 'before the first panel',
    means: 'Where the tabs go.',
    example: 'page: planets.html\nof: .planet\nplace: { before: "#planets" }',
  }),
  look: optional(mapOr(look, lookName), {
    below: 'look',
    takes: 'the name of a look, or keys of one',
    otherwise: 'that of the plan',
    means: 'The look of the tabs.',
    example: 'page: planets.html\nof: .planet\nlook: { background: none }',
  }),
} as const;
export type WrittenPanels = WrittenOf<typeof panelsKeys>;
export const panels = mapOf(panelsKeys);
