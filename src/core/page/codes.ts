import type { Raw } from '../text/bytes.ts';

/** Offset behind a mark; -1 where it does not come. */
export function behind(raw: Raw, mark: string, from: number): number {
  const at = raw.indexOf(mark, from);
  return at < 0 ? -1 : at + mark.length;
}

export function isLetter(code: number): boolean {
  return (code >= 0x61 && code <= 0x7a) || (code >= 0x41 && code <= 0x5a);
}

export function isSpace(code: number): boolean {
  return code === 0x20 || code === 0x0a || code === 0x09 || code === 0x0d || code === 0x0c;
}

/** Whether nothing but white space stands between two offsets. */
export function isWhite(raw: Raw, from: number, end: number): boolean {
  for (let at = from; at < end; at += 1) if (!isSpace(raw.charCodeAt(at))) return false;
  return true;
}

export function isNameEnd(code: number): boolean {
  return isSpace(code) || code === 0x2f || code === 0x3e || code === 0x3d;
}
