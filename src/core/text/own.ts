/** Gives a text that holds on to no other: a part of a page, cut out of it, holds on to the whole of it. */
export type Own = (text: string) => string;

/** So short a part is a text of its own. */
const shortest = 13;

/** A text of its own, made of its bytes. */
export const owned: Own = text => {
  if (text.length < shortest) return text;
  const encoding = /[^\0-\xff]/.test(text) ? 'utf16le' : 'latin1';
  return Buffer.from(text, encoding).toString(encoding);
};
