import { folderOfAll } from '../address/front.ts';
import { type SitePath, folderOf, isIndex, nameOf } from '../address/path.ts';
import { fileLabel } from '../menu/labels.ts';
import { spaced } from '../text/names.ts';
import { compare } from '../text/finding.ts';
import { counted, shortened } from '../text/nearest.ts';
import { draftEntry, fitting, foldFor, mostNamed, threeLevels } from './targets.ts';
import { toldApart } from './told-apart.ts';
import type { DraftEntry, DraftMenu, DraftSite } from './types.ts';

/** A folder with more pages than these is a collection: its index page alone goes into the menu. */
const mostInFolder = 12;
/** Beside the front page more than these are no menu. */
const mostAtTop = 24;
/** Of so many those that are linked to first have at least so many entries. */
const leastAtTop = 4;

/** A menu from folders and titles: folders become submenus, the front page first, the rest as the pages link to them. */
export function menuFromFolders(site: DraftSite): DraftMenu {
  const builder = new FolderMenu(site);
  const lost: string[] = [];
  const entries = toldApart(threeLevels(builder.entries(), lost), site);
  const notes = [
    ...builder.notes,
    ...(lost.length > 0 ? [`Left out, more than three levels deep: ${shortened(lost, mostNamed)}`] : []),
  ];
  return {
    name: 'masthead',
    title: 'Main',
    form: 'bar',
    comments: [],
    carriedBy: null,
    except: [],
    place: [],
    files: [],
    set: null,
    fold: foldFor(entries, site),
    entries,
    notes,
  };
}

class FolderMenu {
  readonly notes: string[] = [];
  /** The folder that all pages lie in. */
  readonly top: SitePath;
  readonly #site: DraftSite;
  readonly #paths: readonly SitePath[];
  readonly #ranks: ReadonlyMap<SitePath, number>;
  readonly #tree: FolderTree;
  readonly #folderRanks = new Map<SitePath, number>();

