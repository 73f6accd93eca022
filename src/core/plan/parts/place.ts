import Joi from 'joi';
import { type Key, type WrittenOf, mapOf, optional, preset } from '../../format/key.ts';
import { linesOf, listOf, mapOr, selector, truth } from '../../format/values.ts';

const side = (name: string, means: string, example = '"#logo"'): Key<string[], false> =>
  optional(listOf(selector), {
    takes: 'a selector, or several tried in order',
    otherwise: 'another side',
    means: `${means} Selectors are those of CSS that depend on the page alone.`,
    example: `${name}: ${example}`,
  });

const sideKeys = {
  'first-in': side('first-in', 'First in the element.'),
  'last-in': side('last-in', 'Last in the element.'),
  before: side('before', 'Directly before the element.'),
  after: side('after', 'Directly behind the element.'),
  'instead-of': side(
    'instead-of',
    'In the place of the element, which is taken out and kept in the record: `kamino lift` puts it back. Cells of a table’s row become one cell.',
    '[ul.menu, "#nav"]',
  ),
} as const;
export type PlaceSide = keyof typeof sideKeys;
export const placeSides = Object.keys(sideKeys) as PlaceSide[];
export const placeKeys = {
  ...sideKeys,
  drop: preset(truth, 'false', {
    means:
      'With `instead-of`: what is no link in the element goes with it. Without `drop` a page is left as it is where forms, pictures, scripts or words would go that the menu does not show.',
    example: 'instead-of: div.nav\ndrop: true',
  }),
} as const;
export type WrittenPlace = WrittenOf<typeof placeKeys>;
const spot = mapOf(placeKeys)
  .xor(...placeSides)
  .when('.drop', { is: 'true', then: Joi.object({ 'instead-of': Joi.required() }) });
/** A place, or several of different kinds, tried in order. */
export const place = mapOr(spot, linesOf(spot));
/** What the keys of a menu, a button and a group of panels say of it. */
export const placeTakes =
  '`first-in`, `last-in`, `before`, `after` or `instead-of`; or several of them, tried in order';
