import { forms } from '../plan/forms.ts';
import { sizeOf, weightOf as weightOfText } from '../page/fonts.ts';
import { hasIconAbove } from '../menu/lists.ts';
import type { ResolvedEntry, ResolvedMenu } from '../menu/types.ts';
import type { Look } from '../plan/look-types.ts';
import type { TextWidth } from './fallbacks.ts';
import { type EntryFit, besideHome } from './fit-lists.ts';
import { needsAir, usualAir } from './edges.ts';
import { mergeLooks } from './merge.ts';
import { defaultPadding, lengthOf, sides, transformed } from './lengths.ts';

/** What labels are set in. */
export interface MenuType {
  /** In px, at a root size of 16. */
  size: number;
  weight: number;
  /** The heaviest of any state, for which labels keep room. */
  boldest: number;
}

/** The width of a text in em, without letter spacing. */
export type Measure = (text: string, weight: number) => TextWidth;

export interface MenuFit {
  menu: string;
  entries: EntryFit[];
  /** Of the box of the home; 0 for none. */
  home: number;
  homeOffset: number;
  /** Of the whole bar, with home and gaps, and the least of common fonts. */
  width: number;
  leastWidth: number;
  /** Of an entry’s box. */
  height: number;
  /** What the menu's own box takes at both sides together, and above and below; how wide what is in it may become. */
  frame: { sides: number; ends: number; row: number };
  type: MenuType;
}

/** Sizes that the style sheet gives, in em. */
const lineHeight = 1.35;
const openerWidth = 2;
const openerLink = 0.3;
const openerSign = 0.57;
const openerGap = 0.5;
const openerEnd = 0.6;
export const homeGap = 0.6;
const highlightGap = 0.4;
const iconSize = 1.25;
const iconGap = 0.5;
export const iconAboveGap = 0.3;
const outsideMark = 0.5 + 0.12 + 0.45;
const noteScale = 0.82;
const noteGap = 0.4;
const homeMark = 2;
const homeMarkGap = 0.6;

/** What a bar is made of, in px. */
interface Ruler {
  em: number;
  type: MenuType;
  top: number;
  side: number;
  bottom: number;
  other: number;
  gap: number;
  /** Both of an entry together. */
  border: number;
  /** Of a drawing beside a label, and of a line. */
  icon: number;
  line: number;
  frame: MenuFit['frame'];
  textOf: (text: string, weight: number) => TextWidth;
}

function rulerOf(
  menu: ResolvedMenu,
  look: Look,
  { type, measure }: { type: MenuType; measure: Measure },
): Ruler {
  const em = type.size;
  const px = (length: string): number => lengthOf(length, em);
  // Where menus lie on the page’s own ground their labels begin at its edge.
  const isPlain = forms[menu.form].showsAll;
  const [top, side, bottom, other] = sides(
    isPlain ? (menu.look?.padding ?? '0.35em 0') : (look.padding ?? defaultPadding),
  ).map(px) as [number, number, number, number];
  const gapOf = isPlain ? (menu.look?.gap ?? '1.5em') : (look.gap ?? '0.2em');
  const gap = px(gapOf.split(' ').at(-1)!);
  const room = (length: string | null): number => (length === null || length === 'normal' ? 0 : px(length));
  const [spacing, wordSpacing] = [room(look.font.spacing), room(look.font.wordSpacing)];
  const textOf = (written: string, weight: number): TextWidth => {
    const text = transformed(written, look.font.transform, menu.language?.tag);
    const { least, most } = measure(text, weight);
    const spaces = spacing * [...text].length + wordSpacing * (text.split(' ').length - 1);
    return { least: least * em + spaces, most: most * em + spaces };
  };
  return {
    em,
    type,
    top,
    side,
    bottom,
    other,
    gap,
    border: 2 * px(borderOf(look)),
    icon: look.iconSize === null ? iconSize * em : px(look.iconSize),
    line: Number(look.font.line ?? lineHeight) * em,
    frame: frameOf(look, px, needsAir(menu, look) ? Math.max(0, px(`${usualAir}rem`) - side) : 0),
    textOf,
  };
}

/** What the menu's own box takes of its width; lengths that go by the window are left to the browser. */
function frameOf({ frame }: Look, px: (length: string) => number, air: number): MenuFit['frame'] {
  const isKnown = (length: string | null): length is string => length !== null && !/%|vw/.test(length);
  const [top, side, bottom, other] = sides(frame.padding ?? `0 ${air}px`) as [string, string, string, string];
  const border = frame.border === null || frame.border === 'none' ? 0 : px(frame.border.split(' ')[0]!);
  const taken = (rooms: readonly string[], edges: readonly ('top' | 'bottom' | 'start' | 'end')[]): number =>
    rooms.filter(isKnown).reduce((all, one) => all + px(one), 0) +
    border * edges.filter(one => (frame.edges ?? [one]).includes(one)).length;
  const sum = taken([side, other], ['start', 'end']);
  const [row, width] = [frame.row, frame.width].map(one => (isKnown(one) ? px(one) : Infinity)) as [
    number,
    number,
  ];
  return { sides: sum, ends: taken([top, bottom], ['top', 'bottom']), row: Math.min(row, width - sum) };
}

/**
 * How wide a bar is, and its entries: text by the font, spaces by the look. It fits where its room is at least so wide.
 * @param look that of the menu, with all that holds for it
 */
