import { patternsOf } from '../address/patterns.ts';
import type { SitePath } from '../address/path.ts';
import { flatShared } from '../hand/shared.ts';
import type { SiteMenu } from '../hand/site-menus.ts';
import type { HandSite } from '../hand/types.ts';
import type { DraftEntry, DraftLanguage, DraftSaid } from './types.ts';

/** A menu with those of other languages that are its counterparts, by the tags of their languages. */
export type ByTag = ReadonlyMap<string, SiteMenu>;

/** The menus as those of one menu in several languages; null where they are not. */
export function inLanguages(menus: readonly SiteMenu[], site: HandSite): ByTag | null {
  if (menus.length < 2) return null;
  const tagged = menus.map(menu => [tagOf([...menu.copies.keys()], site), menu] as const);
  const [[, first]] = tagged as [readonly [string | null, SiteMenu]];
  const found = new Map<string, SiteMenu>();
  for (const [tag, menu] of tagged) {
    if (tag === null || found.has(tag) || !isCounterpart(menu, first)) return null;
    found.set(tag, menu);
  }
  return found;
}

/** The language that these pages are in: as they say themselves, else by the name of their folder; null where they differ. */
function tagOf(paths: readonly SitePath[], site: HandSite): string | null {
  const tags = new Set(paths.map(path => saidBy(path, site) ?? folderTag(path)));
  const [tag] = tags;
  return tags.size === 1 && tag ? tag : null;
}

function saidBy(path: SitePath, site: HandSite): string | null {
  const language = site.pages.get(path)!.frame.language;
  return language && /^[a-z]{2,3}(?:-[a-z\d]+)*$/i.test(language) ? language : null;
}

function folderTag(path: SitePath): string | null {
  return /^([a-z]{2})\//.exec(path)?.[1] ?? null;
}

/** As many entries in the same order, each to something of the same kind. */
function isCounterpart(one: SiteMenu, other: SiteMenu): boolean {
  const shape = (menu: SiteMenu): string =>
    flatShared(menu.entries)
      .map(
        ({ target, parent }) =>
          `${kindOf(target)} ${parent ? flatShared(menu.entries).indexOf(parent) : '-'}`,
      )
      .join('\n');
  return shape(one) === shape(other);
}

function kindOf(target: string | null): string {
  if (target === null) return 'none';
  if (/^[a-z][a-z0-9+.-]*:|^\/\//i.test(target)) return 'away';
  return target.includes('#') ? 'section' : 'page';
}

/** Entries of one menu in each of its languages as entries with several languages. */
export function mergedEntries(byTag: ReadonlyMap<string, readonly DraftEntry[]>): DraftEntry[] {
  const [first] = byTag.values();
  return first!.map((entry, at) => {
    const versions = new Map([...byTag].map(([tag, entries]) => [tag, entries[at]!]));
    const all = [...versions.values()];
    const label = all.every(one => one.label === null) ? null : said(versions, one => one.label ?? '');
    const target = entry.target && {
      key: entry.target.key,
      value: said(versions, one => one.target?.value ?? ''),
    };
    return {
      ...entry,
      label,
      target,
      mayBeMissing: all.some(one => one.mayBeMissing),
      entries: mergedEntries(new Map([...versions].map(([tag, one]) => [tag, one.entries]))),
    };
  });
}

function said(versions: ReadonlyMap<string, DraftEntry>, of: (one: DraftEntry) => DraftSaid): DraftSaid {
  const values = [...versions].map(([tag, one]) => [tag, String(of(one))] as const);
  return values.every(([, value]) => value === values[0]![1])
    ? values[0]![1]
    : Object.fromEntries(values.filter(([, value]) => value !== ''));
}

/** Links from each page to its counterpart, as people write them by hand. */
export function switchesLanguage(byTag: ByTag, site: HandSite): boolean {
  return [...byTag].every(([tag, menu]) =>
    [...menu.turning].some(([, targets]) => {
      const others = targets.filter(path => site.pages.has(path) && tagOf([path], site) !== tag);
      return others.length * 5 >= targets.length * 4;
    }),
  );
}

/** How the plan names these languages. */
export function draftLanguages(byTag: ByTag, site: HandSite): DraftLanguage[] {
  const isSaid = [...site.pages.keys()].every(path => saidBy(path, site) !== null);
  return [...byTag.keys()].map(tag => ({
    tag,
    name: languageName(tag),
    pages: isSaid ? null : pagesOf(tag, site),
  }));
}

function pagesOf(tag: string, site: HandSite): string[] {
  const own = [...site.pages.keys()].filter(path => tagOf([path], site) === tag);
  return patternsOf(new Set(own), site.pages.keys());
}

/** The name of a language in itself. */
export function languageName(tag: string): string {
  const name = new Intl.DisplayNames([tag], { type: 'language', fallback: 'none' }).of(tag) ?? tag;
  return name.charAt(0).toUpperCase() + name.slice(1);
}
