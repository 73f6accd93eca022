import { fragmentOf, relativeAddress } from '../address/href.ts';
import { type SitePath, folderOf } from '../address/path.ts';
import type { Mark } from '../menu/marks.ts';
import type { Destination, ResolvedEntry, ResolvedMenu } from '../menu/types.ts';
import type { Raw } from '../text/bytes.ts';
import { escapeMarkup } from '../text/references.ts';
import { english } from './words.ts';
import {
  depthAttribute,
  entryAttribute,
  inlayAttribute,
  parts,
  reserved,
  menuClass,
  wasAttribute,
} from './names.ts';

/** The page that markup is written for. */
export interface Standpoint {
  page: SitePath;
  /** The folder from which its addresses are read. */
  folder: SitePath;
  front: SitePath | null;
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
  const { toggle } = parts;
  const was = line.was === null ? '' : ` ${wasAttribute}="${line.was}"`;
  const ours = ` ${inlayAttribute}="${menu.name}"${was}`;
  const [before, after] = line.cell === null ? ['', ''] : [`<td${ours}${line.cell}>`, '</td>'];
  const lines = [
    `${before}<nav class="${parts.menu} ${parts[menu.form]} ${menuClass(menu.name)}"${before === '' ? ours : ''} aria-label="${escapeMarkup(menu.title)}">`,
    `  <div class="${parts.room}">`,
    ...(menu.home ? [`    ${homeMarkup(menu.home, from)}`] : []),
    ...(menu.fold.belowEm === null
      ? []
      : [`    <details class="${toggle}"><summary>${english.menu}</summary></details>`]),
    `    <ul class="${parts.list}">`,
    ...menu.entries.flatMap(one =>
      entryLines(one, { menu, marks, from, group: '' }).map(line => `      ${line}`),
    ),
    '    </ul>',
    '  </div>',
    `</nav>${after}`,
  ];
  return lines.join(`${line.lineBreak}${line.indent}`);
}

type Marks = ReadonlyMap<ResolvedEntry, Mark>;

interface EntryContext {
  menu: ResolvedMenu;
  marks: Marks;
  from: Standpoint;
  /** Of the openers that close each other. */
  group: string;
}

/** The link that leads past the menus; a page with a `base` needs its own address before the `#`. */
export function skipMarkup(words: string, id: string, from: Standpoint, hasBase: boolean): string {
  const address = `${hasBase ? relativeAddress(from.folder, from.page) : ''}${fragmentOf(id)}`;
  return `<a class="${parts.skip}" ${inlayAttribute}="${reserved.skip}" href="${escapeMarkup(address)}">${escapeMarkup(words)}</a>`;
}

export function styleMarkup(file: SitePath, from: Standpoint): string {
  const address = escapeMarkup(relativeAddress(from.folder, file));
  return `<link ${inlayAttribute}="${reserved.style}" rel="stylesheet" href="${address}">`;
}

function homeMarkup(home: { label: string; page: SitePath }, from: Standpoint): string {
  const current = home.page === from.page ? ' aria-current="page"' : '';
  const address = escapeMarkup(relativeAddress(from.folder, home.page));
  return `<a class="${parts.home}" href="${address}"${current}>${escapeMarkup(home.label)}</a>`;
}

/** One line for an entry without a submenu; else its lines and those of what lies below it. */
function entryLines(entry: ResolvedEntry, context: EntryContext): string[] {
  const { menu, marks, from, group } = context;
  const { item, label } = sameEverywhere(entry);
  const mark = marks.get(entry);
  const within = mark === 'within' ? ` ${parts.within}` : '';
  const highlight = entry.highlight ? ` ${parts.highlight}` : '';
  const start = `<li class="${parts.entry}${within}${highlight}"${item}>`;
  const address = addressOf(entry.leadsTo, from);
  const current = mark === 'current' ? ' aria-current="page"' : '';
  const link = `<a class="${parts.link}" href="${escapeMarkup(address ?? '')}"${current}>${label}</a>`;
  if (entry.entries.length === 0)
    return [
      address === null ? `${start}<span class="${parts.link}">${label}</span></li>` : `${start}${link}</li>`,
    ];
  const id = `kamino-${menu.name}-${entry.hook}`;
  const below = entry.entries.flatMap(one => entryLines(one, { ...context, group: `-${entry.hook}` }));
  const list = (extra: string): string[] => [
    `  <ul class="${parts.list} ${parts.submenu}"${extra}>`,
    ...below.map(line => `    ${line}`),
    '  </ul>',
    '</li>',
  ];
  const text = `<span class="${parts.link}">${label}</span>`;
  if (menu.form === 'plain') return [start + (address === null ? text : link), ...list('')];
  // In a column the branch of this page lies open.
  const open = menu.form === 'column' && (mark !== undefined || hasCurrent(entry, marks)) ? ' open' : '';
  const siblings = menu.form === 'column' ? '' : ` name="kamino-${menu.name}${group}"`;
  const summary =
    address === null
      ? `<summary class="${parts.link}" aria-controls="${id}">${label}</summary>`
      : `<summary aria-controls="${id}" aria-label="${escapeMarkup(english.below(entry.label))}"></summary>`;
  const opener = `<details class="${parts.opener}"${siblings}${open}>${summary}</details>`;
  return [`${start}${address === null ? '' : link}${opener}`, ...list(` id="${id}"`)];
}

function hasCurrent(entry: ResolvedEntry, marks: Marks): boolean {
  return entry.entries.some(one => marks.has(one) || hasCurrent(one, marks));
}

const known = new WeakMap<ResolvedEntry, { item: string; label: string }>();

/** What of an entry is the same on every page, made once. */
function sameEverywhere(entry: ResolvedEntry): { item: string; label: string } {
  const made = known.get(entry) ?? {
    item: ` ${entryAttribute}="${entry.hook}" ${depthAttribute}="${entry.depth}"`,
    label: escapeMarkup(entry.label),
  };
  known.set(entry, made);
  return made;
}

/** Null for an entry that only opens. */
function addressOf(leadsTo: Destination, { folder, page }: Standpoint): string | null {
  switch (leadsTo.kind) {
    case 'page':
    case 'file':
      return relativeAddress(folder, leadsTo.path);
    case 'section': {
      const isHere = leadsTo.path === null || leadsTo.path === page;
      const needsPage = !isHere || folder !== folderOf(page);
      return (needsPage ? relativeAddress(folder, leadsTo.path ?? page) : '') + fragmentOf(leadsTo.id);
    }
    case 'url':
    case 'mail':
    case 'phone':
      return leadsTo.url;
    case 'none':
      return null;
  }
}
