import { baseFolder, fileFromRoot, readAddress } from '../address/href.ts';
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
  const all = endsIn(site);
  for (const page of site.pages.values()) {
    const ends = all.ofPage(page);
    page.links.forEach((link, at) => {
      tell(link, ends[at]!, page);
    });
  }
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

function endsIn(site: WholeSite): Ends {
  const ends = knownEnds.get(site) ?? new Ends(site);
  knownEnds.set(site, ends);
  return ends;
}

/** Where an `href` in a page leads. */
export function endOfLink(href: string, page: FullPage, site: WholeSite): LinkEnd {
  return endsIn(site).of(href, page);
}

/** A file of the site, the end of links to its top, and the places that it has; null where it is no page. */
interface Target {
  end: LinkEnd & { path: SitePath };
  ids: ReadonlySet<string> | null;
}

/** What is known of addresses as they are written in the pages of one folder. */
interface Folder {
  /** By the address without its place; null where that is no file. */
  files: Map<string, Target | null>;
  /** By the whole of it, where it leads to the same from each page. */
  ends: Map<string, LinkEnd>;
}

/** So many folders are known at once: the pages of one come together. */
const mostFolders = 8;

/** Neither a scheme, a query, the root of a server nor anything encoded; in the place, any other sign of ASCII. */
const plain = /^(?!\/)[\w./-]*(?:#[!-$&-~]+)?$/;

/** Where links lead: most are plain, and the pages of a folder have their files in common. */
class Ends {
  readonly #context: Context;
  readonly #folders = new Map<SitePath, Folder>();
  readonly #targets = new Map<SitePath, Target>();
  readonly #pages = new WeakMap<FullPage, readonly LinkEnd[]>();

  constructor(site: WholeSite) {
    this.#context = { site, lower: new Map([...site.files].map(path => [path.toLowerCase(), path])) };
  }

  /** The ends of its links, in their order. */
  ofPage(page: FullPage): readonly LinkEnd[] {
    const known = this.#pages.get(page);
    if (known) return known;
    const ends = page.links.map(({ href }) => this.of(href, page));
    this.#pages.set(page, ends);
    return ends;
  }

  of(href: string, page: FullPage): LinkEnd {
    const { path, base } = page.frame;
    if (href === '' || base !== null) return endOf(href, page, this.#context);
    const { ends, files } = this.#of(folderOf(path));
    const known = ends.get(href);
    if (known) return known;
    const hash = href.indexOf('#');
    if (!plain.test(href)) return endOf(href, page, this.#context);
    if (hash === 0) return this.#placeIn(this.#at(path), href);
    const file = hash < 0 ? href : href.slice(0, hash);
    let target = files.get(file);
    if (target === undefined) files.set(file, (target = this.#find(folderOf(path), file)));
    if (target === null) return endOf(href, page, this.#context);
    const end = this.#placeIn(target, href);
    ends.set(href, end);
    return end;
  }

  /** The place of an address in its file. */
  #placeIn({ end, ids }: Target, href: string): LinkEnd {
    const hash = href.indexOf('#');
    if (hash < 0 || ids === null) return end;
    const id = href.slice(hash + 1);
    return ids.has(id) || id.toLowerCase() === 'top' ? end : { kind: 'no-place', path: end.path, id };
  }

  #of(folder: SitePath): Folder {
    const known = this.#folders.get(folder);
    if (known) return known;
    const made: Folder = { files: new Map(), ends: new Map() };
    const [oldest] = this.#folders.size < mostFolders ? [] : this.#folders.keys();
    if (oldest !== undefined) this.#folders.delete(oldest);
    this.#folders.set(folder, made);
    return made;
  }

  #find(folder: SitePath, written: string): Target | null {
    const path = normalizePath(joinPath(folder, written));
    const file = path === null ? null : fileAt(path, this.#context);
    return file === null ? null : this.#at(file);
  }

  #at(path: SitePath): Target {
    const known = this.#targets.get(path);
    if (known) return known;
    const page = this.#context.site.pages.get(path);
    const target: Target = page
      ? { end: { kind: 'page', path }, ids: idsOf(page) }
      : { end: { kind: 'file', path }, ids: null };
    this.#targets.set(path, target);
    return target;
  }
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
      const target = address.kind === 'root' ? fileFromRoot(address.path, context.site.base) : address.path;
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
