import { oneOf, optional } from '../../format/key.ts';
import { family, lengths, lineHeight, spacing, text, weight } from '../../format/values.ts';

/** The type of labels. */
export const fontKeys = {
  family: optional(family, {
    takes: 'names of fonts',
    otherwise: 'the page’s own',
    means: 'As in `font-family`.',
    example: 'family: Inter, sans-serif',
  }),
  size: optional(lengths(1), {
    takes: 'a length',
    otherwise: 'the page’s own',
    means: 'As in `font-size`.',
    example: 'size: 1.05rem',
  }),
  weight: optional(weight, {
    takes: '`normal`, `bold` or a number',
    otherwise: 'the page’s own',
    means: 'As in `font-weight`.',
    example: 'weight: 500',
  }),
  spacing: optional(spacing, {
    takes: 'a length',
    otherwise: 'the page’s own',
    means: 'As in `letter-spacing`.',
    example: 'spacing: 0.02em',
  }),
  'word-spacing': optional(spacing, {
    takes: 'a length',
    otherwise: 'the page’s own',
    means: 'As in `word-spacing`.',
    example: 'word-spacing: 0.1em',
  }),
  style: optional(oneOf('normal', 'italic'), {
    otherwise: 'the page’s own',
    means: 'As in `font-style`.',
    example: 'style: italic',
  }),
  transform: optional(oneOf('uppercase', 'lowercase', 'capitalize', 'none'), {
    otherwise: '`none`',
    means:
      'As in `text-transform`: widths are those of the letters that are seen, and what is read out stays as you wrote it.',
    example: 'transform: uppercase\nspacing: 0.06em',
  }),
  line: optional(lineHeight, {
    takes: 'a number from 1 to 3',
    otherwise: '`1.35`',
    means: 'The height of a line, in the size of its letters.',
    example: 'line: 1.2',
  }),
  file: optional(text, {
    takes: 'a font file of the site',
    otherwise: 'found in the style sheets',
    means: 'The file that widths are measured by.',
    example: 'file: fonts/inter.woff2',
  }),
} as const;

/** What of it a state may change without moving anything. */
export const stateFontKeys = { weight: fontKeys.weight } as const;
