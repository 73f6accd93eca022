import { type Key, type WrittenOf, mapOf, optional } from '../../format/key.ts';
import { listOf, selector } from '../../format/values.ts';

const side = (name: string, means: string, example = '"#logo"'): Key<string[], false> =>
  optional(listOf(selector), {
    takes: 'a selector, or several tried in order',
    otherwise: 'another side',
    means: `${means} Selectors are those of CSS that depend on the page alone.`,
    example: `${name}: ${example}`,
  });

export const placeKeys = {
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
export type PlaceSide = keyof typeof placeKeys;
export const placeSides = Object.keys(placeKeys) as PlaceSide[];
export type WrittenPlace = WrittenOf<typeof placeKeys>;
export const place = mapOf(placeKeys).xor(...placeSides);
