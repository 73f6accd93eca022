import { type SitePath, folderOf, nameOf } from '../address/path.ts';
import { nearest } from '../text/nearest.ts';

/** The page most likely meant: the same but for case, the same name in another folder, the nearest spelling. */
export function nearestPage(path: SitePath, pages: ReadonlySet<SitePath>): SitePath | null {
  const index = indexes.get(pages) ?? new PathIndex(pages);
  indexes.set(pages, index);
  return index.nearest(path);
}

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
