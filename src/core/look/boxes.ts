import type { Highlight, ResolvedEntry } from '../menu/types.ts';
import type { Look } from '../plan/look-types.ts';
import type { Draft } from './drafts.ts';
import type { Grounds } from './menu-grounds.ts';
import { groundIn, mergeLooks } from './merge.ts';

/** Entries with a look of their own, on every ground that they may lie on. */
export class Boxes {
  readonly #grounds: Grounds;
  readonly #told = new Set<string>();

  constructor(grounds: Grounds) {
    this.#grounds = grounds;
  }

  of(entries: readonly ResolvedEntry[]): Draft[] {
    return entries.flatMap(entry => [...this.#own(entry), ...this.of(entry.entries)]);
  }

  #own({ hook, depth, look, highlight }: ResolvedEntry): Draft[] {
    return this.#around(depth).flatMap(around => [
      ...(look ? [box(around, { entry: hook }, look, null)] : []),
      ...this.#set(around, hook, highlight),
    ]);
  }

  /** Ways to set an entry apart are alike wherever they lie on the same ground. */
  #set(around: Draft, hook: string, highlight: Highlight | null): Draft[] {
    if (highlight === null) return [];
    if (typeof highlight === 'object') return [box(around, { entry: hook }, highlight, highlight)];
    const key = `${highlight} ${around.address.part ?? ''}`;
    if (this.#told.has(key)) return [];
    this.#told.add(key);
    return [box(around, { highlight }, null, highlight)];
  }

  #around(depth: number): Draft[] {
    const { menu, submenu, scrolled, fold, foldSubmenu } = this.#grounds;
    const folded = depth === 1 ? fold : (foldSubmenu ?? fold);
    // A submenu without a look of its own lies on the ground of its menu, in the flow or as a sheet.
    const isOnMenu = submenu.own === null && groundIn(menu.look) !== null;
    const inside = isOnMenu ? menu : submenu;
    const first = depth === 1 ? [menu, ...(scrolled ? [scrolled] : [])] : [inside];
    return folded ? [...first, folded] : first;
  }
}

/** A box on a ground. @param where the entry, or the way in which it is set apart */
function box(
  around: Draft,
  where: Partial<Draft['address']>,
  own: Look | null,
  highlight: Highlight | null,
): Draft {
  return {
    address: { ...around.address, ...where },
    look: mergeLooks(around.look, own),
    own,
    kind: 'box',
    isSheet: false,
    around,
    highlight,
  };
}
