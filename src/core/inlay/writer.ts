import { marksOn } from '../menu/marks.ts';
import type { ResolvedMenu } from '../menu/types.ts';
import type { Raw } from '../text/bytes.ts';
import { type Charset, encodeMarkup } from '../text/charset.ts';
import { type Standpoint, menuMarkup } from './markup.ts';

const mostKept = 4000;

/** Writes menus for pages. Pages of one folder with the same marks share their markup, so that it is made once. */
export class MenuWriter {
  readonly #made = new Map<string, Raw>();

  write(menu: ResolvedMenu, from: Standpoint, charset: Charset): Raw {
    const marks = marksOn(menu, from.page, from.front);
    let key = `${menu.name}\n${from.folder}\n${from.indent}${from.lineBreak}${charset.declared ? charset.name : ''}`;
    if (from.page === menu.home?.page) key += '\nhome';
    for (const [entry, mark] of marks) key += `\n${entry.hook} ${mark}`;
    const made = this.#made.get(key);
    if (made !== undefined) return made;
    if (this.#made.size >= mostKept) this.#made.clear();
    const raw = encodeMarkup(menuMarkup(menu, from, marks), charset);
    this.#made.set(key, raw);
    return raw;
  }
}
