import { readAddress } from '../address/href.ts';
import { type SitePath, folderOf } from '../address/path.ts';
import { readFrame } from '../page/frame.ts';
import { nothingWanted } from '../page/wanted.ts';
import type { Raw } from '../text/bytes.ts';
import { readAttributeReferences } from '../text/references.ts';

/** Pages among which one that is not at its place any more is sought. */
export interface Sought {
  pages: Iterable<SitePath>;
  /** Those that Kamino has marked as another one. */
  marked: readonly MarkedPage[];
  /** As a page lies there, with what Kamino put into it. */
  raw: (page: SitePath) => Raw | null;
  /** The missing page as it was at its old place, without what Kamino put into it; null where nobody knows. */
  was: Raw | null;
  /** The pages that were there already; null where nobody knows. */
  known: ReadonlySet<SitePath> | null;
}

/**
 * Where a page has gone: by what Kamino put into it, by its content, by its title. null where no page, or more than one,
 * may be it.
 */
export function movedTo(path: SitePath, { pages, raw, was, known, marked }: Sought): SitePath | null {
  const all = [...pages].filter(page => page !== path);
  const isMarkedSo = ({ page, hrefs }: MarkedPage): boolean =>
    page !== path && hrefs.some(href => leadsTo(href, path));
  const markedSo = marked.filter(isMarkedSo);
  if (markedSo.length === 1) return markedSo[0]!.page;
  if (was === null) return null;
  const others = known === null ? all : all.filter(page => !known.has(page));
  const equal = others.filter(page => raw(page) === was);
  if (equal.length === 1) return equal[0]!;
  const title = titleOf(path, was);
  const alike = title === null ? [] : others.filter(page => titleOf(page, raw(page)) === title);
  return alike.length === 1 ? alike[0]! : null;
}

/** A page in which Kamino marked an entry as the current one, and none that leads to the page from where it lies. */
export interface MarkedPage {
  page: SitePath;
  /** Addresses of its current entries. */
  hrefs: readonly string[];
}

/** Those of some pages: pages that were moved or copied with their menus in them. */
export function markedPages(pages: readonly SitePath[], raw: (page: SitePath) => Raw | null): MarkedPage[] {
  return pages.flatMap(page => {
    const hrefs = currentHrefs(raw(page) ?? '');
    return hrefs.length === 0 || hrefs.some(href => leadsTo(href, page)) ? [] : [{ page, hrefs }];
  });
}

function currentHrefs(raw: Raw): string[] {
  if (!raw.includes('data-kamino')) return [];
  return [...raw.matchAll(/<a class="kamino-link" href="([^"]*)"[^>]* aria-current="page"/g)].map(match =>
    readAttributeReferences(match[1]!),
  );
}

/** Whether an address in a page leads to that page. */
function leadsTo(href: string, page: SitePath): boolean {
  const address = readAddress(href, folderOf(page));
  return address.kind === 'inside' && address.path === page;
}

function titleOf(path: SitePath, raw: Raw | null): string | null {
  return raw === null ? null : readFrame(path, raw, { ...nothingWanted, title: true }).title;
}
