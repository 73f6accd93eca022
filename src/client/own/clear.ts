/** Whether nothing is seen of a colour, as a browser computes it: black ends in `, 0)` too. */
export const isClear = (color: string): boolean => /^transparent$|^rgba\(.*, 0\)$|\/ 0\)$/.test(color);
