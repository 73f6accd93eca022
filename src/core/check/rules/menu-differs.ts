import type { Difference } from '../../hand/differences.ts';
import { differences } from '../../hand/differences.ts';
import { counted, shortened } from '../../text/nearest.ts';
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
    withoutMany(differences(site)).flatMap(([one, ...others]) => {
      const message = others.length > 0 ? messageForMany([one!, ...others]) : messageFor(one!);
      return message === null ? [] : [tell(placeOfDifference(one!, site), message, remedyFor(one!))];
    }),
};

const many = 3;

/** Each for itself, but for the entries that a copy lacks, where they are many: an old copy is one mistake. */
function withoutMany(all: readonly Difference[]): Difference[][] {
  const missing = new Map<string, Difference[]>();
  const groups: Difference[][] = [];
  for (const one of all) {
    const key = `${one.path} ${one.start}`;
    const group = one.kind === 'missing' ? missing.get(key) : undefined;
    if (group?.[0]?.menu === one.menu) group.push(one);
    else {
      const made = [one];
      if (one.kind === 'missing') missing.set(key, made);
      groups.push(made);
    }
  }
  return groups.flatMap(group => (group.length < many ? group.map(one => [one]) : [group]));
}

function messageForMany(missing: readonly Difference[]): string {
  const labels = missing.flatMap(one => (one.kind === 'missing' ? [`\`${one.shared.label}\``] : []));
  return `${counted(missing.length, 'entry', 'entries')} of most copies are missing here: ${shortened(labels, 4)}`;
}

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
