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

/** The id that the main content of a page is given, where that is free. */
export const usualMainId = 'main';

/** An id that the page does not use anywhere. */
export function freeId(raw: Raw): string {
  for (let number = 1; ; number += 1) {
    const id = number === 1 ? usualMainId : `${usualMainId}-${number}`;
    if (!new RegExp(`id\\s*=\\s*["']?${id}(?![\\w-])`, 'i').test(raw)) return id;
  }
}
