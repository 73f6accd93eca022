import type { Mark } from '../menu/marks.ts';
import { isBefore } from '../menu/on-page.ts';
import type { ResolvedEntry, ResolvedMenu } from '../menu/types.ts';
import { forms } from '../plan/forms.ts';
import { addressOf } from '../target/destination.ts';
import { escapeMarkup } from '../text/references.ts';
import {
  currentAttribute,
  hasCurrent,
  isOwnLanguage,
  isPlainLink,
  keyOf,
  linkAttributes,
  notesOf,
  panelOf,
  sameEverywhere,
  startOf,
  withPicture,
} from './link.ts';
import { parts } from './names.ts';
import type { EntryContext, Marks, Standpoint } from './standpoint.ts';

/** The entries of a trail and of neighbours stand alone; in other menus with what lies below them. */
export function topLines(entry: ResolvedEntry, context: EntryContext): string[] {
  const { menu, from, words } = context;
  if (menu.shows === 'trail')
    return entryLines({ ...entry, icon: null, entries: [] }, { ...context, marks: trailMarks(entry, from) });
  if (menu.shows !== 'set') return entryLines(entry, context);
  const isPrevious = isBefore(menu, entry, from.page);
  const [part, rel, word] = isPrevious
    ? [parts.previous, 'prev', words.previous]
    : [parts.next, 'next', words.next];
  const { item, label } = sameEverywhere(entry, from.reserves);
  const address = escapeMarkup(addressOf(entry.leadsTo, from) ?? '');
  return [
    `<li class="${parts.entry} ${part}"${item}><a class="${parts.link}" href="${address}" rel="${rel}"><span class="${parts.note}">${escapeMarkup(word)}</span> ${label}</a></li>`,
  ];
}

/** In a trail only the page itself is marked: what comes before it is the way. */
function trailMarks(entry: ResolvedEntry, from: Standpoint): Marks {
  const isHere = entry.leadsTo.kind === 'page' && entry.leadsTo.path === from.page;
  return new Map(isHere ? [[entry, 'current']] : []);
}

/** One line for an entry without a submenu; else its lines and those of what lies below it. */
function entryLines(entry: ResolvedEntry, context: EntryContext): string[] {
  const { menu, marks, from, words } = context;
  const mark = isOwnLanguage(entry, from) ? 'current' : marks.get(keyOf(entry, marks));
  // A section can still be gone to on its own page.
  const isText = mark === 'current' && menu.currentEntry === 'text' && entry.leadsTo.kind !== 'section';
  if (entry.entries.length === 0 && isPlainLink(entry) && !isText) return [leafLine(entry, mark, context)];
  const { item, label: said, about } = sameEverywhere(entry, from.reserves);
  const own = withPicture(entry, said, from);
  const isHeading = inColumns(menu) && entry.depth === 2 && entry.entries.length > 0;
  const label = (isHeading ? `<span class="${parts.heading}">${own}</span>` : own) + about;
  const start = startOf(entry, mark, item);
  if (entry.leadsTo.kind === 'insert') return [`${start}${entry.leadsTo.html}</li>`];
  const address = addressOf(entry.leadsTo, from);
  const current = currentAttribute(entry, mark) + panelOf(entry, from);
  const text = `<span class="${parts.link}"`;
  const link =
    address === null
      ? `${text}>${label}</span>`
      : isText
        ? `${text}${current}>${label}</span>`
        : `<a class="${parts.link}" href="${escapeMarkup(address)}"${linkAttributes(entry)}${current}>${label}${notesOf(entry, words)}</a>`;
  if (entry.entries.length === 0) return [`${start}${link}</li>`];
  if (forms[menu.form].showsAll || (inColumns(menu) && entry.depth > 1))
    return [start + link, ...listLines(entry, context, '')];
  const opener = openerOf(entry, { mark, label, isLink: address !== null }, context);
  const list = listLines(entry, context, ` id="${submenuId(entry, menu)}"`);
  return [`${start}${address === null ? '' : link}${opener}`, ...list];
}

function leafLine(entry: ResolvedEntry, mark: Mark | undefined, context: EntryContext): string {
  const [before, after] = leafParts(entry, mark, context);
  const address = escapeMarkup(addressOf(entry.leadsTo, context.from)!);
  const panel = panelOf(entry, context.from);
  return panel === '' ? before + address + after : `${before}${address}"${panel}${after.slice(1)}`;
}

/** Its submenus lie in columns. */
function inColumns({ opens, form }: ResolvedMenu): boolean {
  return opens.columns > 1 && !forms[form].showsAll;
}

function submenuId(entry: ResolvedEntry, menu: ResolvedMenu): string {
  return `kamino-${menu.name}-${entry.hook}`;
}

/** The list of what lies below an entry, up to the end of its item. */
function listLines(entry: ResolvedEntry, context: EntryContext, attributes: string): string[] {
  const below = entry.entries.flatMap(one => entryLines(one, { ...context, group: `-${entry.hook}` }));
  const columns = inColumns(context.menu) && entry.depth === 1 ? ` ${parts.columns}` : '';
  return [
    `  <ul class="${parts.list} ${parts.submenu}${columns}"${attributes}>`,
    ...below.map(line => `    ${line}`),
    '  </ul>',
    '</li>',
  ];
}

/** What opens a submenu: the label itself, or a button beside its link. */
function openerOf(
  entry: ResolvedEntry,
  { mark, label, isLink }: { mark: Mark | undefined; label: string; isLink: boolean },
  { menu, marks, words, group }: EntryContext,
): string {
  const id = submenuId(entry, menu);
  // In a column the branch of this page lies open.
  const isFlow = forms[menu.form].opensInFlow && menu.opens.by === 'click';
  const open = isFlow && (mark !== undefined || hasCurrent(entry, marks)) ? ' open' : '';
  const siblings = isFlow ? '' : ` name="kamino-${menu.name}${group}"`;
  const summary = isLink
    ? `<summary aria-controls="${id}" aria-label="${escapeMarkup(`${entry.label}: ${words.more}`)}"></summary>`
    : `<summary class="${parts.link}" aria-controls="${id}">${label}</summary>`;
  return `<details class="${parts.opener}"${siblings}${open}>${summary}</details>`;
}

const leaves = new WeakMap<ResolvedEntry, Map<string, [before: string, after: string]>>();

/** The line of an entry up to its address and behind it: the same wherever a page lies, made once. */
function leafParts(
  entry: ResolvedEntry,
  mark: Mark | undefined,
  { from, words }: EntryContext,
): [before: string, after: string] {
  const made = leaves.get(entry) ?? new Map<string, [string, string]>();
  leaves.set(entry, made);
  const key = `${mark} ${from.reserves} ${words['new-window']}`;
  const kept = made.get(key);
  if (kept) return kept;
  const { item, label, about } = sameEverywhere(entry, from.reserves);
  const current = currentAttribute(entry, mark);
  const both: [string, string] = [
    `${startOf(entry, mark, item)}<a class="${parts.link}" href="`,
    `"${linkAttributes(entry)}${current}>${withPicture(entry, label, from)}${notesOf(entry, words)}${about}</a></li>`,
  ];
  // The address of a picture is another in each folder.
  if (entry.picture === null) made.set(key, both);
  return both;
}
