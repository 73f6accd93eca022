import { placeInRaw } from '../../text/place.ts';
import type { CheckRule } from '../types.ts';

/** A page that sends visitors on by itself (WCAG 2.2, 2.2.1 and 3.2.5). */
export const sentOn: CheckRule = {
  name: 'sent-on',
  severity: 'warning',
  about: 'No page sends visitors on by itself.',
  why: 'The page goes on to another one after a while: people who are still reading lose it, and Back leads nowhere. A server does that better, at once and without a page.',
  example: '<meta http-equiv="refresh" content="0; url=new.html">  →  a redirect of the server, or a link',
  find: (site, tell) =>
    [...site.pages.values()].flatMap(({ frame, refreshes }) =>
      refreshes.map(({ start, end }) =>
        tell(
          placeInRaw(frame, start, end),
          'this page sends visitors on by itself',
          'Let links lead to the new page:  kamino entry move  with  --links,  and let the server send the old address on.',
        ),
      ),
    ),
};
