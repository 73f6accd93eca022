import { type AddressStyle, writtenAddress } from '../address/href.ts';
import type { SitePath } from '../address/path.ts';
import { menuReach } from '../check/reach.ts';
import type { WholeSite } from '../site/whole.ts';
import { escapeMarkup } from '../text/references.ts';

/** The names that programs look for (https://www.sitemaps.org/protocol.html, RFC 9309). */
export const sitemapFile = 'sitemap.xml';
export const robotsFile = 'robots.txt';

/** Pages that menus lead to from the front page, and those that they do not; none that search engines are to leave out. */
export function listedPages(site: WholeSite): { listed: SitePath[]; others: SitePath[] } {
  const reached = menuReach(site);
  const all = [...site.pages].filter(([, page]) => !page.isUnlisted).map(([path]) => path);
  return {
    listed: all.filter(path => reached.has(path)).sort(),
    others: all.filter(path => !reached.has(path)).sort(),
  };
}

/** https://www.sitemaps.org/protocol.html; `lastmod` only where a page itself says when it was changed. */
export function sitemap(site: WholeSite, pages: readonly SitePath[], links: HostedStyle): string {
  const rows = pages.map(path => {
    const { modified } = site.pages.get(path)!;
    const since = modified !== null && isDate.test(modified) ? `<lastmod>${modified}</lastmod>` : '';
    return `  <url><loc>${escapeMarkup(hosted(path, links))}</loc>${since}</url>\n`;
  });
  return `<?xml version="1.0" encoding="UTF-8"?>\n<urlset xmlns="http://www.sitemaps.org/schemas/sitemap/0.9">\n${rows.join('')}</urlset>\n`;
}

/** All may come, and find the list of pages (RFC 9309, 2.2; the line with the list is that of sitemaps.org). */
export function robots(links: HostedStyle): string {
  return `User-agent: *\nAllow: /\n\n${sitemapLine(links)}\n`;
}

export const sitemapLine = (links: HostedStyle): string => `Sitemap: ${hosted(sitemapFile, links)}`;

export type HostedStyle = AddressStyle & { host: string };

const hosted = (path: SitePath, links: HostedStyle): string =>
  links.host + writtenAddress('', path, { ...links, from: 'root' });

/** W3C Datetime, as the protocol asks: a day, or a moment with its zone. */
const isDate = /^\d{4}-\d\d-\d\d(?:T\d\d:\d\d(?::\d\d(?:\.\d+)?)?(?:Z|[+-]\d\d:\d\d))?$/;
