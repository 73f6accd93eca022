import { contrast, readColor } from '../look/color.ts';
import { defaultPadding, lengthOf, sides } from '../look/lengths.ts';
import type { ComputedLook } from './computed-look.ts';
import { buttonFrom, leastContrast } from './old-button.ts';
import { marginsAs } from './margins.ts';
import { homeFrom } from './old-home.ts';
import type { DraftLook } from './types.ts';

/** A plan's look from what a browser computed. */
export function lookFromBrowser(computed: ComputedLook): Omit<DraftLook, 'states'> {
  const root = Number.parseFloat(computed.rootSize) || 16;
  const rem = (px: string): string => `${round(Number.parseFloat(px) / root)}rem`;
  const [top = 0, right = 0, bottom = 0, left = 0] = computed.padding.map(one => Number.parseFloat(one) || 0);
  const background = ownGround(computed);
  // The room of the old menu's box goes into its entries, so that the whole height answers to the pointer; round ones keep
  // their shape, and what there is at one side alone is the menu's.
  const room = computed.radius === '0px' ? Math.min(...computed.room) : 0;
  const ends = computed.pitch > 0 ? [0, 0] : computed.room.map(one => one - room);
  const between = Math.max(left, right, besideWords(computed));
  // Beside each other words need room to be told apart, and below each other for a mark; they begin where they began.
  const least = computed.pitch > 0 ? besideMark * Number.parseFloat(computed.fontSize) : leastSide * root;
  const added = Math.max(0, least - between);
  const side = between + added;
  const sides = computed.box.sides.map(one => Math.max(0, one - added));
  const own = Math.max(top, bottom, computed.touches ? rowPadding(computed.height, computed) : 0);
  const above = computed.pitch > 0 ? rowPadding(computed.pitch, computed) : own + room;
  const hasPadding = above + between > 0;
  return {
    accent: accentOf(computed),
    background: background === null ? null : readColor(background),
    color: background === null && !computed.isOver ? readableOn(computed) : readColor(computed.color),
    fontFamily: computed.fontFamily === computed.aroundFamily ? null : familyOf(computed.fontFamily),
    fontSize: computed.fontSize === computed.aroundSize ? null : rem(computed.fontSize),
    fontWeight: computed.fontWeight === '400' ? null : computed.fontWeight,
    ...letters(computed),
    align: computed.align,
    pushed: computed.pushed,
    home: homeFrom(computed, rem),
    isTabs: computed.isTabs,
    widths: computed.even === null ? null : 'equal',
    line: computed.line === null ? null : readColor(computed.line),
    gap: gapOf(computed, hasPadding ? side : usualSide(computed), rem),
    padding: hasPadding ? pair(rem(String(above)), rem(String(side))) : null,
    ...roomsOf(computed, { sides, ends, rem }),
    button: buttonFrom(computed, rem),
    radius: radiusOf(computed, rem),
  };
}

/** The box of the old menu, and the room around it. */
function roomsOf(
  computed: ComputedLook,
  { sides, ends, rem }: { sides: number[]; ends: readonly number[]; rem: (px: string) => string },
): Pick<DraftLook, 'frame' | 'around'> {
  const box = frameOf({ ...computed.box, sides }, ends, rem);
  const frame = { ...box, ...borderOf(computed), ...shapeOf(computed, rem) };
  return { frame, around: marginsAs(computed.margins, rem) };
}

/** What is behind it, where that is not what the page has, or a glass of the same colour. */
function ownGround({ background, pageBackground }: ComputedLook): string | null {
  if (background === pageBackground || background === null) return null;
  const [own, page] = [background, pageBackground ?? '#ffffff'].map(readColor);
  const isGlass = own?.length === 9 && own.slice(0, 7) === page;
  return isGlass ? null : background;
}

/** Boxes that meet, beside or below each other, had no corners. */
function radiusOf({ radius, touches, pitch }: ComputedLook, rem: (px: string) => string): string | null {
  if (radius !== '0px') return rem(radius);
  return touches || pitch > 0 ? '0' : null;
}

/** The ground of what is set apart, or else of where one is, where most entries have that of the menu. */
function accentOf({ background, grounds, button }: ComputedLook): string | null {
  const usual = grounds.filter(one => one === background).length;
  const odd = button?.background ?? grounds.find(one => one !== background && one !== null);
  return usual >= grounds.length / 2 && odd ? readColor(odd) : null;
}

/** The colour of its words, where they can be read on the page's own ground; else they have that of the page's text. */
function readableOn({ color, pageBackground }: ComputedLook): string | null {
  const [words, ground] = [readColor(color), readColor(pageBackground ?? '#ffffff')];
  return words && ground && contrast(words, ground) < leastContrast ? null : words;
}

const transforms = /^(?:uppercase|lowercase|capitalize)$/;

/** How its letters are written. */
function letters({
  textTransform,
  letterSpacing,
  fontSize,
}: ComputedLook): Pick<DraftLook, 'transform' | 'spacing'> {
  const spacing = round((Number.parseFloat(letterSpacing) || 0) / (Number.parseFloat(fontSize) || 16));
  return {
    transform: transforms.test(textTransform) ? textTransform : null,
    spacing: spacing === 0 ? null : `${spacing}em`,
  };
}

