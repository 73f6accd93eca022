import { AlikeFolders } from '../address/alike-folders.ts';
import type { AddressStyle } from '../address/href.ts';
import type { SitePath } from '../address/path.ts';
import { marksOn } from '../menu/marks.ts';
import type { ResolvedEntry, ResolvedMenu } from '../menu/types.ts';
import type { Raw } from '../text/bytes.ts';
import { type Charset, encodeMarkup } from '../text/charset.ts';
import { menuMarkup } from './markup.ts';
import { wasAttribute } from './names.ts';
import { scriptMarkup, skipMarkup, styleMarkup, viewportMarkup } from './page-links.ts';
import { sealed, sealedWith } from './seal.ts';
import type { LinePlace, Standpoint } from './standpoint.ts';

const mostKept = 4000;

/** Writes menus for pages. Pages with the same marks in folders that are alike share their markup: it is made once. */
export class MenuWriter {
  readonly #made = new Map<string, Raw>();
  readonly #sections = new Map<ResolvedMenu, boolean>();
  readonly #folders = new AlikeFolders();
  /** How addresses are written: those that markup is asked for with it are heard of. */
  readonly links: AddressStyle;

  constructor(links: AddressStyle) {
    this.links = {
      ...links,
      met: path => {
        this.#folders.meet(path);
      },
    };
  }

  /** @param line its place, and the hash of what is taken out there, or null */
  write(
    menu: ResolvedMenu,
    from: Standpoint,
    { was, ...line }: LinePlace & { was: string | null },
    charset: Charset,
  ): Raw {
    let key = `${menu.name}\n${line.indent}${line.lineBreak}`;
    if (charset.declared) key += charset.name;
    if (line.cell !== null) key += `\n${line.cell}`;
    key +=
      this.#ofPage(menu, from.page, name => from.carried.has(name)) ??
      `\n${menu.language?.tag ?? ''}\n${from.page}`;
    const marks = marksOn(menu, from.page);
    const made = this.#once(from.folder, key, () =>
      encodeMarkup(menuMarkup(menu, from, line, marks), charset),
    );
    return was === null ? made : sealedWith(made, ` ${wasAttribute}="${was}"`);
  }

  /** Stands for what the markup of menus says of the page that they are in, and of its folder; null where it is of this page alone. */
  ofPage(menus: readonly ResolvedMenu[], page: SitePath, folder: SitePath): string | null {
    const carries = (name: string): boolean => menus.some(menu => menu.name === name);
    let key = this.#folders.keyOf(folder);
    for (const menu of menus) {
      const own = this.#ofPage(menu, page, carries);
      if (own === null) return null;
      key += `\n${own}`;
    }
    return key;
  }

  #ofPage(menu: ResolvedMenu, page: SitePath, carries: (name: string) => boolean): string | null {
    if (this.#isOfOne(menu)) return null;
    let key = page === menu.home?.page ? '\nhome' : '';
    if (menu.language !== null) key += `\n${menu.language.tag}`;
    for (const [entry, mark] of marksOn(menu, page)) key += `\n${entry.hook} ${mark}`;
    for (const one of menu.joined) {
      if (!carries(one.name)) continue;
      if (this.#isOfOne(one)) return null;
      key += `\n${one.name}`;
      for (const [entry, mark] of marksOn(one, page)) key += ` ${entry.hook} ${mark}`;
    }
    return menu.fold.joins !== null && carries(menu.fold.joins) ? `${key}\njoins` : key;
  }

  /** Whether each page has a menu of its own. */
  #isOfOne(menu: ResolvedMenu): boolean {
    return menu.shows !== 'entries' || this.#dependsOnPage(menu);
  }

  style(file: SitePath, from: Standpoint, charset: Charset): Raw {
    const key = `${file}\n${charset.declared ? charset.name : ''}`;
    return this.#once(from.folder, key, () => encodeMarkup(styleMarkup(file, from), charset));
  }

  script(file: SitePath, from: Standpoint, charset: Charset): Raw {
    const key = `script\n${charset.declared ? charset.name : ''}`;
    return this.#once(from.folder, key, () => encodeMarkup(scriptMarkup(file, from), charset));
  }

  viewport(): Raw {
    return this.#once('', 'viewport', viewportMarkup);
  }

  /** @param hasBase whether the page has a `base`, past which a link within it needs its address */
  skip(
    { words, id, hasBase }: { words: string; id: string; hasBase: boolean },
    from: Standpoint,
    charset: Charset,
  ): Raw {
    return sealed(encodeMarkup(skipMarkup(words, id, from, hasBase), charset));
  }

  /** A place in this page is written without the page's address, one in another with it; languages by counterparts. */
  #dependsOnPage(menu: ResolvedMenu): boolean {
    const has = (entries: readonly ResolvedEntry[]): boolean =>
      entries.some(
        one => one.leadsTo.kind === 'section' || one.leadsTo.kind === 'language' || has(one.entries),
      );
    const known = this.#sections.get(menu) ?? has(menu.entries);
    this.#sections.set(menu, known);
    return known;
  }

  #once(folder: SitePath, what: string, make: () => Raw): Raw {
    const made = this.#made.get(`${this.#folders.keyOf(folder)}\n${what}`);
    if (made !== undefined) return made;
    if (this.#made.size >= mostKept) this.#made.clear();
    const raw = sealed(make());
    // By now it is known what it leads to.
    this.#made.set(`${this.#folders.keyOf(folder)}\n${what}`, raw);
    return raw;
  }
}
