import { type Finding, finding } from '../text/finding.ts';
import { nearest } from '../text/nearest.ts';
import type { Place } from '../text/source.ts';

/** A menu is named that is none of those that are meant. */
export function unknownMenu(name: string, names: readonly string[], place: Place): Finding {
  const near = nearest(name, names);
  const remedy = near ? `Did you mean \`${near}\`?` : `Menus of the plan: ${names.join(', ')}.`;
  return finding('unknown-menu', place, `no menu is called \`${name}\``, remedy);
}
