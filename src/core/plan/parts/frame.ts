import { oneOf, optional } from '../../format/key.ts';
import { border, lengths, listOf, shadow } from '../../format/values.ts';
import { frameEdges } from '../look-types.ts';

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
  border: optional(border, {
    takes: 'a width, a style and a colour, or `none`',
    otherwise: '`none`',
    means: 'The border of the box.',
    example: 'border: "1px solid #d5dbe3"',
  }),
  edges: optional(listOf(oneOf(...frameEdges)).unique(), {
    takes: '`top`, `bottom`, `start`, `end`, or a list of them',
    otherwise: 'all of them',
    means: 'The sides that have the border.',
    example: 'border: "1px solid #d5dbe3"\nedges: bottom',
  }),
  radius: optional(lengths(4), {
    takes: 'one to four lengths',
    otherwise: '`0`',
    means: 'The corners of the box.',
    example: 'radius: 0.75rem',
  }),
  shadow: optional(shadow, {
    takes: 'a shadow of CSS, or `none`',
    otherwise: '`none`',
    means: 'The shadow of the box.',
    example: 'shadow: 0 2px 10px rgb(0 0 0 / 0.15)',
  }),
  blur: optional(lengths(1), {
    takes: 'a length',
    otherwise: '`0`',
    means: 'How much what lies behind a translucent ground is blurred.',
    example: 'blur: 12px',
  }),
} as const;
