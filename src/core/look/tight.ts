import { folds } from '../menu/folds.ts';
import type { ResolvedMenu } from '../menu/types.ts';
import { forms } from '../plan/forms.ts';
import type { Menu } from '../plan/types.ts';
import { type Finding, finding } from '../text/finding.ts';
import { counted } from '../text/nearest.ts';
import type { Source } from '../text/source.ts';
import { type MenuFit, homeGap } from './fit.ts';
import type { MenuFonts } from './fonts.ts';

/** The em of a media query, in px: the browser's own, whatever the page has (https://www.w3.org/TR/mediaqueries-4/#units). */
const mediaEm = 16;
/** The window of most laptops, in em of media queries. */
const usualWindow = 80;
/** The window of a usual phone, in px. */
const phone = 390;

/** The narrowest window in which nothing may be lost, in px (https://www.w3.org/TR/WCAG22/#reflow). */
const narrowest = 320;

/** The mark of a toggle and the gap to its word, in em, and the padding of an entry at both sides where that is not known. */
const toggleMark = 1.1;
const toggleGap = 0.5;
const mostSides = 1.9;
const usualGap = 0.2;

/** Whether such a menu has to be measured to know that it has room. */
export const mayBeTight = (menu: ResolvedMenu): boolean =>
  forms[menu.form].isRow &&
  (menu.fold.when === 'below' ||
    (menu.fold.when === 'never' && menu.widths === 'equal') ||
    menu.entries.some(one => one.remains));

/** Tells of bars that fold too late to have room, of equal boxes that are narrower than a word on a phone, and of long labels. */
export function tellTight(
  menus: readonly ResolvedMenu[],
  fonts: MenuFonts,
  { plan, source }: { plan: readonly Menu[]; source: Source },
): Finding[] {
  return menus.flatMap(menu => {
    const written = plan.find(one => one.name === menu.name);
    if (!written) return [];
    const { start, end } = written.fold.mark;
    const tight = mayBeTight(menu)
      ? (tooLate(menu, fonts) ?? brokenWord(menu, fonts) ?? foldedWide(menu, fonts))
      : null;
    return [tight, longLabel(menu, fonts)].flatMap(told =>
      told ? [finding(told.rule, source.place(start, end), told.message, told.remedy)] : [],
    );
  });
}

interface Told {
  rule: 'late-fold' | 'broken-word' | 'folded-wide' | 'long-label';
  message: string;
  remedy: string;
}

/** A label that takes more than a line of its own where windows are narrowest. */
function longLabel(menu: ResolvedMenu, fonts: MenuFonts): Told | null {
  if (!forms[menu.form].isRow) return null;
  const { entries, frame } = fonts.fit(menu);
  const room = narrowest - frame.sides;
  // As narrow as its words may be, without what is around them: else it depends on the visitor's fonts.
  const long = entries.filter(one => one.leastTextWidth > room);
  const [longest] = [...long].sort((one, other) => other.leastTextWidth - one.leastTextWidth);
  if (!longest) return null;
  const more = long.length > 1 ? `, and ${counted(long.length - 1, 'other one')} as well` : '';
  return {
    rule: 'long-label',
    message: `\`${longest.label}\` of \`${menu.name}\` is ${longest.leastTextWidth.toFixed(0)} px wide, and a window of ${narrowest} px has ${room.toFixed(0)}: it goes into several lines${more}`,
    remedy: 'Give it a shorter one:  label: News',
  };
}

/** The narrowest window that a bar fits where nothing is beside it, in em of media queries. */
export const windowEm = ({ width, frame }: Pick<MenuFit, 'width' | 'frame'>): number =>
  Math.ceil(((width + frame.sides) / mediaEm) * 10) / 10;

