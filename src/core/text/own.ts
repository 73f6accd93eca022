/** Gives a text that holds on to no other: a part of a page, cut out of it, holds on to the whole of it. */
export type Own = (text: string) => string;

/** So short a part is a text of its own. */
const shortest = 13;

/** The same text is one, whichever page it stands in. */
export function ownTexts(): Own {
  const known = new Map<string, string>();
  return text => {
    if (text.length < shortest) return text;
    const kept = known.get(text);
    if (kept !== undefined) return kept;
    // Put together and cut again, it is a part of nothing but itself.
    const made = ` ${text}`.slice(1);
    known.set(made, made);
    return made;
  };
}
