import { readFileSync } from 'node:fs';
import { extname, join } from 'node:path';
import { mediaTypes } from '../core/text/media-types.ts';
import { isOwnKind } from './own.ts';

/** What servers say of files that browsers read as text (https://www.iana.org/assignments/media-types). */
const types: Readonly<Record<string, string>> = {
  ...mediaTypes,
  '.html': 'text/html',
  '.htm': 'text/html',
  '.css': 'text/css',
  '.js': 'text/javascript',
  '.mjs': 'text/javascript',
  '.json': 'application/json',
  '.txt': 'text/plain',
  '.pdf': 'application/pdf',
};

/** The files of a finished site as a server gives them. */
export class ServedFiles {
  readonly base: string;
  readonly #root: string;
  readonly #files: ReadonlySet<string>;
  readonly #known = new Map<string, Uint8Array>();

  /** @param files those of the site: nothing else is given, whatever lies there */
  constructor(root: string, base: string, files: ReadonlySet<string>) {
    [this.#root, this.base, this.#files] = [root, base, files];
  }

  file = (path: string): { bytes: Uint8Array; type: string } | null => {
    if (!this.#files.has(path)) return null;
    const type = types[extname(path).toLowerCase()] ?? 'application/octet-stream';
    try {
      const known = this.#known.get(path) ?? readFileSync(join(this.#root, path));
      // Pages are asked for once for each visitor, the rest again and again.
      if (type !== 'text/html') this.#known.set(path, known);
      return { bytes: known, type };
    } catch {
      return null;
    }
  };

  /** Kamino’s own script or style sheet; on a site without them, all scripts or style sheets. */
  isLost = (path: string, lost: 'script' | 'sheet'): boolean => {
    const kind = lost === 'script' ? 'js' : 'css';
    if ([...this.#files].some(one => isOwnKind(one, kind))) return isOwnKind(path, kind);
    return lost === 'script' ? /\.m?js$/i.test(path) : /\.css$/i.test(path);
  };
}
