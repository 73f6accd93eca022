import { forms } from '../plan/forms.ts';
import type { Entry, Mark, Menu } from '../plan/types.ts';
import { folds } from './folds.ts';
import type { ResolvedEntry } from './types.ts';

type PlacedKey = 'about' | 'remains';

const reasons = {
  about: [
    '`about` is a line below a label, and there is no room for it between the labels of a bar',
    'Give it to an entry of a submenu or a column, or take it out.',
  ],
  remains: [
    '`folds: false` is for an entry without a submenu, of a menu that folds',
    'Let the menu fold, such as by  fold: { when: crowded }  or take it out.',
  ],
} as const satisfies Record<PlacedKey, readonly [string, string]>;

/** Keys of entries that have an effect in some places only; an entry may stand in several menus. */
export class PlacedKeys {
  readonly #seen = new Map<string, { mark: Mark; key: PlacedKey; isIdle: boolean }>();

  /** What an entry has of them at this depth of a menu. */
  in(
    menu: Pick<Menu, 'form' | 'fold'>,
    entry: Entry,
    { depth, tag }: { depth: number; tag: string | null },
  ): Pick<ResolvedEntry, 'about' | 'remains'> {
    const { mark, remains } = entry;
    const about = entry.abouts.get(tag ?? '') ?? entry.about;
    const isInLine = depth === 1 && forms[menu.form].isRow;
    const mayRemain = depth === 1 && folds(menu) && entry.entries.length === 0;
    if (about !== null) this.#note('about', mark, isInLine);
    if (remains) this.#note('remains', mark, !mayRemain);
    return { about: isInLine ? null : about, remains: remains && mayRemain };
  }

  /** Those that have no effect in any menu, with the reason and a remedy. */
  idle(): { mark: Mark; reason: readonly [string, string] }[] {
    return [...this.#seen.values()].flatMap(({ mark, key, isIdle }) =>
      isIdle ? [{ mark, reason: reasons[key] }] : [],
    );
  }

  #note(key: PlacedKey, mark: Mark, isIdle: boolean): void {
    const name = `${key} ${mark.start} ${mark.end}`;
    this.#seen.set(name, { mark, key, isIdle: isIdle && this.#seen.get(name)?.isIdle !== false });
  }
}
