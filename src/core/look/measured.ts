import { forms } from '../plan/forms.ts';
import type { ResolvedMenu } from '../menu/types.ts';
import type { EntryFit } from './fit-lists.ts';
import type { MenuFit } from './fit.ts';
import { windowEm } from './tight.ts';
import type { MenuFonts } from './fonts.ts';

export interface MeasuredMenu {
  menu: string;
  /** Where the plan names languages: that of these labels. */
  language: string | null;
  /** The width of the bar, with home and gaps: it fits from here on, in px at a root size of 16. */
  fitsFromPx: number;
  /** The least of common fonts, where only system fonts are named; else the same. */
  fitsFromLeastPx: number;
  /** The same in em of the menu: what `fold: { when: crowded }` asks for. */
  fitsFromEm: number;
  /** The window that it fits where nothing is beside it, in the em of a media query: what `below` asks for. */
  fitsFromWindowEm: number;
  home: number;
  /** From the start of the bar to the home. */
  homeOffset: number;
  font: { family: string | null; sizePx: number; weight: number; files: string[]; isKnown: boolean };
  entries: EntryFit[];
  /** Height of an entry’s box. */
  height: number;
  widths: FitAt[];
}

export interface FitAt {
  width: number;
  fits: boolean;
  /** How much room is left, or lacking where it is negative. */
  left: number;
  /** Where it does not fit: the longest label, how wide it is, and how wide it may be for all to fit; null where that is nothing. */
  shorter: { label: string; width: number; atMost: number } | null;
}

/** How wide a menu is, and at which of these widths it fits. */
export function measuredMenu(menu: ResolvedMenu, fonts: MenuFonts, widths: readonly number[]): MeasuredMenu {
  const fit = fonts.fit(menu);
  const { entries, home, homeOffset, width, leastWidth, type, font, height } = fit;
  return {
    menu: menu.name,
    language: menu.language?.tag ?? null,
    fitsFromPx: Math.ceil(width * 100) / 100,
    fitsFromLeastPx: Math.ceil(leastWidth * 100) / 100,
    fitsFromEm: Math.ceil((width / type.size) * 1000) / 1000,
    fitsFromWindowEm: windowEm(fit),
    home: hundredth(home),
    homeOffset: hundredth(homeOffset),
    font: {
      family: font.family,
      sizePx: type.size,
      weight: type.weight,
      files: font.files,
      isKnown: font.files.length > 0,
    },
    entries: entries.map(one => ({
      label: one.label,
      textWidth: hundredth(one.textWidth),
      leastTextWidth: hundredth(one.leastTextWidth),
      width: hundredth(one.width),
      offset: hundredth(one.offset),
    })),
    height: hundredth(height),
    widths: forms[menu.form].isRow ? widths.map(at => fitAt(at, menu, fit)) : [],
  };
}

function hundredth(value: number): number {
  return Math.round(value * 100) / 100;
}

function fitAt(at: number, menu: ResolvedMenu, { width, entries, frame }: MenuFit): FitAt {
  const room = Math.min(at - frame.sides, frame.row);
  const left = Math.floor((room - width) * 100) / 100;
  if (left >= 0) return { width: at, fits: true, left, shorter: null };
  const [longest, next] = [...entries].sort((one, other) => other.textWidth - one.textWidth);
  // Where all are as wide as the widest, all of them become narrower with it.
  const [share, least] = menu.widths === 'equal' ? [entries.length, next?.textWidth ?? 0] : [1, 0];
  const atMost = Math.floor(((longest?.textWidth ?? 0) + left / share) * 100) / 100;
  // Shortening one label helps only as long as something of it is left.
  const isWorthIt = longest !== undefined && atMost >= Math.max(longest.textWidth / 3, least);
  return {
    ...{ width: at, fits: false, left },
    shorter: isWorthIt ? { label: longest.label, width: hundredth(longest.textWidth), atMost } : null,
  };
}
