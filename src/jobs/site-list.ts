import { listedPages, robots, robotsFile, sitemap, sitemapFile, sitemapLine } from '../core/pack/sitemap.ts';
import { bytesOf, utf8Raw } from '../core/text/bytes.ts';
import type { Finding } from '../core/text/finding.ts';
import { shortened } from '../core/text/nearest.ts';
import { noHost, ownFile, robotsElsewhere, unreachedPages } from '../files/pack-errors.ts';
import { shownPath } from '../files/paths.ts';
import type { Packed } from '../files/zip.ts';
import { openFolder } from '../opening/folder.ts';
import type { Finished } from './finished.ts';

/** A list of the pages for search engines, and where they find it, as far as the site has neither itself. */
export function siteListOf(
  { root, plan, base, opened }: Finished,
  there: ReadonlySet<string>,
): { files: Packed[] | null; findings: Finding[] } {
  const links = opened?.plan?.links;
  if (links?.host === undefined) return { files: null, findings: [noHost(shownPath(plan))] };
  const style = { ...links, host: links.host };
  const { site } = openFolder(root, { plan, isLifted: false, base });
  const { listed, others } = listedPages(site);
  const findings = others.length > 0 ? [unreachedPages(others, shortened(others, 3))] : [];
  const files: Packed[] = [];
  const add = (path: string, text: string): void => {
    files.push({ path, from: bytesOf(utf8Raw(text)) });
  };
  if (there.has(sitemapFile))
    findings.push(ownFile(sitemapFile, 'See that it names the pages that there are.'));
  else add(sitemapFile, sitemap(site, listed, style));
  // It is looked for at the root of the server, and nowhere else.
  const line = `See that it has this line:  ${sitemapLine(style)}`;
  if (there.has(robotsFile)) findings.push(ownFile(robotsFile, line));
  else if (links.base === '/') add(robotsFile, robots(style));
  else findings.push(robotsElsewhere(sitemapLine(style)));
  return { files, findings };
}
