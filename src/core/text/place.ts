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
  const starts = lineStarts(page, raw);
  const line = lineAt(starts, start);
  const lineStart = starts[line]!;
  const lineEnd = endOfLine(raw, lineStart, starts[line + 1] ?? raw.length);
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

function endOfLine(raw: Raw, from: number, next: number): number {
  let end = next;
  while (end > from && (raw[end - 1] === '\n' || raw[end - 1] === '\r')) end -= 1;
  return end;
}

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

/** The last page and line that were looked at: problems come page by page, and in their order. */
let last: { page: object | null; raw: Raw; starts: number[]; column: Column } = {
  page: null,
  raw: '',
  starts: [0],
  column: { line: -1, at: 0, count: 0 },
};

interface Column {
  line: number;
  at: number;
  count: number;
}

/** Where the lines of a page begin. */
function lineStarts(page: { raw: Raw }, raw: Raw): number[] {
  if (last.page === page && last.raw === raw) return last.starts;
  const starts = [0];
  for (const { index, 0: lineBreak } of raw.matchAll(/\r\n|\r|\n/g)) starts.push(index + lineBreak.length);
  last = { page, raw, starts, column: { line: -1, at: 0, count: 0 } };
  return starts;
}

function lineAt(starts: readonly number[], offset: number): number {
  let low = 0;
  for (let high = starts.length; high - low > 1;) {
    const middle = (low + high) >> 1;
    if (starts[middle]! <= offset) low = middle;
    else high = middle;
  }
  return low;
}
