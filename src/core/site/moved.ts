import { readAddress } from '../address/href.ts';
import { type SitePath, folderOf } from '../address/path.ts';
import { readFrame } from '../page/frame.ts';
import { nothingWanted } from '../page/wanted.ts';
import type { Raw } from '../text/bytes.ts';
import { readAttributeReferences } from '../text/references.ts';

/** Pages among which one that is not at its place any more is sought. */
export interface Sought {
  pages: Iterable<SitePath>;
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
export function movedTo(path: SitePath, { pages, raw, was, known }: Sought): SitePath | null {
  const all = [...pages].filter(page => page !== path);
  const marked = all.filter(page => isMarkedAs(path, page, raw(page)));
  if (marked.length === 1) return marked[0]!;
  if (was === null) return null;
  const others = known === null ? all : all.filter(page => !known.has(page));
  const equal = others.filter(page => raw(page) === was);
  if (equal.length === 1) return equal[0]!;
  const title = titleOf(path, was);
  const alike = title === null ? [] : others.filter(page => titleOf(page, raw(page)) === title);
  return alike.length === 1 ? alike[0]! : null;
}

/** The entry of the page itself, as Kamino has marked it, leads to the old path from there, and not to the page from here. */
function isMarkedAs(path: SitePath, page: SitePath, raw: Raw | null): boolean {
  if (!raw?.includes('data-kamino')) return false;
  const leadsTo = (href: string, from: SitePath): boolean => {
    const address = readAddress(href, folderOf(from));
    return address.kind === 'inside' && address.path === from;
  };
  const marked = [...raw.matchAll(/<a class="kamino-link" href="([^"]*)"[^>]* aria-current="page"/g)].map(
    match => readAttributeReferences(match[1]!),
  );
  return marked.some(href => leadsTo(href, path)) && !marked.some(href => leadsTo(href, page));
}

function titleOf(path: SitePath, raw: Raw | null): string | null {
  return raw === null ? null : readFrame(path, raw, { ...nothingWanted, title: true }).title;
}
