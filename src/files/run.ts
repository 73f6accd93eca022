import type { Inlay, Making } from '../core/inlay/inlaying.ts';
import { lacksMain, lacksViewport, otherLanguage, staysShort } from '../core/inlay/findings.ts';
import { wordsIn } from '../core/markup/words.ts';
import { carrier } from '../core/menu/carried.ts';
import { isShown } from '../core/menu/on-page.ts';
import type { SiteLanguages } from '../core/menu/languages.ts';
import type { Resolution } from '../core/menu/resolve.ts';
import type { Seek } from '../core/page/types.ts';
import type { Menu, Plan } from '../core/plan/types.ts';
import type { Finding } from '../core/text/finding.ts';
import type { OpenSite } from './open-site.ts';
import type { Finished } from './pages.ts';
import { inPlace, isOwnKind } from './own.ts';
import { PageMaker } from './pages.ts';
import type { PageNotes } from './stored.ts';
import { hashOf } from './taken.ts';

/** What of a plan finished files go by; of its menus not the entries, which are resolved. */
export type PlanOfPages = Pick<
  Plan,
  | 'site'
  | 'output'
  | 'leaveOut'
  | 'read'
  | 'skipTo'
  | 'addsViewport'
  | 'links'
  | 'style'
  | 'menus'
  | 'hashesOwnFiles'
>;

/** What finished files are made of. */
export interface RunSource {
  plan: PlanOfPages;
  site: RunSite;
  resolution: Pick<Resolution, 'menus' | 'ids'> & { languages: LanguagesOfPages | null };
  /** Labels keep room for a bolder state. */
  reserves: boolean;
  /** Kamino's own files, by path. */
  own: ReadonlyMap<string, Uint8Array>;
  /** What follows selectors that need the whole page. */
  seek: Seek | null;
  /** Stands for all that finished files depend on beside their sources. */
  basis: string;
  /** Stands for the plan’s text. */
  mark: string;
  /** The checksum of what was kept of it; left out where nothing was. */
  resolved?: number;
  /** What was counted of the site already; left out for nothing. */
  counts?: SiteCounts;
}

/** The languages that the plan names, and that of each page. */
export type LanguagesOfPages = Pick<SiteLanguages, 'all' | 'tags'>;

/** What of a site finished files go by. */
export type RunSite = Pick<
  OpenSite,
  'root' | 'planFolder' | 'files' | 'listed' | 'pieces' | 'pageFiles' | 'onDisk' | 'record' | 'contents'
> & { facts: Pick<OpenSite['facts'], 'pages' | 'movedTo'> };

export interface SiteCounts {
  pages: number;
  /** How many pages each menu is to go into. */
  carried: ReadonlyMap<string, number>;
}

/** The finished files of one build, each made when it is asked for. */
export class Run {
  readonly source: RunSource;
  readonly site: RunSite;
  /** The path of Kamino's own style sheet. */
  readonly style: string;
  /** What was told before the first page was made. */
  told: readonly Finding[] = [];
  readonly #carries: Inlay['carries'];
  readonly #maker: PageMaker;
  readonly #made = new Map<string, Finished>();
  #counts: SiteCounts | null;

