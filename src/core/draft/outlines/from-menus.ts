import type { ResolvedEntry, ResolvedMenu } from '../../menu/types.ts';
import { outlineLine } from '../../target/destination.ts';
import type { OutlineEntry, OutlineMenu } from './types.ts';

/** The structure of a plan's menus. */
export function outlineOf(menus: readonly ResolvedMenu[]): OutlineMenu[] {
  const seen = new Set<string>();
  return menus.map(({ name, title, language, entries }) => {
    // A menu of several languages stands once for each.
    const own = seen.has(name) && language ? `${name}-${language.tag.toLowerCase()}` : name;
    seen.add(name);
    return { name: own, title, entries: entries.map(entryOf) };
  });
}

function entryOf({ label, leadsTo, highlight, entries }: ResolvedEntry): OutlineEntry {
  return {
    label,
    target: outlineLine(leadsTo),
    highlight: highlight !== null,
    entries: entries.map(entryOf),
  };
}
