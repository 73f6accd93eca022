import { type SitePath, folderOf } from '../address/path.ts';
import { Placement, type PlacementSource } from '../inlay/placement.ts';
import type { Point } from '../inlay/points.ts';
import { carrier } from '../menu/carried.ts';
import type { ResolvedMenu } from '../menu/types.ts';
import { type JudgedPage, type PageFiles, PageReader } from '../page/reader.ts';

const mostPages = 12;
/** Of so many pages of a folder one is taken that has no more bytes than most: lists of all that there is take long. */
const looked = 8;
const usualBytes = 1 << 16;

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
    this.#pages = pagesOfFolders(pages, page => files.raw(page)?.length ?? 0);
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

/** One page of each folder: pages of a folder are mostly built alike. */
function pagesOfFolders(pages: Iterable<SitePath>, bytes: (page: SitePath) => number): SitePath[] {
  const folders = new Map<string, SitePath[]>();
  for (const page of [...pages].sort()) {
    const own = folders.get(folderOf(page)) ?? [];
    if (own.length === 0) folders.set(folderOf(page), own);
    if (own.length < looked) own.push(page);
  }
  const all = [...folders.values()].slice(0, mostPages);
  return all.map(own => own.find(page => bytes(page) <= usualBytes) ?? own[0]!);
}
