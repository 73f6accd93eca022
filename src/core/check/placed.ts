import type { SitePath } from '../address/path.ts';
import { Placement, type PlacementSource, pagesOfFolders } from '../inlay/placement.ts';
import type { Point } from '../inlay/points.ts';
import { carrier } from '../menu/carried.ts';
import type { ResolvedMenu } from '../menu/types.ts';
import { type JudgedPage, type PageFiles, PageReader } from '../page/reader.ts';

const mostPages = 12;

/** A menu in its place on a page. */
export interface Placed {
  menu: ResolvedMenu;
  page: JudgedPage;
  point: Point;
}

/** Menus in their places, on one page of each folder; each page is read once, whoever asks. */
export class PlacedMenus {
  readonly #placement: Placement;
  readonly #reader: PageReader;
  readonly #pages: readonly SitePath[];
  readonly #menus: readonly ResolvedMenu[];

  constructor(source: PlacementSource, { pages, files }: { pages: Iterable<SitePath>; files: PageFiles }) {
    this.#menus = source.menus;
    this.#placement = new Placement(source);
    this.#reader = new PageReader(files, raw => this.#placement.wanted(source.menus, raw));
    this.#pages = pagesOfFolders(pages, mostPages);
  }

  /** The menus for which it holds, page by page; it is asked on each page, and none is read where it holds for no menu. */
  *of(isWanted: (menu: ResolvedMenu) => boolean): Generator<Placed> {
    const menus = this.#menus.filter(isWanted);
    const carries = carrier(menus);
    for (const path of menus.length > 0 ? this.#pages : []) {
      const own = menus.filter(menu => isWanted(menu) && carries(menu, path));
      const page = own.length > 0 ? this.#reader.judged(path) : null;
      if (!page) continue;
      for (const menu of own) yield { menu, page, point: this.#placement.point(menu, page.frame) };
    }
  }
}
