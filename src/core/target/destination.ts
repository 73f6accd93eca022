import { fragmentOf, writtenAddress } from '../address/href.ts';
import { type SitePath, folderOf, isIndex, nameOf } from '../address/path.ts';
import { spaced } from '../text/names.ts';
import type { AddressFrom, LabelFacts, PlaceKind } from './kind.ts';
import type {
  FilePlace,
  InsertPlace,
  LanguagePlace,
  NonePlace,
  Outside,
  PagePlace,
  SectionPlace,
} from './places.ts';

const pagePlace: PlaceKind<PagePlace> = {
  address: ({ path }, { folder, links }) => writtenAddress(folder, path, links),
  label: ({ path }, { page }) => page(path),
  outline: ({ path }) => path,
  hook: ({ path }) => nameOfPage(path),
  page: ({ path }) => path,
};

const sectionPlace: PlaceKind<SectionPlace> = {
  address: ({ path, id }, { page, folder, links }) => {
    const isHere = path === null || path === page;
    const needsPage = !isHere || folder !== folderOf(page);
    return (needsPage ? writtenAddress(folder, path ?? page, links) : '') + fragmentOf(id);
  },
  label: ({ path, id, panel }, { sections, panels, carriers }) => {
    const group = panels.find(one => one.name === panel?.group);
    const shown = group?.panels.find(one => one.id === id);
    if (shown) return shown.label;
    // Of a section of whatever page carries the menu: what it is called on all of them.
    const headings = new Set((path === null ? carriers : [path]).map(page => sections(page).get(id)));
    const [heading] = headings;
    return headings.size === 1 && heading ? heading : spaced(id);
  },
  outline: ({ path, id }) => `${path ?? ''}#${id}`,
  hook: ({ id }) => id,
  page: ({ path }) => path,
};

const filePlace: PlaceKind<FilePlace> = {
  address: ({ path }, { folder, links }) => writtenAddress(folder, path, links),
  label: ({ path }) => nameOf(path),
  outline: ({ path }) => path,
  hook: () => null,
  page: () => null,
};

const languagePlace: PlaceKind<LanguagePlace> = {
  address: ({ counterparts, front }, { page, folder, links }) =>
    writtenAddress(folder, counterparts[page] ?? front, links),
  label: ({ tag }, { languages }) => languages.find(one => one.tag === tag)?.name ?? tag,
  outline: ({ front }) => front,
  hook: () => null,
  page: () => null,
};

/** What only opens, or is there itself. */
const nowhere: PlaceKind<InsertPlace | NonePlace> = {
  address: () => null,
  label: () => '',
  outline: () => null,
  hook: () => null,
  page: () => null,
};

/** What entries lead to. */
const places = {
  page: pagePlace,
  section: sectionPlace,
  file: filePlace,
  url: outsidePlace(url => url.replace(/^https?:\/\/(www\.)?/, '').replace(/\/$/, '')),
  mail: outsidePlace(behindScheme),
  phone: outsidePlace(behindScheme),
  insert: nowhere as PlaceKind<InsertPlace>,
  language: languagePlace,
  none: nowhere as PlaceKind<NonePlace>,
};

type PlaceOf<Kind> = Kind extends PlaceKind<infer To> ? To : never;
/** A place that an entry leads to. */
export type Destination = {
  [Name in keyof typeof places]: PlaceOf<(typeof places)[Name]> & { kind: Name };
}[keyof typeof places];

const placeKinds = places as unknown as Readonly<Record<Destination['kind'], PlaceKind<Destination>>>;

/** As in an `href` of a page; null for an entry that only opens. */
export function addressOf(to: Destination, from: AddressFrom): string | null {
  return placeKinds[to.kind].address(to, from);
}

/** What an entry is called that has no label of its own. */
export function labelOf(to: Destination, facts: LabelFacts): string {
  return placeKinds[to.kind].label(to, facts);
}

/** As a line of an outline; null for none. */
export function outlineLine(to: Destination): string | null {
  return placeKinds[to.kind].outline(to);
}

/** What the entry is known by in a designer's own rules; null for its label. */
export function hookName(to: Destination): string | null {
  return placeKinds[to.kind].hook(to);
}

/** The page of the site that it leads to, or into; null for none. */
export function pageOf(to: Destination): string | null {
  return placeKinds[to.kind].page(to);
}

/** What all places outside the site have alike. @param label from the address */
function outsidePlace(label: (url: string) => string): PlaceKind<Outside> {
  return {
    address: ({ url }) => url,
    label: ({ url }) => label(url),
    outline: ({ url }) => url,
    hook: () => null,
    page: () => null,
  };
}

/** What a scheme stands before, without a query. */
function behindScheme(url: string): string {
  return decodeURI(url.replace(/^\w+:/, '').replace(/\?.*/, ''));
}

/** Its file's name without the ending; the folder of an index page. */
function nameOfPage(path: SitePath): string {
  const folder = folderOf(path);
  return isIndex(path) && folder !== '' ? nameOf(folder) : nameOf(path).replace(/\.[^.]*$/, '');
}
