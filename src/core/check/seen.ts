import type { SitePath } from '../address/path.ts';
import type { MeasuredMenu } from '../look/measured.ts';
import { carrier } from '../menu/carried.ts';
import type { ResolvedMenu } from '../menu/types.ts';
import { type Finding, finding } from '../text/finding.ts';

/** A menu as a browser lays it out, in px. */
export interface SeenMenu {
  menu: string;
  /** The width that it has. */
  room: number;
  /** The width that home and entries take, side by side; null while it is folded. */
  used: number | null;
  isFolded: boolean;
  /** Entries stand in several lines. */
  wraps: boolean;
  /** The font that the page asks for. */
  font: string;
  fontSize: number;
  /** What keeps it from staying in view, where it is to: the element around it that clips; or null. */
  clippedBy: string | null;
  /** What cuts submenus off or lies over them: that element; or null. */
  hiddenBy: string | null;
  /** Targets that are less than so many px wide or high. */
  under24: string[];
  under44: string[];
}

/** The menus of a page in a window of this width. */
export interface SeenPage {
  page: string;
  width: number;
  menus: SeenMenu[];
}

/** What a browser shows otherwise than it was computed, or not at all. */
export function seenFindings(measured: readonly MeasuredMenu[], seen: readonly SeenPage[]): Finding[] {
  return [...widthFindings(measured, seen), ...clipFindings(seen)];
}

/** Menus that cannot stay in view, or whose submenus are not seen whole. */
function clipFindings(seen: readonly SeenPage[]): Finding[] {
  const told = new Map<string, Finding>();
  for (const { page, menus } of seen)
    for (const { menu, clippedBy, hiddenBy } of menus) {
      if (hiddenBy !== null) told.set(`${menu} sheet`, hidden(menu, hiddenBy, page));
      if (clippedBy !== null) told.set(`${menu} ${clippedBy}`, clipped(menu, clippedBy, page));
    }
  return [...told.values()];
}

function hidden(menu: string, by: string, page: string): Finding {
  return finding(
    'submenu-hidden',
    { file: page },
    `a submenu of \`${menu}\` is not seen whole: where it should be, there is \`${by}\``,
    'An element around the menu clips (overflow), or keeps it in a lower layer (z-index): take that out, or raise it.',
  );
}

function clipped(menu: string, by: string, page: string): Finding {
  return finding(
    'stays-clipped',
    { file: page },
    `\`${menu}\` cannot stay: \`${by}\` around it clips what it holds`,
    'Take that overflow out, or write  overflow: clip,  which does not keep a menu from staying.',
  );
}

/** Where own rules, or another font, make a bar wider than what was computed. */
function widthFindings(menus: readonly MeasuredMenu[], seen: readonly SeenPage[]): Finding[] {
  // Of the languages of a menu the widest counts.
  const widest = new Map<string, MeasuredMenu>();
  for (const one of menus)
    if ((widest.get(one.menu)?.fitsFromEm ?? 0) < one.fitsFromEm) widest.set(one.menu, one);
  return [...widest.values()].flatMap(menu => {
    const wider = seen
      .flatMap(({ page, menus: all }) => all.map(one => ({ page, one })))
      .find(({ one }) => one.menu === menu.menu && isWider(one, menu));
    if (!wider) return [];
    const px = Math.round(wider.one.used! * 10) / 10;
    return [
      finding(
        'width-differs',
        { file: wider.page },
        `\`${menu.menu}\` is ${px} px wide in the browser, and ${menu.fitsFromPx} px were computed`,
        'Rules of your own, or another font, make it wider. Say in the plan what they do (`padding`, `gap`, `font`), so that it folds in time.',
      ),
    ];
  });
}

function isWider({ used, wraps, fontSize }: SeenMenu, { fitsFromEm }: MeasuredMenu): boolean {
  return used !== null && !wraps && used / fontSize > fitsFromEm + 0.15;
}

/** One page of each folder and set of menus, the front page first; at most so many. */
export function pagesToSee(
  pages: Iterable<SitePath>,
  front: SitePath | null,
  menus: readonly ResolvedMenu[],
  most: number,
): SitePath[] {
  const carries = carrier(menus);
  const kinds = new Map<string, SitePath>();
  for (const page of [...pages].sort()) {
    const own = menus.filter(menu => carries(menu, page)).map(menu => menu.name);
    const key = `${page.includes('/') ? page.slice(0, page.lastIndexOf('/')) : ''} ${own.join()}`;
    if (own.length > 0 && !kinds.has(key)) kinds.set(key, page);
  }
  const all = [...kinds.values()];
  return [...(front !== null && !all.includes(front) ? [front] : []), ...all].slice(0, most);
}
