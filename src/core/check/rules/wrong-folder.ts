import { differences } from '../../hand/differences.ts';
import { placeOfDifference, writtenFrom } from '../places.ts';
import type { CheckRule } from '../types.ts';

/** A link of a menu is written from the folder of its own page. */
export const wrongFolder: CheckRule = {
  name: 'wrong-folder',
  severity: 'error',
  about: 'A link of a menu is written from its own page’s folder.',
  why: 'The menu was copied from a page in another folder, and its links are read from here.',
  example: 'href="visit.html" in journal/a.html  →  href="../visit.html"',
  find: (site, tell) =>
    differences(site).flatMap(one => {
      if (one.kind !== 'folder') return [];
      const right = writtenFrom(one.path, one.shared.target!);
      const message = `\`${one.entry.entry.href!}\` leads nowhere from this folder`;
      return [tell(placeOfDifference(one, site), message, `From this page it is  ${right}`)];
    }),
};
