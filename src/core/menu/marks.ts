import { pathMatcher } from '../address/glob.ts';
import { type SitePath, folderOf, isIndex, isInside } from '../address/path.ts';
import type { ResolvedEntry, ResolvedMenu } from './types.ts';

export type Mark = 'current' | 'within';

/**
 * How the entries of a menu are marked on a page: `current` where one leads to this page, `within` for what lies
 * above it in the plan. On a page that no entry names, `within` for the deepest entry whose page is the index of a
 * folder above it, never the site's front page.
 */
export function marksOn(menu: ResolvedMenu, page: SitePath): ReadonlyMap<ResolvedEntry, Mark> {
  const marks = new Map<ResolvedEntry, Mark>();
  let deepest: Chain | null = null;
  for (const chain of chainsOf(menu)) {
    if (chain.page === page) markCurrent(chain, marks);
    else if (chain.coversPage?.(page) === true) markWithin(chain, marks);
    else if (
      marks.size === 0 &&
      chain.covers !== null &&
      isInside(page, chain.covers) &&
      chain.page !== menu.front
    ) {
      if (chain.covers.length > (deepest?.covers?.length ?? 0)) deepest = chain;
    }
  }
  if (marks.size === 0 && deepest) for (const entry of deepest.entries) marks.set(entry, 'within');
  return marks;
}

function markCurrent({ entries }: Chain, marks: Map<ResolvedEntry, Mark>): void {
  for (const above of entries.slice(0, -1)) if (!marks.has(above)) marks.set(above, 'within');
  marks.set(entries.at(-1)!, 'current');
}

/** Pages that the plan says an entry covers. */
function markWithin({ entries }: Chain, marks: Map<ResolvedEntry, Mark>): void {
  for (const one of entries) if (!marks.has(one)) marks.set(one, 'within');
}

/** An entry with what lies above it, outermost first. */
interface Chain {
  entries: readonly ResolvedEntry[];
  page: SitePath | null;
  /** The folder whose index the page is, or null. */
  covers: SitePath | null;
  /** By the plan's own patterns. */
  coversPage: ((page: SitePath) => boolean) | null;
}

const known = new WeakMap<ResolvedMenu, readonly Chain[]>();

/** The chains of a menu, made once. */
function chainsOf(menu: ResolvedMenu): readonly Chain[] {
  const chains = known.get(menu) ?? withSections(chainsBelow(menu.entries, []));
  known.set(menu, chains);
  return chains;
}

/** An entry that leads to a section, and is the only one of that page, stands for the page. */
function withSections(chains: readonly Chain[]): Chain[] {
  const counts = new Map<SitePath, number>();
  const pageOf = ({ entries }: Chain): SitePath | null => {
    const { leadsTo } = entries.at(-1)!;
    return leadsTo.kind === 'page' || leadsTo.kind === 'section' ? leadsTo.path : null;
  };
  for (const chain of chains) {
    const page = pageOf(chain);
    if (page !== null) counts.set(page, (counts.get(page) ?? 0) + 1);
  }
  return chains.map(chain => {
    const page = pageOf(chain);
    return page !== null && counts.get(page) === 1 ? { ...chain, page } : chain;
  });
}

function chainsBelow(entries: readonly ResolvedEntry[], above: readonly ResolvedEntry[]): Chain[] {
  return entries.flatMap(entry => {
    const chain = [...above, entry];
    const page = entry.leadsTo.kind === 'page' ? entry.leadsTo.path : null;
    const covers = entry.covers === null && page !== null && isIndex(page) ? folderOf(page) : null;
    const coversPage = entry.covers === null ? null : pathMatcher(entry.covers);
    return [{ entries: chain, page, covers, coversPage }, ...chainsBelow(entry.entries, chain)];
  });
}
