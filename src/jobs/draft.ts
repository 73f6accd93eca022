import { existsSync, readFileSync, statSync } from 'node:fs';
import { join, resolve } from 'node:path';
import { computedLook } from '../browser/old-look.ts';
import { findBrowser } from '../browser/find.ts';
import { pathMatcher } from '../core/address/glob.ts';
import { menuFromFolders } from '../core/draft/from-folders.ts';
import { menuFromHand } from '../core/draft/from-menu.ts';
import { menusFromOutline } from '../core/draft/from-outline.ts';
import { lookFromBrowser, lookFromStyles } from '../core/draft/old-look.ts';
import { outlineFormatOf, outlineFormats } from '../core/draft/outlines/index.ts';
import { sitemapPaths } from '../core/draft/outlines/sitemap.ts';
import { OutlineError } from '../core/draft/outlines/types.ts';
import { type Draft, type DraftLook, type DraftMenu, type DraftSite, pageLook } from '../core/draft/types.ts';
import { draftSite } from '../core/draft/site.ts';
import { skipTargets } from '../core/draft/skip.ts';
import { writeDraft } from '../core/draft/write.ts';
import { menuNames } from '../core/site/hand/names.ts';
import { type SiteMenu, siteMenus } from '../core/site/hand/site-menus.ts';
import { seekIn } from '../core/site/select.ts';
import { inlineRules } from '../core/site/styles.ts';
import { readTree } from '../core/site/tree.ts';
import type { WholeSite } from '../core/site/whole.ts';
import { type Finding, finding, hasErrors, sortFindings } from '../core/text/finding.ts';
import { counted, nearest } from '../core/text/nearest.ts';
import { readSelector } from '../core/text/selector.ts';
import { SiteRecord } from '../files/record.ts';
import { writeWhole } from '../files/write.ts';
import { inPlace } from './own.ts';
import { draftLeft } from './draft-left.ts';
import { findPlan, fromUser, isPartOfSite, shownPath } from './paths.ts';
import { schemaFile, writePlanSchema } from './plan-schema.ts';
import { readSite } from './read-site.ts';
import { siteStyles } from './site-styles.ts';

export interface DraftOptions {
  /** The folder of pages. */
  site?: string;
  /** Menus written by hand, by selector (`name=selector` names the new one), or files that hold outlines. */
  from?: readonly string[];
  /** Write over an existing plan. */
  force?: boolean;
  /** Only tell what would be written. */
  dryRun?: boolean;
  progress?: (done: number, all: number) => void;
  /** Asks somebody; without it every default is taken. */
  ask?: Ask;
}

/** One question with its answers, the default first. Gives the answer that was chosen. */
export type Ask = (question: string, answers: readonly Answer[]) => Promise<string>;

export interface Answer {
  value: string;
  about: string;
}

export interface DraftResult {
  status: 0 | 1 | 2;
  findings: Finding[];
  /** The plan as the user sees its path, and its text; null where none could be made. */
  file: string;
  plan: string | null;
  /** Each menu: how many entries, from how many pages, and pages without it. */
  menus: { name: string; entries: number; copies: number | null; lacking: string[] }[];
}

/** Writes a first plan for a site. */
export async function draft(options: DraftOptions = {}): Promise<DraftResult> {
  const root = resolve(options.site ?? '.');
  const file = join(root, 'kamino.yaml');
  const failed = (one: Finding): DraftResult => ({
    status: 2,
    findings: [one],
    file: shownPath(file),
    plan: null,
    menus: [],
  });
  if (!existsSync(root) || !statSync(root).isDirectory())
    return failed(
      finding(
        'cannot-read',
        { file: shownPath(root) },
        'there is no such folder',
        'Name the folder of your pages.',
      ),
    );
  const there = findPlan(root);
  if (existsSync(there) && options.force !== true && options.dryRun !== true)
    return failed(
      finding(
        'plan-there',
        { file: shownPath(there) },
        'there is a plan already; it was left as it is',
        'Write over it with --force, or see a draft with --dry-run.',
      ),
    );
  const record = new SiteRecord(root, true);
  const outputs = ['built', ...record.folders].filter(name => name !== inPlace);
  const inSite = isPartOfSite(
    root,
    there,
    outputs.map(name => resolve(root, name)),
    pathMatcher([]),
  );
  const { site } = readSite(root, '**/*.{html,htm}', path => !inSite(path), {
    lifted: true,
    taken: hash => record.taken(hash),
    ...options,
  });
  return new Drafting(root, site, options).make(file);
}

