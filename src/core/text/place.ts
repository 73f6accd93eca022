import type { Raw } from './bytes.ts';
import { type Charset, decode } from './charset.ts';
import type { Place } from './source.ts';

/** The place of a stretch of a page's bytes; the excerpt and the columns are those of its text. */
export function placeInRaw(
  { path: file, raw, charset }: { path: string; raw: Raw; charset: Charset },
  start: number,
  end: number,
): Place {
  const starts = lineStarts(raw);
  const line = lineAt(starts, start);
  const lineStart = starts[line]!;
  const content = /^[^\r\n]*/.exec(raw.slice(lineStart, starts[line + 1] ?? raw.length))![0];
  const text = (to: number): string => decode(content.slice(0, Math.max(0, to - lineStart)), charset);
  const from = text(start).length;
  return {
    file,
    position: { line: line + 1, column: from + 1 },
    excerpt: {
      text: decode(content, charset),
      from,
      to: Math.max(from + 1, text(Math.min(end, lineStart + content.length)).length),
    },
  };
}

/** The last page that was looked at: problems come page by page. */
let last: { raw: Raw; starts: number[] } = { raw: '', starts: [0] };

/** Where the lines of a page begin. */
function lineStarts(raw: Raw): number[] {
  if (last.raw === raw) return last.starts;
  const starts = [0];
  for (const { index, 0: lineBreak } of raw.matchAll(/\r\n|\r|\n/g)) starts.push(index + lineBreak.length);
  last = { raw, starts };
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
