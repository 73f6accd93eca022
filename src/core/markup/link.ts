import { writtenAddress } from '../address/href.ts';
import type { Mark } from '../menu/marks.ts';
import type { ResolvedEntry } from '../menu/types.ts';
import { escapeMarkup } from '../text/references.ts';
import {
  depthAttribute,
  entryAttribute,
  firstPanelAttribute,
  highlightClass,
  labelAttribute,
  panelAttribute,
  parts,
  pictureClass,
} from './names.ts';
import type { Marks, Standpoint } from './standpoint.ts';
import type { Words } from './words.ts';

/** It leads somewhere, with nothing below it. */
export function isPlainLink({ leadsTo }: ResolvedEntry): boolean {
  return leadsTo.kind !== 'none' && leadsTo.kind !== 'insert';
}

export function startOf(entry: ResolvedEntry, mark: Mark | undefined, item: string): string {
  const classes = [
    parts.entry,
    ...(mark === 'within' ? [parts.within] : []),
    ...highlightClasses(entry),
    ...(entry.apart ? [parts.apart] : []),
    ...(entry.picture ? [parts.pictured] : []),
    ...(entry.outsideMark ? [parts.outside] : []),
    ...(entry.leadsTo.kind === 'insert' ? [parts.insert] : []),
  ];
  return `<li class="${classes.join(' ')}"${item}>`;
}

/** A trail shows copies of entries: the mark is that of the same place. */
export function keyOf(entry: ResolvedEntry, marks: Marks): ResolvedEntry {
  if (marks.has(entry)) return entry;
  for (const one of marks.keys()) if (one.hook === entry.hook && one.leadsTo === entry.leadsTo) return one;
  return entry;
}

/** A language that the page itself is in: the one of a set that holds, beside the entry of the page. */
export function isOwnLanguage({ leadsTo }: ResolvedEntry, from: Standpoint): boolean {
  return leadsTo.kind === 'language' && leadsTo.counterparts[from.page] === from.page;
}

export function currentAttribute({ leadsTo }: ResolvedEntry, mark: Mark | undefined): string {
  if (mark !== 'current') return '';
  return ` aria-current="${leadsTo.kind === 'language' ? 'true' : 'page'}"`;
}

/** Where the panel is in this very page, its link says so. */
export function panelOf({ leadsTo }: ResolvedEntry, { page }: Standpoint): string {
  if (leadsTo.kind !== 'section' || leadsTo.panel === undefined || leadsTo.path !== page) return '';
  const { group, isFirst } = leadsTo.panel;
  return ` ${panelAttribute}="${group}"${isFirst ? ` ${firstPanelAttribute}=""` : ''}`;
}

export function highlightClasses({ highlight }: ResolvedEntry): string[] {
  if (highlight === null) return [];
  return [parts.highlight, ...(typeof highlight === 'string' ? [highlightClass(highlight)] : [])];
}

export function linkAttributes({ newWindow, save, lang, hreflang }: ResolvedEntry): string {
  const own = lang === null ? '' : ` lang="${escapeMarkup(lang)}"`;
  const there = hreflang === null ? '' : ` hreflang="${escapeMarkup(hreflang)}"`;
  return `${own}${there}${newWindow ? ' target="_blank" rel="noopener"' : ''}${save ? ' download' : ''}`;
}

/** What is told behind a label. */
export function notesOf({ newWindow, details }: ResolvedEntry, words: Words): string {
  const file = details === null ? '' : ` <span class="${parts.note}">(${escapeMarkup(details)})</span>`;
  return newWindow
    ? `${file}<span class="${parts.unseen}"> (${escapeMarkup(words['new-window'])})</span>`
    : file;
}

export function hasCurrent(entry: ResolvedEntry, marks: Marks): boolean {
  return entry.entries.some(one => marks.has(one) || hasCurrent(one, marks));
}

/**
 * The label of an entry with the picture that stands for it. Where the style sheet shows neither the one nor the other
 * the words are seen; the picture says them too where it has not come.
 */
export function withPicture({ picture, label }: ResolvedEntry, shown: string, from: Standpoint): string {
  if (picture === null) return shown;
  const { file, dense, width, height, language } = picture;
  const to = (path: string): string => escapeMarkup(writtenAddress(from.folder, path, from.links));
  const set = dense === null ? '' : ` srcset="${to(file)} 1x, ${to(dense)} 2x"`;
  return `<img class="${pictureClass(language)}" src="${to(file)}"${set} width="${width}" height="${height}" alt="${escapeMarkup(label)}" hidden><span class="${parts.words}">${shown}</span>`;
}

type Same = { item: string; label: string; about: string };
const known = new WeakMap<ResolvedEntry, Map<boolean, Same>>();

/** What of an entry is the same on every page, made once. @param reserves labels keep room for a bolder state */
export function sameEverywhere(entry: ResolvedEntry, reserves: boolean): Same {
  const before = known.get(entry) ?? new Map<boolean, Same>();
  known.set(entry, before);
  const kept = before.get(reserves);
  if (kept) return kept;
  const label = escapeMarkup(entry.label);
  const about =
    entry.about === null ? '' : ` <span class="${parts.about}">${escapeMarkup(entry.about)}</span>`;
  const made = {
    item: ` ${entryAttribute}="${entry.hook}" ${depthAttribute}="${entry.depth}"`,
    label: withIcon(
      entry,
      reserves ? `<span class="${parts.label}" ${labelAttribute}="${label}">${label}</span>` : label,
    ),
    about,
  };
  before.set(reserves, made);
  return made;
}

/** The drawing stands before or behind the label, or alone; then the label is there for who does not see it. */
function withIcon({ icon }: ResolvedEntry, label: string): string {
  if (icon === null || icon.show === 'label') return label;
  if (icon.show === 'icon') return `${icon.markup}<span class="${parts.unseen}">${label}</span>`;
  if (icon.at === 'start') return icon.markup + label;
  const classed = (name: string): string =>
    icon.markup.replace(`class="${parts.icon}"`, `class="${parts.icon} ${name}"`);
  return icon.at === 'above' ? classed(parts.iconAbove) + label : label + classed(parts.iconEnd);
}
