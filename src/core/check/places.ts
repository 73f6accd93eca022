import { relativeAddress } from '../address/href.ts';
import { type SitePath, folderOf } from '../address/path.ts';
import { type Difference, differences } from '../hand/differences.ts';
import type { FoundLink } from '../site/links.ts';
import type { SiteMenu } from '../hand/site-menus.ts';
import type { HandSite } from '../hand/types.ts';
import type { Finding } from '../text/finding.ts';
import { placeInRaw } from '../text/place.ts';

/** The place of a difference in its page. */
export function placeOfDifference({ path, start, end }: Difference, site: HandSite): Finding['place'] {
  return placeInRaw(site.pages.get(path)!.frame, start, end);
}

/** `27 of 32 copies`. */
export function copiesOf(count: number, menu: SiteMenu): string {
  return `${count} of ${menu.copies.size} copies`;
}

/** A target as a link in this page would be written. */
export function writtenFrom(page: SitePath, target: string): string {
  if (/^[a-z][a-z0-9+.-]*:|^\/\//i.test(target)) return target;
  const [, path, hash] = /^([^#]*)(#.*)?$/s.exec(target)!;
  return relativeAddress(folderOf(page), path!) + (hash ?? '');
}

const toldLinks = new WeakMap<HandSite, ReadonlySet<string>>();

/** Whether a link that leads nowhere is told as one of a menu that was written for another folder. */
export function isToldByMenu({ page, link }: FoundLink, site: HandSite): boolean {
  const told =
    toldLinks.get(site) ??
    new Set(differences(site).flatMap(one => (one.kind === 'folder' ? `${one.path} ${one.start}` : [])));
  toldLinks.set(site, told);
  return told.has(`${page.frame.path} ${link.start}`);
}
