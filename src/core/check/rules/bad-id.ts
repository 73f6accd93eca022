import { placeInRaw } from '../../text/place.ts';
import type { CheckRule } from '../types.ts';

/** An id has a character at least, and no white space (https://html.spec.whatwg.org/#the-id-attribute). */
export const badId: CheckRule = {
  name: 'bad-id',
  severity: 'warning',
  about: 'An id has a character at least, and no white space.',
  why: 'An id is empty, or has white space in it.',
  example: 'id="opening times"  →  id="opening-times"',
  find: (site, tell) =>
    [...site.pages.values()].flatMap(({ frame, ids }) =>
      ids.flatMap(({ id, start, end }) => {
        if (id !== '' && !/[\t\n\f\r ]/.test(id)) return [];
        const message =
          id === ''
            ? 'an id is empty'
            : `the id “${id}” has white space in it; no link can lead to it safely`;
        return [tell(placeInRaw(frame, start, end), message, 'Write it in letters, digits and hyphens.')];
      }),
    ),
};
