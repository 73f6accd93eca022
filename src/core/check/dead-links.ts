import { baseFolder, readAddress } from '../address/href.ts';
import { type SitePath, joinPath, normalizePath } from '../address/path.ts';
import type { FullPage, Link } from '../site/full.ts';

/** A link that leads nowhere in the site. */
export interface DeadLink {
  page: SitePath;
  link: Link;
  /** What is missing: the file, or the place in it. */
  missing: 'file' | 'place';
}

/**
 * The links of a page that lead to no file of the site, or to no place in its page.
 * @param ids the ids of a page, or null for what is no page
 */
export function deadLinks(
  page: FullPage,
  files: ReadonlySet<SitePath>,
  ids: (path: SitePath) => ReadonlySet<string> | null,
): DeadLink[] {
  const { path, base } = page.frame;
  const folder = baseFolder(path, base);
  return page.links.flatMap(link => {
    const missing = whatMisses(link, { path, folder, hasBase: base !== null }, files, ids);
    return missing === null ? [] : [{ page: path, link, missing }];
  });
}

function whatMisses(
  link: Link,
  from: { path: SitePath; folder: SitePath; hasBase: boolean },
  files: ReadonlySet<SitePath>,
  ids: (path: SitePath) => ReadonlySet<string> | null,
): DeadLink['missing'] | null {
  const address = readAddress(link.href, from.folder);
  switch (address.kind) {
    case 'web':
    case 'other':
      return null;
    case 'outside':
      return 'file';
    case 'same-page':
      return lacksPlace(from.hasBase ? indexOf(from.folder, files) : from.path, address.fragment, ids)
        ? 'place'
        : null;
    case 'root':
    case 'inside': {
      const path = address.kind === 'root' ? (normalizePath(address.path) ?? '') : address.path;
      const target = files.has(path) ? path : indexOf(path, files);
      if (target === null) return 'file';
      return lacksPlace(target, address.fragment, ids) ? 'place' : null;
    }
  }
}

function lacksPlace(
  path: SitePath | null,
  fragment: string | null,
  ids: (path: SitePath) => ReadonlySet<string> | null,
): boolean {
  if (path === null || fragment === null || fragment === '' || fragment.toLowerCase() === 'top') return false;
  const known = ids(path);
  return known !== null && !known.has(fragment);
}

function indexOf(folder: SitePath, files: ReadonlySet<SitePath>): SitePath | null {
  return (
    ['index.html', 'index.htm'].map(name => joinPath(folder, name)).find(path => files.has(path)) ?? null
  );
}
