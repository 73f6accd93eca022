import type { SitePath } from '../address/path.ts';
import { type LinkEnd, endOfLink } from '../site/links.ts';
import type { WholeSite } from '../site/whole.ts';
import { targetKey } from './targets.ts';
import { type HandEntry, type HandMenu, flatEntries } from './types.ts';

export interface CopyEntry {
  entry: HandEntry;
  parent: HandEntry | null;
  /** Its label, as it is compared. */
  key: string;
  target: string | null;
  /** Where its link leads; null for what is no link. */
  end: LinkEnd | null;
}

/** Labels are the same whatever their case and white space. */
export function entryKey(label: string): string {
  const known = keys.get(label);
  if (known !== undefined) return known;
  const key = label.toLowerCase().replace(/\s+/g, ' ').trim();
  if (keys.size >= mostKeys) keys.clear();
  keys.set(label, key);
  return key;
}

/** The copies of a menu have their labels in common. */
const keys = new Map<string, string>();
const mostKeys = 20_000;

/** The entries of one copy, each with where it leads, in order. They are made whenever somebody asks: sites have many. */
export function copyEntries(menu: HandMenu, path: SitePath, site: WholeSite): readonly CopyEntry[] {
  const page = site.pages.get(path)!;
  return flatEntries(menu.entries).map(({ entry, parent }) => {
    const end = entry.href === null ? null : endOfLink(entry.href, page, site);
    const target = end === null ? null : targetKey(end, entry.href!, path);
    return { entry, parent, key: keyOf(entry, target !== null), end, target };
  });
}

/** What only opens may be called as the first page in it: it is another entry. */
function keyOf({ label, entries }: HandEntry, leads: boolean): string {
  const key = entryKey(label);
  const isOver = !leads && flatEntries(entries).some(({ entry }) => entryKey(entry.label) === key);
  return isOver ? `${key}\nover` : key;
}
