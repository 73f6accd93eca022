import { decodeHTML, decodeHTMLAttribute } from 'entities';

/** Character references in text read (https://html.spec.whatwg.org/#character-reference-state). Decode the charset first. */
export function readReferences(text: string): string {
  return text.includes('&') ? decodeHTML(text) : text;
}

/** The same in an attribute's value, where `&copy=1` stays as it is. */
export function readAttributeReferences(value: string): string {
  return value.includes('&') ? decodeHTMLAttribute(value) : value;
}

/** Text as markup, also inside a quoted attribute value. */
export function escapeMarkup(text: string): string {
  return !/[&<>"]/.test(text) ? text : text.replace(/[&<>"]/g, letter => escapes[letter]!);
}

const escapes: Record<string, string> = { '&': '&amp;', '<': '&lt;', '>': '&gt;', '"': '&quot;' };
