import { type TargetKey, keyOfScheme } from '../target/kinds/index.ts';
import type { DraftEntry, DraftSaid, DraftSite } from './types.ts';

/** An entry from a label and an address written as in an `href`, from the site's folder. */
export function draftEntry(
  label: string | null,
  address: string | null,
  site: DraftSite,
  { highlight = false, entries = [] as readonly DraftEntry[] } = {},
): DraftEntry {
  const target = address === null ? null : targetOf(address, site);
  const value = target?.value ?? '';
  const path = value.replace(/#.*$/, '');
  const isOwn = target !== null && ['page', 'section', 'file'].includes(target.key) && path !== '';
  const isThere = site.files.has(path) || site.files.has(value);
  // A label that Kamino takes from the page need not stand in the plan.
  const isGiven = target?.key === 'page' && site.pages.get(value)?.label === label;
  return { label: isGiven ? null : label, target, highlight, mayBeMissing: isOwn && !isThere, entries };
}

/** An address of another scheme than those that entries may have: of `ftp:`, say. */
export function isOtherScheme(address: string): boolean {
  return /^(?!https?:)[a-z][a-z0-9+.-]+:/i.test(address) && keyOfScheme(address) === null;
}

function targetOf(address: string, site: DraftSite): { key: TargetKey; value: string } | null {
  if (site.pages.has(address)) return { key: 'page', value: address };
  if (site.files.has(address)) return { key: 'file', value: address };
  const byScheme = keyOfScheme(address);
  if (byScheme) return byScheme;
  if (/^(?:https?:)?\/\//i.test(address))
    return { key: 'url', value: address.startsWith('//') ? `https:${address}` : address };
  if (address.includes('#')) return { key: 'section', value: address };
  const index = [`${address.replace(/\/$/, '')}/index.html`, `${address.replace(/\/$/, '')}/index.htm`];
  const found = index.find(one => site.pages.has(one));
  if (found !== undefined) return { key: 'page', value: found };
  return /\.html?$|\/$|^[^.]*$/i.test(address)
    ? { key: 'page', value: address }
    : { key: 'file', value: address };
}

/** Without what lies more than three levels deep: a menu has three at most. The labels of what is left out go to `lost`. */
export function threeLevels(entries: readonly DraftEntry[], lost: string[], level = 1): DraftEntry[] {
  return entries.map(one => {
    if (level < 3) return { ...one, entries: threeLevels(one.entries, lost, level + 1) };
    lost.push(...one.entries.map(below => saidText(below.label ?? below.target?.value ?? '')));
    return { ...one, entries: [] };
  });
}

/** What is said, in the first language of it. */
export function saidText(said: DraftSaid): string {
  return typeof said === 'string' ? said : (Object.values(said)[0] ?? '');
}

/** A bar of more than so many em fits no usual window: it goes into lines there, in place of being folded for everybody. */
const widest = 80;

/** When a drafted bar folds: where its room ends; one of very many words on phones and tablets alone. */
export function foldFor(entries: readonly DraftEntry[], { pages }: DraftSite): string {
  const labels = entries.map(({ label, target }) => {
    const value = saidText(target?.value ?? '');
    return saidText(label ?? pages.get(value)?.label ?? value);
  });
  return fitting(labels) < labels.length ? 'below 48em' : 'crowded';
}

/** So many of these labels a bar has room for, from the first on. */
export function fitting(labels: readonly string[], lines = 1): number {
  let width = 0;
  const end = labels.findIndex(label => (width += label.length / 2 + 2) > widest * lines);
  return end < 0 ? labels.length : end;
}

/** So many of what is left out are named in a plan. */
export const mostNamed = 8;
