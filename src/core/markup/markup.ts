import { fragmentOf, writtenAddress } from '../address/href.ts';
import type { SitePath } from '../address/path.ts';
import type { AddressFrom } from '../target/kind.ts';
import { covers, folds } from '../menu/folds.ts';
import { type Mark, marksOn } from '../menu/marks.ts';
import { entriesOn, isBefore } from '../menu/on-page.ts';
import type { Form } from '../plan/types.ts';
import type { ResolvedEntry, ResolvedHome, ResolvedMenu } from '../menu/types.ts';
import { addressOf } from '../target/kinds/index.ts';
import type { Raw } from '../text/bytes.ts';
import { escapeMarkup } from '../text/references.ts';
import { type Words, wordsOf } from './words.ts';
import {
  depthAttribute,
  entryAttribute,
  inlayAttribute,
  parts,
  reserved,
  highlightClass,
  labelAttribute,
  menuClass,
  firstPanelAttribute,
  panelAttribute,
  wasAttribute,
} from './names.ts';

/** The page that markup is written for. */
export interface Standpoint extends AddressFrom {
  /** Labels keep room for a bolder state. */
  reserves: boolean;
  /** The names of the menus that it carries. */
  carried: ReadonlySet<string>;
}

/** A place in it. */
export interface LinePlace {
  /** White space before the line that the markup begins in, and the page's own line break. */
  indent: string;
  lineBreak: string;
  /** The hash of what is taken out here, or null. */
  was: string | null;
  /** Attributes of the table cell that the menu stands in, where it stands instead of cells. */
  cell: Raw | null;
}

/** A menu as one `nav` element, one entry a line. */
export function menuMarkup(menu: ResolvedMenu, from: Standpoint, line: LinePlace, marks: Marks): string {
  const was = line.was === null ? '' : ` ${wasAttribute}="${line.was}"`;
  const ours = ` ${inlayAttribute}="${menu.name}"${was}`;
  const [before, after] = line.cell === null ? ['', ''] : [`<td${ours}${line.cell}>`, '</td>'];
  if (menu.form === 'button' || menu.form === 'top')
    return before + singleMarkup(menu, from, { ours: before === '' ? ours : '', marks }) + after;
  const list = menu.form === 'breadcrumb' ? 'ol' : 'ul';
  const words = wordsOf(menu.language);
  const entries = entriesOn(menu, from.page);
  const own = [
    `<${list} class="${parts.list}">`,
    ...entries.flatMap(one => topLines(one, { menu, marks, from, words, group: '' }).map(indented)),
    `</${list}>`,
    ...joinedLines(menu, from, words),
  ];
  const joins = menu.fold.joins !== null && from.carried.has(menu.fold.joins) ? ` ${parts.joins}` : '';
  const lines = [
    `${before}<nav class="${parts.menu} ${formClasses(menu.form)} ${menuClass(menu.name)}${joins}"${before === '' ? ours : ''} aria-label="${escapeMarkup(menu.title)}">`,
    `  <div class="${parts.room}">`,
    ...(menu.home ? [`    ${homeMarkup(menu.home, from)}`] : []),
    ...(folds(menu) ? foldLines(menu, words, own) : own).map(text => `    ${text}`),
    ...(menu.hasData ? [`    ${trailData(entries, from)}`] : []),
    '  </div>',
    `</nav>${after}`,
  ];
  return lines.join(`${line.lineBreak}${line.indent}`);
}

/** A link on its own, on a line: a button, or the way to the top. */
function singleMarkup(
  menu: ResolvedMenu,
  from: Standpoint,
  { ours, marks }: { ours: string; marks: Marks },
): string {
  const [entry] = menu.entries;
  if (!entry) return '';
  const words = wordsOf(menu.language);
  const named = entry.label === '' ? { ...entry, label: words.top } : entry;
  const { item, label } = sameEverywhere(named, from.reserves);
  // The way to the top shows a mark; its words are read out.
  const inside =
    menu.form === 'top' && entry.icon === null
      ? `<span class="${parts.unseen}">${escapeMarkup(named.label)}</span>`
      : label;
  const address = escapeMarkup(addressOf(entry.leadsTo, from) ?? '');
  const current = currentAttribute(entry, marks.get(entry));
  const classes = [parts.entry, ...highlightClasses(entry)].join(' ');
  return `<div class="${parts.menu} ${parts[menu.form]} ${menuClass(menu.name)}"${ours}><span class="${classes}"${item}><a class="${parts.link}" href="${address}"${linkAttributes(entry)}${current}>${inside}${notesOf(entry, words)}</a></span></div>`;
}

const indented = (line: string): string => `  ${line}`;

