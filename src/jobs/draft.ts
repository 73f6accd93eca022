import { readFileSync } from 'node:fs';
import { join, resolve } from 'node:path';
import { planThere, sameName, withoutViewport } from '../core/draft/findings.ts';
import { menuFromFolders } from '../core/draft/from-folders.ts';
import { menuInOwnForm } from '../core/draft/own-form.ts';
import { type HandSource, menuFromHand } from '../core/draft/from-menu.ts';
import { startedMenus, unknownLook } from '../core/draft/drawn.ts';
import { drawnLooks } from '../core/draft/looks.ts';
import { inOwnRoom } from '../core/draft/old-strips.ts';
import { Firsts } from '../core/draft/firsts.ts';
import { draftLanguages } from '../core/draft/by-language.ts';
import { layoutSheet } from '../core/draft/laid-out.ts';
import { hasOldLook, isPlain, withLooks } from '../core/draft/own-looks.ts';
import { Places } from '../core/draft/place.ts';
import { draftSite } from '../core/draft/site.ts';
import { skipTargets } from '../core/draft/skip.ts';
import { type Ask, Questions } from '../core/draft/questions.ts';
import {
  type FoundSource,
  countEntries,
  handSources,
  namedSource,
  outlineMenus,
  soughtBy,
} from '../core/draft/sources.ts';
import type { Draft, DraftLanguage, DraftMenu, DraftPictures, DraftSite } from '../core/draft/types.ts';
import { withoutPhoneCopies } from '../core/draft/phone-copies.ts';
import { oldPictures } from '../core/draft/pictures-of.ts';
import { writeDraft } from '../core/draft/write.ts';
import { freeName, menuNames } from '../core/hand/names.ts';
import type { SiteMenu } from '../core/hand/site-menus.ts';
import type { HandSite } from '../core/hand/types.ts';
import { schemaFile } from '../core/manual/editor.ts';
import { type Finding, hasErrors, sortFindings } from '../core/text/finding.ts';
import { noFolder, noPages } from '../files/folder-errors.ts';
import { inPlace } from '../files/own.ts';
import { planIn, fromUser, isFolder, isThere, shownPath } from '../files/paths.ts';
import { planOf } from '../files/plan.ts';
import { writePlanSchema } from '../files/plan-schema.ts';
import { writeParts, writeWhole } from '../files/write.ts';
import { type OpenFolder, openFolder } from '../opening/folder.ts';
import { leftBy } from '../opening/left.ts';
import { type OldMenu, oldLooks } from './draft-look.ts';

export type { Ask } from '../core/draft/questions.ts';

export interface DraftOptions {
  /** The folder of pages. */
  site?: string;
  /** Menus written by hand, by selector (`name=selector` names the new one), or files that hold outlines. */
  from?: readonly string[];
  /** Write over an existing plan. */
  force?: boolean;
  /** A look to start from, by its name. */
  look?: string;
  /** Only tell what would be written. */
  dryRun?: boolean;
  progress?: (done: number, all: number) => void;
  /** Asks somebody; without it every default is taken. */
  ask?: Ask;
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
  const why = whyNot(root, options);
  if (why) return { status: 2, findings: [why], file: shownPath(file), plan: null, menus: [] };
  const { progress } = options;
  const folder = openFolder(root, { plan: planIn(root), isLifted: true, hasSheets: true, progress });
  return new Drafting(root, folder, options).make(file);
}

function whyNot(root: string, { force, dryRun, look }: DraftOptions): Finding | null {
  if (!isFolder(root)) return noFolder(root, 'Name the folder of your pages.');
  if (look !== undefined && !Object.hasOwn(drawnLooks, look)) return unknownLook(look);
  const there = planIn(root);
  if (!isThere(there) || force === true || dryRun === true) return null;
  return planThere(shownPath(there));
}

class Drafting {
  readonly #root: string;
  readonly #folder: OpenFolder;
  readonly #site: HandSite;
  readonly #known: DraftSite;
  readonly #options: DraftOptions;
  readonly #questions: Questions;
  readonly #findings: Finding[] = [];
  readonly #menus: DraftResult['menus'] = [];
  readonly #firsts: Firsts;
  readonly #pictures: DraftPictures[] = [];
  #languages: readonly DraftLanguage[] = [];
  /** What is taken over with its look, by the name of the new menu. */
  readonly #old = new Map<string, OldMenu>();

  constructor(root: string, folder: OpenFolder, options: DraftOptions) {
    this.#root = root;
    this.#folder = folder;
    this.#site = folder.site;
    this.#known = draftSite(folder.site);
    this.#options = options;
    this.#questions = new Questions(options.ask);
    this.#firsts = new Firsts(folder.site);
  }

