import { optional } from '../../format/key.ts';
import { lengths } from '../../format/values.ts';

/** The menu's own box. */
export const frameKeys = {
  padding: optional(lengths(4), {
    takes: 'one to four lengths',
    otherwise: '`0`',
    means: 'The room between the edge of the menu and what is in it; its ground lies there too.',
    example: 'padding: 0.5rem 1.5rem',
  }),
  row: optional(lengths(1), {
    takes: 'a length',
    otherwise: 'as wide as the menu',
    means:
      'How wide what is in the menu becomes, in the middle of it: the ground goes on to both sides. A menu that folds where it has no room goes by that width.',
    example: 'row: 72rem',
  }),
  width: optional(lengths(1), {
    takes: 'a length',
    otherwise: 'as wide as what it lies in',
    means:
      'How wide the box with its ground becomes at most. A bar lies in the middle of what is wider; a column begins where it begins.',
    example: 'width: 48rem',
  }),
} as const;
