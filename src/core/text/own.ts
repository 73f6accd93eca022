/** Gives a text that holds on to no other: a part of a page, cut out of it, holds on to the whole of it. */
export type Own = (text: string) => string;

/** So short a part is a text of its own. */
const shortest = 13;

/** A text of its own. Put together and cut again, it is a part of nothing but itself. */
export const owned: Own = text => (text.length < shortest ? text : ` ${text}`.slice(1));
