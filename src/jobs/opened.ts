import { crc32 } from 'node:zlib';
import type { ColorTools } from '../core/look/hex.ts';
import { type FontFile, type FontSource, type MenuFonts, foldWidths } from '../core/look/fonts.ts';
import type { Known, PictureColors } from '../core/look/picture-ground.ts';
import { hasLooks, picturesOf } from '../core/look/merge.ts';
import { resolveLooks } from '../core/look/scopes.ts';
import { mayBeTight, tellTight } from '../core/look/tight.ts';
import type { ResolvedLooks } from '../core/look/types.ts';
import { hasSheets } from '../core/menu/folds.ts';
import { withLooks } from '../core/menu/relook.ts';
import type { Resolution } from '../core/menu/resolve.ts';
import type { SiteFacts } from '../core/target/facts.ts';
import { behavioursOf } from '../core/markup/script.ts';
import { missingWords } from '../core/markup/words.ts';
import type { Seek } from '../core/page/types.ts';
import type { Plan } from '../core/plan/types.ts';
import { styleSheet } from '../core/style/sheet.ts';
import { type Finding, hasErrors } from '../core/text/finding.ts';
import { readSelector } from '../core/text/selector.ts';
import { nameTaken } from '../files/errors.ts';
import { folderFindings } from '../files/folders.ts';
import type { OpenSite } from '../files/open-site.ts';
import { ownPaths, ownScript, ownStyle, scriptOf } from '../files/own.ts';
import { fromUser } from '../files/paths.ts';
import type { OpenPlan } from '../files/plan.ts';
import { planMark } from '../files/plan-mark.ts';
import { Run } from '../files/run.ts';
import { version } from '../files/version.ts';

type SiteFonts = Pick<FontSource, 'open' | 'files' | 'page'>;

/** The fonts of a site, each read once. */
async function fontsOf(site: OpenSite): Promise<SiteFonts> {
  const [{ pageFonts }, { fontIn }, { PageReader }] = await Promise.all([
    import('../core/look/fonts.ts'),
    import('../files/font.ts'),
    import('../core/page/reader.ts'),
  ]);
  const page = site.facts.front ?? [...site.facts.pages].sort()[0] ?? null;
  const known = new Map<string, FontFile | null>();
  const open = (file: string): FontFile | null => {
    if (!known.has(file)) known.set(file, fontIn(site.root, file));
    return known.get(file)!;
  };
  return { open, files: site.facts.files, page: pageFonts(page, new PageReader(site.contents)) };
}

type Colors = Promise<readonly string[] | null>;

export interface Styled {
  looks: ResolvedLooks;
  style: string;
  findings: Finding[];
}

/**
 * A plan with its site, every target known. What a job wants beside that is made when it is asked for, and what that
 * needs is loaded only then: the library of colours, the reader of fonts, what follows selectors, what reads style sheets.
 */
export class Opened {
  readonly open: OpenPlan;
  readonly plan: Plan;
  readonly site: OpenSite;
  readonly facts: SiteFacts;
  readonly resolution: Resolution;
  /** What is wrong in the plan, and in what it says of the site. */
  readonly findings: readonly Finding[];
  /** What its fonts are found in, once that was asked for. */
  #ofSite: Promise<SiteFonts> | null = null;
  /** The colours of its pictures, each read once. */
  #colorsOf = new Map<string, Colors>();

  constructor(here: Pick<Opened, 'open' | 'plan' | 'site'>, facts: SiteFacts, resolution: Resolution) {
    this.open = here.open;
    this.plan = here.plan;
    this.site = here.site;
    this.facts = facts;
    this.resolution = resolution;
    this.findings = [...this.open.findings, ...this.site.record.findings, ...resolution.findings];
  }

  /** The same with the folds that bars need of which the plan says nothing. */
  async settled(): Promise<Opened> {
    const { open, plan, site, facts, resolution } = this;
    if (!resolution.menus.some(menu => menu.fold.isUsual)) return this;
    const [fonts, { settledFolds }] = await Promise.all([
      this.fonts(),
      import('../core/look/settled-folds.ts'),
    ]);
    const menus = settledFolds(resolution.menus, fonts);
    const made = new Opened({ open, plan, site }, facts, { ...resolution, menus });
    made.#ofSite = this.#ofSite;
    return made;
  }

