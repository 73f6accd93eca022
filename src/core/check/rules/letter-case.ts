import { finding } from '../../text/finding.ts';
import { linksOf, placeOfLink } from '../../site/links.ts';
import type { CheckRule } from '../types.ts';

/** A link names a file in its own letter case. */
export const letterCase: CheckRule = {
  find: site =>
    linksOf(site).flatMap(one => {
      if (one.end.kind !== 'other-case') return [];
      const { path, right } = one.end;
      const message = `\`${path}\` differs from \`${right}\` in letter case, and servers tell them apart`;
      return [finding('letter-case', placeOfLink(one), message, `Write  ${right}`)];
    }),
};
