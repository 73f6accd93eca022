import { type SitePath, folderOf, isIndex, isInside } from '../address/path.ts';
import type { ResolvedEntry, ResolvedMenu, SiteFacts } from './types.ts';

export type Mark = 'current' | 'within';

/**
 * How the entries of a menu are marked on a page: `current` where one leads to this page, `within` for what lies
 * above it in the plan. On a page that no entry names, `within` for the deepest entry whose page is the index of a
 * folder above it, never the site's front page.
 */
export function marksOn(
  menu: ResolvedMenu,
  page: SitePath,
  front: SiteFacts['front'],
): ReadonlyMap<ResolvedEntry, Mark> {
  const marks = new Map<ResolvedEntry, Mark>();
  const chains = allChains(menu);
  const named = chains.filter(chain => pageOf(chain) === page);
  for (const chain of named) {
    for (const above of chain.slice(0, -1)) if (!marks.has(above)) marks.set(above, 'within');
    marks.set(chain.at(-1)!, 'current');
  }
  if (named.length > 0) return marks;
  let deepest: ResolvedEntry[] = [];
  for (const chain of chains) {
    const index = pageOf(chain);
    if (index === null || index === front || !isIndex(index) || !isInside(page, folderOf(index))) continue;
    if (folderOf(index).length > folderOf(pageOf(deepest) ?? '').length) deepest = chain;
  }
  for (const entry of deepest) marks.set(entry, 'within');
  return marks;
}

const known = new WeakMap<ResolvedMenu, readonly ResolvedEntry[][]>();

/** The chains of a menu, made once. */
function allChains(menu: ResolvedMenu): readonly ResolvedEntry[][] {
  const chains = known.get(menu) ?? chainsOf(menu.entries, []);
  known.set(menu, chains);
  return chains;
}

/** Every entry with what lies above it, outermost first. */
function chainsOf(entries: readonly ResolvedEntry[], above: readonly ResolvedEntry[]): ResolvedEntry[][] {
  return entries.flatMap(entry => [[...above, entry], ...chainsOf(entry.entries, [...above, entry])]);
}

function pageOf(chain: readonly ResolvedEntry[]): SitePath | null {
  const leadsTo = chain.at(-1)?.leadsTo;
  return leadsTo?.kind === 'page' ? leadsTo.path : null;
}
