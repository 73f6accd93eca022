import { type Raw, bytesOf, lowerAscii, trimAscii, utf8Raw } from './bytes.ts';

/** How a page's bytes are read. `declared` is false where neither a byte-order mark nor a `meta` named it. */
export interface Charset {
  name: string;
  declared: boolean;
}

/** What windows-1252 makes of bytes 80 to 9F (https://encoding.spec.whatwg.org/index-windows-1252.txt). */
const windows1252 = '€\u0081‚ƒ„…†‡ˆ‰Š‹Œ\u008dŽ\u008f\u0090‘’“”•–—˜™š›œ\u009džŸ';

/** Charsets in which a byte below 80 is not always that ASCII character: offsets would be wrong. */
const notAscii = new Set(['utf-16le', 'utf-16be', 'iso-2022-jp', 'replacement']);

/**
 * The charset of a page (https://html.spec.whatwg.org/#determining-the-character-encoding, without the network).
 * @param label what a `meta` in the page says, or null
 */
export function charsetOf(raw: Raw, label: string | null): Charset {
  const marked = markOf(raw);
  if (marked) return { name: marked, declared: true };
  const declared = label === null ? null : canonical(label);
  // A meta that could be read as ASCII at all cannot stand in a UTF-16 page; the standard reads it as UTF-8.
  if (declared) return { name: declared.startsWith('utf-16') ? 'utf-8' : declared, declared: true };
  return { name: isUtf8(raw) ? 'utf-8' : 'windows-1252', declared: false };
}

/** Why a page with this start cannot be read by byte offsets, or null. */
export function unreadable(raw: Raw, charset: Charset): string | null {
  if (notAscii.has(charset.name)) return `its charset is ${charset.name.toUpperCase()}`;
  if (!raw.includes('\0')) return null;
  return looksLikeUtf16(raw) ? 'its charset is UTF-16' : 'it holds null bytes';
}

/** A part of a page as text. Character references are left as they are. */
export function decode(raw: Raw, charset: Charset): string {
  if (!/[\x80-\xff]/.test(raw)) return raw;
  if (charset.name === 'windows-1252') {
    return raw.replace(/[\x80-\x9f]/g, byte => windows1252[byte.charCodeAt(0) - 0x80]!);
  }
  return new TextDecoder(charset.name).decode(bytesOf(raw));
}

/**
 * Markup as bytes that a page of this charset can hold: UTF-8 where the page says that it is UTF-8, else ASCII
 * with character references (one for each code point, so that a surrogate pair gets one).
 */
export function encodeMarkup(markup: string, charset: Charset): Raw {
  if (isAscii(markup)) return markup;
  if (charset.declared && charset.name === 'utf-8') return utf8Raw(markup);
  return markup.replace(/[^\0-\x7f]/gu, letter => `&#x${letter.codePointAt(0)!.toString(16).toUpperCase()};`);
}

/** The standard's name for a charset's label, or null for an unknown one. */
function canonical(label: string): string | null {
  const kept = knownLabels.get(label);
  if (kept !== undefined) return kept;
  const name = nameFor(lowerAscii(trimAscii(label)));
  if (knownLabels.size < 100) knownLabels.set(label, name);
  return name;
}

/** A decoder is costly to make, and most pages of a site say the same. */
const knownLabels = new Map<string, string | null>();

function nameFor(label: string): string | null {
  if (/^(csiso2022kr|hz-gb-2312|iso-2022-(cn|cn-ext|kr)|replacement)$/.test(label)) return 'replacement';
  try {
    return new TextDecoder(label).encoding;
  } catch {
    return null;
  }
}

function markOf(raw: Raw): string | null {
  if (raw.startsWith('\xef\xbb\xbf')) return 'utf-8';
  if (raw.startsWith('\xfe\xff')) return 'utf-16be';
  return raw.startsWith('\xff\xfe') ? 'utf-16le' : null;
}

function isUtf8(raw: Raw): boolean {
  if (!/[\x80-\xff]/.test(raw)) return true;
  try {
    new TextDecoder('utf-8', { fatal: true }).decode(bytesOf(raw));
    return true;
  } catch {
    return false;
  }
}

/** Every other byte of the start is null, as in Latin text without a byte-order mark. */
function looksLikeUtf16(raw: Raw): boolean {
  return /^(?:\0[^\0]){4}|^(?:[^\0]\0){4}/.test(raw);
}

function isAscii(text: string): boolean {
  return !/[^\0-\x7f]/.test(text);
}
