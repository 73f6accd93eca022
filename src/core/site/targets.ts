import type { SitePath } from '../address/path.ts';
import type { FullPage, Link } from '../page/content.ts';
import { eachLink } from './links.ts';
import type { WholeSite } from './whole.ts';

/** Tells of every link that leads to a page of the site, with the place in it; empty for none. */
export function eachTarget(
  site: WholeSite,
  tell: (page: FullPage, to: SitePath, hash: string, link: Link) => void,
): void {
  eachLink(site, (link, end, page) => {
    if (end.kind === 'page' && site.pages.has(end.path)) tell(page, end.path, hashOf(link.href), link);
  });
}

/** The place that an address names, as its `id` is written; empty for none, and for the top of the page. */
export function hashOf(href: string): string {
  const at = href.indexOf('#');
  const written = at < 0 ? '' : href.slice(at + 1).trim();
  if (written.toLowerCase() === 'top') return '';
  try {
    return decodeURIComponent(written);
  } catch {
    return written;
  }
}
