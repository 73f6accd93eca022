import { stemOf } from '../core/address/path.ts';
import {
  type EmbedContext,
  differsByPage,
  embeddedHead,
  embeddedMenu,
  embeddedOn,
} from '../core/markup/embed.ts';
import { behavioursOf } from '../core/markup/script.ts';
import { carrier } from '../core/menu/carried.ts';
import { isShown } from '../core/menu/on-page.ts';
import type { ResolvedMenu } from '../core/menu/types.ts';
import { markedByTemplates } from '../core/style/embed.ts';
import { bytesOf, utf8Raw } from '../core/text/bytes.ts';
import { isOwnKind, ownPath, ownScript, ownScriptOf, ownStyle, scriptOf } from './own.ts';
import type { Run } from './run.ts';
import type { Packed } from './zip.ts';

/** The files of a folder for templates. */
export class Embedding {
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
