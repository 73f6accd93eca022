import type { Raw } from '../text/bytes.ts';

/** The page's own line break: the first that it has. */
export function lineBreakOf(raw: Raw): string {
  const at = raw.indexOf('\n');
  if (at > 0 && raw[at - 1] === '\r') return '\r\n';
  return at < 0 && raw.includes('\r') ? '\r' : '\n';
}

/** White space at the start of the line. */
export function indentAt(raw: Raw, at: number): string {
  if (at === 0) return '';
  const start = Math.max(raw.lastIndexOf('\n', at - 1), raw.lastIndexOf('\r', at - 1)) + 1;
  let end = start;
  while (end < at && (raw[end] === ' ' || raw[end] === '\t')) end += 1;
  return raw.slice(start, end);
}
