import type { SitePath } from '../address/path.ts';
import { copyEntries } from '../hand/copy-entries.ts';
import { type SiteEntry, flatShared, matched, withoutTurning } from '../hand/shared.ts';
import type { SiteMenu } from '../hand/site-menus.ts';
import type { HandEntry } from '../hand/types.ts';
import type { WholeSite } from '../site/whole.ts';

/** More below one entry are no submenu that people would want on every page. */
const most = 24;

/**
 * A menu whose copies unfold the part that a page lies in, as a whole: what stands below an entry on the pages of that
 * part alone stands there on all. The menu itself where its copies do no such thing.
 */
export function unfolded(menu: SiteMenu, site: WholeSite): SiteMenu {
  const copied = new Map<SiteEntry, SiteEntry>();
  const entries = menu.entries.map(one => copyOf(one, null, copied));
  const shared = flatShared(menu.entries);
  const branches = new Map<SiteEntry, Branch>();
  for (const [path, hand] of menu.copies) {
    const own = withoutTurning(copyEntries(hand, path, site), menu.turning);
    const match = matched(own, shared);
    const known = new Map<HandEntry, { entry: SiteEntry; branch: Branch | null }>();
    for (const one of own) {
      const usual = match.get(one);
      const above = one.parent && known.get(one.parent);
      if (usual) known.set(one.entry, { entry: copied.get(usual)!, branch: null });
      else if (above && one.target !== null && site.pages.has(one.target as SitePath)) {
        const branch = above.branch ?? branchOf(branches, above.entry);
        known.set(one.entry, { entry: branch.add(above.entry, one, path), branch });
      }
    }
  }
  const kept = [...branches.values()].filter(one => one.isOfPart());
  for (const one of kept) one.put();
  return kept.length === 0 ? menu : { ...menu, entries, hasOwn: menu.hasOwn && hasMore(menu, entries, site) };
}

function copyOf(entry: SiteEntry, parent: SiteEntry | null, copied: Map<SiteEntry, SiteEntry>): SiteEntry {
  const copy: SiteEntry = { ...entry, parent, entries: [] };
  copied.set(entry, copy);
  copy.entries = entry.entries.map(one => copyOf(one, copy, copied));
  return copy;
}

function branchOf(branches: Map<SiteEntry, Branch>, entry: SiteEntry): Branch {
  const branch = branches.get(entry) ?? new Branch(entry);
  branches.set(entry, branch);
  return branch;
}

/** What copies show below one entry, each of them perhaps only a part of it. */
class Branch {
  readonly #root: SiteEntry;
  readonly #added = new Map<string, SiteEntry>();
  readonly #carriers = new Set<SitePath>();

  constructor(root: SiteEntry) {
    this.#root = root;
  }

  add(
    parent: SiteEntry,
    { key, target, entry: { label } }: { key: string; target: string | null; entry: HandEntry },
    path: SitePath,
  ): SiteEntry {
    this.#carriers.add(path);
    const name = `${key}\n${target}`;
    const known = this.#added.get(name);
    if (known) known.count += 1;
    const made = known ?? { label, key, target, count: 1, isWords: false, parent, entries: [], marks: [] };
    this.#added.set(name, made);
    return made;
  }

  /** It stands on the pages that it leads to, and on that of the entry above, but for a few. */
  isOfPart(): boolean {
    const own = new Set([this.#root.target, ...[...this.#added.values()].map(one => one.target)]);
    const within = [...this.#carriers].filter(one => own.has(one)).length;
    return this.#added.size > 1 && this.#added.size <= most && within * 5 >= this.#carriers.size * 4;
  }

  put(): void {
    for (const one of this.#added.values()) one.parent!.entries.push(one);
  }
}

/** Copies hold links that the whole menu has not. */
function hasMore({ copies, turning }: SiteMenu, entries: readonly SiteEntry[], site: WholeSite): boolean {
  const shared = flatShared(entries);
  const targets = new Set(shared.map(one => one.target));
  return [...copies].some(([path, hand]) => {
    const own = withoutTurning(copyEntries(hand, path, site), turning);
    const match = matched(own, shared);
    return own.some(one => !match.has(one) && one.target !== null && !targets.has(one.target));
  });
}
