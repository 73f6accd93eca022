/**
 * The bytes of a page as a string with one character (U+0000 to U+00FF) for each byte, so that offsets in it
 * are byte offsets in every ASCII-compatible charset. Slice it freely; to read it as text, decode it.
 */
export type Raw = string;

export function rawOf(bytes: Uint8Array): Raw {
  return Buffer.from(bytes.buffer, bytes.byteOffset, bytes.byteLength).toString('latin1');
}

export function bytesOf(raw: Raw): Uint8Array {
  return Buffer.from(raw, 'latin1');
}

/** Text as the bytes of its UTF-8 form. */
export function utf8Raw(text: string): Raw {
  return Buffer.from(text, 'utf8').toString('latin1');
}

/** ASCII letters only: the locale's rules would break the bytes of other charsets. */
export function lowerAscii(raw: Raw): Raw {
  return /[A-Z]/.test(raw) ? raw.replace(/[A-Z]+/g, letters => letters.toLowerCase()) : raw;
}

const edges = /^[\t\n\f\r ]+|[\t\n\f\r ]+$/g;

/** Without HTML's white space at both ends; byte A0 is no white space. */
export function trimAscii(raw: Raw): Raw {
  return raw.replace(edges, '');
}
