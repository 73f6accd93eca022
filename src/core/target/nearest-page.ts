import { type SitePath, folderOf, nameOf } from '../address/path.ts';
import { nearest } from '../text/nearest.ts';

/** The page most likely meant: the same but for case, the same name in another folder, the nearest spelling. */
export function nearestPage(path: SitePath, pages: ReadonlySet<SitePath>): SitePath | null {
  const index = indexes.get(pages) ?? new PathIndex(pages);
  indexes.set(pages, index);
  return index.nearest(path);
}

/** The same among files of the same kind: not one whose name differs in its numbers only, which is another of a row. */
export function nearestFile(path: SitePath, files: ReadonlySet<SitePath>): SitePath | null {
  const near = nearestPage(path, ofKind(kindOf(path), files));
  if (
    near === null ||
    (withoutNumbers(near) === withoutNumbers(path) && near.toLowerCase() !== path.toLowerCase())
  )
    return null;
  // A long way that both share makes no name like another.
  return nearest(nameOf(path), [nameOf(near)]) === null ? null : near;
}

const kinds = new WeakMap<ReadonlySet<SitePath>, Map<string, ReadonlySet<SitePath>>>();

function ofKind(kind: string, files: ReadonlySet<SitePath>): ReadonlySet<SitePath> {
  const known = kinds.get(files) ?? new Map<string, ReadonlySet<SitePath>>();
  kinds.set(files, known);
  const found = known.get(kind) ?? new Set([...files].filter(path => kindOf(path) === kind));
  known.set(kind, found);
  return found;
}

/** A page, a picture, or what its ending says. */
function kindOf(path: SitePath): string {
  const ending = /\.([a-z\d]+)$/i.exec(nameOf(path))?.[1]?.toLowerCase() ?? 'html';
  if (/^(?:html?|php|aspx?|jsp|shtml)$/.test(ending)) return 'page';
  return /^(?:png|jpe?g|gif|webp|svg|avif|bmp|ico)$/.test(ending) ? 'picture' : ending;
}

const withoutNumbers = (path: string): string => path.toLowerCase().replace(/\d+/g, '#');

const indexes = new WeakMap<ReadonlySet<SitePath>, PathIndex>();
/** With more paths than these, only those of the same folder are compared letter by letter. */
const mostCompared = 500;

class PathIndex {
  readonly #byLower = new Map<string, SitePath>();
  readonly #byStem = new Map<string, SitePath>();
  readonly #byName = new Map<string, SitePath[]>();
  readonly #byFolder = new Map<SitePath, SitePath[]>();
  readonly #all: readonly SitePath[];
  readonly #known = new Map<SitePath, SitePath | null>();

  constructor(paths: ReadonlySet<SitePath>) {
    this.#all = [...paths];
    for (const path of paths) {
      const lower = path.toLowerCase();
      if (!this.#byLower.has(lower)) this.#byLower.set(lower, path);
      const stem = lower.replace(/\.html?$/, '');
      if (!this.#byStem.has(stem)) this.#byStem.set(stem, path);
      const name = nameOf(lower);
      this.#byName.set(name, [...(this.#byName.get(name) ?? []).slice(0, 1), path]);
      const folder = this.#byFolder.get(folderOf(path));
      if (folder) folder.push(path);
      else this.#byFolder.set(folderOf(path), [path]);
    }
  }

  nearest(path: SitePath): SitePath | null {
    const known = this.#known.get(path);
    if (known !== undefined) return known;
    const lower = path.toLowerCase();
    const sameName = this.#byName.get(nameOf(lower)) ?? [];
    const near =
      this.#byLower.get(lower) ??
      this.#byStem.get(lower.replace(/\.html?$/, '')) ??
      (sameName.length === 1 ? sameName[0]! : nearest(path, this.#near(path)));
    this.#known.set(path, near);
    return near;
  }

  #near(path: SitePath): readonly SitePath[] {
    return this.#all.length <= mostCompared ? this.#all : (this.#byFolder.get(folderOf(path)) ?? []);
  }
}
