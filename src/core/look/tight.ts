import type { ResolvedMenu } from '../menu/types.ts';
import { forms } from '../plan/forms.ts';
import type { Menu } from '../plan/types.ts';
import { type Finding, finding } from '../text/finding.ts';
import type { Source } from '../text/source.ts';
import type { MenuFit } from './fit.ts';
import type { MenuFonts } from './fonts.ts';

/** The em of a media query, in px: the browser's own, whatever the page has (https://www.w3.org/TR/mediaqueries-4/#units). */
const mediaEm = 16;
/** The window of a usual phone, in px. */
const phone = 390;

/** Whether such a menu has to be measured to know that it has room. */
export const mayBeTight = ({ form, fold, widths }: Pick<ResolvedMenu, 'form' | 'fold' | 'widths'>): boolean =>
  forms[form].isRow && (fold.when === 'below' || (fold.when === 'never' && widths === 'equal'));

/** Tells of bars that fold too late to have room, and of equal boxes that are narrower than a word on a phone. */
export function tellTight(
  menus: readonly ResolvedMenu[],
  fonts: MenuFonts,
  { plan, source }: { plan: readonly Menu[]; source: Source },
): Finding[] {
  return menus.filter(mayBeTight).flatMap(menu => {
    const written = plan.find(one => one.name === menu.name);
    if (!written) return [];
    const { start, end } = written.fold.mark;
    const told = tooLate(menu, fonts) ?? brokenWord(menu, fonts);
    return told ? [finding(told.rule, source.place(start, end), told.message, told.remedy)] : [];
  });
}

type Told = { rule: 'late-fold' | 'broken-word'; message: string; remedy: string };

/** The narrowest window that a bar fits where nothing is beside it, in em of media queries. */
export const windowEm = ({ width, frame }: Pick<MenuFit, 'width' | 'frame'>): number =>
  Math.ceil(((width + frame.sides) / mediaEm) * 10) / 10;

function tooLate(menu: ResolvedMenu, fonts: MenuFonts): Told | null {
  const { belowEm } = menu.fold;
  const needed = windowEm(fonts.fit(menu));
  if (belowEm === null || belowEm >= needed) return null;
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
