import { placeInRaw } from '../../text/place.ts';
import type { CheckRule } from '../types.ts';

/** End tags of lists and parts of a page close something. */
export const surplusEnd: CheckRule = {
  name: 'surplus-end',
  severity: 'warning',
  about: 'An end tag of a list, a table or a part of the page closes something.',
  why: 'The end tag closes nothing: there is one too many, or its start tag was taken out.',
  example: '</ul></ul>         →  </ul>',
  find: (site, tell) =>
    [...site.pages.values()].flatMap(({ frame, surplus }) =>
      surplus.map(({ name, start, end }) =>
        tell(
          placeInRaw(frame, start, end),
          `this \`</${name}>\` closes nothing`,
          'Take it out, or put its start tag where it belongs.',
        ),
      ),
    ),
};
