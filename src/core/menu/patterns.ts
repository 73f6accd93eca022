import { pathMatcher } from '../address/glob.ts';
import { type SitePath, folderOf, isIndex, isInside, nameOf } from '../address/path.ts';
import type { Entry, Plan, Target } from '../plan/types.ts';
import type { PageOrder, PagePattern } from '../target/kinds/pages.ts';
import { compare } from '../text/finding.ts';
import type { SectionHeading, SiteFacts } from '../target/facts.ts';

/** Words of a page by which it is sorted. */
export type TitleOf = (page: SitePath) => string;

/** What a pattern is followed in. */
export interface PatternContext {
  /** The page of the entry above. */
  parent: SitePath | null;
  site: SiteFacts;
  titleOf: TitleOf;
  /** The page that stands for a page in the language of the menu; null where there is none. */
  inLanguage: (page: SitePath) => SitePath | null;
}

/** The pages that a pattern stands for, in order, without the parent's own. */
export function pagesOf(
  { globs, order, first, except, most }: PagePattern,
  { parent, site, titleOf, inLanguage }: PatternContext,
): SitePath[] {
  const [matches, isOut] = [pathMatcher(globs), pathMatcher(except)];
  const matched = (isWanted: (path: SitePath) => boolean): SitePath[] => [
    ...new Set([...site.pages].filter(isWanted).flatMap(path => inLanguage(path) ?? [])),
  ];
  const out = new Set(except.length > 0 ? matched(isOut) : []);
  const found = matched(matches).filter(path => !out.has(path) && path !== parent);
  const ahead = first.flatMap(one => {
    const isFirst = new Set(matched(pathMatcher([one])));
    return sorted(
      found.filter(path => isFirst.has(path)),
      order,
      site,
      titleOf,
    );
  });
  const behind = found.filter(path => !ahead.includes(path));
  const byPattern = (): SitePath[] =>
    globs.flatMap(one => {
      const isOne = new Set(matched(pathMatcher([one])));
      return sorted(
        behind.filter(path => isOne.has(path)),
        'file',
        site,
        titleOf,
      );
    });
  const rest = order === 'listed' ? byPattern() : sorted(behind, order, site, titleOf);
  const all = [...new Set([...ahead, ...rest])];
  return most === null ? all : all.slice(0, most);
}

/** By title, by date with the latest first, or by file; the index page of a folder comes before its other pages. */
export function sorted(
  pages: readonly SitePath[],
  order: PageOrder,
  site: SiteFacts,
  titleOf: TitleOf,
): SitePath[] {
  const byFile = (one: SitePath, other: SitePath): number =>
    compare(folderOf(one), folderOf(other)) ||
    Number(isIndex(other)) - Number(isIndex(one)) ||
    compare(one, other);
  const collator = new Intl.Collator('en', { sensitivity: 'base', numeric: true });
  const dateOf = (path: SitePath): string => site.date(path) ?? nameOf(path);
  const byLatest = (one: SitePath, other: SitePath): number =>
    compare(dateOf(other), dateOf(one)) || byFile(one, other);
  const compares: Record<PageOrder, (one: SitePath, other: SitePath) => number> = {
    file: byFile,
    // Patterns are gone through one by one.
    listed: byFile,
    title: (one, other) => collator.compare(titleOf(one), titleOf(other)) || byFile(one, other),
    date: byLatest,
    latest: byLatest,
    oldest: (one, other) => compare(dateOf(one), dateOf(other)) || byFile(one, other),
  };
  return [...pages].sort(compares[order]);
}

/** The entries of a pattern: a plain list, or an index page with the other pages of its folder below it. */
export function entriesFromPages(pages: readonly SitePath[], depth: number, template: Entry): Entry[] {
  const entry = (path: SitePath, entries: Entry[] = []): Entry => ({
    ...template,
    label: null,
    target: { kind: 'page', written: path, mark: template.mark },
    entries,
  });
  if (depth <= 1) return pages.map(path => entry(path));
  const holders = pages.filter(isIndex).sort((one, other) => folderOf(other).length - folderOf(one).length);
  const holderOf = (path: SitePath): SitePath | undefined =>
    holders.find(one => one !== path && isInside(path, folderOf(one)) && folderOf(one) !== '');
  const below = (parent: SitePath | undefined, level: number): Entry[] =>
    pages
      .filter(path => holderOf(path) === parent)
      .map(path => entry(path, level < depth && isIndex(path) ? below(path, level + 1) : []));
  return below(undefined, 1);
}

/** The entries of a page's headings; deeper levels lie below shallower ones. */
export function entriesFromHeadings(
  headings: readonly SectionHeading[],
  page: SitePath | null,
  { levels, except }: Extract<Target, { kind: 'sections' }>,
  template: Entry,
): Entry[] {
  const isOut = (one: SectionHeading): boolean =>
    except.some(name => name.replace(/^#/, '') === one.id || name.toLowerCase() === one.text.toLowerCase());
  const picked = headings.filter(
    one => one.isContent && levels.includes(one.level) && one.text !== '' && !isOut(one),
  );
  const entry = ({ heading: { text, insert }, below }: NestedHeading): Entry => {
    const target: Target = { kind: 'heading', page, heading: text, insert, mark: template.mark };
    return { ...template, label: text, target, entries: below.map(entry) };
  };
  return nested(picked).map(entry);
}

/** A heading, and those of deeper levels up to the next of its own. */
export interface NestedHeading {
  heading: SectionHeading;
  below: NestedHeading[];
}

/** A submenu lies no deeper: what would, lies beside. */
const deepest = 3;

export function nested(headings: readonly SectionHeading[]): NestedHeading[] {
  const top: NestedHeading[] = [];
  const open: NestedHeading[] = [];
  for (const heading of headings) {
    while (open.length > 0 && open.at(-1)!.heading.level >= heading.level) open.pop();
    const one: NestedHeading = { heading, below: [] };
    (open.at(-1)?.below ?? top).push(one);
    if (open.length < deepest - 1) open.push(one);
  }
  return top;
}

/** The pages of each pattern of a plan, by where it stands in the plan's text. */
export function pagesOfPatterns(plan: Plan, site: SiteFacts, titleOf: TitleOf): Map<number, SitePath[]> {
  const found = new Map<number, SitePath[]>();
  const visit = (entries: readonly Entry[], parent: SitePath | null): void => {
    for (const { target, mark, entries: below } of entries) {
      if (target.kind === 'pages')
        found.set(mark.start, pagesOf(target.pages, { parent, site, titleOf, inLanguage: path => path }));
      visit(below, target.kind === 'page' || target.kind === 'address' ? target.written : parent);
    }
  };
  for (const menu of plan.menus) visit(menu.entries, null);
  return found;
}
