import { copyEntries, entryKey } from '../hand/copy-entries.ts';
import { flatShared, matched } from '../hand/shared.ts';
import type { SiteMenu } from '../hand/site-menus.ts';
import type { WholeSite } from '../site/whole.ts';

/** What stands on a few copies only. */
export function rareEntries(menu: SiteMenu, site: WholeSite): string[] {
  const shared = flatShared(menu.entries);
  const pages = new Map<string, string[]>();
  // What a copy has twice, as for phones, is there already.
  const isThere = (label: string, target: string): boolean =>
    shared.some(one => one.target === target && entryKey(one.label) === entryKey(label));
  for (const [path, hand] of menu.copies) {
    const entries = copyEntries(hand, path, site);
    const match = matched(entries, shared);
    for (const one of entries) {
      if (match.has(one) || one.target === null || isThere(one.entry.label, one.target)) continue;
      const key = `${one.entry.label || '(no words)'} (${one.target})`;
      pages.set(key, [...(pages.get(key) ?? []), path]);
    }
  }
  return [...pages].map(
    ([key, paths]) =>
      `Only on ${paths.slice(0, 3).join(', ')}${paths.length > 3 ? ` and ${paths.length - 3} more` : ''}: ${key}`,
  );
}
