import { crc32 } from 'node:zlib';
import { weighedLooks } from '../core/check/carried.ts';
import type { PlacedMenus } from '../core/check/placed.ts';
import type { ColorTools } from '../core/look/hex.ts';
import { type MenuFonts, foldWidths } from '../core/look/fonts.ts';
import { type Known, knownBehind, nothingKnown } from '../core/look/picture-ground.ts';
import { hasLooks, picturesOf } from '../core/look/looks-in.ts';
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
import { bytesOf } from '../core/text/bytes.ts';
import { readSelector } from '../core/text/selector.ts';
import { nameTaken } from '../files/errors.ts';
import { folderFindings } from '../files/folders.ts';
import type { OpenSite } from '../files/open-site.ts';
import { ownPath, ownPaths, ownScript, ownStyle, scriptOf } from '../files/own.ts';
import { fromUser } from '../files/paths.ts';
import type { OpenPlan } from '../files/plan.ts';
import { planMark } from '../files/plan-mark.ts';
import { Run } from '../files/run.ts';
import { version } from '../files/version.ts';
import { AskedOfSite } from './asked.ts';

export interface Styled {
  looks: ResolvedLooks;
  style: string;
  findings: Finding[];
}

/** What was made of a site already. */
interface Made {
  asked?: AskedOfSite;
  sprites?: ReadonlyMap<string, Uint8Array>;
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
  /** Pictures that were packed, by their paths in the finished site. */
  readonly sprites: ReadonlyMap<string, Uint8Array>;
  /** What is read of the site when it is asked for, whatever the looks are. */
  readonly #asked: AskedOfSite;

  constructor(
    here: Pick<Opened, 'open' | 'plan' | 'site'>,
    facts: SiteFacts,
    resolution: Resolution,
    { asked = new AskedOfSite(here.site), sprites = new Map<string, Uint8Array>() }: Made = {},
  ) {
    this.#asked = asked;
    this.sprites = sprites;
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
    return new Opened({ open, plan, site }, facts, { ...resolution, menus }, this.#made);
  }

  /** The same with the pictures of entries packed. */
  async pictured(): Promise<Opened> {
    const { open, plan, site, facts, resolution } = this;
    if (!resolution.menus.some(menu => menu.pictures)) return this;
    const { packedSite } = await import('./pictured.ts');
    const { menus, findings, files } = await packedSite(this);
    const told = { ...resolution, menus, findings: [...resolution.findings, ...findings] };
    return new Opened({ open, plan, site }, facts, told, { ...this.#made, sprites: files });
  }

  get #made(): Made {
    return { asked: this.#asked, sprites: this.sprites };
  }

  /** What menus are measured with. */
  async fonts(): Promise<MenuFonts> {
    const { MenuFonts: Fonts } = await import('../core/look/fonts.ts');
    const { look, menus } = this.resolution;
    const named = [look, ...menus.map(menu => menu.look)].flatMap(one => one?.font.file ?? []);
    return new Fonts({ ...(await this.#asked.fonts(named)), look, source: this.open.source });
  }

  /** The same site with other looks: nothing of it is read again. */
  relooked(open: OpenPlan, plan: Plan): Opened {
    const { site, facts, resolution } = this;
    return new Opened({ open, plan, site }, facts, withLooks(resolution, plan), this.#made);
  }

  /** The looks of menus, and their style sheet; text is measured only where a menu folds by its own room. */
  async styled(): Promise<Styled> {
    const { menus, look, panels } = this.resolution;
    const tools = await this.#colors();
    const wrong = await this.#wrongValues();
    const context = { tools, source: this.open.source, known: tools ? await this.#known() : nothingKnown };
    const { looks, findings } = resolveLooks(look, menus, context);
    const isMeasured = menus.some(menu => menu.fold.when === 'crowded' || mayBeTight(menu));
    const fonts = isMeasured ? await this.fonts() : null;
    const fits = fonts ? foldWidths(menus, fonts) : new Map<string, number>();
    const { open, plan } = this;
    const tight = fonts ? tellTight(menus, fonts, { plan: plan.menus, source: open.source }) : [];
    const holders = await this.#holders(looks);
    const style = styleSheet(menus, looks, { fits, panels, holders });
    return { looks, style, findings: [...wrong, ...findings, ...tight, ...(fonts?.findings ?? [])] };
  }

  /** All that can be known, and can be wrong, before a page is touched; null for no run where something is wrong. */
  async prepared(): Promise<{
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
      ...(await this.#around()),
      ...folderFindings(open, plan.output, site.root),
      ...(taken ? [nameTaken(taken)] : []),
    ];
    const told = weighedLooks(findings, plan.rules);
    if (hasErrors(findings)) return { run: null, style, findings: told };
    const texts = [[ownStyle, style] as const, ...(script === null ? [] : [[ownScript, script] as const])];
    const files = texts.map(([path, text]) => {
      const bytes = bytesOf(text);
      return [ownPath(path, bytes, plan.hashesOwnFiles), bytes] as const;
    });
    const own = new Map([...files, ...this.sprites]);
    const basis = this.#basis(script, style);
    const mark = planMark(open.source.text);
    const reserves = looks.uses.weight;
    const run = new Run({ plan, site, resolution, reserves, own, seek, basis, mark });
    return { run, style, findings: told };
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
    const isOver = menus.some(menu => menu.over);
    const below = isOver
      ? await this.#asked.picturesBelow(() => this.#placed())
      : new Map<string, string[]>();
    const files = [...picturesOf(this.plan), ...[...below.values()].flat()];
    return knownBehind(menus, below, await this.#asked.colors(files));
  }

  /** Menus in their places, on some pages. */
  async #placed(): Promise<PlacedMenus> {
    const { menus } = this.resolution;
    return this.#asked.placed({ menus, skipTo: this.plan.skipTo, seek: await this.#seeker() });
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

  /** What menus lie in whose labels may begin at a line with the text of the page. */
  async #holders({ edges }: ResolvedLooks): Promise<ReadonlyMap<string, string>> {
    const isFlush = (menu: { name: string }): boolean => edges.get(menu.name) === 'flush';
    if (!this.resolution.menus.some(isFlush)) return new Map();
    const { bareHolders } = await import('../core/check/bare-holders.ts');
    return bareHolders(await this.#placed(), isFlush);
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
  async #around(): Promise<Finding[]> {
    const { menus } = this.resolution;
    if (!menus.some(menu => menu.stays !== null || hasSheets(menu))) return [];
    const { aroundMenus } = await import('../core/check/around.ts');
    return fromUser(aroundMenus(await this.#placed()), this.site.root);
  }
}
