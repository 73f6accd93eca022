import { type SitePath, folderOf, isIndex, isInside } from '../address/path.ts';
import { type CopyEntry, copyEntries, entryKey } from './copy-entries.ts';
import { firstMoved } from './moved-entry.ts';
import { type SiteEntry, flatShared, matched, withoutTurning } from './shared.ts';
import { type SiteMenu, siteMenus } from './site-menus.ts';
import type { HandEntry, HandMenu, HandSite } from './types.ts';

/** Where a copy of a menu is not as most are. `start` and `end` are byte offsets in the page. */
export type Difference = { path: SitePath; start: number; end: number; menu: SiteMenu } & (
  | { kind: 'missing' | 'order'; shared: SiteEntry }
  | { kind: 'extra'; label: string }
  | { kind: 'label' | 'target'; entry: CopyEntry; shared: SiteEntry }
  /** The link leads nowhere from here, and would from another folder. */
  | { kind: 'folder'; entry: CopyEntry; shared: SiteEntry }
  /** The wrong entry is marked as the current one. */
  | { kind: 'current'; entry: CopyEntry; right: SiteEntry | null }
  | { kind: 'unclosed' }
  /** The page has no copy at all. */
  | { kind: 'lacking' }
);

/** Everything in which the copies of the site's menus differ. */
export function differences(site: HandSite): Difference[] {
  const kept = known.get(site);
  if (kept) return kept;
  const found = siteMenus(site).flatMap(menu => differencesOf(menu, site));
  known.set(site, found);
  return found;
}

const known = new WeakMap<HandSite, Difference[]>();

function differencesOf(menu: SiteMenu, site: HandSite): Difference[] {
  const shared = flatShared(menu.entries);
  const found: Difference[] = [];
  const copies: MarkedCopy[] = [];
  for (const [path, hand] of menu.copies) {
    const entries = withoutTurning(copyEntries(hand, path, site), menu.turning);
    const match = matched(entries, shared);
    for (const one of inCopy({ path, hand, entries, match }, menu, shared)) found.push(one);
    copies.push({
      path,
      hasOwn: [...match.values()].some(one => one.target === path),
      marked: entries.flatMap(one => (one.entry.marks.length > 0 ? [{ one, usual: match.get(one) }] : [])),
    });
  }
  const marks = currentMarks(copies);
  return [
    ...found,
    ...copies.flatMap(copy => wrongMarks(copy, menu, shared, marks)),
    ...(menu.isUsual
      ? menu.lacking.map(path => ({ kind: 'lacking', path, menu, start: 0, end: 0 }) as const)
      : []),
  ];
}

interface Copy {
  path: SitePath;
  hand: HandMenu;
  entries: readonly CopyEntry[];
  match: ReadonlyMap<CopyEntry, SiteEntry>;
}

/** What is kept of a copy while all are gone through. */
interface MarkedCopy {
  path: SitePath;
  /** Some entry leads to the page itself. */
  hasOwn: boolean;
  /** The entries that are marked, each with the one of most copies that it stands for. */
  marked: readonly { one: CopyEntry; usual: SiteEntry | undefined }[];
}

function inCopy(
  { path, hand, entries, match }: Copy,
  menu: SiteMenu,
  shared: readonly SiteEntry[],
): Difference[] {
  const at: Placer = ({ start, end }) => ({ path, start, end, menu });
  const found: Difference[] = hand.unclosed.map(extent => ({ kind: 'unclosed', ...at(extent) }));
  const present = new Set(match.values());
  for (const one of shared)
    if (!present.has(one))
      found.push({ kind: 'missing', shared: one, ...at({ start: hand.start, end: hand.open }) });
  for (const entry of entries) {
    const usual = match.get(entry);
    if (!usual && (menu.hasOwn || isRepeated(entry, shared))) continue;
    if (!usual)
      found.push({ kind: 'extra', label: entry.entry.label || entry.entry.href || '', ...at(entry.entry) });
    else found.push(...ofEntry(entry, usual).map(difference => ({ ...difference, ...at(entry.entry) })));
  }
  // Where a list is not closed, what follows lies in it.
  return hand.unclosed.length > 0 ? found : [...found, ...otherOrder(entries, match, { shared, at })];
}

type Placer = (extent: { start: number; end: number }) => Pick<Difference, 'path' | 'start' | 'end' | 'menu'>;

/** The first entry that stands elsewhere in this copy. */
function otherOrder(
  entries: readonly CopyEntry[],
  match: Copy['match'],
  { shared, at }: { shared: readonly SiteEntry[]; at: Placer },
): Difference[] {
  const moved = firstMoved(
    entries.flatMap(one => match.get(one) ?? []),
    shared,
  );
  const place = entries.find(one => match.get(one) === moved);
  if (moved && place) return [{ kind: 'order', shared: moved, ...at(place.entry) }];
  const sharedBy = new Map([...match].map(([{ entry }, one]) => [entry, one]));
  const under = entries.find(one => isElsewhere(one, match.get(one), sharedBy));
  return under ? [{ kind: 'order', shared: match.get(under)!, ...at(under.entry) }] : [];
}

/** It stands in the same copy twice, as the wide and the narrow form of one menu do. */
function isRepeated({ key, target }: CopyEntry, shared: readonly SiteEntry[]): boolean {
  return shared.some(one => one.target === target && entryKey(one.label) === key);
}

