import { carriersOf } from '../address/patterns.ts';
import type { SitePath } from '../address/path.ts';
import type { Navigation } from '../hand/navigation.ts';
import { copyEntries } from '../hand/copy-entries.ts';
import { mostFrequent } from '../text/frequent.ts';
import type { HandSite } from '../hand/types.ts';
import { besideLinks, wordsKey } from '../page/beside-links.ts';
import { sectionHeadings } from '../page/sections.ts';
import { hashOf } from '../site/targets.ts';
import { type Finding, finding } from '../text/finding.ts';
import { counted, shortened } from '../text/nearest.ts';
import type { Firsts } from './firsts.ts';
import type { DraftMenu } from './types.ts';

const mostNamed = 3;
const usualTitle = 'On this page';

/**
 * The headings of each page, in place of the list of them that was written by hand. A page whose list says something
 * else keeps it.
 */
export function menuFromContents(
  navigation: Navigation,
  name: string,
  { site, firsts }: { site: HandSite; firsts: Firsts },
): DraftMenu | Finding {
  const { selector } = navigation;
  const lists = listsOf(navigation, site);
  const levels = levelsOf(lists);
  const found = firsts.of(selector);
  const beside = new Map([...lists.keys()].map(path => [path, wordsBeside(path, site, found.get(path))]));
  const title = titleOf([...beside.values()]);
  const isSame = (path: SitePath): boolean => {
    const words = beside.get(path)!;
    const isTold = words?.every(one => wordsKey(one) === wordsKey(title ?? '')) ?? false;
    return isTold && saysTheSame(lists.get(path)!, levels);
  };
  const [same, other] = [new Set<SitePath>(), [] as SitePath[]];
  for (const path of lists.keys())
    if (isSame(path)) same.add(path);
    else other.push(path);
  if (same.size * 2 < lists.size) return otherPlaces(selector, other, lists.size);
  return {
    name,
    title: title ?? usualTitle,
    form: 'contents',
    levels,
    comments: commentsOf(same.size, other),
    ...carriersOf(same, new Set(site.pages.keys())),
    place: [{ side: 'instead-of', selectors: [selector], drop: false }],
    set: null,
    fold: null,
    entries: [],
    files: [],
    notes: [],
  };
}

function commentsOf(same: number, other: readonly SitePath[]): string[] {
  const first = `In place of lists by hand on ${counted(same, 'page')}.`;
  if (other.length === 0) return [first];
  const says = other.length === 1 ? 'says' : 'say';
  return [
    first,
    `${counted(other.length, 'page')} ${says} something else in it than their headings, and keep it: ${shortened(other, mostNamed)}`,
  ];
}

/** What the list of a page leads to, and the headings that it has. */
interface List {
  /** null where one of its links leads elsewhere. */
  ids: ReadonlySet<string> | null;
  headings: ReturnType<typeof sectionHeadings>;
}

function listsOf({ copies }: Navigation, site: HandSite): Map<SitePath, List> {
  return new Map(
    [...copies].map(([path, row]) => {
      const ids = new Set<string>();
      let isOwn = true;
      for (const { entry, end } of copyEntries(row, path, site)) {
        if (entry.href === null) continue;
        if (end?.kind === 'page' && end.path === path) ids.add(hashOf(entry.href));
        else isOwn = false;
      }
      return [path, { ids: isOwn ? ids : null, headings: sectionHeadings(site.pages.get(path)!) }];
    }),
  );
}

/** The levels of which at least half of the headings are in the lists. */
function levelsOf(lists: ReadonlyMap<SitePath, List>): number[] {
  const counts = new Map<number, { all: number; listed: number }>();
  for (const { ids, headings } of lists.values())
    for (const { level, id, isContent } of headings) {
      if (!isContent) continue;
      const count = counts.get(level) ?? { all: 0, listed: 0 };
      counts.set(level, count);
      count.all += 1;
      if (id !== null && ids?.has(id)) count.listed += 1;
    }
  const found = [...counts].filter(([, { all, listed }]) => listed > 0 && listed * 2 >= all);
  return found.map(([level]) => level).sort((one, other) => one - other);
}

function saysTheSame({ ids, headings }: List, levels: readonly number[]): boolean {
  const own = headings.filter(one => one.isContent && levels.includes(one.level) && one.text !== '');
  return (
    ids !== null && own.length === ids.size && own.length > 1 && own.every(({ id }) => ids.has(id ?? ''))
  );
}

/** The words in a list that are no link; null where it holds more than words. */
function wordsBeside(
  path: SitePath,
  site: HandSite,
  extent: { start: number; end: number } | undefined,
): string[] | null {
  if (!extent) return null;
  const { raw, charset } = site.pages.get(path)!.frame;
  const beside = besideLinks(raw.slice(extent.start, extent.end), charset);
  return beside.every(one => one.what === 'words') ? beside.map(one => one.text) : null;
}

/** The words above most lists, where these are the only ones. */
function titleOf(all: readonly (readonly string[] | null)[]): string | null {
  const single = all.flatMap(words => (words?.length === 1 ? words : []));
  const best = mostFrequent(single);
  return single.filter(one => one === best).length * 2 > all.length ? best : null;
}

function otherPlaces(selector: string, other: readonly SitePath[], all: number): Finding {
  return finding(
    'no-hand-menu',
    null,
    `\`${selector}\` says something else than the headings of its page on ${other.length} of ${counted(all, 'page')}: ${shortened(other, mostNamed)}`,
    'Leave it as it is; or write  form: contents  into the plan, with a place of its own.',
  );
}