/**
 * The lists of a menu with the toggle that shows them: a stack in the flow, or in an element that lies over the page.
 * Both work without a script, and without the style sheet.
 */
function foldLines(menu: ResolvedMenu, words: Words, lists: readonly string[]): string[] {
  const { toggle, fold, close } = parts;
  const face = toggleFace(menu, words);
  if (!covers(menu)) return [`<details class="${toggle}"><summary>${face}</summary></details>`, ...lists];
  const id = `kamino-${menu.name}`;
  const { icon } = menu.fold.toggle;
  const cross = typeof icon === 'string' || icon.open === icon.closed ? '' : icon.open;
  return [
    `<div class="${toggle}"><button type="button" popovertarget="${id}">${face}</button></div>`,
    `<div class="${fold}" id="${id}" popover>`,
    `  <button class="${close}" type="button" popovertarget="${id}" popovertargetaction="hide" autofocus>${cross}${escapeMarkup(words.close)}</button>`,
    ...lists.map(indented),
    '</div>',
  ];
}

function toggleFace({ fold }: ResolvedMenu, words: Words): string {
  const { show, label, icon } = fold.toggle;
  const word = escapeMarkup(label ?? words.menu);
  if (show === 'label') return word;
  const drawings =
    typeof icon === 'string'
      ? ''
      : fold.as === 'stack' && icon.open !== icon.closed
        ? icon.closed + icon.open
        : icon.closed;
  return drawings + (show === 'icon' ? `<span class="${parts.unseen}">${word}</span>` : word);
}

/** The entries of menus that go into the fold of this one, there only while it is folded. */
function joinedLines(menu: ResolvedMenu, from: Standpoint, words: Words): string[] {
  return menu.joined
    .filter(one => from.carried.has(one.name))
    .flatMap(one => {
      const inside = { ...one, name: `${menu.name}-${one.name}`, form: menu.form };
      const marks = marksOn(one, from.page);
      return [
        `<ul class="${parts.list} ${parts.joined}" aria-label="${escapeMarkup(one.title)}">`,
        ...entriesOn(one, from.page).flatMap(entry =>
          topLines(entry, { menu: inside, marks, from, words, group: '' }).map(indented),
        ),
        '</ul>',
      ];
    });
}

/** Tabs are a bar that is joined to what lies below it. */
function formClasses(form: Form): string {
  return form === 'tabs' ? `${parts.bar} ${parts.tabs}` : parts[form];
}

