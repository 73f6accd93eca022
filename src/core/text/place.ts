import type { Raw } from './bytes.ts';
import { type Charset, decode } from './charset.ts';
import { owned } from './own.ts';
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
    excerpt: { text: owned(text(left, right)), from, to: Math.max(from + 1, to) },
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
  const feed = raw.indexOf('\n', start);
  const end = feed < 0 ? raw.length : feed;
  // Old files end their lines with CR LF, or with CR alone.
  const ret = nextReturn(raw, start);
  if (ret < end) return { line, start, end: ret, next: raw[ret + 1] === '\n' ? ret + 2 : ret + 1 };
  return { line, start, end, next: feed < 0 ? end : feed + 1 };
}

/** Where the next CR was sought from last, and found; most pages have none, and are looked through once. */
let sought = { raw: '', from: 0, at: 0 };

function nextReturn(raw: Raw, start: number): number {
  if (sought.raw !== raw || start < sought.from || start > sought.at) {
    const at = raw.indexOf('\r', start);
    sought = { raw, from: start, at: at < 0 ? Infinity : at };
  }
  return sought.at;
}
