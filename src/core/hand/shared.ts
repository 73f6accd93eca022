import type { SitePath } from '../address/path.ts';
import type { WholeSite } from '../site/whole.ts';
import { mostFrequent } from '../text/frequent.ts';
import { type CopyEntry, copyEntries } from './copy-entries.ts';
import type { HandMenu } from './types.ts';

/** An entry as most copies of a menu have it. */
export interface SiteEntry {
  label: string;
  /** That, as it is compared. */
  key: string;
  /** Where it leads: a path of the site with a section perhaps, or an address elsewhere; null for what only opens. */
  target: string | null;
  /** On how many copies it is. */
  count: number;
  /** It is no link on any of them. */
  isWords: boolean;
  parent: SiteEntry | null;
  entries: SiteEntry[];
  /** What sets it apart on most copies, whatever the page. */
  marks: readonly string[];
}

/** Which entry of most copies each entry of one copy stands for: by label and target, else by label, else by target. */
export function matched(copy: readonly CopyEntry[], shared: readonly SiteEntry[]): Map<CopyEntry, SiteEntry> {
  const found = new Map<CopyEntry, SiteEntry>();
  const open = new Set(shared);
  const keys: ((key: string, target: string | null) => string | null)[] = [
    (key, target) => (target === null ? key : `${key}\n${target}`),
    key => key || null,
    (_, target) => target,
  ];
  for (const compared of keys) {
    const waiting = new Map<string, SiteEntry[]>();
    for (const entry of open) {
      const key = compared(entry.key, entry.target);
      const alike = key === null ? undefined : waiting.get(key);
      if (alike) alike.push(entry);
      else if (key !== null) waiting.set(key, [entry]);
    }
    for (const one of waiting.size > 0 ? copy : []) {
      const key = found.has(one) ? null : compared(one.key, one.target);
      const entry = key === null ? undefined : waiting.get(key)?.shift();
      if (!entry) continue;
      found.set(one, entry);
      open.delete(entry);
    }
  }
  return found;
}

/** What the copies of a menu have in common. */
export interface Shared {
  /** What most copies hold, as a tree in their usual order. */
  entries: SiteEntry[];
  /** Labels, as keys, that lead elsewhere from each page by design, as those of the next page do; each with its targets. */
  turning: ReadonlyMap<string, readonly string[]>;
  /** Pages have entries of their own in it by design. */
  hasOwn: boolean;
}

/** The entries of the copies of a menu, but for those that lead elsewhere from each page. */
export function sharedOf(copies: ReadonlyMap<SitePath, HandMenu>, site: WholeSite): Shared {
  const all = [...copies].map(([path, menu]) => copyEntries(menu, path, site));
  const turning = turningLabels(all);
  const read = all.map(copy => withoutTurning(copy, turning));
  const usual = usualEntries(read, 0.5);
  const hasOwn = haveOwn(read, usual);
  // What most pages hold among much of their own, is no part of the menu: nearly all must.
  return { entries: shaped(read, hasOwn ? usualEntries(read, 0.9) : usual), turning, hasOwn };
}

export function withoutTurning(copy: readonly CopyEntry[], turning: Shared['turning']): readonly CopyEntry[] {
  return turning.size === 0 ? copy : copy.filter(one => !turning.has(one.key));
}

/** On no two pages they lead to the same, or nearly so. */
function turningLabels(copies: readonly (readonly CopyEntry[])[]): Map<string, readonly string[]> {
  const labels = groups(copies, one => one.key || null);
  const found = new Map<string, readonly string[]>();
  for (const [key, { members }] of labels) {
    const counts = new Map<string, number>();
    const targets = members.flatMap(({ target }) => target ?? []);
    for (const target of targets) counts.set(target, (counts.get(target) ?? 0) + 1);
    if (counts.size >= 3 && Math.max(...counts.values()) * 2 < targets.length) found.set(key, targets);
  }
  return found;
}

/** Many copies hold something more, and not the same: no mistake is made so often. */
function haveOwn(copies: readonly (readonly CopyEntry[])[], usual: readonly SiteEntry[]): boolean {
  const keys = new Set<string>();
  let having = 0;
  for (const copy of copies) {
    const match = matched(copy, usual);
    const own = copy.filter(one => !match.has(one));
    for (const one of own) keys.add(`${one.key} ${one.target ?? ''}`);
    if (own.length > 0) having += 1;
  }
  return keys.size >= leastOwn && having * 3 >= copies.length;
}

const leastOwn = 4;

/** Entries as a tree in their usual order. */
function shaped(read: readonly (readonly CopyEntry[])[], entries: readonly SiteEntry[]): SiteEntry[] {
  const shape = usualShape(read, entries);
  const placed = new Set(shape.map(({ entry }) => entry));
  const rest = entries.filter(one => !placed.has(one));
  for (const { entry, parent } of shape) {
    entry.parent = parent;
    parent?.entries.push(entry);
  }
  markHighlights(read, entries);
  return [...shape.map(({ entry }) => entry), ...rest].filter(one => one.parent === null);
}