/** Less than this is what Kamino leaves by itself, in px; more is no gap, but a bar whose entries are spread. */
const leastGap = 6;
const mostGap = 64;

/** Beside the words of an entry whose padding no plan says. */
const usualSide = ({ fontSize }: ComputedLook): number =>
  lengthOf(sides(defaultPadding)[1]!, Number.parseFloat(fontSize));

/** What an entry has beside its words by its width; where all share the room of the menu, that comes by itself. */
function besideWords({ align, even, touches, apart }: ComputedLook): number {
  if (align === 'spread') return 0;
  return even !== null ? even / 2 : touches ? apart / 2 : 0;
}

/** What is left between two entries, once each has its room beside its words. */
function gapOf(
  { apart, align, touches }: ComputedLook,
  side: number,
  rem: (px: string) => string,
): string | null {
  if (touches) return '0';
  if (align === 'spread') return null;
  const gap = apart - 2 * side;
  return gap >= leastGap && gap <= mostGap ? rem(String(gap)) : null;
}

const edgeOf = { top: 'top', bottom: 'bottom', left: 'start', right: 'end' } as const;

function borderOf({ border }: ComputedLook): Pick<DraftLook['frame'], 'border' | 'edges'> {
  const color = border && readColor(border.color);
  if (!border || !color) return { border: null, edges: [] };
  const edges = border.sides.length === 4 ? [] : border.sides.map(side => edgeOf[side]);
  return { border: `${border.css} ${color}`, edges };
}

/** Of a ground of its own. */
function shapeOf(
  { corners, shadow, background, pageBackground }: ComputedLook,
  rem: (px: string) => string,
): Pick<DraftLook['frame'], 'radius' | 'shadow'> {
  if (background === pageBackground) return { radius: null, shadow: null };
  const isRound = /^[\d.]+px$/.test(corners) && corners !== '0px';
  return { radius: isRound ? rem(corners) : null, shadow };
}

/** The look of a menu on the page's own ground: what it has otherwise than what it lies in. */
export function plainFromBrowser(computed: ComputedLook): Omit<DraftLook, 'states'> {
  const root = Number.parseFloat(computed.rootSize) || 16;
  const rem = (px: number): string => `${round(px / root)}rem`;
  const look = lookFromBrowser(computed);
  const { background, color, apart, align } = computed;
  const [left = 0, right = 0] = computed.box.sides;
  const sides = [computed.room[0], right, computed.room[1], left];
  return {
    ...look,
    accent: null,
    button: null,
    background: background === computed.aroundGround ? null : look.background,
    color: color === computed.aroundColor ? null : look.color,
    gap: align !== 'spread' && apart >= leastGap && apart <= mostGap ? `0 ${rem(apart)}` : null,
    padding: null,
    radius: null,
    line: null,
    frame: { ...look.frame, padding: sides.some(one => one > 0) ? around(sides.map(rem)) : null },
  };
}

/** As short as CSS has it. */
function around([top, right, bottom, left]: readonly string[]): string {
  if (right !== left) return [top, right, bottom, left].join(' ');
  if (top !== bottom) return [top, right, bottom].join(' ');
  return pair(top!, right!);
}

/** The old menu's own box: its room, and its width in the middle of what is wider. */
function frameOf(
  { width, isRow, sides: [left = 0, right = 0] }: ComputedLook['box'],
  [top = 0, bottom = 0]: readonly number[],
  rem: (px: string) => string,
): Pick<DraftLook['frame'], 'padding' | 'width' | 'row'> {
  const all = [top, right, bottom, left];
  const padding = all.map(one => (one > 0 ? rem(String(one)) : '0'));
  return {
    padding: all.some(one => one > 0) ? around(padding) : null,
    width: width > 0 && !isRow ? rem(String(width)) : null,
    row: width > 0 && isRow ? rem(String(width)) : null,
  };
}

/** At each side of the words: of a bar in rem; of a column, where a mark stands there, in em. */
const leastSide = 0.45;
const besideMark = 0.65;
/** Of Kamino's own lines. */
const lineHeight = 1.35;
/** https://www.w3.org/TR/WCAG22/#target-size-minimum */
const leastTarget = 24;

/** Above and below the words, so that rows are as high as they were, and high enough for a finger. */
function rowPadding(height: number, { fontSize }: ComputedLook): number {
  const line = (Number.parseFloat(fontSize) || 16) * lineHeight;
  return Math.max(0, (Math.max(height, leastTarget) - line) / 2);
}

/** Names of fonts as a plan takes them; null for what is more than that. */
export function familyOf(value: string | null): string | null {
  const names = value?.replace(/"/g, "'") ?? '';
  return names !== '' && /^[\p{L}\p{N} ,'_-]+$/u.test(names) ? names : null;
}

function pair(one: string, other: string): string {
  return one === other ? one : `${one} ${other}`;
}

function round(number: number): number {
  return Math.round(number * 100) / 100;
}
