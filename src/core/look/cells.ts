import type { Box, Raster } from './raster.ts';

/** What is known of the cells of a strip, in px. */
export interface StripMeasures {
  columns: number;
  rows: number;
  widths: readonly number[] | null;
  heights: readonly number[] | null;
  gap: number;
}

/** What parts two buttons, from its first line up to behind its last. */
interface Gap {
  start: number;
  end: number;
}

/** The cells of a strip, row by row; or what is wrong, with the place where it is. */
export type StripCells = { cells: readonly (readonly Box[])[] } | { unsure: string; remedy: string };

/** Where the buttons of a strip are: by their measures, else where transparent or plain lines part them. */
export function stripCells(strip: Raster, measures: StripMeasures): StripCells {
  const { columns, rows, widths, heights, gap } = measures;
  const across =
    widths === null
      ? foundColumns(strip, columns)
      : written(widths, columns, gap, { room: strip.width, what: 'widths', called: 'columns' });
  if ('unsure' in across) return across;
  const down =
    heights === null
      ? foundRows(strip, rows)
      : written(heights, rows, gap, { room: strip.height, what: 'heights', called: 'rows' });
  if ('unsure' in down) return down;
  return {
    cells: down.spans.map(({ start: y, end: bottom }) =>
      across.spans.map(({ start: x, end }) => ({ x, y, width: end - x, height: bottom - y })),
    ),
  };
}

type Spans = { spans: readonly Gap[] } | { unsure: string; remedy: string };

function written(
  sizes: readonly number[],
  count: number,
  gap: number,
  { room, what, called }: { room: number; what: string; called: string },
): Spans {
  const all = sizes.length === 1 ? Array.from({ length: count }, () => sizes[0]!) : sizes;
  if (all.length !== count)
    return {
      unsure: `\`${what}\` has ${all.length} measures for ${count} ${called}`,
      remedy: `Write one for all of them, or ${count}.`,
    };
  let at = 0;
  const spans = all.map(size => {
    const span = { start: at, end: at + size };
    at += size + gap;
    return span;
  });
  const end = at - gap;
  if (end > room)
    return {
      unsure: `the ${called} are ${end} px together${gap > 0 ? ` with what lies between them` : ''}, and the picture has ${room}`,
      remedy: `Look at the cells:  kamino pictures --cells`,
    };
  return { spans };
}

/** What may part the buttons. */
interface Ground {
  isBare: (x: number, y: number) => boolean;
  /** It is a colour, which buttons may have too. */
  isPlain: boolean;
}

/** Nothing, where any of it is transparent; else the colours of lines that have only one, the most frequent first. */
function groundsOf({ width, height, data }: Raster): Ground[] {
  const at = (x: number, y: number): number => (y * width + x) * 4;
  const isOpaque = data.every((value, one) => one % 4 !== 3 || value > 247);
  if (!isOpaque) return [{ isPlain: false, isBare: (x, y) => data[at(x, y) + 3]! < 8 }];
  const isSame = (one: number, other: number): boolean =>
    [0, 1, 2].every(part => Math.abs(data[one + part]! - data[other + part]!) < 3);
  const counts = new Map<string, { first: number; count: number }>();
  const note = (length: number, pixel: (step: number) => number): void => {
    const first = pixel(0);
    for (let step = 1; step < length; step += 1) if (!isSame(first, pixel(step))) return;
    const key = data.subarray(first, first + 3).join(' ');
    counts.set(key, { first, count: (counts.get(key)?.count ?? 0) + 1 });
  };
  for (let x = 0; x < width; x += 1) note(height, y => at(x, y));
  for (let y = 0; y < height; y += 1) note(width, x => at(x, y));
  return [...counts.values()]
    .sort((one, other) => other.count - one.count)
    .slice(0, mostGrounds)
    .map(({ first }) => ({ isPlain: true, isBare: (x, y) => isSame(first, at(x, y)) }));
}
const mostGrounds = 4;

/** Whether what lies between two gaps is a box, and not a label on the very ground that parts it from others. */
function areBoxes(strip: Raster, { isBare }: Ground, spans: readonly Gap[]): boolean {
  const share = (x: number): number => {
    let count = 0;
    for (let y = 0; y < strip.height; y += 1) if (!isBare(x, y)) count += 1;
    return count / strip.height;
  };
  return spans.every(({ start, end }) => share(start) > boxShare && share(end - 1) > boxShare);
}
/** Corners may be round, and rows parted. */
const boxShare = 0.35;

/** What lies between lines that hold something, and those lines. */
function gapsOf(
  length: number,
  isEmpty: (at: number) => boolean,
): { gaps: Gap[]; first: number; last: number } {
  const filled = Array.from({ length }, (_, at) => !isEmpty(at));
  const first = filled.indexOf(true);
  const last = filled.lastIndexOf(true);
  const gaps: Gap[] = [];
  let start = -1;
  for (let at = first; at >= 0 && at <= last; at += 1) {
    if (filled[at] && start >= 0) gaps.push({ start, end: at });
    start = filled[at] ? -1 : start >= 0 ? start : at;
  }
  return { gaps, first, last };
}

