import { baseFolder, fileAtAddress, readAddress } from '../address/href.ts';
import { type SitePath, folderOf } from '../address/path.ts';
import type { FullPage } from '../page/content.ts';
import { type ResourceKind, styleResources } from '../page/resources.ts';
import { decode } from '../text/charset.ts';
import { placeInRaw } from '../text/place.ts';
import { readAttributeReferences } from '../text/references.ts';
import { type Place, Source } from '../text/source.ts';
import type { WholeSite } from './whole.ts';

/** A file that a page or a style sheet names, and that the site does not have. */
export interface MissingFile {
  kind: ResourceKind | 'font';
  /** Its path in the site, as far as it lies there, else as it is written. */
  path: SitePath;
  /** A file whose name differs in letter case only. */
  right: SitePath | null;
  place: Place;
  /** The file that names it. */
  from: SitePath;
}

/** Every file that pages and their style sheets name, and that is not there. @param text of a file of the site */
export function missingFiles(site: WholeSite, text: (file: SitePath) => string | null): MissingFile[] {
  const seeker = new Seeker(site, text);
  for (const page of site.pages.values()) seeker.page(page);
  return seeker.found;
}

class Seeker {
  readonly found: MissingFile[] = [];
  readonly #site: WholeSite;
  readonly #text: (file: SitePath) => string | null;
  readonly #seen = new Set<SitePath>();
  readonly #lower: ReadonlyMap<string, SitePath>;

  constructor(site: WholeSite, text: (file: SitePath) => string | null) {
    this.#site = site;
    this.#text = text;
    this.#lower = new Map([...site.files].map(path => [path.toLowerCase(), path]));
  }

  page({ frame, resources, styles }: FullPage): void {
    const { path, charset, base } = frame;
    const folder = baseFolder(path, base);
    const place = (start: number, end: number) => (): Place => placeInRaw(frame, start, end);
    for (const { kind, address, start, end } of resources) {
      const file = this.#see({ kind, address, folder, from: path }, place(start, end));
      if (file !== null && kind === 'style sheet') this.#sheet(file);
    }
    for (const { start, end } of styles) {
      const css = frame.raw.slice(start, end);
      const isTag = css.startsWith('<');
      for (const one of styleResources(isTag ? readAttributeReferences(decode(css, charset)) : css)) {
        const at = isTag ? place(start, end) : place(start + one.start, start + one.end);
        const file = this.#see({ ...one, folder, from: path }, at);
        if (file !== null && one.kind === 'style sheet') this.#sheet(file);
      }
    }
  }

  #sheet(path: SitePath): void {
    if (this.#seen.has(path)) return;
    this.#seen.add(path);
    const css = this.#text(path);
    if (css === null) return;
    const source = new Source(path, css);
    for (const one of styleResources(css)) {
      const named = { ...one, folder: folderOf(path), from: path };
      const file = this.#see(named, () => source.place(one.start, one.end));
      if (file !== null && one.kind === 'style sheet') this.#sheet(file);
    }
  }

  /** The file of the site that an address names; null where it lies elsewhere or is not there. */
  #see(
    {
      kind,
      address,
      folder,
      from,
    }: { kind: MissingFile['kind']; address: string; folder: SitePath; from: SitePath },
    place: () => Place,
  ): SitePath | null {
    const miss = (path: SitePath, right: SitePath | null): null => {
      this.found.push({ kind, path, right, place: place(), from });
      return null;
    };
    if (/^[a-z]:[\\/]|^file:/i.test(address)) return miss(address, null);
    const read = readAddress(address, folder);
    if (read.kind === 'outside') return miss(address, null);
    if (read.kind !== 'inside' && read.kind !== 'root') return null;
    const path = fileAtAddress(read, this.#site.base) ?? '';
    if (path === '' || read.path.endsWith('/')) return null;
    if (this.#site.files.has(path)) return path;
    return miss(path, this.#lower.get(path.toLowerCase()) ?? null);
  }
}