type OfEntry = { kind: 'label' | 'target' | 'folder'; entry: CopyEntry; shared: SiteEntry };

function ofEntry(entry: CopyEntry, shared: SiteEntry): OfEntry[] {
  const found: OfEntry[] = [];
  if (entry.entry.label !== '' && entry.entry.label !== shared.label)
    found.push({ kind: 'label', entry, shared });
  const isDead = entry.end?.kind === 'no-file' || entry.end?.kind === 'foreign';
  if (isDead && shared.target !== null && endsAlike(entry.entry.href!, shared.target))
    found.push({ kind: 'folder', entry, shared });
  const isTold = entry.end === null || !['page', 'file', 'away'].includes(entry.end.kind);
  if (!isTold && entry.target !== shared.target) found.push({ kind: 'target', entry, shared });
  return found;
}

/** The same file name: only the way to it differs. */
function endsAlike(href: string, target: string): boolean {
  const last = (path: string): string =>
    path
      .replace(/[?#].*$/, '')
      .split('/')
      .at(-1)!
      .toLowerCase();
  return last(href) === last(target) && !/^[a-z]:|^file:|^\//i.test(href);
}

/** Its parent is another one than on most copies. */
function isElsewhere(
  { parent }: CopyEntry,
  shared: SiteEntry | undefined,
  sharedBy: ReadonlyMap<HandEntry, SiteEntry>,
): boolean {
  if (!shared) return false;
  return (parent === null ? null : (sharedBy.get(parent) ?? null)) !== shared.parent;
}

/** What marks the current page: features that stand on one entry a copy, mostly on the one that leads to the page itself. */
function currentMarks(copies: readonly MarkedCopy[]): Set<string> {
  const counts = new Map<string, { once: number; own: number; many: number }>();
  for (const { path, hasOwn, marked } of copies) {
    // A page that has no entry of its own may mark what it lies below.
    if (!hasOwn) continue;
    const marks = new Set(marked.flatMap(({ one }) => one.entry.marks));
    for (const mark of marks) {
      const having = marked.filter(({ one }) => one.entry.marks.includes(mark));
      const count = counts.get(mark) ?? { once: 0, own: 0, many: 0 };
      if (having.length === 1) {
        count.once += 1;
        if (having[0]!.usual?.target === path) count.own += 1;
      } else count.many += 1;
      counts.set(mark, count);
    }
  }
  const found = [...counts].filter(
    ([, { once, own, many }]) => own >= 2 && own * 2 > once && many * 2 <= once,
  );
  return new Set(found.map(([mark]) => mark));
}

function wrongMarks(
  { path, marked }: MarkedCopy,
  menu: SiteMenu,
  shared: readonly SiteEntry[],
  marks: ReadonlySet<string>,
): Difference[] {
  const right = shared.find(one => one.target === path) ?? null;
  // The word for the page itself is right on no other entry, whatever the other copies do.
  const isMarked = ({ entry, target }: CopyEntry): boolean =>
    (entry.marks.includes('aria-current=page') && target !== null && target !== path) ||
    (right !== null && entry.marks.some(mark => marks.has(mark)));
  // What lies above the right one may be marked with it.
  const above = new Set<SiteEntry>();
  for (let one = right?.parent ?? null; one; one = one.parent) above.add(one);
  const wrong = marked.filter(
    ({ one, usual }) => isMarked(one) && (!usual || (usual !== right && !above.has(usual))),
  );
  if (wrong.length === 0 || wrong.length > 2) return [];
  const entry = wrong[0]!.one;
  const { start, end } = entry.entry;
  return [{ kind: 'current', path, menu, start, end, entry, right }];
}

/** The entry of a page in its own copy of a menu; null where there is none. */
function ownEntry(menu: SiteMenu, path: SitePath, site: HandSite): CopyEntry | null {
  const hand = menu.copies.get(path);
  if (!hand) return null;
  const match = matched(
    withoutTurning(copyEntries(hand, path, site), menu.turning),
    flatShared(menu.entries),
  );
  return [...match].find(([, shared]) => shared.target === path)?.[0] ?? null;
}

/** Where the entry of a page stands in its own copy of a menu; -1 where there is none. */
export function currentStart(menu: SiteMenu, path: SitePath, site: HandSite): number {
  return ownEntry(menu, path, site)?.entry.start ?? -1;
}

/**
 * A page whose entry lies below another one, or that has none and lies in a folder whose index page has one, and where
 * that stands in its copy; null where there is none.
 */
export function belowAnother(menu: SiteMenu, site: HandSite): { path: SitePath; above: number } | null {
  for (const path of menu.entries.some(one => one.entries.length > 0) ? menu.copies.keys() : []) {
    const above = ownEntry(menu, path, site)?.parent;
    if (above && above.href !== null) return { path, above: above.start };
  }
  const indexes = flatShared(menu.entries).flatMap(({ target }) =>
    target !== null && isIndex(target) && target.includes('/') ? target : [],
  );
  for (const path of indexes.length > 0 ? menu.copies.keys() : []) {
    const target = indexes.find(one => one !== path && isInside(path, folderOf(one)));
    if (target === undefined || ownEntry(menu, path, site)) continue;
    const above = copyEntries(menu.copies.get(path)!, path, site).find(one => one.target === target);
    if (above) return { path, above: above.entry.start };
  }
  return null;
}
