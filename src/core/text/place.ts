import type { Raw } from './bytes.ts';
import { type Charset, decode } from './charset.ts';
import type { Place } from './source.ts';

/**
 * The place of a stretch of a page's bytes; the excerpt and the columns are those of its text. Of a line longer than
 * anybody reads the excerpt is what lies around.
 */
export function placeInRaw(
  page: { path: string; raw: Raw; charset: Charset },
  start: number,
  end: number,
): Place {
  const { path: file, raw, charset } = page;
  const { line, start: lineStart, end: lineEnd } = lineOf(page, raw, start);
  const before = columnOf(raw, charset, { line, lineStart, start });
  const isLong = lineEnd - lineStart > mostShown;
  const left = isLong ? Math.max(lineStart, start - aside) : lineStart;
  const right = isLong ? Math.min(lineEnd, start + mostShown) : lineEnd;
  const text = (from: number, to: number): string => decode(raw.slice(from, to), charset);
  const from = text(left, start).length;
  const to = from + text(start, Math.min(end, right)).length;
  return {
    file,
    position: { line: line + 1, column: before + 1 },
    excerpt: { text: text(left, right), from, to: Math.max(from + 1, to) },
  };
}

const mostShown = 2000;
const aside = 400;

/** How many characters stand before an offset in its line; counted on from the last one asked for, where that is before. */
function columnOf(
  raw: Raw,
  charset: Charset,
  { line, lineStart, start }: { line: number; lineStart: number; start: number },
): number {
  const { column } = last;
  const known = column.line === line && column.at <= start ? column : { line, at: lineStart, count: 0 };
  const count = known.count + decode(raw.slice(known.at, start), charset).length;
  last.column = { line, at: start, count };
  return count;
}

interface Column {
  line: number;
  at: number;
  count: number;
}

interface Line {
  /** From 0 on. */
  line: number;
  start: number;
  /** Before its line break, and behind it. */
  end: number;
  next: number;
}

/** The last page and line that were looked at: problems come page by page, and in their order. */
let last: { page: object | null; raw: Raw; line: Line; column: Column } = {
  page: null,
  raw: '',
  line: { line: -1, start: 0, end: 0, next: 0 },
  column: { line: -1, at: 0, count: 0 },
};

/** The line of an offset; counted on from the last one asked for, where that is not behind it. */
function lineOf(page: object, raw: Raw, offset: number): Line {
  if (last.page !== page || last.raw !== raw)
    last = { page, raw, line: lineFrom(raw, 0, 0), column: { line: -1, at: 0, count: 0 } };
  if (last.line.start > offset) last.line = lineFrom(raw, 0, 0);
  while (last.line.next <= offset && last.line.next > last.line.end)
    last.line = lineFrom(raw, last.line.next, last.line.line + 1);
  return last.line;
}

function lineFrom(raw: Raw, start: number, line: number): Line {
  const breaks = /\r\n?|\n/g;
  breaks.lastIndex = start;
  const found = breaks.exec(raw);
  return { line, start, end: found?.index ?? raw.length, next: found ? breaks.lastIndex : raw.length };
}
