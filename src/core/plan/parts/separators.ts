import { optional } from '../../format/key.ts';
import { color, lengths } from '../../format/values.ts';

/** A line between entries. */
export const separatorKeys = {
  color: optional(color, {
    takes: 'a colour of CSS',
    otherwise: 'that of the labels, paler',
    means: 'Its colour.',
    example: 'color: "#d5dbe3"',
  }),
  thickness: optional(lengths(1), {
    takes: 'a length',
    otherwise: '`1px`',
    means: 'How thick it is.',
    example: 'thickness: 2px',
  }),
  inset: optional(lengths(1), {
    takes: 'a length',
    otherwise: '`0.6em`; in a column as far as the labels',
    means: 'How far its ends stay away from the edges of the entries; `0` for a line from edge to edge.',
    example: 'inset: 0',
  }),
} as const;
