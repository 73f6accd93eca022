import { baseFolder, readAddress } from '../address/href.ts';
import { type SitePath, folderOf, joinPath, normalizePath } from '../address/path.ts';
import type { FullPage, Link } from '../page/content.ts';
import type { Finding } from '../text/finding.ts';
import { placeInRaw } from '../text/place.ts';
import type { WholeSite } from './whole.ts';

/** Where a link in a page leads. */
export type LinkEnd =
  | { kind: 'page' | 'file'; path: SitePath }
  /** To another site, a mail address and the like. */
  | { kind: 'away' }
  | { kind: 'empty' }
  /** To a file that is not there, or a place that its page does not have. */
  | { kind: 'no-file'; path: SitePath }
  | { kind: 'no-place'; path: SitePath; id: string }
  /** There is a file whose name differs in letter case only. */
  | { kind: 'other-case'; path: SitePath; right: SitePath }
  /** The page has a place of this name: the `#` is missing. */
  | { kind: 'no-hash'; id: string }
  /** To a folder outside the site. */
  | { kind: 'foreign' };

export interface FoundLink {
  page: FullPage;
  link: Link;
  end: LinkEnd;
}

/** Tells of every link of a site. */
export function eachLink(site: WholeSite, tell: (link: Link, end: LinkEnd, page: FullPage) => void): void {
  for (const page of site.pages.values())
    for (const link of page.links) tell(link, endOfLink(link.href, page, site), page);
}

/** The links of a site that lead nowhere, or not as they should, and the files that other pages lead to. */
export interface LinkReport {
  odd: readonly FoundLink[];
  linked: ReadonlySet<SitePath>;
}

export function linksOf(site: WholeSite): LinkReport {
  const kept = known.get(site);
  if (kept) return kept;
  const odd: FoundLink[] = [];
  const linked = new Set<SitePath>();
  eachLink(site, (link, end, page) => {
    if (end.kind !== 'page' && end.kind !== 'file' && end.kind !== 'away') odd.push({ page, link, end });
    if ('path' in end && end.kind !== 'no-file' && end.path !== page.frame.path) linked.add(end.path);
  });
  const report = { odd, linked };
  known.set(site, report);
  return report;
}

const known = new WeakMap<WholeSite, LinkReport>();
const knownIds = new WeakMap<FullPage, ReadonlySet<string>>();

/** A page may have as many places as links to them. */
function idsOf(page: FullPage): ReadonlySet<string> {
  const ids = knownIds.get(page) ?? new Set(page.ids.map(one => one.id));
  knownIds.set(page, ids);
  return ids;
}

const knownEnds = new WeakMap<WholeSite, Ends>();

/** Where an `href` in a page leads. */
export function endOfLink(href: string, page: FullPage, site: WholeSite): LinkEnd {
  const ends = knownEnds.get(site) ?? new Ends(site);
  knownEnds.set(site, ends);
  return ends.of(href, page);
}

/** So many folders are known at once: the pages of one come together. */
const mostFolders = 8;

/** Where links lead: the pages of a folder have most of them in common. */
class Ends {
  readonly #context: Context;
  /** By folder and address, without what the page itself decides. */
  readonly #folders = new Map<SitePath, Map<string, LinkEnd>>();

  constructor(site: WholeSite) {
    this.#context = { site, lower: new Map([...site.files].map(path => [path.toLowerCase(), path])) };
  }

  of(href: string, page: FullPage): LinkEnd {
    const { path, base } = page.frame;
    if (base !== null || href.startsWith('#')) return endOf(href, page, this.#context);
    const ends = this.#endsFrom(folderOf(path));
    const known = ends.get(href);
    if (known && (known.kind !== 'no-file' || !idsOf(page).has(href.trim()))) return known;
    const end = endOf(href, page, this.#context);
    if (end.kind !== 'no-hash' && !isOfItsPage(href)) ends.set(href, end);
    return end;
  }

  #endsFrom(folder: SitePath): Map<string, LinkEnd> {
    const known = this.#folders.get(folder);
    if (known) return known;
    const made = new Map<string, LinkEnd>();
    if (this.#folders.size >= mostFolders) {
      const [oldest] = this.#folders.keys();
      this.#folders.delete(oldest!);
    }
    this.#folders.set(folder, made);
    return made;
  }
}

/** An address without a path leads to a place of the page that it stands in. */
function isOfItsPage(href: string): boolean {
  return /^[\0-\x20]*(?:[?#]|$)/.test(href);
}

/** The place of a link in its page. */
export function placeOfLink({ page, link }: FoundLink): Finding['place'] {
  return placeInRaw(page.frame, link.start, link.end);
}

interface Context {
  site: WholeSite;
  lower: ReadonlyMap<string, SitePath>;
}

function endOf(href: string, page: FullPage, context: Context): LinkEnd {
  const { path, base } = page.frame;
  const written = href.trim();
  if (written === '' || written === '#') return { kind: 'empty' };
  if (/^[a-z]:[\\/]|^file:/i.test(written)) return { kind: 'foreign' };
  const folder = baseFolder(path, base);
  const address = readAddress(written, folder);
  switch (address.kind) {
    case 'web':
    case 'other':
      return { kind: 'away' };
    case 'outside':
      return { kind: 'foreign' };
    case 'same-page':
      return placeIn(base === null ? path : fileAt(folder, context), address.fragment, context);
    case 'root':
    case 'inside': {
      const target = address.kind === 'root' ? fileFromRoot(address.path, context.site) : address.path;
      const file = fileAt(target, context);
      if (file !== null) return placeIn(file, address.fragment, context);
      const right = context.lower.get(target.toLowerCase());
      if (right !== undefined) return { kind: 'other-case', path: target, right };
      if (address.kind === 'root') return { kind: 'foreign' };
      if (idsOf(page).has(written)) return { kind: 'no-hash', id: written };
      return { kind: 'no-file', path: target };
    }
  }
}

/** A path from the root of the server, as the site's folder knows it. */
export function fileFromRoot(path: string, { base }: WholeSite): SitePath {
  const inside = `${path}/`.startsWith(base) ? path.slice(base.length) : path;
  return normalizePath(inside) ?? '';
}

function placeIn(path: SitePath | null, fragment: string | null, { site }: Context): LinkEnd {
  if (path === null) return { kind: 'away' };
  const page = site.pages.get(path);
  if (!page) return { kind: 'file', path };
  const isTop = fragment === null || fragment === '' || fragment.toLowerCase() === 'top';
  if (isTop || idsOf(page).has(fragment)) return { kind: 'page', path };
  return { kind: 'no-place', path, id: fragment };
}

function fileAt(path: SitePath, { site }: Context): SitePath | null {
  return (
    [path, joinPath(path, 'index.html'), joinPath(path, 'index.htm')].find(one => site.files.has(one)) ?? null
  );
}
