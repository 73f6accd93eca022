import type { SitePath } from '../address/path.ts';
import type { SectionHeading } from '../target/facts.ts';
import type { Ground } from './ground.ts';
import { NumberedNames, hookOf } from './hooks.ts';
import { type NestedHeading, nested } from './patterns.ts';
import { plainEntry } from './resolve-entries.ts';
import type { ResolvedEntry } from './types.ts';

/** One heading is no contents. */
const least = 2;

/** The headings of these levels as entries, for each page that has enough of them; deeper ones lie below shallower ones. */
export function contentsOf(
  pages: readonly SitePath[],
  levels: readonly number[],
  ground: Ground,
): Map<SitePath, readonly ResolvedEntry[]> {
  const found = new Map<SitePath, readonly ResolvedEntry[]>();
  for (const page of pages) {
    const headings = ground.site
      .headings(page)
      .filter(one => one.isContent && levels.includes(one.level) && one.text.trim() !== '');
    if (headings.length >= least) found.set(page, entriesOf(page, headings, ground));
  }
  return found;
}

function entriesOf(page: SitePath, headings: readonly SectionHeading[], ground: Ground): ResolvedEntry[] {
  const names = new NumberedNames();
  const entry = ({ heading, below }: NestedHeading, depth: number): ResolvedEntry => {
    const leadsTo = { kind: 'section', path: page, id: heading.id ?? ground.giveId(page, heading) } as const;
    const hook = names.take(hookOf(leadsTo, heading.text));
    const entries = below.map(one => entry(one, depth + 1));
    return { ...plainEntry, label: heading.text, leadsTo, hook, depth, entries };
  };
  return nested(headings).map(one => entry(one, 1));
}

const countOf = (entries: readonly ResolvedEntry[]): number =>
  entries.reduce((sum, one) => sum + 1 + countOf(one.entries), 0);
const hasBelow = (entries: readonly ResolvedEntry[]): boolean => entries.some(one => one.entries.length > 0);

/** Those of the page that has most, and some below others where any page has. */
export function mostOf(contents: ReadonlyMap<SitePath, readonly ResolvedEntry[]>): readonly ResolvedEntry[] {
  let [most, weight]: [readonly ResolvedEntry[], number] = [[], -1];
  for (const entries of contents.values()) {
    const own = countOf(entries) + (hasBelow(entries) ? 1e6 : 0);
    if (own > weight) [most, weight] = [entries, own];
  }
  return most;
}
