import type { Raw } from './bytes.ts';
import { type Charset, decode } from './charset.ts';
import type { Place } from './source.ts';

/** The place of a stretch of a page's bytes; the excerpt and the columns are those of its text. */
export function placeInRaw(
  { path: file, raw, charset }: { path: string; raw: Raw; charset: Charset },
  start: number,
  end: number,
): Place {
  const before = raw.slice(0, start);
  const breaks = before.match(/\r\n|\r|\n/g);
  const lineStart = Math.max(before.lastIndexOf('\n'), before.lastIndexOf('\r')) + 1;
  const line = /^[^\r\n]*/.exec(raw.slice(lineStart))![0];
  const text = (to: number): string => decode(line.slice(0, Math.max(0, to - lineStart)), charset);
  const from = text(start).length;
  return {
    file,
    position: { line: (breaks?.length ?? 0) + 1, column: from + 1 },
    excerpt: {
      text: decode(line, charset),
      from,
      to: Math.max(from + 1, text(Math.min(end, lineStart + line.length)).length),
    },
  };
}
