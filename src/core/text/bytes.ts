/**
 * The bytes of a page as a string with one character (U+0000 to U+00FF) for each byte, so that offsets in it
 * are byte offsets in every ASCII-compatible charset. Slice it freely; to read it as text, decode it.
 */
export type Raw = string;

export function rawOf(bytes: Uint8Array): Raw {
  const all = Buffer.from(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  if (all.length <= mostAtOnce) return all.toString('latin1');
  const parts: string[] = [];
  for (let at = 0; at < all.length; at += mostAtOnce) parts.push(all.toString('latin1', at, at + mostAtOnce));
  return parts.join('');
}

/** A longer string lies beside V8's heap: many of them are there for long before they are collected. */
const mostAtOnce = 1 << 19;

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

/** Bytes to put in before the byte at an offset, and how many bytes there go out for them (none by default). */
export interface Span {
  at: number;
  text: Raw;
  drop?: number;
}

/** A page with spans put in; they are in the order of the page. */
export function splice(raw: Raw, spans: readonly Span[]): Raw {
  let page = '';
  let at = 0;
  for (const span of spans) {
    page += raw.slice(at, span.at) + span.text;
    at = span.at + (span.drop ?? 0);
  }
  return page + raw.slice(at);
}

/** The same on bytes, into one piece of memory: what `splice` gives is good until the next call. */
export class Splicer {
  #memory = Buffer.allocUnsafe(1 << 20);

  splice(bytes: Uint8Array, spans: readonly Span[]): Uint8Array {
    const size = spans.reduce((sum, { text, drop = 0 }) => sum + text.length - drop, bytes.length);
    if (size + bytes.length > this.#memory.length)
      this.#memory = Buffer.allocUnsafe((size + bytes.length) * 2);
    let from = 0;
    let to = 0;
    for (const { at, text, drop = 0 } of spans) {
      this.#memory.set(bytes.subarray(from, at), to);
      to += at - from;
      to += this.#memory.write(text, to, 'latin1');
      from = at + drop;
    }
    this.#memory.set(bytes.subarray(from), to);
    return this.#memory.subarray(0, size);
  }
}