  async make(file: string): Promise<DraftResult> {
    const result = { file: shownPath(file), menus: this.#menus };
    if (this.#site.pages.size === 0) this.#findings.push(noPages(this.#root));
    const menus = this.#site.pages.size === 0 ? [] : await this.#menusToWrite();
    if (hasErrors(this.#findings))
      return { ...result, status: 2, findings: sortFindings(this.#findings), plan: null };
    if (menus.some(menu => menu.fold !== null))
      this.#findings.push(...fromUser(withoutViewport(this.#site), this.#root));
    const draft = await this.#draftOf(menus);
    const sheets = layoutSheet(draft.menus, this.#site.files);
    const text = writeDraft({ ...draft, style: sheets[0]?.path ?? null });
    const files = [...menus.flatMap(menu => menu.files), ...sheets];
    if (this.#options.dryRun !== true) {
      writePlanSchema(file);
      // What the plan names is there first.
      writeParts(
        this.#root,
        files.map(one => ({ path: one.path, bytes: Buffer.from(one.text) })),
      );
      writeWhole(file, Buffer.from(text));
    }
    if (menus.some(isReplacing))
      this.#findings.push(...fromUser(await leftBy(planOf(file, text), this.#folder, files), this.#root));
    return { ...result, status: 0, findings: sortFindings(this.#findings), plan: text };
  }

  async #draftOf(menus: readonly DraftMenu[]): Promise<Omit<Draft, 'style'>> {
    const replaces = menus.some(isReplacing);
    const output = await this.#questions.output(replaces, inPlace);
    const placed = replaces ? menus : await this.#questions.placed(menus);
    // What the plan starts from is in the place of what was found.
    const isFound = this.#options.look === undefined;
    const found = isFound ? await oldLooks(this.#old, this.#folder, this.#root) : new Map();
    const own = withLooks(await this.#questions.setApart(placed, this.#known), found);
    const started = startedMenus(own.menus, this.#options.look, this.#known);
    return {
      comments: [
        `yaml-language-server: $schema=${schemaFile}`,
        'A plan for Kamino. Change it as you like, then run  kamino build',
        'What a key means:  kamino explain entries',
      ],
      output,
      skipTo: skipTargets(this.#site),
      languages: this.#languages,
      ...started,
      pictures: this.#pictures,
      look: own.look,
    };
  }

  async #menusToWrite(): Promise<DraftMenu[]> {
    const from = this.#options.from ?? (await this.#questions.chosen(this.#site));
    if (from.length === 0) {
      const menu = menuFromFolders(this.#known);
      this.#note(menu);
      return [menu];
    }
    this.#firsts.seek(soughtBy(from, this.#site));
    const found = from.flatMap(one => this.#sources(one));
    const places = new Places(this.#site, this.#firsts, [...this.#folder.sheets.files.values()].flat());
    const { kept: wanted, told } = withoutPhoneCopies(found, places, this.#site);
    this.#findings.push(...fromUser(told, this.#root));
    const names = menuNames(wanted.flatMap(one => ('drafted' in one ? [] : one.menus[0]!)));
    const menus: DraftMenu[] = [];
    for (const one of wanted) {
      if ('drafted' in one) menus.push(...one.drafted);
      else {
        const taken = new Set([
          ...menus.map(menu => menu.name),
          ...wanted.flatMap(other => ('name' in other && other !== one ? (other.name ?? []) : [])),
        ]);
        const name = one.name ?? freeName(names[menus.length] ?? `menu-${menus.length + 1}`, taken);
        menus.push(this.#fromHand({ ...one, name }, places));
      }
    }
    for (const menu of menus)
      if (menus.some(other => other !== menu && other.name === menu.name))
        this.#findings.push(sameName(menu.name));
    return menus;
  }

  #note(menu: DraftMenu, hand: readonly SiteMenu[] = []): void {
    this.#menus.push({
      name: menu.name,
      entries: countEntries(menu),
      copies: hand.length === 0 ? null : hand.reduce((sum, one) => sum + one.copies.size, 0),
      lacking: hand.flatMap(one => one.lacking),
    });
  }

  #sources(from: string): Source[] {
    const { name, text } = namedSource(from);
    const file = resolve(text);
    if (isThere(file) && !isFolder(file)) {
      const menus = outlineMenus(text, readFileSync(file, 'utf8'), this.#known);
      if ('rule' in menus) return this.#refused(menus);
      for (const menu of menus) this.#note(menu);
      return [{ drafted: menus }];
    }
    const hand = handSources(text, this.#site, this.#firsts);
    if ('rule' in hand) return this.#refused(hand);
    if ('kind' in hand) {
      const facts = { site: this.#site, known: this.#known, firsts: this.#firsts };
      const made = menuInOwnForm(hand, name, facts);
      if ('rule' in made) return this.#refused(made);
      this.#menus.push({ name: made.name, entries: 0, copies: hand.copies.size, lacking: [] });
      return [{ drafted: [made] }];
    }
    // A name is that of the first; the others of the same selector get their own.
    return hand.map((one, at) => ({ ...one, name: at === 0 ? name : null }));
  }

  #refused(why: Finding): [] {
    this.#findings.push(why);
    return [];
  }

  #fromHand(source: HandSource, places: Places): DraftMenu {
    if (source.byTag && this.#languages.length === 0)
      this.#languages = draftLanguages(source.byTag, this.#site);
    const made = menuFromHand(source, this.#site, this.#known, places);
    if (hasOldLook(made)) this.#old.set(made.name, { menu: source.menus[0]!, isPlain: isPlain(made) });
    this.#note(made, source.menus);
    const pictures = oldPictures(source, made.name, this.#folder);
    this.#pictures.push(...pictures);
    return inOwnRoom(made, pictures);
  }
}

type Source = (FoundSource & { name: string | null }) | { drafted: DraftMenu[] };

const isReplacing = (menu: DraftMenu): boolean => menu.place.some(({ side }) => side === 'instead-of');
