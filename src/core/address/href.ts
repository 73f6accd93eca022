import { type SitePath, folderOf, joinPath, normalizePath } from './path.ts';

/** An address as written in an `href`, by where it leads. `fragment` is decoded and without its `#`; null where there is none. */
export type Address =
  | { kind: 'inside'; path: SitePath; isFolder: boolean; fragment: string | null }
  | { kind: 'same-page'; fragment: string | null }
  | { kind: 'web'; url: string }
  | { kind: 'other'; scheme: string }
  | { kind: 'outside'; path: string }
  | { kind: 'root'; path: string; fragment: string | null };

/**
 * Reads an address relative to a folder of the site, as a browser would: white space at the ends and line breaks
 * inside are dropped before the scheme is looked at.
 */
export function readAddress(written: string, folder: SitePath): Address {
  // https://url.spec.whatwg.org/#concept-basic-url-parser, steps 1 to 3
  const address = written.replace(/^[\0-\x20]+|[\0-\x20]+$/g, '').replace(/[\t\n\r]/g, '');
  const scheme = /^([a-z][a-z0-9+.-]*):/i.exec(address)?.[1]?.toLowerCase();
  if (scheme === 'http' || scheme === 'https') return { kind: 'web', url: address };
  if (scheme) return { kind: 'other', scheme };
  if (address.startsWith('//')) return { kind: 'web', url: address };
  const [, path, hash] = /^([^?#]*)(?:\?[^#]*)?(#.*)?$/s.exec(address)!;
  const fragment = hash === undefined ? null : decodePercent(hash.slice(1));
  if (path === '') return { kind: 'same-page', fragment };
  // A backslash is a slash there (https://url.spec.whatwg.org/#relative-slash-state).
  const decoded = decodePercent(path!.replace(/\\/g, '/'));
  if (decoded.startsWith('/')) return { kind: 'root', path: decoded, fragment };
  const joined = joinPath(folder, decoded);
  const inside = normalizePath(joined);
  if (inside === null) return { kind: 'outside', path: decoded };
  return { kind: 'inside', path: inside, isFolder: /(^|\/)\.{0,2}$/.test(decoded), fragment };
}

/** The file of the site that an address names; null for any other. @param base where the site lies on its server */
export function fileAtAddress(address: Address, base = '/'): SitePath | null {
  if (address.kind === 'root') return fileFromRoot(address.path, base);
  return address.kind === 'inside' ? address.path : null;
}

/** A path from the root of the server, as the site's folder knows it. */
export function fileFromRoot(path: string, base: string): SitePath {
  const inside = `${path}/`.startsWith(base) ? path.slice(base.length) : path;
  return normalizePath(inside) ?? '';
}

/** An address of http or https as the URL standard's parser understands it, in its normal form; null for any other. */
export function readWebAddress(written: string): string | null {
  try {
    const url = new URL(written);
    return url.protocol === 'http:' || url.protocol === 'https:' ? url.href : null;
  } catch {
    return null;
  }
}

/**
 * The relative address of a page or file, percent-encoded.
 * @param folder where the address is read from: the folder of the page, or of its `base`
 */
export function relativeAddress(folder: SitePath, target: SitePath): string {
  const shared = sharedFolder(folder, target);
  const from = shared > 0 ? shared + 1 : 0;
  let up = folder.length > shared ? 1 : 0;
  for (let at = from; at < folder.length; at += 1) if (folder[at] === '/') up += 1;
  const rest = target.slice(from);
  const address =
    '../'.repeat(up) + (/^[\w./-]*$/.test(rest) ? rest : rest.split('/').map(encodePart).join('/'));
  return /^[^/]*:/.test(address) ? `./${address}` : address;
}

/** How addresses are written: from the page or from the root of the server, index pages as they are or as their folders. */
export interface AddressStyle {
  from: 'page' | 'root';
  index: 'shown' | 'hidden';
  /** The folder of the server in which the site lies, with `/` at both ends. */
  base: string;
  /** The server, without a `/` at the end; none where it is not known. */
  host?: string;
  /** Paths whose names are not in Unicode's composed form on the disk, with that form. */
  onDisk?: ReadonlyMap<SitePath, string>;
  /** Told of each path to which an address is written. */
  met?: (path: SitePath) => void;
}

/** The address of a page or file of the site, as a link in this folder is written. */
export function writtenAddress(folder: SitePath, path: SitePath, style: AddressStyle): string {
  const target = style.onDisk?.get(path) ?? path;
  style.met?.(target);
  const isHidden = style.index === 'hidden' && /(^|\/)index\.html?$/i.test(target);
  const shown = isHidden ? target.slice(0, target.lastIndexOf('/') + 1) : target;
  if (style.from === 'root') return style.base + shown.split('/').map(encodePart).join('/');
  if (!isHidden) return relativeAddress(folder, target);
  const file = relativeAddress(folder, target);
  return file.slice(0, file.lastIndexOf('/') + 1) || './';
}

/** Length of the longest folder that both a folder and a path lie in; where it is not 0, a `/` follows it in the path. */
function sharedFolder(folder: SitePath, path: SitePath): number {
  let end = 0;
  for (let at = 0; at <= folder.length; at += 1) {
    if ((at === folder.length || folder[at] === '/') && path[at] === '/') end = at;
    if (folder[at] !== path[at]) break;
  }
  return end;
}

/**
 * The folder from which the addresses in a page are read. A `base` on the web is taken for the site's own address:
 * its path is a folder of the site. A `base` that is none (`data:`, `mailto:`) is ignored, as browsers do.
 */
export function baseFolder(page: SitePath, base: string | null): SitePath {
  if (base === null) return folderOf(page);
  const url = readWebAddress(base.startsWith('//') ? `https:${base}` : base);
  const address = readAddress(url === null ? base : new URL(url).pathname, folderOf(page));
  switch (address.kind) {
    case 'same-page':
      return folderOf(page);
    case 'inside':
      return address.isFolder ? address.path : folderOf(address.path);
    case 'root': {
      const path = normalizePath(address.path) ?? '';
      return address.path.endsWith('/') ? path : folderOf(path);
    }
    case 'web':
    case 'other':
    case 'outside':
      return folderOf(page);
  }
}

/** `#` and a fragment, percent-encoded; the empty string for none. */
export function fragmentOf(id: string | null): string {
  if (id !== null && /^[\w-]+$/.test(id)) return `#${id}`;
  return id === null
    ? ''
    : `#${encodeURIComponent(id).replace(/%(2F|3A|40|24|2C|3B|3D|2B|3F|26)/g, readBack)}`;
}

/** Percent-encoding read as UTF-8; what is no such encoding stays as it is. */
export function decodePercent(text: string): string {
  return text.replace(/(?:%[0-9a-f]{2})+/gi, encoded => {
    try {
      return decodeURIComponent(encoded);
    } catch {
      return encoded;
    }
  });
}

/** One part of a path; the characters that the URL standard leaves alone there stay readable. */
function encodePart(part: string): string {
  if (/^[\w.-]*$/.test(part)) return part;
  return encodeURIComponent(part).replace(/%(24|26|2B|2C|3A|3B|3D|40)/g, readBack);
}

function readBack(encoded: string): string {
  return decodeURIComponent(encoded);
}
