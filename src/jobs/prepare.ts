import { partsFor } from './parts-for.ts';
import { createHash } from 'node:crypto';
import { crc32 } from 'node:zlib';
import type { Inlay } from '../core/inlay/inlay.ts';
import { behavioursOf } from '../core/inlay/script.ts';
import { styleSheet } from '../core/inlay/style.ts';
import { missingWords, wordsIn } from '../core/inlay/words.ts';
import { resolveLooks } from '../core/look/scopes.ts';
import type { ColorTools } from '../core/look/hex.ts';
import type { ResolvedLooks } from '../core/look/types.ts';
import { carrier } from '../core/menu/carried.ts';
import { type Resolution, resolveMenus } from '../core/menu/resolve.ts';
import { hasSheets } from '../core/menu/folds.ts';
import type { ResolvedMenu } from '../core/menu/types.ts';
import type { Look, Menu, Plan } from '../core/plan/types.ts';
import type { Seek } from '../core/site/types.ts';
import { readSelector } from '../core/text/selector.ts';
import { bytesOf } from '../core/text/bytes.ts';
import type { Finding } from '../core/text/finding.ts';
import type { Source } from '../core/text/source.ts';
import type { Finished } from '../files/output.ts';
import { PageMaker } from '../files/pages.ts';
import type { Glance } from '../files/record.ts';
import { folderFindings, lacksMain, nameTaken, otherLanguage, staysShort } from './build-findings.ts';
import { planMark } from './glance.ts';
import { fromUser } from './paths.ts';
import { ownPaths, ownScript, ownStyle, scriptOf } from './own.ts';
import { type OpenPlan, type OpenSite, readWords } from './project.ts';
import type { BuildResult } from './result.ts';
import { version } from './version.ts';

export interface Prepared {
  findings: Finding[];
  menus: ResolvedMenu[];
  ids: Resolution['ids'];
  languages: Resolution['languages'];
  looks: ResolvedLooks;
  style: string;
  /** Kamino's own files, by path. */
  own: ReadonlyMap<string, string>;
  /** What follows selectors that need the whole page. */
  seek: Seek | null;
  /** Stands for all that finished files depend on beside their sources. */
  basis: string;
}

/** All that can be known, and can be wrong, before a page is touched. */
export async function prepare(open: OpenPlan, plan: Plan, site: OpenSite): Promise<Prepared> {
  const parts = await partsFor(plan, site);
  const facts = { ...site.facts, parts, words: readWords(open, plan, site) };
  const { menus, panels, ids, languages, look, findings } = resolveMenus(plan, facts, open.source);
  const {
    looks,
    style,
    findings: ofLooks,
  } = await looksOf(plan, {
    resolution: { menus, look, panels },
    site,
    source: open.source,
  });
  const script = scriptOf(behavioursOf(menus));
  const basis = [
    version,
    script ?? '',
    open.source.text,
    JSON.stringify([menus.map(({ pages, ...menu }) => [menu, [...(pages ?? [])]]), [...ids]]),
    style,
  ]
    .map(part => crc32(part))
    .join(' ');
  const taken = [...facts.files].find(path => ownPaths.includes(path.toLowerCase()));
  const ofFolders = folderFindings(open, plan, site);
  return {
    findings: [
      ...findings,
      ...missingWords(plan.languages, menus, open.source),
      ...ofLooks,
      ...(await clippedIn(menus, site)),
      ...ofFolders,
      ...(taken ? [nameTaken(taken)] : []),
    ],
    menus,
    ids,
    languages,
    looks,
    style,
    own: new Map([[ownStyle, style], ...(script === null ? [] : [[ownScript, script] as const])]),
    basis,
    seek: await seekerOf(plan),
  };
}

/** The library of selectors is loaded only where a plan needs it. */
async function seekerOf({ menus, skipTo }: Plan): Promise<Seek | null> {
  const isComplex = (text: string): boolean => readSelector(text)?.isCompound === false;
  const isNeeded =
    menus.some(({ place }) => place?.side === 'instead-of' || place?.selectors.some(isComplex) === true) ||
    skipTo.some(isComplex);
  return isNeeded ? (await import('../core/site/select.ts')).seekIn : null;
}

/** What reads style sheets is loaded only where a menu is to stay, or has submenus that lie over the page. */
async function clippedIn(menus: readonly ResolvedMenu[], site: OpenSite): Promise<Finding[]> {
  const ofStaying = menus.some(menu => menu.stays !== null)
    ? (await import('./stays.ts')).clippedMenus(menus, site)
    : [];
  const ofSheets = menus.some(hasSheets)
    ? (await import('./hidden-sheets.ts')).hiddenSheets(menus, site)
    : [];
  return fromUser([...ofStaying, ...ofSheets], site.root);
}

/** The looks of menus, and their style sheet. */
export async function looksOf(
  plan: Plan,
  {
    resolution,
    site,
    source,
  }: { resolution: Pick<Resolution, 'menus' | 'look' | 'panels'>; site: OpenSite; source: Source },
): Promise<{ looks: ResolvedLooks; style: string; findings: Finding[] }> {
  const { menus, look, panels } = resolution;
  const { looks, findings } = resolveLooks(look, menus, { tools: await toolsFor(plan), source });
  const { fits, findings: ofFonts } = await fitsOf(menus, { site, look, source });
  return { looks, style: styleSheet(menus, looks, { fits, panels }), findings: [...findings, ...ofFonts] };
}

