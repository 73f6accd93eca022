/**
 * Paths inside a site: `/` between the parts, no `.` or `..`, no `/` at either end, in Unicode's composed form;
 * the empty path is the site's folder.
 */
export type SitePath = string;

/** A path as the site's folder knows it, or null where it leaves that folder. */
export function normalizePath(path: string): SitePath | null {
  const parts: string[] = [];
  for (const part of path.normalize('NFC').split('/')) {
    if (part === '' || part === '.') continue;
    if (part !== '..') parts.push(part);
    else if (parts.pop() === undefined) return null;
  }
  return parts.join('/');
}

/** The folder of a page: `visit` for `visit/index.html`, the empty path for `index.html`. */
export function folderOf(path: SitePath): SitePath {
  const slash = path.lastIndexOf('/');
  return slash < 0 ? '' : path.slice(0, slash);
}

export function nameOf(path: SitePath): string {
  return path.slice(path.lastIndexOf('/') + 1);
}

/** A path without the ending of a page; the whole path where another page has that already. */
export function stemOf(path: SitePath, pages: ReadonlySet<SitePath>): string {
  const stem = path.replace(/\.html?$/i, '');
  const others = ['.html', '.htm'].map(ending => stem + ending).filter(one => one !== path && pages.has(one));
  return others.length > 0 ? path : stem;
}

export function joinPath(folder: SitePath, path: string): string {
  return folder === '' ? path : `${folder}/${path}`;
}

/** An index page is the one that a server gives for its folder. */
export function isIndex(path: SitePath): boolean {
  return /^(index|default)\.html?$/i.test(nameOf(path));
}

/** Whether a path lies in a folder, at any depth. */
export function isInside(path: SitePath, folder: SitePath): boolean {
  return folder === '' || path.startsWith(`${folder}/`);
}
