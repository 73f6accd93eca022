import { existsSync } from 'node:fs';
import { join } from 'node:path';
import type { SitePath } from '../core/address/path.ts';
import { type Taken, lift } from '../core/inlay/lift.ts';
import { type MarkedPage, markedPages, movedTo } from '../core/site/moved.ts';
import type { Raw } from '../core/text/bytes.ts';
import { readRaw } from './read.ts';

/** What must be known to find pages that were moved. */
interface Here {
  pages: () => Iterable<SitePath>;
  raw: (page: SitePath) => Raw | null;
  /** False where no menu of Kamino's in a page says that an entry leads there: that page need not be looked at. */
  hasCurrent?: (page: SitePath) => boolean;
  /** Folders in which pages lie as they were: the output of an earlier build, what was put aside. */
  earlier: readonly string[];
  taken: Taken;
}

/** Finds the pages of a site that were moved or renamed; each path is sought once. */
export class Moves {
  readonly #here: Here;
  readonly #known = new Map<SitePath, SitePath | null>();
  /** Once one has been sought. */
  #all: { pages: readonly SitePath[]; marked: readonly MarkedPage[] } | null = null;

  constructor(here: Here) {
    this.#here = here;
  }

  /** Where a page that is not there any more has gone; null where nobody can tell. */
  readonly to = (path: SitePath): SitePath | null => {
    const known = this.#known.get(path);
    if (known !== undefined) return known;
    const found = this.#seek(path);
    this.#known.set(path, found);
    return found;
  };

  #seek(path: SitePath): SitePath | null {
    if (!/\.html?$/i.test(path)) return null;
    const { raw, earlier } = this.#here;
    const { pages: all, marked } = (this.#all ??= this.#pages());
    const folder = earlier.find(one => existsSync(join(one, path)));
    const was = folder === undefined ? null : this.#read(join(folder, path));
    const known = folder === undefined ? null : new Set(all.filter(page => existsSync(join(folder, page))));
    return movedTo(path, { pages: all, marked, raw, was, known });
  }

  #pages(): { pages: readonly SitePath[]; marked: readonly MarkedPage[] } {
    const { pages: all, hasCurrent = () => true, raw } = this.#here;
    const pages = [...all()];
    return { pages, marked: markedPages(pages.filter(hasCurrent), raw) };
  }

  #read(file: string): Raw | null {
    try {
      return lift(readRaw(file), this.#here.taken);
    } catch {
      return null;
    }
  }
}