/** The widths at which menus fold by their own room; what measures text is loaded only where one does. */
async function fitsOf(
  menus: readonly ResolvedMenu[],
  { site, look, source }: { site: OpenSite; look: Look | null; source: Source },
): Promise<{ fits: ReadonlyMap<string, number>; findings: Finding[] }> {
  if (!menus.some(menu => menu.fold.when === 'crowded')) return { fits: new Map(), findings: [] };
  const { MenuFonts, foldWidths } = await import('./fonts.ts');
  const fonts = await MenuFonts.open(site, look, source);
  return { fits: foldWidths(menus, fonts), findings: fonts.findings };
}

/** The library of colours is loaded only where the plan has any. */
async function toolsFor(plan: Plan): Promise<ColorTools | null> {
  const has = plan.look !== null || plan.looks.size > 0 || plan.menus.some(hasLook);
  return has ? (await import('../core/look/color.ts')).colorTools : null;
}

function hasLook(menu: Menu): boolean {
  const has = (entries: Menu['entries']): boolean =>
    entries.some(
      one =>
        one.look !== null ||
        (one.highlight !== null && typeof one.highlight === 'object') ||
        has(one.entries),
    );
  return menu.look !== null || has(menu.entries);
}

/** The finished files of one build, each made when it is asked for. */
export class Run {
  readonly prepared: Prepared;
  readonly site: OpenSite;
  readonly #plan: Plan;
  readonly #planMark: string;
  readonly #maker: PageMaker;
  readonly #inlay: Inlay;
  readonly #made = new Map<string, Finished>();

  constructor(open: OpenPlan, plan: Plan, site: OpenSite, prepared: Prepared) {
    this.#plan = plan;
    this.#planMark = planMark(open.source.text);
    this.prepared = prepared;
    this.site = site;
    this.#inlay = {
      menus: prepared.menus,
      carries: carrier(prepared.menus),
      styles: [ownStyle, ...(plan.style ? [plan.style.path] : [])],
      script: prepared.own.has(ownScript) ? ownScript : null,
      skipTo: plan.skipTo,
      languageOf: languageOf(prepared.languages),
      reserves: prepared.looks.uses.weight,
      links: { ...plan.links, onDisk: site.onDisk },
      hash: hashOf,
      taken: hash => site.record.taken(hash),
      ids: prepared.ids,
      seek: prepared.seek,
    };
    this.#maker = new PageMaker(site.root, this.#inlay, (hash, raw) => {
      site.record.keep(hash, raw);
    });
  }

  get findings(): Finding[] {
    return this.#maker.findings;
  }

  /** What was found in all pages made so far. */
  get pageFindings(): Finding[] {
    const { menus, languages } = this.prepared;
    const { lackMain, otherLanguages, staysShort: short } = this.#maker;
    const words = languages === null ? wordsIn(menus) : null;
    const all = this.site.facts.pages.size;
    return [
      ...this.findings,
      ...[...otherLanguages].map(([tag, pages]) => otherLanguage(tag, pages, { words, all })),
      ...[...short].map(([key, pages]) => staysShort(key.split(' ') as [string, string], pages)),
      ...(lackMain.length > 0 ? [lacksMain(lackMain)] : []),
    ];
  }

  isPage(path: string): boolean {
    return this.site.pageFiles.has(path);
  }

  from(path: string): string {
    return `${this.site.root}/${path}`;
  }

  /** A finished page, good until the next is asked for. What was found in it is told once. */
  page(path: string): Finished {
    return this.#made.get(path) ?? this.#maker.page(path);
  }

  /** The same, with what went in and out. */
  inlaid(path: string): ReturnType<PageMaker['inlaid']> {
    return this.#maker.inlaid(path);
  }

  /** The same, kept for when it is written. */
  pageToKeep(path: string): Finished {
    const { bytes, checksum } = this.page(path);
    const made = { bytes: Uint8Array.from(bytes), checksum };
    this.#made.set(path, made);
    return made;
  }

  /** What the next build can go by if nothing has changed. */
  glance({ menus, pages }: BuildResult): Glance {
    return {
      plan: this.#planMark,
      site: this.#plan.site,
      leaveOut: [...this.#plan.leaveOut],
      own: [...this.prepared.own.keys()],
      menus,
      pages,
    };
  }

  /** The menus, with how many pages are to carry each. */
  menus(): { name: string; pages: number }[] {
    const pages = [...this.site.facts.pages];
    const count = (menu: ResolvedMenu): number =>
      pages.filter(page => this.#inlay.carries(menu, page)).length;
    const counts = new Map<string, number>();
    for (const menu of this.prepared.menus) counts.set(menu.name, (counts.get(menu.name) ?? 0) + count(menu));
    return [...counts].map(([name, number]) => ({ name, pages: number }));
  }
}

function languageOf(languages: Resolution['languages']): Inlay['languageOf'] {
  if (languages === null) return () => null;
  const all = new Map(languages.all.map(one => [one.tag, one]));
  return page => all.get(languages.of(page)) ?? null;
}

/** The name under which something taken out of a page is kept. */
function hashOf(raw: string): string {
  return createHash('sha256').update(bytesOf(raw)).digest('hex').slice(0, 24);
}