class Drafting {
  readonly #root: string;
  readonly #site: WholeSite;
  readonly #known: DraftSite;
  readonly #options: DraftOptions;
  readonly #findings: Finding[] = [];
  readonly #menus: DraftResult['menus'] = [];
  /** The first menu that is taken over. */
  #main: SiteMenu | null = null;

  constructor(root: string, site: WholeSite, options: DraftOptions) {
    this.#root = root;
    this.#site = site;
    this.#known = draftSite(site);
    this.#options = options;
  }

  async make(file: string): Promise<DraftResult> {
    const result = { file: shownPath(file), menus: this.#menus };
    if (this.#site.pages.size === 0)
      this.#findings.push(
        finding(
          'no-pages',
          { file: shownPath(this.#root) },
          'there are no HTML pages in this folder',
          'Name the folder of your pages.',
        ),
      );
    const menus = this.#site.pages.size === 0 ? [] : await this.#menusToWrite();
    if (hasErrors(this.#findings))
      return { ...result, status: 2, findings: sortFindings(this.#findings), plan: null };
    const text = writeDraft(await this.#draftOf(menus));
    if (this.#options.dryRun !== true) {
      writePlanSchema(file);
      writeWhole(file, Buffer.from(text));
    }
    if (menus.some(menu => menu.place?.side === 'instead-of'))
      this.#findings.push(...fromUser(await draftLeft(file, text, this.#site), this.#root));
    return { ...result, status: 0, findings: sortFindings(this.#findings), plan: text };
  }

  async #draftOf(menus: readonly DraftMenu[]): Promise<Draft> {
    const replaces = menus.some(menu => menu.place?.side === 'instead-of');
    const copy = { value: 'built', about: 'a copy in the folder built, the pages stay as they are' };
    const pages = { value: inPlace, about: 'the pages themselves; kamino lift takes the menu out again' };
    const output = await this.#ask('What may Kamino change?', replaces ? [pages, copy] : [copy, pages]);
    const placed = replaces ? menus : await this.#placed(menus);
    const look = this.#look();
    return {
      comments: [
        `yaml-language-server: $schema=${schemaFile}`,
        'A plan for Kamino. Change it as you like, then run  kamino build',
        'What a key means:  kamino explain entries',
      ],
      output,
      skipTo: skipTargets(this.#site),
      menus: await this.#setApart(placed),
      look,
    };
  }

  /** Where on the page a new menu goes. */
  async #placed(menus: readonly DraftMenu[]): Promise<readonly DraftMenu[]> {
    const answers = [
      { value: '', about: 'first in the header of each page, else at its start' },
      { value: 'body', about: 'at the very start of each page' },
      { value: 'slot', about: 'where the pages say data-kamino-slot="masthead"' },
    ];
    const answer = await this.#ask('Where on the page shall the menu stand?', answers);
    if (answer !== 'body') return menus;
    return menus.map(menu => ({ ...menu, place: { side: 'first-in', selectors: ['body'] } }));
  }

  /** One entry of the first menu may be set apart as a button. */
  async #setApart(menus: readonly DraftMenu[]): Promise<readonly DraftMenu[]> {
    const [first, ...others] = menus;
    if (!first || first.entries.some(one => one.highlight)) return menus;
    const answers = first.entries.map((one, at) => ({ value: String(at), about: this.#labelOf(one) }));
    const none = { value: '', about: 'none' };
    const answer = await this.#ask('Which entry shall be set apart as a button?', [none, ...answers]);
    const entries = first.entries.map((one, at) =>
      String(at) === answer ? { ...one, highlight: true } : one,
    );
    return [{ ...first, entries }, ...others];
  }

  #labelOf({ label, target }: DraftMenu['entries'][number]): string {
    return label ?? this.#known.pages.get(target?.value ?? '')?.label ?? target?.value ?? '';
  }

  /** Of the first menu that is taken over, where a browser is at hand; else from its style sheets. */
  #look(): DraftLook {
    const main = this.#main;
    if (!main) return pageLook;
    const front = this.#site.front;
    const [path, copy] = [...main.copies].find(([one]) => one === front) ?? [...main.copies][0]!;
    const { frame } = this.#site.pages.get(path)!;
    const tree = readTree(frame.raw, frame.charset, true);
    const node = tree.nodes.find(one => one.start === copy.start)!;
    const browser = findBrowser();
    const file = join(this.#root, path);
    const place = {
      start: copy.start,
      name: node.name,
      headPoint: frame.headPoint,
      bodyPoint: frame.bodyPoint,
    };
    const computed = browser === null ? null : computedLook(browser, { file, raw: frame.raw }, place);
    if (computed) return lookFromBrowser(computed);
    const rules = [...siteStyles(this.#root, this.#site).values()].flat();
    return lookFromStyles(tree, copy.start, [...rules, ...inlineRules(path, tree)]);
  }

  async #ask(question: string, answers: readonly Answer[]): Promise<string> {
    return this.#options.ask ? this.#options.ask(question, answers) : answers[0]!.value;
  }

  async #menusToWrite(): Promise<DraftMenu[]> {
    const from = this.#options.from ?? (await this.#chosenMenus());
    if (from.length === 0) {
      const menu = menuFromFolders(this.#known);
      this.#menus.push({ name: menu.name, entries: count(menu), copies: null, lacking: [] });
      return [menu];
    }
    const wanted = from.map(one => this.#source(one));
    const names = menuNames(wanted.flatMap(one => (one?.kind === 'hand' ? one.menu : [])));
    const menus: DraftMenu[] = [];
    for (const one of wanted) {
      if (!one) continue;
      if (one.kind === 'outline') menus.push(...one.menus);
      else menus.push(this.#fromHand(one, one.name ?? names[menus.length] ?? `menu-${menus.length + 1}`));
    }
    for (const menu of menus)
      if (menus.some(other => other !== menu && other.name === menu.name))
        this.#findings.push(
          finding(
            'same-menu-name',
            null,
            `two menus are called \`${menu.name}\``,
            'Name them:  --from foot="footer ul"',
          ),
        );
    return menus;
  }

  /** Which menu to take over, where nobody has said it: the main one, where most pages carry it. */
  async #chosenMenus(): Promise<string[]> {
    const menus = siteMenus(this.#site).filter(menu => menu.selectors.length > 0);
    const answers = menus
      .slice(0, 4)
      .map(menu => ({ value: menu.selectors[0]!.selector, about: this.#about(menu) }));
    const none = { value: '', about: 'none: a new menu from folders and titles' };
    const isUsual = menus.length > 0 && menus[0]!.copies.size * 2 > this.#site.pages.size;
    const all = isUsual ? [...answers, none] : [none, ...answers];
    const answer = all.length > 1 ? await this.#ask('Which menu shall the new one replace?', all) : '';
    return answer === '' ? [] : [answer];
  }

  #about({ copies, entries }: SiteMenu): string {
    const labels = entries.slice(0, 5).map(one => one.label);
    return `on ${copies.size} of ${counted(this.#site.pages.size, 'page')}: ${labels.join(', ')}${entries.length > 5 ? ' …' : ''}`;
  }

  #source(from: string): Source | null {
    const named = /^([a-z][a-z0-9-]*)=(.+)$/s.exec(from);
    const [name, text] = named && !from.startsWith('[') ? [named[1]!, named[2]!] : [null, from];
    const file = resolve(text);
    if (existsSync(file) && statSync(file).isFile()) return this.#outline(text, file);
    const menu = this.#handMenu(text);
    return menu && { kind: 'hand', name, selector: text, ...menu };
  }

  #outline(shown: string, file: string): Source | null {
    const text = readFileSync(file, 'utf8');
    const format = outlineFormatOf(shown, text);
    const fail = (message: string, line: number | null, remedy: string): null => {
      const place = { file: shown, ...(line === null ? {} : { position: { line, column: 1 } }) };
      this.#findings.push(finding('bad-outline', place, message, remedy));
      return null;
    };
    if (format === null)
      return fail(
        'this is no outline that Kamino reads',
        null,
        'Outlines are .md, .opml, .csv, .json and the .xml of a sitemap.',
      );
    try {
      const menus =
        format === 'sitemap'
          ? [this.#fromSitemap(sitemapPaths(text))]
          : menusFromOutline(outlineFormats[format].read(text), this.#known);
      for (const menu of menus)
        this.#menus.push({ name: menu.name, entries: count(menu), copies: null, lacking: [] });
      return { kind: 'outline', menus };
    } catch (error) {
      if (!(error instanceof OutlineError)) throw error;
      return fail(error.message, error.line, error.remedy);
    }
  }

  /** The pages of a sitemap, as folders have them; those that are not there may come. */
  #fromSitemap(paths: readonly string[]): DraftMenu {
    const pages = new Map(
      paths.map(path => [path, this.#known.pages.get(path) ?? { label: null, isUnlisted: false, links: [] }]),
    );
    const front = pages.has('index.html') ? 'index.html' : null;
    const menu = menuFromFolders({ pages, files: this.#known.files, front });
    return menu;
  }

  /** The menu of which a selector finds copies, with all selectors that its copies need. */
  #handMenu(selector: string): { menu: SiteMenu; selectors: string[] } | null {
    const menus = siteMenus(this.#site);
    const known = menus.flatMap(menu => menu.selectors.map(one => one.selector));
    const fail = (message: string, remedy: string): null => {
      this.#findings.push(finding('no-hand-menu', null, message, remedy));
      return null;
    };
    const seen = 'kamino inventory  shows the menus that were found.';
    if (/\.(?:md|markdown|opml|csv|json|xml)$/i.test(selector))
      return fail(`there is no file \`${selector}\``, 'Write its path from the folder where you stand.');
    if (!readSelector(selector))
      return fail(
        `\`${selector}\` is no selector, and no file`,
        `A selector is written as in a style sheet:  --from "nav.top"\n${seen}`,
      );
    const hits = menus.map(menu => ({
      menu,
      pages: [...menu.copies]
        .filter(([path, copy]) => this.#isAt(selector, path, copy))
        .map(([path]) => path),
    }));
    const [best] = hits.sort((one, other) => other.pages.length - one.pages.length);
    if (!best || best.pages.length === 0) {
      const near = nearest(selector, known);
      return fail(`no menu is found by \`${selector}\``, near ? `Did you mean  --from "${near}"?` : seen);
    }
    const covered = new Set(best.pages);
    const others = best.menu.selectors.filter(
      one => one.selector !== selector && one.pages.some(path => !covered.has(path)),
    );
    return { menu: best.menu, selectors: [selector, ...others.map(one => one.selector)] };
  }

  /** Whether the first match of a selector on a page is a copy, lies in it, or holds it. */
  #isAt(selector: string, path: string, copy: { start: number; end: number }): boolean {
    const { frame } = this.#site.pages.get(path)!;
    const { raw, charset, bodyPoint } = frame;
    const found = seekIn({ raw, charset, scripting: true, bodyPoint }, [selector]).get(selector);
    if (!found) return false;
    const end = found.end < 0 ? Infinity : found.end;
    const copyEnd = copy.end < 0 ? Infinity : copy.end;
    return (
      (found.start <= copy.start && copy.start < end) || (copy.start <= found.start && found.start < copyEnd)
    );
  }

  #fromHand({ menu, selectors }: HandSource, name: string): DraftMenu {
    this.#main ??= menu;
    this.#menus.push({ name, entries: 0, copies: menu.copies.size, lacking: [...menu.lacking] });
    const made = menuFromHand(menu, { name, selectors }, this.#site, this.#known);
    this.#menus.at(-1)!.entries = count(made);
    return made;
  }
}

type HandSource = {
  kind: 'hand';
  name: string | null;
  selector: string;
  menu: SiteMenu;
  selectors: string[];
};
type Source = HandSource | { kind: 'outline'; menus: DraftMenu[] };

function count({ entries }: { entries: DraftMenu['entries'] }): number {
  return entries.reduce((sum, one) => sum + 1 + count(one), 0);
}
