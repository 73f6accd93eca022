import papaparse from 'papaparse';
import { type OutlineEntry, OutlineError, type OutlineFormat, type OutlineMenu, entry } from './types.ts';

const example =
  'menu,level,label,target\nmasthead,1,Visit,visit/index.html\nmasthead,2,Getting here,visit/here.html';

/** A row for each entry, with its level (1 for the first) or with the label of the entry it lies below (`parent`). */
export const csv: OutlineFormat = {
  endings: ['csv'],
  isMeant: null,
  read: text => {
    const { data, errors } = papaparse.parse<Record<string, string>>(text.replace(/^\ufeff/, ''), {
      header: true,
      skipEmptyLines: 'greedy',
      transformHeader: name => name.trim().toLowerCase(),
    });
    const [error] = errors.filter(one => one.type !== 'Delimiter');
    if (error) throw new OutlineError(error.message, (error.row ?? 0) + 2, `For example\n${example}`);
    return new Rows().read(data);
  },
  write: menus => {
    const rows = menus.flatMap(menu => rowsOf(menu.entries, menu, 1));
    return `${papaparse.unparse(rows, { columns: ['menu', 'title', 'level', 'label', 'target', 'highlight'], newline: '\n' })}\n`;
  },
};

function rowsOf(
  entries: readonly OutlineEntry[],
  menu: OutlineMenu,
  level: number,
): Record<string, string>[] {
  return entries.flatMap(one => [
    {
      menu: menu.name ?? '',
      title: menu.title ?? '',
      level: String(level),
      label: one.label ?? '',
      target: one.target ?? '',
      highlight: one.highlight ? 'yes' : '',
    },
    ...rowsOf(one.entries, menu, level + 1),
  ]);
}

class Rows {
  readonly #menus = new Map<string, OutlineMenu>();
  /** The entries that are open at the row, outermost first. */
  #open: OutlineEntry[] = [];
  #menu: OutlineMenu | null = null;
  #byLabel = new Map<string, OutlineEntry>();

  read(rows: readonly Record<string, string>[]): OutlineMenu[] {
    rows.forEach((row, at) => {
      this.#row(row, at + 2);
    });
    return [...this.#menus.values()];
  }

  #row(row: Record<string, string>, line: number): void {
    const value = (name: string): string | null => row[name]?.trim() || null;
    const [label, target] = [value('label'), value('target')];
    if (label === null && target === null)
      throw new OutlineError('this row has neither a label nor a target', line, `For example\n${example}`);
    const menu = this.#menuOf(value('menu'), value('title'));
    const made = entry(label, target, /^(?:yes|true|1|x)$/i.test(value('highlight') ?? ''));
    if (row['level'] === undefined) this.#below(value('parent'), menu, line).push(made);
    else this.#atLevel(row['level'], menu, line).push(made);
    this.#open.push(made);
    if (label !== null) this.#byLabel.set(label, made);
  }

  #below(parent: string | null, menu: OutlineMenu, line: number): OutlineEntry[] {
    if (parent === null) return menu.entries;
    const above = this.#byLabel.get(parent);
    if (above) return above.entries;
    throw new OutlineError(
      `no row before this one has the label \`${parent}\``,
      line,
      'Put the entry that it lies below first.',
    );
  }

  #atLevel(written: string, menu: OutlineMenu, line: number): OutlineEntry[] {
    const level = Number(written.trim() || '1');
    if (!Number.isInteger(level) || level < 1 || level > this.#open.length + 1)
      throw new OutlineError(
        `\`${written}\` is no level here`,
        line,
        'Levels begin at 1 and go down one at a time.',
      );
    this.#open = this.#open.slice(0, level - 1);
    return this.#open.at(-1)?.entries ?? menu.entries;
  }

  #menuOf(name: string | null, title: string | null): OutlineMenu {
    const menu = this.#menus.get(name ?? '') ?? { name, title, entries: [] };
    this.#menus.set(name ?? '', menu);
    if (menu !== this.#menu) {
      this.#open = [];
      this.#byLabel = new Map();
    }
    this.#menu = menu;
    return menu;
  }
}
