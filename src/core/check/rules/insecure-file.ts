import { placeInRaw } from '../../text/place.ts';
import type { CheckRule } from '../types.ts';

/** Nothing is fetched without encryption: browsers leave it out of a page that came with it. */
export const insecureFile: CheckRule = {
  name: 'insecure-file',
  severity: 'warning',
  about: 'Pictures, scripts and style sheets are fetched by https.',
  why: 'A page that comes by https does not show what it names by http: browsers leave it out, or warn.',
  example: '<img src="http://…">  →  <img src="https://…">',
  find: (site, tell) =>
    [...site.pages.values()].flatMap(({ frame, resources }) =>
      resources
        .filter(one => /^http:\/\//i.test(one.address))
        .map(({ kind, address, start, end }) =>
          tell(
            placeInRaw(frame, start, end),
            `the ${kind} \`${address}\` is fetched by http`,
            `Write  ${address.replace(/^http:/i, 'https:')}  or keep a copy in the site.`,
          ),
        ),
    ),
};
