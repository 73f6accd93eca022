import type { Raw } from '../text/bytes.ts';

const closers: Record<string, string> = { '<?': '?>', '<%': '%>', '{{': '}}', '{%': '%}' };
/** Braces that are not closed within this many bytes are no template code. */
const longestBraces = 2000;

/** Offset of the next `<`, with template code before it passed over; -1 for none. */
export function skipTemplates(raw: Raw, from: number): number {
  const marks = /<|\{[{%]/g;
  marks.lastIndex = from;
  for (let match = marks.exec(raw); match; match = marks.exec(raw)) {
    const unit = endOfTemplate(raw, match.index);
    if (unit < 0 || raw[match.index + 1] === '?') {
      if (match[0] === '<') return match.index;
    } else marks.lastIndex = unit;
  }
  return -1;
}

/** Offset behind the template code that begins here, or -1 where none does. */
export function endOfTemplate(raw: Raw, at: number): number {
  const code = raw.charCodeAt(at);
  if (code !== 0x3c && code !== 0x7b) return -1;
  const closer = closers[raw.slice(at, at + 2)];
  if (closer === undefined) return -1;
  const end = raw.indexOf(closer, at + 2);
  if (end < 0 || (code === 0x7b && end - at > longestBraces)) return -1;
  return end + closer.length;
}

export function closingQuote(raw: Raw, quote: string, from: number): number {
  const close = raw.indexOf(quote, from);
  if (close < 0) return -1;
  const opener = /<[?%]|\{[{%]/.exec(raw.slice(from, close));
  if (!opener) return close;
  const unit = endOfTemplate(raw, from + opener.index);
  if (unit <= close) return unit < 0 ? close : closingQuote(raw, quote, unit);
  return closingQuote(raw, quote, unit);
}
