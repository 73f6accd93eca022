import { baseFolder, readAddress } from '../address/href.ts';
import { type SitePath, joinPath, normalizePath } from '../address/path.ts';
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

/** Every link of a site with its end. */
export function linksOf(site: WholeSite): FoundLink[] {
  const kept = known.get(site);
  if (kept) return kept;
  const found = [...site.pages.values()].flatMap(page =>
    page.links.map(link => ({ page, link, end: endOfLink(link.href, page, site) })),
  );
  known.set(site, found);
  return found;
}

const known = new WeakMap<WholeSite, FoundLink[]>();
const knownIds = new WeakMap<FullPage, ReadonlySet<string>>();

/** A page may have as many places as links to them. */
function idsOf(page: FullPage): ReadonlySet<string> {
  const ids = knownIds.get(page) ?? new Set(page.ids.map(one => one.id));
  knownIds.set(page, ids);
  return ids;
}

const lowerNames = new WeakMap<WholeSite, ReadonlyMap<string, SitePath>>();

const knownEnds = new WeakMap<WholeSite, WeakMap<FullPage, Map<string, LinkEnd>>>();

/** Where an `href` in a page leads. */
export function endOfLink(href: string, page: FullPage, site: WholeSite): LinkEnd {
  const ofSite = knownEnds.get(site) ?? new WeakMap<FullPage, Map<string, LinkEnd>>();
  knownEnds.set(site, ofSite);
  const ends = ofSite.get(page) ?? new Map<string, LinkEnd>();
  ofSite.set(page, ends);
  const end = ends.get(href) ?? readEnd(href, page, site);
  ends.set(href, end);
  return end;
}

function readEnd(href: string, page: FullPage, site: WholeSite): LinkEnd {
  const lower = lowerNames.get(site) ?? new Map([...site.files].map(path => [path.toLowerCase(), path]));
  lowerNames.set(site, lower);
  return endOf(href, page, { site, lower });
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