  constructor(source: RunSource) {
    const { plan, site, resolution, own, reserves, seek } = source;
    const { menus, ids, languages } = resolution;
    this.source = source;
    this.#counts = source.counts ?? null;
    this.style = [...own.keys()].find(path => isOwnKind(path, 'css'))!;
    this.site = site;
    this.#carries = carrier(menus);
    const inlay: Inlay = {
      menus,
      carries: this.#carries,
      styles: [this.style, ...(plan.style ? [plan.style.path] : [])],
      script: [...own.keys()].find(path => isOwnKind(path, 'js')) ?? null,
      skipTo: plan.skipTo,
      addsViewport: plan.addsViewport,
      languageOf: languageOf(languages),
      reserves,
      links: { ...plan.links, onDisk: site.onDisk },
      hash: hashOf,
      taken: hash => site.record.taken(hash),
      ids,
      seek,
    };
    this.#maker = new PageMaker(site.root, inlay, (hash, raw) => {
      // In a folder of finished pages nothing is lost: the sources have it.
      site.record.keep(hash, raw, plan.output === inPlace);
    });
  }

  /** What was found in pages on the way, one by one. */
  get findings(): Finding[] {
    return this.#maker.findings;
  }

  /** What was found in all pages made so far. */
  get pageFindings(): Finding[] {
    const { menus, languages } = this.source.resolution;
    const { lackMain, lackViewport, otherLanguages, staysShort: short } = this.#maker;
    const words = languages === null ? wordsIn(menus) : null;
    const all = this.counts.pages;
    return [
      ...this.findings,
      ...[...otherLanguages].map(([tag, pages]) => otherLanguage(tag, pages, { words, all })),
      ...[...short].map(([key, pages]) => staysShort(key.split(' ') as [string, string], pages)),
      ...(lackMain.length > 0 ? [lacksMain(lackMain)] : []),
      ...(lackViewport.length > 0 ? [lacksViewport(lackViewport)] : []),
    ];
  }

  /** Menus that went into no page, for want of a place. */
  nowhere(): Menu[] {
    const counts = this.menus();
    const lost = new Set(this.findings.flatMap(one => (one.rule === 'no-place' ? (one.menu ?? []) : [])));
    return this.source.plan.menus.filter(
      ({ name }) => lost.has(name) && counts.every(one => one.name !== name || one.pages === 0),
    );
  }

  isPage(path: string): boolean {
    return this.site.pageFiles.has(path);
  }

  from(path: string): string {
    return `${this.site.root}/${path}`;
  }

  /** A finished page, good until the next is asked for. What was found in it is told once. */
  page(path: string, how?: Making): Finished {
    return this.#made.get(path) ?? this.#maker.page(path, how);
  }

  /** The same, with what went in and out. */
  inlaid(path: string): ReturnType<PageMaker['inlaid']> {
    return this.#maker.inlaid(path);
  }

  /** The same, kept for when it is written. */
  pageToKeep(path: string, how?: Making): Finished {
    const { bytes, checksum } = this.page(path, how);
    const made = { bytes: Uint8Array.from(bytes), checksum };
    this.#made.set(path, made);
    return made;
  }

  /** What there is to tell of a page that was made; null for nothing. */
  notesOf(path: string): PageNotes | null {
    return this.#maker.notesOf(path);
  }

  /** A page that stays as it was is told of as it was. */
  noteAgain(path: string, notes: PageNotes | null): void {
    if (notes) this.#maker.note(path, notes);
  }

  /** The menus, with how many pages carry each: but for those made so far in which it has no place. */
  menus(): { name: string; pages: number }[] {
    const { without } = this.#maker;
    return [...this.counts.carried].map(([name, number]) => ({
      name,
      pages: number - (without.get(name) ?? 0),
    }));
  }

  /** What there is of pages, and of those that are to carry each menu. */
  get counts(): SiteCounts {
    return (this.#counts ??= this.#counted());
  }

  #counted(): SiteCounts {
    const pages = [...this.site.facts.pages];
    const carried = new Map<string, number>();
    for (const menu of this.source.resolution.menus) {
      const own = pages.filter(page => this.#carries(menu, page) && isShown(menu, page));
      carried.set(menu.name, (carried.get(menu.name) ?? 0) + own.length);
    }
    return { pages: pages.length, carried };
  }
}

function languageOf(languages: LanguagesOfPages | null): Inlay['languageOf'] {
  if (languages === null) return () => null;
  const all = new Map(languages.all.map(one => [one.tag, one]));
  return page => all.get(languages.tags.get(page) ?? '') ?? languages.all[0]!;
}