const sizeOf = ({ start, end }: Gap): number => end - start;
/** Gaps between buttons are as wide as each other, within this; those within buttons surely narrower. */
const alike = 1.6;
/** A single gap has no others to be compared with. */
const alone = 4;

/** The widest gaps part the buttons, where those within them are surely narrower. */
function widest(gaps: readonly Gap[], count: number): { cuts: Gap[]; rival: Gap | null } | null {
  if (gaps.length < count) return null;
  const sorted = [...gaps].sort((one, other) => sizeOf(other) - sizeOf(one));
  const cuts = sorted.slice(0, count).sort((one, other) => one.start - other.start);
  const rival = sorted[count];
  if (!rival || count === 0) return { cuts, rival: count === 0 ? null : (rival ?? null) };
  const [most, least] = [sizeOf(sorted[0]!), sizeOf(sorted[count - 1]!)];
  const isSure = most <= least * alike && sizeOf(rival) * (count === 1 ? alone : alike) <= least;
  return { cuts, rival: isSure ? null : rival };
}

const spansOf = (cuts: readonly Gap[], first: number, last: number): Gap[] =>
  [...cuts, null].map((cut, at) => ({
    start: at === 0 ? first : cuts[at - 1]!.end,
    end: cut === null ? last + 1 : cut.start,
  }));

/** Each ground in turn: those that part the buttons surely must all part them alike. */
function sure(grounds: readonly Ground[], find: (ground: Ground) => Spans, none: Spans): Spans {
  const all = grounds.map(find);
  const found = all.filter(one => 'spans' in one);
  if (found.length === 0) return all[0] ?? none;
  const isAlike = found.every(one => JSON.stringify(one) === JSON.stringify(found[0]));
  return isAlike ? found[0]! : none;
}

const listOf = (count: number, size: number): string =>
  Array.from({ length: count }, () => Math.round(size)).join(', ');

function foundColumns(strip: Raster, count: number): Spans {
  const { width, height } = strip;
  const remedy = `Write the widths of the ${count} buttons from the left:  widths: [${listOf(count, width / count)}]`;
  const none = {
    unsure: `${count} buttons are looked for, and transparent or plain columns do not part them surely`,
    remedy,
  };
  const find = (ground: Ground): Spans => {
    const { gaps, first, last } = gapsOf(width, x => isLine(height, y => ground.isBare(x, y)));
    if (first < 0) return { unsure: 'the strip is empty', remedy: 'Save it again with its buttons.' };
    const found = widest(gaps, count - 1);
    if (!found)
      return {
        unsure: `${count} buttons are looked for, and transparent or plain columns part only ${gaps.length + 1}`,
        remedy,
      };
    if (found.rival)
      return {
        unsure: `a gap of ${sizeOf(found.rival)} px at ${found.rival.start} px from the left may part two buttons as well as the narrowest of those taken, of ${Math.min(...found.cuts.map(sizeOf))} px`,
        remedy,
      };
    const spans = spansOf(found.cuts, first, last);
    if (ground.isPlain && !areBoxes(strip, ground, spans))
      return {
        unsure: 'the buttons have the colour that lies between them, so that their edges cannot be seen',
        remedy,
      };
    return { spans };
  };
  return sure(groundsOf(strip), find, none);
}

function isLine(length: number, isBare: (at: number) => boolean): boolean {
  for (let at = 0; at < length; at += 1) if (!isBare(at)) return false;
  return true;
}

/** Rows are of one height: what parts them must part them so, or they follow each other without a gap. */
function foundRows(strip: Raster, count: number): Spans {
  const { width, height: whole } = strip;
  const height = whole / count;
  const remedy = `Write the heights of the ${count} rows from above:  heights: [${listOf(count, height)}]`;
  const none = {
    unsure: Number.isInteger(height)
      ? `${count} rows are looked for, and those that transparent or plain lines part are of other heights`
      : `${count} rows are looked for, and ${whole} px cannot be shared evenly among them`,
    remedy,
  };
  const evenly = Array.from({ length: count }, (_, at) => ({ start: at * height, end: (at + 1) * height }));
  const find = ({ isBare, isPlain }: Ground): Spans => {
    const isEmpty = (y: number): boolean => isLine(width, x => isBare(x, y));
    const { gaps, first, last } = gapsOf(whole, isEmpty);
    if (count === 1) return isPlain ? { spans: evenly } : { spans: [{ start: first, end: last + 1 }] };
    const found = widest(gaps, count - 1);
    const spans = found && !found.rival ? spansOf(found.cuts, first, last) : null;
    return spans?.every(one => sizeOf(one) === sizeOf(spans[0]!)) ? { spans } : none;
  };
  const grounds = groundsOf(strip);
  const found = sure(grounds, find, none);
  if ('spans' in found || !Number.isInteger(height)) return found;
  // Without a gap that parts them, or with each in the same part of the whole.
  const isParted = ({ isBare }: Ground): boolean =>
    evenly.every(
      ({ start }) =>
        start === 0 ||
        isLine(width, x => isBare(x, start)) ||
        isLine(width, x => isBare(x, start - 1)) ||
        gapsOf(whole, y => isLine(width, x => isBare(x, y))).gaps.length === 0,
    );
  return grounds.every(isParted) ? { spans: evenly } : none;
}