  /** What menus are measured with. */
  async fonts(): Promise<MenuFonts> {
    const { MenuFonts: Fonts } = await import('../core/look/fonts.ts');
    this.#ofSite ??= fontsOf(this.site);
    const { look } = this.resolution;
    return new Fonts({ ...(await this.#ofSite), look, source: this.open.source });
  }

  /** The same site with other looks: nothing of it is read again. */
  relooked(open: OpenPlan, plan: Plan): Opened {
    const { site, facts, resolution } = this;
    const made = new Opened({ open, plan, site }, facts, withLooks(resolution, plan));
    this.#ofSite ??= fontsOf(site);
    made.#ofSite = this.#ofSite;
    made.#colorsOf = this.#colorsOf;
    return made;
  }

  /** The looks of menus, and their style sheet; text is measured only where a menu folds by its own room. */
  async styled(): Promise<Styled> {
    const { menus, look, panels } = this.resolution;
    const tools = await this.#colors();
    const wrong = await this.#wrongValues();
    const context = { tools, source: this.open.source, known: await this.#known() };
    const { looks, findings } = resolveLooks(look, menus, context);
    const isMeasured = menus.some(menu => menu.fold.when === 'crowded' || mayBeTight(menu));
    const fonts = isMeasured ? await this.fonts() : null;
    const fits = fonts ? foldWidths(menus, fonts) : new Map<string, number>();
    const { open, plan } = this;
    const tight = fonts ? tellTight(menus, fonts, { plan: plan.menus, source: open.source }) : [];
    const style = styleSheet(menus, looks, { fits, panels });
    return { looks, style, findings: [...wrong, ...findings, ...tight, ...(fonts?.findings ?? [])] };
  }

  /** All that can be known, and can be wrong, before a page is touched; null for no run where something is wrong. */
  async prepared({ overwrite = false } = {}): Promise<{
    run: Run | null;
    style: string;
    findings: Finding[];
  }> {
    const { open, plan, site, facts, resolution } = this;
    const { looks, style, findings: ofLooks } = await this.styled();
    const script = scriptOf(behavioursOf(resolution.menus));
    const taken = [...facts.files].find(path => ownPaths.includes(path.toLowerCase()));
    const seek = await this.#seeker();
    const findings = [
      ...this.findings,
      ...missingWords(plan.languages, resolution.menus, open.source),
      ...ofLooks,
      ...(await this.#around(seek)),
      ...folderFindings(open, plan.output, site.root),
      ...(taken ? [nameTaken(taken)] : []),
    ];
    if (hasErrors(findings)) return { run: null, style, findings };
    const own = new Map([[ownStyle, style], ...(script === null ? [] : [[ownScript, script] as const])]);
    const basis = this.#basis(script, style);
    const mark = planMark(open.source.text);
    const reserves = looks.uses.weight;
    const run = new Run({ plan, site, resolution, reserves, own, seek, overwrite, basis, mark });
    return { run, style, findings };
  }

  /** Stands for all that finished files depend on beside their sources. */
  #basis(script: string | null, style: string): string {
    const { menus, ids } = this.resolution;
    const resolved = JSON.stringify([
      menus.map(({ pages, ...menu }) => [menu, [...(pages ?? [])]]),
      [...ids],
    ]);
    return [version, script ?? '', this.open.source.text, resolved, style].map(part => crc32(part)).join(' ');
  }

  async #colors(): Promise<ColorTools | null> {
    return hasLooks(this.plan) ? (await import('../core/look/color.ts')).colorTools : null;
  }

  /** What lies behind labels beside colours: pictures, as far as they can be read. */
  async #known(): Promise<Known> {
    const { menus } = this.resolution;
    const below = menus.some(menu => menu.over) ? await this.#below() : new Map<string, string[]>();
    const pictures = await this.#colorsIn([...picturesOf(this.plan), ...[...below.values()].flat()]);
    const of = (files: readonly string[]): readonly string[] | null =>
      files.every(file => pictures.has(file)) ? files.flatMap(file => pictures.get(file)!) : null;
    const known = [...below].map(([name, files]) => [name, of(files)] as const);
    return {
      pictures,
      below: new Map(known.flatMap(([name, colors]) => (colors === null ? [] : [[name, colors] as const]))),
      over: new Map(menus.filter(menu => menu.over).map(menu => [menu.name, menu.stays !== null])),
    };
  }

  /** What menus over the page lie on. */
  async #below(): Promise<ReadonlyMap<string, string[]>> {
    const { site, plan, resolution } = this;
    const [{ picturesBelow }, seek] = await Promise.all([
      import('../core/check/below-over.ts'),
      this.#seeker(),
    ]);
    const source = { menus: resolution.menus, skipTo: plan.skipTo, seek };
    return picturesBelow(source, { pages: site.facts.pages, files: site.contents });
  }

  async #colorsIn(names: readonly string[]): Promise<PictureColors> {
    const { root, facts } = this.site;
    const files = [...new Set(names)].filter(file => facts.files.has(file));
    if (files.length === 0) return new Map();
    const { pictureColors } = await import('../files/picture-colors.ts');
    for (const file of files)
      if (!this.#colorsOf.has(file)) this.#colorsOf.set(file, pictureColors(root, file));
    const all = await Promise.all(files.map(async file => [file, await this.#colorsOf.get(file)!] as const));
    return new Map(all.flatMap(([file, colors]) => (colors === null ? [] : [[file, colors] as const])));
  }

  /** Every value of a look by the grammar of CSS. */
  async #wrongValues(): Promise<Finding[]> {
    if (!hasLooks(this.plan)) return [];
    const [{ fitsGrammar }, { wrongValues }, { wrongPictures }] = await Promise.all([
      import('../core/look/grammar.ts'),
      import('../core/look/wrong-values.ts'),
      import('../core/look/pictures.ts'),
    ]);
    const { source } = this.open;
    return [
      ...wrongValues(this.plan, fitsGrammar, source),
      ...wrongPictures(this.plan, this.facts.files, source),
    ];
  }

  async #seeker(): Promise<Seek | null> {
    const isComplex = (text: string): boolean => readSelector(text)?.isCompound === false;
    const isNeeded =
      this.plan.menus.some(
        ({ place }) =>
          place?.some(({ side, selector }) => side === 'instead-of' || isComplex(selector)) === true,
      ) || this.plan.skipTo.some(isComplex);
    return isNeeded ? (await import('../core/page/select.ts')).seekIn : null;
  }

  /** What lies around a menu that is to stay, or has submenus that lie over the page. */
  async #around(seek: Seek | null): Promise<Finding[]> {
    const { menus } = this.resolution;
    if (!menus.some(menu => menu.stays !== null || hasSheets(menu))) return [];
    const { aroundMenus } = await import('../core/check/around.ts');
    const { site } = this;
    const source = { menus, skipTo: this.plan.skipTo, seek };
    return fromUser(aroundMenus(source, { pages: site.facts.pages, files: site.contents }), site.root);
  }
}