function tooLate(menu: ResolvedMenu, fonts: MenuFonts): Told | null {
  const { belowEm } = menu.fold;
  const needed = windowEm(fonts.fit(menu));
  if (belowEm === null || belowEm >= needed) return null;
  if (needed > usualWindow)
    return {
      rule: 'late-fold',
      message: `\`${menu.name}\` takes ${needed}em, which few windows have: from ${belowEm}em on it goes into several lines`,
      remedy:
        'Give its entries shorter labels, such as  label: News  or put some of them below others. Folded where it has no room, it is so in most windows:  when: crowded',
    };
  return {
    rule: 'late-fold',
    message: `\`${menu.name}\` folds below ${belowEm}em and takes ${needed}em: in windows between the two it goes into several lines`,
    remedy: `Fold it earlier:  when: below ${needed}em  or where its own room ends:  when: crowded`,
  };
}

function brokenWord(menu: ResolvedMenu, fonts: MenuFonts): Told | null {
  if (menu.widths !== 'equal' || (menu.fold.belowEm ?? 0) * mediaEm > phone) return null;
  const { entries, frame, type, font } = fonts.fit(menu);
  const gaps = entries.length > 1 ? entries[1]!.offset - entries[0]!.width : 0;
  const room = Math.min(phone - frame.sides, frame.row);
  const each = (room - gaps * (entries.length - 1)) / entries.length;
  // All boxes are as wide as that of the widest label: what is around it is the same for each.
  const around = Math.min(...entries.map(one => one.width - one.textWidth));
  const widthOf = (word: string, label: string, whole: number): number =>
    (whole * font.measure(word, type.boldest).most) / font.measure(label, type.boldest).most;
  const words = entries.flatMap(({ label, textWidth }) =>
    label
      .split(/[\s\u00ad\u200b-]+/)
      .map(word => ({ word, width: widthOf(word, label, textWidth) + around })),
  );
  const broken = words.find(({ width }) => width > each + 0.5);
  if (!broken) return null;
  const [has, needs] = [each, broken.width].map(one => one.toFixed(0)) as [string, string];
  return {
    rule: 'broken-word',
    message: `in a window of ${phone} px each entry of \`${menu.name}\` is ${has} px wide, and \`${broken.word}\` needs ${needs}: it is broken in two`,
    remedy: 'Let it fold where it has no room:  fold: { when: crowded }',
  };
}

/** Entries that stay when the others fold share a line with the home and the toggle. */
function foldedWide(menu: ResolvedMenu, fonts: MenuFonts): Told | null {
  if (!folds(menu) || !menu.entries.some(one => one.remains)) return null;
  const { entries, home, frame, type, font } = fonts.fit(menu);
  const { show, label } = menu.fold.toggle;
  const word =
    show === 'icon' ? 0 : font.measure(label ?? menu.language?.words.menu ?? 'Menu', type.weight).most;
  const mark = show === 'label' ? 0 : toggleMark + (show === 'both' ? toggleGap : 0);
  const sides = Math.max(0, ...entries.map(one => one.width - one.textWidth));
  const stay = entries.filter((_, at) => menu.entries[at]!.remains);
  const gaps = entries.slice(1).map((one, at) => one.offset - entries[at]!.offset - entries[at]!.width);
  const gap = gaps.length > 0 ? Math.min(...gaps) : usualGap * type.size;
  const needed = Math.ceil(
    home +
      (home > 0 ? homeGap * type.size + gap : 0) +
      (word + mark) * type.size +
      Math.min(sides, mostSides * type.size) +
      stay.reduce((sum, one) => sum + one.width + gap, 0),
  );
  const room = Math.floor(Math.min(phone - frame.sides, frame.row));
  if (needed <= room || menu.home?.at === 'above') return null;
  return {
    rule: 'folded-wide',
    message: `folded, \`${menu.name}\` needs ${needed} px for what stays in view, and a window of ${phone} px has ${room}: it takes two lines`,
    remedy:
      'Shorten what stays, show the toggle as a mark alone:  toggle: { show: icon }  or let the entry fold too.',
  };
}
