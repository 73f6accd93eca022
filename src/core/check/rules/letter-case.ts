import { linksOf, placeOfLink } from '../../site/links.ts';
import type { CheckRule } from '../types.ts';

/** A link names a file in its own letter case. */
export const letterCase: CheckRule = {
  name: 'letter-case',
  severity: 'error',
  about: 'A link names a file in its own letter case.',
  why: 'Your computer may not mind the letter case; most servers do.',
  example: 'href="Visit.html"  →  href="visit.html"',
  find: (site, tell) =>
    linksOf(site).odd.flatMap(one => {
      if (one.end.kind !== 'other-case') return [];
      const { path, right } = one.end;
      const message = `\`${path}\` differs from \`${right}\` in letter case, and servers tell them apart`;
      return [tell(placeOfLink(one), message, `Write  ${right}`)];
    }),
};
