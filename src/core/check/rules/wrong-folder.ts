import { differences } from '../../site/hand/differences.ts';
import { finding } from '../../text/finding.ts';
import { placeOfDifference, writtenFrom } from '../places.ts';
import type { CheckRule } from '../types.ts';

/** A link of a menu is written from the folder of its own page. */
export const wrongFolder: CheckRule = {
  find: site =>
    differences(site).flatMap(one => {
      if (one.kind !== 'folder') return [];
      const right = writtenFrom(one.path, one.shared.target!);
      const message = `\`${one.entry.entry.href!}\` leads nowhere from this folder`;
      return [
        finding('wrong-folder', placeOfDifference(one, site), message, `From this page it is  ${right}`),
      ];
    }),
};
