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

/** Colour of what parts the buttons: nothing, else the colour that all corners have. */
function isGround(strip: Raster): (x: number, y: number) => boolean {
  const { width, height, data } = strip;
  const at = (x: number, y: number): number => (y * width + x) * 4;
  const corners = [at(0, 0), at(width - 1, 0), at(0, height - 1), at(width - 1, height - 1)];
  const [first] = corners as [number];
  const isPlain = corners.every(one => [0, 1, 2, 3].every(part => data[one + part] === data[first + part]));
  return (x, y) => {
    const one = at(x, y);
    if (data[one + 3]! < 8) return true;
    return isPlain && [0, 1, 2, 3].every(part => Math.abs(data[one + part]! - data[first + part]!) < 3);
  };
}

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

function foundColumns(strip: Raster, count: number): Spans {
  const isBare = isGround(strip);
  const isEmpty = (x: number): boolean => {
    for (let y = 0; y < strip.height; y += 1) if (!isBare(x, y)) return false;
    return true;
  };
  const { gaps, first, last } = gapsOf(strip.width, isEmpty);
  if (first < 0) return { unsure: 'the strip is empty', remedy: 'Save it again with its buttons.' };
  const found = widest(gaps, count - 1);
  const remedy = `Write the widths of the ${count} buttons from the left:  widths: [${Array.from({ length: count }, () => Math.round(strip.width / count)).join(', ')}]`;
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
  return { spans: spansOf(found.cuts, first, last) };
}

/** Rows are of one height: what parts them must part them so, or they follow each other without a gap. */
function foundRows(strip: Raster, count: number): Spans {
  const isBare = isGround(strip);
  const isEmpty = (y: number): boolean => {
    for (let x = 0; x < strip.width; x += 1) if (!isBare(x, y)) return false;
    return true;
  };
  const { gaps, first, last } = gapsOf(strip.height, isEmpty);
  const height = strip.height / count;
  const remedy = `Write the heights of the ${count} rows from above:  heights: [${Array.from({ length: count }, () => Math.round(height)).join(', ')}]`;
  if (count === 1) return { spans: [{ start: first, end: last + 1 }] };
  const found = widest(gaps, count - 1);
  const spans = found && !found.rival ? spansOf(found.cuts, first, last) : null;
  if (spans?.every(one => sizeOf(one) === sizeOf(spans[0]!))) return { spans };
  const even = Array.from({ length: count }, (_, at) => ({ start: at * height, end: (at + 1) * height }));
  const isApart = ({ start }: Gap): boolean =>
    start === 0 || isEmpty(start) || isEmpty(start - 1) || gaps.length === 0;
  if (Number.isInteger(height) && even.every(isApart)) return { spans: even };
  return {
    unsure: Number.isInteger(height)
      ? `${count} rows are looked for, and those that transparent or plain lines part are of other heights`
      : `${count} rows are looked for, and ${strip.height} px cannot be shared evenly among them`,
    remedy,
  };
}
