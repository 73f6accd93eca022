import { readFileSync } from 'node:fs';
import { extname, join } from 'node:path';
import { decodePercent } from '../core/address/href.ts';
import { folderOf, joinPath, normalizePath } from '../core/address/path.ts';
import { parts } from '../core/markup/names.ts';
import { mediaTypes } from '../core/text/media-types.ts';
import { readAttributeReferences } from '../core/text/references.ts';
import type { OpenSite } from './open-site.ts';

/** What a document holds of a file, so that it stands alone. */
export const dataAddress = (file: string, bytes: Buffer): string =>
  `data:${mediaTypes[extname(file).toLowerCase()] ?? 'font/ttf'};base64,${bytes.toString('base64')}`;

/** Files of a site, held by a sheet that lies wherever it is put. */
export class HeldFiles {
  readonly #site: OpenSite;
  readonly #sprites: ReadonlyMap<string, Uint8Array>;

  /** @param sprites pictures of Kamino’s own, by their paths in the finished site */
  constructor(site: OpenSite, sprites: ReadonlyMap<string, Uint8Array>) {
    this.#site = site;
    this.#sprites = sprites;
  }

  /** Markup as on the front page, with the pictures of homes inside. */
  markup(text: string): string {
    return text.replace(
      new RegExp(`(<img class="${parts.mark}" src=")([^"]*)`, 'g'),
      (_, start: string, address: string) => start + this.#data('', readAttributeReferences(address)),
    );
  }

  /** A text with the pictures of entries inside, those for usual screens. */
  sprited(text: string): string {
    const image = new RegExp(`(<img class="${parts.picture}[^"]*" src=")([^"]*)"(?: srcset="[^"]*")?`, 'g');
    return text.replace(image, (whole, start: string, address: string) => {
      const bytes = this.#sprites.get(address);
      return bytes ? `${start}${dataAddress(address, Buffer.from(bytes))}"` : whole;
    });
  }

  /** A style sheet of the site with its pictures inside; other sheets that it takes over are left out. */
  style(path: string): string {
    const { root, onDisk } = this.#site;
    return this.inside(readFileSync(join(root, onDisk.get(path) ?? path), 'utf8'), path);
  }

  /** The same of a text that is to lie at a path of the site. */
  inside(style: string, path: string): string {
    return style
      .replace(/@import[^;]*;/g, '')
      .replace(
        /url\(\s*(["']?)(?!data:)([^)"']*)\1\s*\)/g,
        (_, __, address: string) => `url("${this.#data(folderOf(path), address)}")`,
      );
  }

  /** Nothing where it is no picture or font of the site. */
  #data(folder: string, address: string): string {
    const { root, onDisk, facts } = this.#site;
    const path = normalizePath(joinPath(folder, decodePercent(address.replace(/[?#].*$/, ''))));
    const isKnown = path !== null && facts.files.has(path) && extname(path).toLowerCase() in mediaTypes;
    return isKnown ? dataAddress(path, readFileSync(join(root, onDisk.get(path) ?? path))) : 'data:,';
  }
}
