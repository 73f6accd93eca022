/** Names for signs that move the cursor, change the terminal or turn the reading round, and show nothing of themselves. */
const hidden = /[\0-\x08\x0b-\x1f\x7f-\x9f\u061c\u200e\u200f\u2028-\u202e\u2066-\u2069]/g;

/**
 * Text with control characters shown: those of ASCII by their pictures (`␛`), all others by their number (`\u202e`).
 * Line breaks and tabs stay.
 */
export function visible(text: string): string {
  return text.replace(hidden, shown);
}

/** The same for a name, which stands in a line: line breaks and tabs are shown too. */
export function visibleName(name: string): string {
  return visible(name).replace(/[\n\t]/g, shown);
}

/** A document of JSON with all of them by their numbers: JSON lets some stand that show nothing. */
export function visibleJson(json: string): string {
  return json.replace(hidden, numbered);
}

function shown(sign: string): string {
  const code = sign.charCodeAt(0);
  if (code < 0x20) return String.fromCharCode(0x2400 + code);
  return code === 0x7f ? '\u2421' : numbered(sign);
}

function numbered(sign: string): string {
  return `\\u${sign.charCodeAt(0).toString(16).padStart(4, '0')}`;
}
