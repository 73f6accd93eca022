import type { Difference } from '../../site/hand/differences.ts';
import { differences } from '../../site/hand/differences.ts';
import { type Finding, finding } from '../../text/finding.ts';
import { copiesOf, placeOfDifference } from '../places.ts';
import type { CheckRule } from '../types.ts';

/** The copies of a menu written by hand hold the same entries, in the same order, with the same labels and targets. */
export const menuDiffers: CheckRule = {
  find: site =>
    differences(site).flatMap(one => {
      const message = messageFor(one);
      return message === null ? [] : [toFinding(message, one, placeOfDifference(one, site))];
    }),
};

function messageFor(one: Difference): string | null {
  switch (one.kind) {
    case 'missing':
      return `\`${one.shared.label}\` is missing here; it is on ${copiesOf(one.shared.count, one.menu)}`;
    case 'extra':
      return `\`${one.label}\` is here, and not on most pages`;
    case 'label':
      return `this entry is called \`${one.entry.entry.label}\`, and \`${one.shared.label}\` on most pages`;
    case 'target':
      return `\`${one.shared.label}\` leads to \`${one.entry.target ?? 'nothing'}\` here, and to \`${one.shared.target ?? 'nothing'}\` on most pages`;
    case 'order':
      return `\`${one.shared.label}\` stands at another place than on most pages`;
    case 'folder':
    case 'current':
    case 'unclosed':
    case 'lacking':
      return null;
  }
}

function toFinding(message: string, one: Difference, place: Finding['place']): Finding {
  const by = one.menu.selectors[0]?.selector;
  const remedy =
    by === undefined ? 'Make the copies alike.' : `One plan for all pages:  kamino draft --from "${by}"`;
  return finding('menu-differs', place, message, remedy);
}
