import type { Fold, Menu } from './types.ts';

/** A menu that never folds. */
export const unfolded: Omit<Fold, 'mark'> = {
  when: 'never',
  isUsual: false,
  belowEm: null,
  as: 'stack',
  side: 'start',
  behind: 'as-fits',
  by: 'click',
  joins: null,
  toggle: { show: 'both', label: null, labels: new Map(), at: 'end', icon: 'lines', openIcon: null },
};

type Own = Pick<Menu, 'name' | 'title' | 'form' | 'carriedBy' | 'except' | 'place' | 'mark'> & Partial<Menu>;

/** What stands in pages as a menu does, with nothing of a menu that it does not name: a button, tabs, the way to the top. */
export function bareMenu(own: Own): Menu {
  return {
    titles: new Map(),
    align: 'start',
    stays: null,
    home: null,
    over: false,
    widths: 'natural',
    separators: null,
    opens: { by: 'hover', after: '90ms', ease: '160ms', width: null, columns: 1 },
    fold: { ...unfolded, mark: own.mark },
    currentEntry: 'link',
    entries: [],
    from: null,
    panels: null,
    set: null,
    levels: null,
    data: null,
    look: null,
    ...own,
  };
}
