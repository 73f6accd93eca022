import { placeInRaw } from '../../text/place.ts';
import type { CheckRule } from '../types.ts';

/** An id stands once in a page (https://html.spec.whatwg.org/#the-id-attribute). */
export const sameId: CheckRule = {
  name: 'same-id',
  severity: 'warning',
  about: 'An id stands once in a page.',
  why: 'A link leads to the first element of an id only.',
  example: 'id="prices" twice  →  id="prices-2"',
  find: (site, tell) =>
    [...site.pages.values()].flatMap(({ frame, ids }) => {
      const seen = new Set<string>();
      return ids.flatMap(({ id, start, end }) => {
        const isSecond = seen.has(id);
        seen.add(id);
        if (!isSecond) return [];
        const message = `the id \`${id}\` stands here a second time; links find the first`;
        return [tell(placeInRaw(frame, start, end), message, 'Give it another name.')];
      });
    }),
};