export function fitOf(menu: ResolvedMenu, look: Look, types: { type: MenuType; measure: Measure }): MenuFit {
  const ruler = rulerOf(menu, look, types);
  const { em, type, gap } = ruler;
  const { most: home, least: leastHome } = homeOf(menu, look, types) ?? { most: 0, least: 0 };
  let [offset, leastOffset] = [0, 0];
  const entries = menu.entries.map((entry, at): EntryFit => {
    const apart = at === 0 ? 0 : gap + (entry.highlight === null ? 0 : highlightGap * em);
    const made = entryFit(entry, ruler, offset + apart);
    offset = made.offset + made.width;
    leastOffset += apart + made.least;
    const { label, textWidth, leastTextWidth, width } = made;
    return { label, textWidth, leastTextWidth, width, offset: made.offset };
  });
  const equal = menu.widths === 'equal' ? equalized(entries, gap) : null;
  const row = { entries: equal ?? entries, home, space: homeGap * em, gap };
  const laid = besideHome(menu, row);
  return {
    menu: menu.name,
    entries: laid.entries,
    home,
    homeOffset: laid.homeOffset,
    width: laid.width,
    leastWidth: laid.width - (equal ? 0 : offset - leastOffset) - (home - leastHome),
    height: heightOf(menu, ruler),
    frame: ruler.frame,
    type,
  };
}

/** `least`: how wide it is at least, with what stands around its label. */
function entryFit(entry: ResolvedEntry, ruler: Ruler, offset: number): EntryFit & { least: number } {
  const { em, type, side, other, border, textOf } = ruler;
  const text = textOf(entry.label, Math.max(weightOf(entry, type.weight), type.boldest));
  const extras = extrasOf(entry, ruler) + border;
  const hasOpener = entry.entries.length > 0;
  const isLink = entry.leadsTo.kind !== 'none';
  const end = hasOpener && isLink ? openerLink * em : other;
  const opener = !hasOpener ? 0 : isLink ? openerWidth * em : (openerGap + openerSign) * em;
  const pictured = opener + (hasOpener && !isLink ? openerEnd * em : 0);
  const around = entry.picture ? pictured : side + end + extras + opener;
  const seen = entry.picture?.width ?? (entry.icon?.show === 'icon' ? 0 : null);
  const widthOf = (label: number): number =>
    seen ?? (hasIconAbove(entry) ? Math.max(label, ruler.icon) : label);
  return {
    label: entry.label,
    textWidth: text.most,
    leastTextWidth: text.least,
    width: widthOf(text.most) + around,
    offset,
    least: widthOf(text.least) + around,
  };
}

/** Of an entry: its line with what stands above it, or its picture. */
function heightOf({ entries }: ResolvedMenu, { em, icon, top, bottom, line, border }: Ruler): number {
  const above = entries.some(hasIconAbove) ? icon + iconAboveGap * em : 0;
  const text = entries.every(one => one.picture) ? 0 : top + bottom + line + border + above;
  return Math.max(text, ...entries.map(one => one.picture?.height ?? 0));
}

/** All as wide as the widest. */
function equalized(entries: readonly EntryFit[], gap: number): EntryFit[] {
  const width = Math.max(...entries.map(one => one.width));
  return entries.map((one, at) => ({ ...one, width, offset: at * (width + gap) }));
}

/** The box of the home, in its own type. */
function homeOf(
  menu: ResolvedMenu,
  look: Look,
  { type, measure }: { type: MenuType; measure: Measure },
): TextWidth | null {
  const { home } = menu;
  if (home === null) return null;
  const own = look.parts.home?.font ?? null;
  const size = own?.size ? (sizeOf(own.size, type.size) ?? type.size) : type.size;
  const ruler = rulerOf(menu, mergeLooks(look, look.parts.home ?? null), {
    type: { ...type, size },
    measure,
  });
  const { em, side, other, border } = ruler;
  const around = side + other + border;
  const text = ruler.textOf(home.label, own?.weight ? weightOfText(own.weight) : 700);
  const isSeen = home.image !== null && home.show !== 'label';
  const picture =
    isSeen && home.image!.size ? (home.image!.size.width / home.image!.size.height) * homeMark * em : 0;
  if (isSeen && home.show === 'image') return { least: picture + around, most: picture + around };
  const both = around + (isSeen ? picture + homeMarkGap * em : 0);
  return { least: text.least + both, most: text.most + both };
}

function extrasOf(entry: ResolvedEntry, { em, icon: size, textOf }: Ruler): number {
  const icon =
    entry.icon === null || entry.icon.show === 'label' || hasIconAbove(entry)
      ? 0
      : size + (entry.icon.show === 'icon' ? 0 : iconGap * em);
  const note =
    entry.details === null
      ? 0
      : textOf(`(${entry.details})`, 400).most * noteScale + noteGap * noteScale * em;
  return icon + (entry.outsideMark ? outsideMark * em : 0) + note;
}

function weightOf({ look, highlight }: ResolvedEntry, weight: number): number {
  const own = look?.font.weight ?? (typeof highlight === 'object' ? highlight?.font.weight : null) ?? null;
  return own === null ? weight : weightOfText(own);
}

/** The width of the border that all entries keep room for. */
function borderOf(look: Look): string {
  if (look.border !== null && look.border !== 'none') return look.border.split(' ')[0]!;
  const all = Object.values(look.states).map(one => one.border);
  return all.flatMap(one => (one === null || one === 'none' ? [] : [one.split(' ')[0]!]))[0] ?? '0';
}