/** The entries of a trail and of neighbours stand alone; in other menus with what lies below them. */
function topLines(entry: ResolvedEntry, context: EntryContext): string[] {
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

/** https://schema.org/BreadcrumbList; addresses are read from the page, as its links are. */
function trailData(entries: readonly ResolvedEntry[], from: Standpoint): string {
  const itemListElement = entries.map(({ label, leadsTo }, at) => {
    const address = addressOf(leadsTo, from);
    return {
      '@type': 'ListItem',
      position: at + 1,
      name: label,
      ...(address === null ? {} : { item: address }),
    };
  });
  const data = { '@context': 'https://schema.org', '@type': 'BreadcrumbList', itemListElement };
  const text = JSON.stringify(data)
    .replace(/</g, '\\u003c')
    .replace(/[^\0-\x7f]/g, letter => `\\u${letter.charCodeAt(0).toString(16).padStart(4, '0')}`);
  return `<script type="application/ld+json">${text}</script>`;
}

type Marks = ReadonlyMap<ResolvedEntry, Mark>;

interface EntryContext {
  menu: ResolvedMenu;
  marks: Marks;
  from: Standpoint;
  words: Words;
  /** Of the openers that close each other. */
  group: string;
}

/** The link that leads past the menus; a page with a `base` needs its own address before the `#`. */
export function skipMarkup(words: string, id: string, from: Standpoint, hasBase: boolean): string {
  const address = `${hasBase ? writtenAddress(from.folder, from.page, { ...from.links, from: 'page' }) : ''}${fragmentOf(id)}`;
  return `<a class="${parts.skip}" ${inlayAttribute}="${reserved.skip}" href="${escapeMarkup(address)}">${escapeMarkup(words)}</a>`;
}

export function styleMarkup(file: SitePath, from: Standpoint): string {
  const address = escapeMarkup(writtenAddress(from.folder, file, from.links));
  return `<link ${inlayAttribute}="${reserved.style}" rel="stylesheet" href="${address}">`;
}

export function scriptMarkup(file: SitePath, from: Standpoint): string {
  const address = escapeMarkup(writtenAddress(from.folder, file, from.links));
  return `<script ${inlayAttribute}="${reserved.script}" src="${address}" defer></script>`;
}

function homeMarkup(home: ResolvedHome, from: Standpoint): string {
  const current = home.page === from.page ? ' aria-current="page"' : '';
  const address = escapeMarkup(writtenAddress(from.folder, home.page, from.links));
  return `<a class="${parts.home}" href="${address}"${current}>${homeContent(home, from)}</a>`;
}

/** The picture has its own width and height, so that nothing moves when it comes. */
function homeContent({ label, image, show }: ResolvedHome, from: Standpoint): string {
  const text = escapeMarkup(label);
  if (image === null || show === 'label') return text;
  const { path, size } = image;
  const room = size === null ? '' : ` width="${size.width}" height="${size.height}"`;
  const address = escapeMarkup(writtenAddress(from.folder, path, from.links));
  const alt = show === 'image' ? text : '';
  const picture = `<img class="${parts.mark}" src="${address}"${room} alt="${alt}">`;
  return show === 'image' ? picture : `${picture}<span>${text}</span>`;
}

/** One line for an entry without a submenu; else its lines and those of what lies below it. */
function entryLines(entry: ResolvedEntry, context: EntryContext): string[] {
  const { menu, marks, from, words, group } = context;
  const mark = isOwnLanguage(entry, from) ? 'current' : marks.get(keyOf(entry, marks));
  if (
    entry.entries.length === 0 &&
    isPlainLink(entry) &&
    !(mark === 'current' && menu.currentEntry === 'text')
  ) {
    const [before, after] = leafParts(entry, mark, context);
    const address = escapeMarkup(addressOf(entry.leadsTo, from)!);
    const panel = panelOf(entry, from);
    return [panel === '' ? before + address + after : `${before}${address}"${panel}${after.slice(1)}`];
  }
  const { item, label: own } = sameEverywhere(entry, from.reserves);
  const isColumns = menu.opens.columns > 1 && menu.form !== 'plain';
  const isHeading = isColumns && entry.depth === 2 && entry.entries.length > 0;
  const label = isHeading ? `<span class="${parts.heading}">${own}</span>` : own;
  const start = startOf(entry, mark, item);
  if (entry.leadsTo.kind === 'insert') return [`${start}${entry.leadsTo.html}</li>`];
  const address = addressOf(entry.leadsTo, from);
  const current = currentAttribute(entry, mark) + panelOf(entry, from);
  const isText = mark === 'current' && menu.currentEntry === 'text';
  const link = isText
    ? `<span class="${parts.link}"${current}>${label}</span>`
    : `<a class="${parts.link}" href="${escapeMarkup(address ?? '')}"${linkAttributes(entry)}${current}>${label}${notesOf(entry, words)}</a>`;
  if (entry.entries.length === 0)
    return [
      address === null ? `${start}<span class="${parts.link}">${label}</span></li>` : `${start}${link}</li>`,
    ];
  const id = `kamino-${menu.name}-${entry.hook}`;
  const below = entry.entries.flatMap(one => entryLines(one, { ...context, group: `-${entry.hook}` }));
  const inColumns = isColumns && entry.depth === 1 ? ` ${parts.columns}` : '';
  const list = (extra: string): string[] => [
    `  <ul class="${parts.list} ${parts.submenu}${inColumns}"${extra}>`,
    ...below.map(line => `    ${line}`),
    '  </ul>',
    '</li>',
  ];
  const text = `<span class="${parts.link}">${label}</span>`;
  if (menu.form === 'plain' || (isColumns && entry.depth > 1))
    return [start + (address === null ? text : link), ...list('')];
  // In a column the branch of this page lies open.
  const isFlow = menu.form === 'column' && menu.opens.by === 'click';
  const open = isFlow && (mark !== undefined || hasCurrent(entry, marks)) ? ' open' : '';
  const siblings = isFlow ? '' : ` name="kamino-${menu.name}${group}"`;
  const summary =
    address === null
      ? `<summary class="${parts.link}" aria-controls="${id}">${label}</summary>`
      : `<summary aria-controls="${id}" aria-label="${escapeMarkup(`${entry.label}: ${words.more}`)}"></summary>`;
  const opener = `<details class="${parts.opener}"${siblings}${open}>${summary}</details>`;
  return [`${start}${address === null ? '' : link}${opener}`, ...list(` id="${id}"`)];
}

/** It leads somewhere, with nothing below it. */
function isPlainLink({ leadsTo }: ResolvedEntry): boolean {
  return leadsTo.kind !== 'none' && leadsTo.kind !== 'insert';
}

const leaves = new WeakMap<ResolvedEntry, Map<Mark | undefined, [before: string, after: string]>>();

/** The line of an entry up to its address and behind it: the same wherever a page lies, made once. */
function leafParts(
  entry: ResolvedEntry,
  mark: Mark | undefined,
  { from, words }: EntryContext,
): [before: string, after: string] {
  const known = leaves.get(entry) ?? new Map<Mark | undefined, [string, string]>();
  leaves.set(entry, known);
  const kept = known.get(mark);
  if (kept) return kept;
  const { item, label } = sameEverywhere(entry, from.reserves);
  const current = currentAttribute(entry, mark);
  const made: [string, string] = [
    `${startOf(entry, mark, item)}<a class="${parts.link}" href="`,
    `"${linkAttributes(entry)}${current}>${label}${notesOf(entry, words)}</a></li>`,
  ];
  known.set(mark, made);
  return made;
}

function startOf(entry: ResolvedEntry, mark: Mark | undefined, item: string): string {
  const classes = [
    parts.entry,
    ...(mark === 'within' ? [parts.within] : []),
    ...highlightClasses(entry),
    ...(entry.apart ? [parts.apart] : []),
    ...(entry.outsideMark ? [parts.outside] : []),
    ...(entry.leadsTo.kind === 'insert' ? [parts.insert] : []),
  ];
  return `<li class="${classes.join(' ')}"${item}>`;
}

/** A trail shows copies of entries: the mark is that of the same place. */
function keyOf(entry: ResolvedEntry, marks: Marks): ResolvedEntry {
  if (marks.has(entry)) return entry;
  for (const one of marks.keys()) if (one.hook === entry.hook && one.leadsTo === entry.leadsTo) return one;
  return entry;
}

/** A language that the page itself is in: the one of a set that holds, beside the entry of the page. */
function isOwnLanguage({ leadsTo }: ResolvedEntry, from: Standpoint): boolean {
  return leadsTo.kind === 'language' && leadsTo.counterparts[from.page] === from.page;
}

function currentAttribute({ leadsTo }: ResolvedEntry, mark: Mark | undefined): string {
  if (mark !== 'current') return '';
  return ` aria-current="${leadsTo.kind === 'language' ? 'true' : 'page'}"`;
}

/** Where the panel is in this very page, its link says so. */
function panelOf({ leadsTo }: ResolvedEntry, { page }: Standpoint): string {
  if (leadsTo.kind !== 'section' || leadsTo.panel === undefined || leadsTo.path !== page) return '';
  const { group, isFirst } = leadsTo.panel;
  return ` ${panelAttribute}="${group}"${isFirst ? ` ${firstPanelAttribute}=""` : ''}`;
}

function highlightClasses({ highlight }: ResolvedEntry): string[] {
  if (highlight === null) return [];
  return [parts.highlight, ...(typeof highlight === 'string' ? [highlightClass(highlight)] : [])];
}

function linkAttributes({ newWindow, save, lang, hreflang }: ResolvedEntry): string {
  const own = lang === null ? '' : ` lang="${escapeMarkup(lang)}"`;
  const there = hreflang === null ? '' : ` hreflang="${escapeMarkup(hreflang)}"`;
  return `${own}${there}${newWindow ? ' target="_blank" rel="noopener"' : ''}${save ? ' download' : ''}`;
}

/** What is told behind a label. */
function notesOf({ newWindow, details }: ResolvedEntry, words: Words): string {
  const file = details === null ? '' : ` <span class="${parts.note}">(${escapeMarkup(details)})</span>`;
  return newWindow
    ? `${file}<span class="${parts.unseen}"> (${escapeMarkup(words['new-window'])})</span>`
    : file;
}

function hasCurrent(entry: ResolvedEntry, marks: Marks): boolean {
  return entry.entries.some(one => marks.has(one) || hasCurrent(one, marks));
}

const known = new WeakMap<ResolvedEntry, { item: string; label: string }>();

/** What of an entry is the same on every page, made once. */
function sameEverywhere(entry: ResolvedEntry, reserves: boolean): { item: string; label: string } {
  const before = known.get(entry);
  if (before) return before;
  const label = escapeMarkup(entry.label);
  const made = {
    item: ` ${entryAttribute}="${entry.hook}" ${depthAttribute}="${entry.depth}"`,
    label: withIcon(
      entry,
      reserves ? `<span class="${parts.label}" ${labelAttribute}="${label}">${label}</span>` : label,
    ),
  };
  known.set(entry, made);
  return made;
}

/** The drawing stands before or behind the label, or alone; then the label is there for who does not see it. */
function withIcon({ icon }: ResolvedEntry, label: string): string {
  if (icon === null || icon.show === 'label') return label;
  if (icon.show === 'icon') return `${icon.markup}<span class="${parts.unseen}">${label}</span>`;
  if (icon.at === 'start') return icon.markup + label;
  return label + icon.markup.replace(`class="${parts.icon}"`, `class="${parts.icon} ${parts.iconEnd}"`);
}
