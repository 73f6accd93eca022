import { dirname, join, resolve } from 'node:path';
import { stemOf } from '../core/address/path.ts';
import {
  type EmbedContext,
  differsByPage,
  embeddedHead,
  embeddedMenu,
  embeddedOn,
} from '../core/markup/embed.ts';
import { carrier } from '../core/menu/carried.ts';
import { isShown } from '../core/menu/on-page.ts';
import type { ResolvedMenu } from '../core/menu/types.ts';
import { markedByTemplates } from '../core/style/embed.ts';
import { bytesOf, utf8Raw } from '../core/text/bytes.ts';
import { type Finding, hasErrors, sortFindings } from '../core/text/finding.ts';
import { cannotWrite, isFileError } from '../files/errors.ts';
import { replaceFolder } from '../files/embedding.ts';
import { alone } from '../files/lock.ts';
import { isOwnKind, ownPath, ownScript, ownScriptOf, ownStyle, scriptOf } from '../files/own.ts';
import { foreignTarget } from '../files/pack-errors.ts';
import { shownPath } from '../files/paths.ts';
import type { Run } from '../files/run.ts';
import { SiteRecord } from '../files/record.ts';
import type { Packed } from '../files/zip.ts';
import { behavioursOf } from '../core/markup/script.ts';
import { openAll } from './open.ts';

export interface EmbedOptions {
  /** A plan, or the folder of one. */
  plan?: string;
  /** The folder that is written; `embed` beside the plan by default. */
  to?: string;
  /** The menus of each page too, with its marks. */
  pages?: boolean;
}

export interface EmbedResult {
  status: 0 | 1 | 2;
  findings: Finding[];
  /** The folder, as the user sees it. */
  target: string;
  /** Paths in it: of menus for any page, of Kamino's own files, and how many of single pages. */
  menus: string[];
  own: string[];
  pages: number;
  /** Names of menus that are another on each page, and so are written for single pages only. */
  left: string[];
  /** The folder of the server in which the site lies. */
  base: string;
}

/** Writes the menus of a plan for pages that another program fills. */
export async function embed(options: EmbedOptions = {}): Promise<EmbedResult> {
  const opened = await openAll(options.plan);
  const target = resolve(options.to ?? join(dirname(opened.open.file), 'embed'));
  const nothing = { target: shownPath(target), menus: [], own: [], pages: 0, left: [], base: '/' };
  const stopped = (findings: readonly Finding[]): EmbedResult => ({
    ...nothing,
    status: 2,
    findings: sortFindings(findings),
  });
  if ('stop' in opened) return stopped(opened.stop);
  const { run, style, findings } = await opened.prepared();
  if (!run) return stopped(findings);
  const made = new Embedding(run, style, options.pages === true);
  const folder = dirname(opened.open.file);
  try {
    const foreign = await alone(folder, () => {
      const found = replaceFolder(target, made.files);
      if (found.length === 0) new SiteRecord(folder).savePack(target);
      return found;
    });
    if (foreign.length > 0) return stopped([...findings, foreignTarget(shownPath(target), foreign)]);
  } catch (error) {
    if (!isFileError(error)) throw error;
    return stopped([...findings, cannotWrite(error)]);
  }
  const { menus, own, pages, left } = made;
  return {
    ...nothing,
    menus,
    own,
    pages,
    left,
    base: opened.plan.links.base,
    findings: sortFindings(findings),
    status: hasErrors(findings) ? 1 : 0,
  };
}

/** The files of a folder for templates. */
class Embedding {
  readonly menus: string[] = [];
  readonly own: string[];
  readonly left: string[];
  readonly files: Packed[] = [];
  pages = 0;
  readonly #run: Run;
  readonly #context: EmbedContext;

  constructor(run: Run, style: string, hasPages: boolean) {
    const { resolution, plan, reserves } = run.source;
    this.#run = run;
    const always = resolution.menus.filter(menu => !differsByPage(menu));
    this.left = [...new Set(resolution.menus.filter(differsByPage).map(menu => menu.name))];
    this.#context = { links: plan.links, reserves, carried: new Set(always.map(menu => menu.name)) };
    const own = this.#ownFiles(style);
    this.own = own.map(one => one.path);
    const styles = [this.own.find(path => isOwnKind(path, 'css'))!, ...(plan.style ? [plan.style.path] : [])];
    this.#add(
      'head.html',
      embeddedHead(
        styles,
        this.own.find(path => isOwnKind(path, 'js'))!,
        this.#context,
      ),
    );
    for (const menu of always) this.#menu(menu);
    if (hasPages) for (const page of run.site.facts.pages) this.#page(page);
    this.files.push(...own);
  }

  #add(path: string, html: string): void {
    this.files.push({ path, from: bytesOf(utf8Raw(html)) });
  }

  #menu(menu: ResolvedMenu): void {
    const path = `${menu.name}${menu.language === null ? '' : `.${menu.language.tag}`}.html`;
    this.menus.push(path);
    this.#add(path, embeddedMenu(menu, this.#context));
  }

  #page(page: string): void {
    const carries = carrier(this.#run.source.resolution.menus);
    const own = this.#run.source.resolution.menus.filter(menu => carries(menu, page) && isShown(menu, page));
    const carried = new Set(own.map(menu => menu.name));
    if (own.length > 0) this.pages += 1;
    for (const menu of own)
      this.#add(
        `pages/${stemOf(page, this.#run.site.facts.pages)}/${menu.name}.html`,
        embeddedOn(menu, page, { ...this.#context, carried }),
      );
  }

  /** Style sheet and script, which mark what a menu cannot know, and packed pictures. */
  #ownFiles(style: string): Packed[] {
    const { resolution, plan, own } = this.#run.source;
    const css = bytesOf(markedByTemplates(style, resolution.menus));
    const js = bytesOf(ownScriptOf('here') + (scriptOf(behavioursOf(resolution.menus)) ?? ''));
    const pictures = [...own].filter(([path]) => !isOwnKind(path, 'css') && !isOwnKind(path, 'js'));
    return [
      { path: ownPath(ownStyle, css, plan.hashesOwnFiles), from: css },
      { path: ownPath(ownScript, js, plan.hashesOwnFiles), from: js },
      ...pictures.map(([path, from]) => ({ path, from })),
    ];
  }
}
