import { readColor } from '../look/color.ts';
import { defaultPadding, lengthOf, sides } from '../look/lengths.ts';
import type { DraftLook } from './types.ts';

/** What a browser computes for an old menu: CSS values, lengths in px. */
export interface ComputedLook {
  /** What lies behind an entry; null for nothing. */
  background: string | null;
  linkBackground: string | null;
  pageBackground: string | null;
  color: string;
  fontFamily: string;
  fontSize: string;
  fontWeight: string;
  textTransform: string;
  letterSpacing: string;
  rootSize: string;
  pageFamily: string;
  padding: [top: string, right: string, bottom: string, left: string];
  /** Above and below the entries, in the menu's own box, in px. */
  room: [top: number, bottom: number];
  radius: string;
  /** Where the entries of one row stand in the menu, where that is not at its start. */
  align: 'center' | 'end' | null;
  /** Between the words of entries beside each other; 0 where there are none. */
  apart: number;
  /** From one row of entries to the next; 0 where they stand in one row. */
  pitch: number;
  /** Of the menu itself, in px: its width where it lies in the middle of more (else 0), and the room at its sides. */
  box: { width: number; sides: number[] };
  /** Behind each link. */
  grounds: (string | null)[];
}

/** A plan's look from what a browser computed. */
export function lookFromBrowser(computed: ComputedLook): Omit<DraftLook, 'states'> {
  const root = Number.parseFloat(computed.rootSize) || 16;
  const rem = (px: string): string => `${round(Number.parseFloat(px) / root)}rem`;
  const [top, right, bottom, left] = computed.padding.map(one => Number.parseFloat(one) || 0) as [
    number,
    number,
    number,
    number,
  ];
  const background = computed.background === computed.pageBackground ? null : computed.background;
  // The room of the old menu's box goes into its entries, so that the whole height answers to the pointer.
  const room = Math.max(...computed.room);
  const between = Math.max(left, right);
  // Beside each other words need room to be told apart, and below each other for a mark; they begin where they began.
  const least = computed.pitch > 0 ? besideMark * Number.parseFloat(computed.fontSize) : leastSide * root;
  const added = Math.max(0, least - between);
  const side = between + added;
  const sides = computed.box.sides.map(one => Math.max(0, one - added));
  const above = computed.pitch > 0 ? rowPadding(computed) : Math.max(top, bottom) + room;
  const hasPadding = above + between > 0;
  const usual = computed.grounds.filter(one => one === computed.background).length;
  const odd = computed.grounds.find(one => one !== computed.background && one !== null);
  return {
    accent: usual > computed.grounds.length / 2 && odd ? readColor(odd) : null,
    background: background === null ? null : readColor(background),
    color: readColor(computed.color),
    fontFamily: computed.fontFamily === computed.pageFamily ? null : familyOf(computed.fontFamily),
    fontSize: computed.fontSize === computed.rootSize ? null : rem(computed.fontSize),
    fontWeight: computed.fontWeight === '400' ? null : computed.fontWeight,
    ...letters(computed),
    align: computed.align,
    gap: gapOf(computed, hasPadding ? side : usualSide(computed), rem),
    padding: hasPadding ? pair(rem(String(above)), rem(String(side))) : null,
    frame: frameOf({ ...computed.box, sides }, rem),
    radius: computed.radius === '0px' ? null : rem(computed.radius),
  };
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

/** What is left between two entries, once each has its room beside its words. */
function gapOf({ apart }: ComputedLook, side: number, rem: (px: string) => string): string | null {
  const gap = apart - 2 * side;
  return gap >= leastGap && gap <= mostGap ? rem(String(gap)) : null;
}

/** The old menu's own box: its room at the sides, and its width in the middle of what is wider. */
function frameOf(box: ComputedLook['box'], rem: (px: string) => string): DraftLook['frame'] {
  const [start = 0, end = 0] = box.sides;
  const padding = start === end ? `0 ${rem(String(start))}` : `0 ${rem(String(end))} 0 ${rem(String(start))}`;
  return { padding: start + end > 0 ? padding : null, width: box.width > 0 ? rem(String(box.width)) : null };
}

/** At each side of the words: of a bar in rem; of a column, where a mark stands there, in em. */
const leastSide = 0.45;
const besideMark = 0.65;
/** Of Kamino's own lines. */
const lineHeight = 1.35;
/** https://www.w3.org/TR/WCAG22/#target-size-minimum */
const leastTarget = 24;

/** Above and below the words, so that rows are as high as they were, and high enough for a finger. */
function rowPadding({ pitch, fontSize }: ComputedLook): number {
  const line = (Number.parseFloat(fontSize) || 16) * lineHeight;
  return Math.max(0, (Math.max(pitch, leastTarget) - line) / 2);
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
