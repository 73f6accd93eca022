import { folderOfAll } from '../address/front.ts';
import { type SitePath, folderOf, isIndex } from '../address/path.ts';
import { fileLabel } from '../menu/labels.ts';
import { spaced } from '../text/names.ts';
import { compare } from '../text/finding.ts';
import { counted, shortened } from '../text/nearest.ts';
import { draftEntry, fitting, foldFor, mostNamed, threeLevels } from './targets.ts';
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
  const entries = threeLevels(builder.entries(), lost);
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
    const start = folder === '' ? '' : `${folder}/`;
    const inside = this.#paths.filter(path => path.startsWith(start));
    const pages = inside.filter(path => folderOf(path) === folder && !(!isTop && isIndex(path)));
    const folders = [
      ...new Set(inside.map(path => /^[^/]+(?=\/)/.exec(path.slice(start.length))?.[0] ?? '')),
    ].filter(Boolean);
    if (isTop && this.#areMany(pages)) pages.splice(0, pages.length, ...this.#first(pages));
    if (!isTop && pages.length > mostInFolder) {
      this.notes.push(`Left out: ${counted(pages.length, 'page')} in ${folder}/`);
      pages.length = 0;
    }
    const items = [
      ...pages.map(path => ({ rank: this.#rank(path), key: path, entry: this.#page(path) })),
      ...folders.map(name => {
        const path = `${start}${name}`;
        return { rank: this.#folderRank(path), key: path, entry: this.#folder(path, name) };
      }),
    ];
    return items
      .sort((one, other) => one.rank - other.rank || compare(one.key, other.key))
      .flatMap(({ entry }) => entry ?? []);
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
    const first = (named.length > 0 ? named : pages).slice(0, mostInFolder);
    // As many as a bar has room for, where that makes a menu at all.
    const kept = first.slice(0, Math.max(leastAtTop, fitting(first.map(path => this.#labelOf(path)))));
    const why =
      named.length === 0
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

  #folder(path: SitePath, name: string): DraftEntry | null {
    const index = this.#paths.find(one => folderOf(one) === path && isIndex(one));
    const entries = this.entriesOf(path);
    if (index !== undefined) return { ...this.#page(index), entries };
    if (entries.length === 0) return null;
    // A folder of one page is that page.
    if (entries.length === 1) return entries[0]!;
    return { label: spaced(name), target: null, highlight: false, mayBeMissing: false, entries };
  }

  #rank(path: SitePath): number {
    return path === this.#site.front ? -1 : (this.#ranks.get(path) ?? Infinity);
  }

  #folderRank(folder: SitePath): number {
    const ranks = this.#paths.filter(path => path.startsWith(`${folder}/`)).map(path => this.#rank(path));
    return Math.min(...ranks);
  }
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
