import { fragmentOf, relativeAddress } from '../address/href.ts';
import type { SitePath } from '../address/path.ts';
import type { Mark } from '../menu/marks.ts';
import type { Destination, ResolvedEntry, ResolvedMenu } from '../menu/types.ts';
import { escapeMarkup } from '../text/references.ts';
import { depthAttribute, entryAttribute, inlayAttribute, parts, reserved } from './names.ts';

/** The page that markup is written for. */
export interface Standpoint {
  page: SitePath;
  /** The folder from which its addresses are read. */
  folder: SitePath;
  front: SitePath | null;
}

/** A place in it. */
export interface LineStandpoint extends Standpoint {
  /** White space before the line that the markup begins in, and the page's own line break. */
  indent: string;
  lineBreak: string;
}

/** A menu as one `nav` element, one entry a line. */
export function menuMarkup(
  menu: ResolvedMenu,
  from: LineStandpoint,
  marks: ReadonlyMap<ResolvedEntry, Mark>,
): string {
  const lines = [
    `<nav class="${parts.menu} ${parts.bar}" ${inlayAttribute}="${menu.name}" aria-label="${escapeMarkup(menu.title)}">`,
    `  <div class="${parts.room}">`,
    ...(menu.home ? [`    ${homeMarkup(menu.home, from)}`] : []),
    `    <ul class="${parts.list}">`,
    ...menu.entries.map(one => entryMarkup(one, marks.get(one), from)),
    '    </ul>',
    '  </div>',
    '</nav>',
  ];
  return lines.join(`${from.lineBreak}${from.indent}`);
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

function entryMarkup(entry: ResolvedEntry, mark: Mark | undefined, from: Standpoint): string {
  const { item, label } = sameEverywhere(entry);
  const within = mark === 'within' ? ` ${parts.within}` : '';
  const current = mark === 'current' ? ' aria-current="page"' : '';
  const address = escapeMarkup(addressOf(entry.leadsTo, from));
  return `      <li class="${parts.entry}${within}"${item}><a class="${parts.link}" href="${address}"${current}>${label}</a></li>`;
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

function addressOf(leadsTo: Destination, from: Standpoint): string {
  switch (leadsTo.kind) {
    case 'page':
      return relativeAddress(from.folder, leadsTo.path);
    case 'url':
      return leadsTo.url;
  }
}