/** That of most copies which have all entries, else of the first that has the most. */
function usualShape(read: readonly (readonly CopyEntry[])[], entries: readonly SiteEntry[]): Shape {
  const keyOf = shapeKey(entries);
  const whole = new Map<string, { shape: Shape; count: number }>();
  let longest: Shape = [];
  for (const copy of read) {
    const shape = shapeOf(copy, entries);
    if (shape.length > longest.length) longest = shape;
    if (shape.length !== entries.length) continue;
    const key = keyOf(shape);
    const known = whole.get(key);
    if (known) known.count += 1;
    else whole.set(key, { shape, count: 1 });
  }
  let best: { shape: Shape; count: number } | null = null;
  for (const one of whole.values()) if (best === null || one.count > best.count) best = one;
  return best?.shape ?? longest;
}

/** All of a tree of entries, in order. */
export function flatShared(entries: readonly SiteEntry[]): SiteEntry[] {
  return entries.flatMap(one => [one, ...flatShared(one.entries)]);
}

/** @param share of the copies that hold more than this; half of them do where the first does */
function usualEntries(copies: readonly (readonly CopyEntry[])[], share: number): SiteEntry[] {
  const labels = groups(copies, one => one.key || null);
  const isUsual = (group: Group): boolean =>
    group.copies > share * copies.length || (group.copies === share * copies.length && group.isInFirst);
  const found: SiteEntry[] = [];
  const add = (group: Group): void => {
    const target = mostFrequent(group.members.flatMap(one => one.target ?? []));
    const label = mostFrequent(group.members.map(one => one.entry.label).filter(Boolean)) ?? '';
    const isWords = group.members.every(one => one.entry.href === null);
    const key = mostFrequent(group.members.map(one => one.key)) ?? '';
    found.push({
      label,
      key,
      target,
      count: group.copies,
      isWords,
      parent: null,
      entries: [],
      marks: [],
    });
  };
  for (const group of labels.values()) if (isUsual(group)) add(group);
  const targets = new Set(found.map(one => one.target));
  for (const [target, group] of groups(copies, one => one.target))
    if (isUsual(group) && !targets.has(target)) add(group);
  return found;
}

interface Group {
  /** How many copies have it, the number of the last, and whether the first has. */
  copies: number;
  last: number;
  isInFirst: boolean;
  members: CopyEntry[];
}

function groups(
  copies: readonly (readonly CopyEntry[])[],
  keyOf: (one: CopyEntry) => string | null,
): Map<string, Group> {
  const found = new Map<string, Group>();
  copies.forEach((copy, at) => {
    for (const one of copy) {
      const key = keyOf(one);
      if (key === null) continue;
      const group = found.get(key);
      if (!group) found.set(key, { copies: 1, last: at, isInFirst: at === 0, members: [one] });
      else {
        if (group.last !== at) group.copies += 1;
        group.last = at;
        group.members.push(one);
      }
    }
  });
  return found;
}

type Shape = { entry: SiteEntry; parent: SiteEntry | null }[];

/** The shared entries of one copy in their order there, each with what it lies below. */
function shapeOf(copy: readonly CopyEntry[], entries: readonly SiteEntry[]): Shape {
  const match = matched(copy, entries);
  const byEntry = new Map([...match].map(([one, shared]) => [one.entry, shared]));
  return copy.flatMap(one => {
    const entry = match.get(one);
    if (!entry) return [];
    return [{ entry, parent: (one.parent && byEntry.get(one.parent)) ?? null }];
  });
}

function shapeKey(entries: readonly SiteEntry[]): (shape: Shape) => string {
  const at = new Map(entries.map((one, index) => [one, index]));
  return shape =>
    shape.map(({ entry, parent }) => `${at.get(entry)!}<${parent ? at.get(parent)! : '-'}`).join(' ');
}

/** What sets an entry apart wherever it stands, and no other one. */
function markHighlights(copies: readonly (readonly CopyEntry[])[], entries: readonly SiteEntry[]): void {
  const owners = new Map<string, Map<SiteEntry, number>>();
  for (const copy of copies)
    for (const [one, entry] of matched(copy, entries))
      for (const mark of new Set(one.entry.marks)) {
        const owner = owners.get(mark) ?? new Map<SiteEntry, number>();
        owner.set(entry, (owner.get(entry) ?? 0) + 1);
        owners.set(mark, owner);
      }
  for (const [mark, owner] of owners) {
    const [only] = [...owner];
    if (owner.size === 1 && only && only[1] * 2 > copies.length) only[0].marks = [...only[0].marks, mark];
  }
}
