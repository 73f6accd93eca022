/** A colour of CSS as Kamino writes it: `#rrggbb`, with two digits more where it is not opaque. */
export type Hex = string;
