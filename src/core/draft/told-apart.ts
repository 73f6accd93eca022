import type { SitePath } from '../address/path.ts';
import { fileLabel } from '../menu/labels.ts';
import type { DraftEntry, DraftSite } from './types.ts';

/** A longer heading is no label. */
const longest = 40;

/** Pages with the same title are called by their headings, else by their files; the front page keeps its title. */
export function toldApart(entries: readonly DraftEntry[], site: DraftSite): DraftEntry[] {
  const all = flat(entries).filter(one => one.label === null && one.target?.key === 'page');
  const pages = new Map(all.map(one => [one, pathOf(one)]));
  const titleOf = (path: SitePath): string => site.pages.get(path)?.label?.toLowerCase() ?? '';
  const headingOf = (path: SitePath): string => site.pages.get(path)?.heading ?? '';
  const titles = counts([...pages.values()].map(titleOf));
  const headings = counts([...pages.values()].map(path => headingOf(path).toLowerCase()));
  const labelOf = (path: SitePath): string => {
    const heading = headingOf(path);
    const key = heading.toLowerCase();
    const isLabel = /\p{L}{2}/u.test(heading) && heading.length <= longest;
    const isOwn = isLabel && headings.get(key) === 1 && !titles.has(key);
    return isOwn ? heading : fileLabel(path);
  };
  const named = (one: DraftEntry): DraftEntry => {
    const path = pages.get(one);
    const isOneOfMany = path !== undefined && path !== site.front && titles.get(titleOf(path))! > 1;
    return { ...one, label: isOneOfMany ? labelOf(path) : one.label, entries: one.entries.map(named) };
  };
  return entries.map(named);
}

const pathOf = ({ target }: DraftEntry): SitePath => String(target!.value) as SitePath;

const flat = (entries: readonly DraftEntry[]): DraftEntry[] =>
  entries.flatMap(one => [one, ...flat(one.entries)]);

function counts(words: readonly string[]): Map<string, number> {
  const found = new Map<string, number>();
  for (const one of words) found.set(one, (found.get(one) ?? 0) + 1);
  return found;
}
