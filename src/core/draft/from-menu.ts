import { folderOf } from '../address/path.ts';
import { copyEntries, entryKey, flatShared, matched, type SiteEntry } from '../hand/shared.ts';
import type { SiteMenu } from '../hand/site-menus.ts';
import type { WholeSite } from '../site/whole.ts';
import { counted } from '../text/nearest.ts';
import { draftEntry, threeLevels } from './targets.ts';
import type { DraftEntry, DraftMenu, DraftSite } from './types.ts';

/** Words by which people call an entry that is set apart. */
const apart = /button|btn|cta|call|highlight|special|apart|book|donat|ticket|join|accent|primary/i;

/** The shared version of a menu that was copied by hand, in place of its copies. */
export function menuFromHand(
  menu: SiteMenu,
  { name, selectors }: { name: string; selectors: readonly string[] },
  site: WholeSite,
  known: DraftSite,
): DraftMenu {
  const lost: string[] = [];
  const byName = targetsByName(menu, site, known);
  const named = flatShared(menu.entries).filter(one => one.target === null && byName.has(one));
  const dead = flatShared(menu.entries).filter(
    one => one.target === null && one.entries.length === 0 && !byName.has(one),
  );
  const entries = threeLevels(entriesFrom(menu.entries, known, byName), lost);
  const [first] = menu.copies.values();
  const form = first!.region === 'aside' ? 'column' : first!.region === 'footer' ? 'plain' : 'bar';
  return {
    name,
    title: titleFor(name),
    form,
    comments: [
      `The shared version of ${counted(menu.copies.size, 'copy', 'copies')} on ${counted(site.pages.size, 'page')}.`,
    ],
    carriedBy: menu.isUsual ? null : patternsFor([...menu.copies.keys()]),
    place: selectors.length === 0 ? null : { side: 'instead-of', selectors },
    fold: form === 'bar' ? 'below 48em' : null,
    entries,
    notes: [
      ...rareEntries(menu, site),
      ...named.map(one => `\`${one.label}\` led nowhere; by its name it is ${byName.get(one)!}`),
      ...dead.map(one => `\`${one.label}\` led nowhere`),
      ...(lost.length > 0 ? [`Left out, more than three levels deep: ${lost.join(', ')}`] : []),
    ],
  };
}

const titles: Record<string, string> = { masthead: 'Main', foot: 'More', side: 'In this part' };

function titleFor(name: string): string {
  return titles[name] ?? name.charAt(0).toUpperCase() + name.slice(1).replace(/-/g, ' ');
}

function entriesFrom(
  entries: readonly SiteEntry[],
  known: DraftSite,
  byName: ReadonlyMap<SiteEntry, string>,
): DraftEntry[] {
  return entries.flatMap(one => {
    const below = entriesFrom(one.entries, known, byName);
    const target = one.target ?? byName.get(one) ?? null;
    if (target === null && below.length === 0) return [];
    const highlight = one.marks.some(mark => apart.test(mark));
    return [draftEntry(one.label || null, target, known, { highlight, entries: below })];
  });
}

/** For entries that lead nowhere: a section of the page with the only copy, or a page, of the same name. */
function targetsByName(menu: SiteMenu, site: WholeSite, known: DraftSite): Map<SiteEntry, string> {
  const found = new Map<SiteEntry, string>();
  const [path] = menu.copies.size === 1 ? [...menu.copies.keys()] : [];
  const headings = path === undefined ? [] : site.pages.get(path)!.headings;
  for (const one of flatShared(menu.entries)) {
    if (one.target !== null) continue;
    const key = entryKey(one.label);
    const heading = headings.find(({ text, id }) => id !== null && entryKey(text) === key);
    const [page] = [...known.pages].find(([, { label }]) => label !== null && entryKey(label) === key) ?? [];
    if (heading) found.set(one, `${path!}#${heading.id!}`);
    else if (page !== undefined) found.set(one, page);
  }
  return found;
}

/** What stands on a few copies only. */
function rareEntries(menu: SiteMenu, site: WholeSite): string[] {
  const shared = flatShared(menu.entries);
  const pages = new Map<string, string[]>();
  for (const [path, hand] of menu.copies) {
    const entries = copyEntries(hand, path, site);
    const match = matched(entries, shared);
    for (const one of entries) {
      if (match.has(one) || one.target === null) continue;
      const key = `${one.entry.label || '(no words)'} (${one.target})`;
      pages.set(key, [...(pages.get(key) ?? []), path]);
    }
  }
  return [...pages].map(
    ([key, paths]) =>
      `Only on ${paths.slice(0, 3).join(', ')}${paths.length > 3 ? ` and ${paths.length - 3} more` : ''}: ${key}`,
  );
}

/** Patterns for these pages: their folder where they share one. */
function patternsFor(paths: readonly string[]): string[] {
  const [first = ''] = paths;
  const folder = folderOf(first);
  return folder !== '' && paths.every(path => path.startsWith(`${folder}/`))
    ? [`${folder}/**`]
    : [...paths].sort();
}
