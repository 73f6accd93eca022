import type { Difference } from '../../hand/differences.ts';
import { differences } from '../../hand/differences.ts';
import { copiesOf, placeOfDifference } from '../places.ts';
import type { CheckRule } from '../types.ts';

/** The copies of a menu written by hand hold the same entries, in the same order, with the same labels and targets. */
export const menuDiffers: CheckRule = {
  name: 'menu-differs',
  severity: 'warning',
  about: 'The copies of a menu are alike.',
  why: 'The copies of a menu written by hand are not the same on all pages.',
  example: 'kamino draft       makes one menu of them',
  find: (site, tell) =>
    differences(site).flatMap(one => {
      const message = messageFor(one);
      return message === null ? [] : [tell(placeOfDifference(one, site), message, remedyFor(one))];
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

function remedyFor({ menu }: Difference): string {
  const by = menu.selectors[0]?.selector;
  return by === undefined ? 'Make the copies alike.' : `One plan for all pages:  kamino draft --from "${by}"`;
}
