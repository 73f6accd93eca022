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
  const end = nextCloser(raw, closer, at + 2);
  // The usual way to end a file of PHP is not to close it: all that follows is its code.
  if (end < 0 && isServerCode(raw, at)) return raw.length;
  if (end < 0 || (code === 0x7b && end - at > longestBraces)) return -1;
  return end + closer.length;
}

/** Whether a `<?` begins code of PHP, and no instruction to an XML reader. */
export function isServerCode(raw: Raw, at: number): boolean {
  return /^<\?(?:php\b|=|[\t\n\r ])/i.test(raw.slice(at, at + 6));
}

/** Where each closer was sought last in a page, and found: from there on it need not be sought again. */
const sought = { raw: '', found: new Map<string, [from: number, end: number]>() };

function nextCloser(raw: Raw, closer: string, from: number): number {
  if (sought.raw !== raw) sought.found.clear();
  // The very string from now on, and not one that is equal: that is seen at a glance.
  sought.raw = raw;
  const known = sought.found.get(closer);
  if (known && from >= known[0] && (known[1] < 0 || from <= known[1])) return known[1];
  const end = raw.indexOf(closer, from);
  sought.found.set(closer, [from, end]);
  return end;
}

/** Offset of the quote that closes a value; those inside template code do not. -1 where none does. */
export function closingQuote(raw: Raw, quote: string, from: number): number {
  for (let at = from; ;) {
    const close = raw.indexOf(quote, at);
    if (close < 0) return -1;
    const behind = behindCode(raw, at, close);
    if (behind <= close) return close;
    at = behind;
  }
}

/** Where the template code ends that begins in a stretch and goes on behind it; the stretch's end where none does. */
function behindCode(raw: Raw, from: number, end: number): number {
  const part = raw.slice(from, end);
  const openers = /<[?%]|\{[{%]/g;
  for (let opener = openers.exec(part); opener; opener = openers.exec(part)) {
    const unit = endOfTemplate(raw, from + opener.index);
    if (unit < 0) return end;
    if (unit > end) return unit;
    openers.lastIndex = unit - from;
  }
  return end;
}
