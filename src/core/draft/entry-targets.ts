import { decodePercent, fileFromRoot, readWebAddress } from '../address/href.ts';
import { joinPath } from '../address/path.ts';
import { entryKey } from '../hand/copy-entries.ts';
import { type SiteEntry, flatShared } from '../hand/shared.ts';
import type { SiteMenu } from '../hand/site-menus.ts';
import type { WholeSite } from '../site/whole.ts';
import type { DraftSite } from './types.ts';

/** Fewer addresses may be alike by chance. */
const leastOwn = 3;

/** Addresses of the server that the site lies on already, by the pages here that they are of. */
export function ownPages({ entries }: SiteMenu, site: WholeSite): ReadonlyMap<string, string> {
  const all = flatShared(entries).flatMap(({ target }) => target ?? []);
  const hosts = new Map<string, { address: string; page: string | null }[]>();
  for (const address of new Set(all)) {
    const whole = readWebAddress(address.replace(/^\/\//, 'https://'));
    if (whole === null) continue;
    const url = new URL(whole);
    const known = hosts.get(url.host);
    const one = { address, page: url.search === '' ? pageAt(url, site) : null };
    if (known) known.push(one);
    else hosts.set(url.host, [one]);
  }
  const own = [...hosts.values()].find(found => {
    const there = found.filter(({ page }) => page !== null).length;
    return there >= leastOwn && there * 5 >= found.length * 4 && found.length * 2 >= all.length;
  });
  return new Map(own?.flatMap(({ address, page }) => (page === null ? [] : [[address, page]])));
}

function pageAt(url: URL, { pages, base }: WholeSite): string | null {
  const path = fileFromRoot(decodePercent(url.pathname), base);
  const page = [path, joinPath(path, 'index.html'), joinPath(path, 'index.htm')].find(one => pages.has(one));
  const id = decodePercent(url.hash.slice(1));
  const isThere = page !== undefined && (id === '' || pages.get(page)!.ids.some(one => one.id === id));
  return isThere ? page + url.hash : null;
}

export const ownNotes = (own: ReadonlyMap<string, string>): string[] => {
  const [address] = own.keys();
  return address === undefined
    ? []
    : [`Led to pages of ${new URL(address, 'https://a').host}: they are those of this site now`];
};

/** For entries that lead nowhere: a section of the page with the only copy, or a page, of the same name. */
export function targetsByName(menu: SiteMenu, site: WholeSite, known: DraftSite): Map<SiteEntry, string> {
  const found = new Map<SiteEntry, string>();
  const [path] = menu.copies.size === 1 ? [...menu.copies.keys()] : [];
  const headings = path === undefined ? [] : site.pages.get(path)!.headings;
  for (const one of flatShared(menu.entries)) {
    if (one.target !== null) continue;
    const key = entryKey(one.label);
    const heading = headings.find(({ text, id }) => id !== null && entryKey(text) === key);
    const [page] = [...known.pages].find(([, { label }]) => label !== null && entryKey(label) === key) ?? [];
    if (heading) found.set(one, `${path!}#${heading.id!}`);
    else if (page !== undefined) found.set(one, page);
  }
  return found;
}