  constructor(site: DraftSite) {
    this.#site = site;
    const said = [...site.pages].filter(([, page]) => page.isUnlisted).map(([path]) => path);
    // A site that is still tried out may say so on every page.
    const unlisted = new Set(said.length < site.pages.size ? said : []);
    if (unlisted.size > 0)
      this.notes.push(
        `Left out, since they say noindex, send on or tell of an error: ${shortened([...unlisted].sort(), mostNamed)}`,
      );
    this.#paths = [...site.pages.keys()].filter(path => !unlisted.has(path)).sort(compare);
    this.top = folderOfAll(this.#paths);
    this.#tree = new FolderTree(this.#paths);
    this.#ranks = linkRanks(site);
  }

  /** At least one, where the site has a page. */
  entries(): DraftEntry[] {
    const found = this.entriesOf(this.top);
    return found.length > 0 ? found : this.#first(this.#paths).map(path => this.#page(path));
  }

  /** The pages of a folder and the folders in it, in order; without its own index page, but for the site's. */
  entriesOf(folder: SitePath): DraftEntry[] {
    const isTop = folder === this.top;
    const pages = this.#tree.pagesIn(folder).filter(path => isTop || !isIndex(path));
    if (isTop && this.#areMany(pages)) pages.splice(0, pages.length, ...this.#first(pages));
    if (!isTop && pages.length > mostInFolder)
      pages.splice(0, pages.length, ...this.#ofCollection(folder, pages));
    const items = [
      ...pages.map(path => ({ rank: this.#rank(path), key: path, entry: this.#page(path) })),
      ...this.#tree.foldersIn(folder).map(path => ({
        rank: this.#folderRank(path),
        key: path,
        entry: this.#folder(path),
      })),
    ];
    return items
      .sort((one, other) => one.rank - other.rank || compare(one.key, other.key))
      .flatMap(({ entry }) => entry ?? []);
  }

  /** Where it has no index page, the one that most of its pages link to stands for a collection. */
  #ofCollection(folder: SitePath, pages: readonly SitePath[]): SitePath[] {
    const hasIndex = this.#tree.pagesIn(folder).some(isIndex);
    const first = hasIndex ? null : mostLinked(pages, this.#site);
    const left = pages.length - (first === null ? 0 : 1);
    this.notes.push(
      `Left out: ${counted(left, 'page')} in ${folder}/${first === null ? '' : `; most of them link to ${nameOf(first)}`}`,
    );
    return first === null ? [] : [first];
  }

  /** No bar of a few lines. */
  #areMany(pages: readonly SitePath[]): boolean {
    const labels = pages.map(path => this.#labelOf(path));
    return pages.length > mostAtTop || (pages.length > mostInFolder && fitting(labels, 2) < pages.length);
  }

  /** Of many pages those that are linked to first, else those whose names come first. */
  #first(pages: readonly SitePath[]): SitePath[] {
    const named = pages
      .filter(path => this.#rank(path) < Infinity)
      .sort((one, other) => this.#rank(one) - this.#rank(other));
    // The front page alone says nothing of the others.
    const isSaid = named.some(path => path !== this.#site.front);
    const first = [...new Set(isSaid ? named : [...named, ...pages])].slice(0, mostInFolder);
    // As many as a bar has room for, where that makes a menu at all.
    const kept = first.slice(0, Math.max(leastAtTop, fitting(first.map(path => this.#labelOf(path)))));
    const why = !isSaid
      ? 'their names come first, and nothing says which pages matter'
      : this.#site.front === null
        ? 'they are what most pages link to'
        : 'they are what the front page links to first';
    this.notes.push(`Left out: ${counted(pages.length - kept.length, 'page')} beside these; ${why}`);
    return kept;
  }

  #page(path: SitePath): DraftEntry {
    return draftEntry(this.#labelOf(path), path, this.#site);
  }

  #labelOf(path: SitePath): string {
    return this.#site.pages.get(path)?.label ?? fileLabel(path);
  }

  #folder(path: SitePath): DraftEntry | null {
    const index = this.#tree.pagesIn(path).find(isIndex);
    const entries = this.#isHeap(path)
      ? this.#ofCollection(path, this.#tree.allIn(path)).map(one => this.#page(one))
      : this.entriesOf(path);
    if (index !== undefined) return { ...this.#page(index), entries };
    if (entries.length === 0) return null;
    // A folder of one page is that page.
    if (entries.length === 1) return entries[0]!;
    return { label: spaced(nameOf(path)), target: null, highlight: false, mayBeMissing: false, entries };
  }

  /** Many pages in many folders of which none has an index page: a program has put them there. */
  #isHeap(folder: SitePath): boolean {
    const all = this.#tree.allIn(folder);
    return all.length > mostInFolder && !all.some(isIndex) && this.#tree.foldersIn(folder).length > 1;
  }

  #rank(path: SitePath): number {
    return path === this.#site.front ? -1 : (this.#ranks.get(path) ?? Infinity);
  }

  /** That of the first page in it, at any depth. */
  #folderRank(folder: SitePath): number {
    const known = this.#folderRanks.get(folder);
    if (known !== undefined) return known;
    const pages = this.#tree.pagesIn(folder).map(path => this.#rank(path));
    const folders = this.#tree.foldersIn(folder).map(path => this.#folderRank(path));
    const rank = [...pages, ...folders].reduce((least, one) => Math.min(least, one), Infinity);
    this.#folderRanks.set(folder, rank);
    return rank;
  }
}

/** The pages and folders that lie in each folder, in the order of their paths. */
class FolderTree {
  readonly #pages = new Map<SitePath, SitePath[]>();
  readonly #folders = new Map<SitePath, SitePath[]>();

  constructor(paths: readonly SitePath[]) {
    for (const path of paths) {
      const folder = folderOf(path);
      if (!this.#pages.has(folder)) this.#enter(folder);
      this.#pages.get(folder)!.push(path);
    }
  }

  #enter(folder: SitePath): void {
    this.#pages.set(folder, []);
    const around = folderOf(folder);
    if (folder === '') return;
    if (!this.#pages.has(around)) this.#enter(around);
    const beside = this.#folders.get(around);
    if (beside) beside.push(folder);
    else this.#folders.set(around, [folder]);
  }

  pagesIn(folder: SitePath): readonly SitePath[] {
    return this.#pages.get(folder) ?? [];
  }

  foldersIn(folder: SitePath): readonly SitePath[] {
    return this.#folders.get(folder) ?? [];
  }

  /** At any depth. */
  allIn(folder: SitePath): SitePath[] {
    return [...this.pagesIn(folder), ...this.foldersIn(folder).flatMap(one => this.allIn(one))];
  }
}

/** The page that most of some pages link to; null where it is not half of them. */
function mostLinked(pages: readonly SitePath[], site: DraftSite): SitePath | null {
  const counts = new Map(pages.map(path => [path, 0]));
  for (const path of pages)
    for (const target of new Set(site.pages.get(path)?.links))
      if (counts.has(target)) counts.set(target, counts.get(target)! + 1);
  const [best] = [...counts].sort(([, one], [, other]) => other - one);
  return best && best[1] * 2 >= pages.length - 1 ? best[0] : null;
}

/** The order in which the front page links to pages; behind these, that of most pages. */
function linkRanks({ pages, front }: DraftSite): Map<SitePath, number> {
  const ranks = new Map<SitePath, number>();
  const add = (paths: readonly SitePath[], from: number): void => {
    paths.forEach((path, at) => {
      if (!ranks.has(path)) ranks.set(path, from + at);
    });
  };
  if (front !== null) add(pages.get(front)?.links ?? [], 0);
  const places = new Map<SitePath, number[]>();
  for (const { links } of pages.values())
    [...new Set(links)].forEach((path, at) => {
      const known = places.get(path);
      if (known) known.push(at);
      else places.set(path, [at]);
    });
  const mean = (list: readonly number[]): number => list.reduce((sum, one) => sum + one, 0) / list.length;
  const usual = [...places].filter(([, list]) => list.length * 2 > pages.size);
  add(
    usual.sort(([, one], [, other]) => mean(one) - mean(other)).map(([path]) => path),
    10_000,
  );
  return ranks;
}
