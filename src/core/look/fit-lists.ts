import { hasHomeInMiddle, isCentredBar, listsOf } from '../menu/lists.ts';
import type { ResolvedMenu } from '../menu/types.ts';
import { forms } from '../plan/forms.ts';

/** Widths in px, at a root size of 16; where the font is not known, the most of common ones. */
export interface EntryFit {
  label: string;
  /** Of the label alone, and what it is at least where the font is not known. */
  textWidth: number;
  leastTextWidth: number;
  /** Of the whole box, with its opener. */
  width: number;
  /** From the start of the bar to that of the box. */
  offset: number;
}

/** The entries of a bar from its first one on, the home beside them, and what lies between. In px. */
interface Row {
  entries: readonly EntryFit[];
  home: number;
  space: number;
  gap: number;
}

const endOf = (entries: readonly EntryFit[]): number =>
  entries.length === 0 ? 0 : entries.at(-1)!.offset + entries.at(-1)!.width;
const moved = (entries: readonly EntryFit[], by: number): EntryFit[] =>
  entries.map(one => ({ ...one, offset: one.offset + by }));

/** At both ends there is as much room as the wider one needs. */
function centred(
  menu: ResolvedMenu,
  { entries, home, space, gap }: Row,
): { entries: EntryFit[]; width: number } {
  const half = listsOf(menu, menu.entries).before.length;
  const [inside, others] = [entries.slice(0, half), entries.slice(half)];
  const first = others[0]?.offset ?? 0;
  const remaining = endOf(others) - first;
  const side =
    Math.max(menu.home?.at === 'start' ? home : 0, others.length === 0 ? 0 : remaining) + space + gap;
  const width = endOf(inside) + 2 * side;
  return { entries: [...moved(inside, side), ...moved(others, width - remaining - first)], width };
}

/** Where entries and the home stand beside each other, and how wide both are together. */
export interface Laid {
  entries: EntryFit[];
  width: number;
  /** From the start of the bar to the home. */
  homeOffset: number;
}

export function besideHome(menu: ResolvedMenu, row: Row): Laid {
  if (hasHomeInMiddle(menu) && !isCentredBar(menu)) return aroundHome(menu, row);
  return { ...behindHome(menu, row), homeOffset: 0 };
}

function behindHome(
  menu: ResolvedMenu,
  { entries, home, space, gap }: Row,
): { entries: EntryFit[]; width: number } {
  if (menu.home === null && !isCentredBar(menu)) return { entries: [...entries], width: endOf(entries) };
  const isAbove = menu.home?.at === 'above' && forms[menu.form].isRow;
  if (isCentredBar(menu)) {
    const laid = centred(menu, { entries, home, space, gap });
    return isAbove ? { ...laid, width: Math.max(home, laid.width) } : laid;
  }
  if (isAbove) return { entries: [...entries], width: Math.max(home, endOf(entries)) };
  const start = home + space + gap;
  return { entries: moved(entries, start), width: Math.max(endOf(entries) + start, start) };
}

/** The home between entries: both sides are as wide as the wider one. */
function aroundHome(menu: ResolvedMenu, { entries, home, space, gap }: Row): Laid {
  const lists = listsOf(menu, menu.entries);
  const half = lists.before.length;
  const behind = half + lists.after.length;
  const [before, after, others] = [
    entries.slice(0, half),
    entries.slice(half, behind),
    entries.slice(behind),
  ];
  const first = (after[0] ?? others[0])?.offset ?? 0;
  // What stays lies at the end of the half behind the home, unless entries are spread there.
  const hasOwnRoom = others.length > 0 && menu.align === 'spread';
  const side = Math.max(endOf(before), endOf(hasOwnRoom || others.length === 0 ? after : others) - first);
  const middle = side + home + 2 * (space + gap);
  const width = middle + side + (hasOwnRoom ? endOf(others) - endOf(after) : 0);
  return {
    entries: [
      ...moved(before, side - endOf(before)),
      ...moved(after, middle - first),
      ...moved(others, width - endOf(others)),
    ],
    width,
    homeOffset: side + space + gap,
  };
}
