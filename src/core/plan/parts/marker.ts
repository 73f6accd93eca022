import { type WrittenOf, mapOf, oneOf, optional, preset } from '../../format/key.ts';
import { color, lengths, markLength } from '../../format/values.ts';
import { markerKinds } from '../look-types.ts';

/** A mark of its own measures. */
export const markerKeys = {
  at: preset(oneOf(...markerKinds), 'below', {
    means: 'Where it stands: below or above the label, at the start of the entry, or as a dot there.',
    example: 'at: above',
  }),
  thickness: optional(lengths(1), {
    takes: 'a length',
    otherwise: '`0.15em`, of a dot `0.36em`',
    means: 'How thick it is; of a dot, how wide.',
    example: 'at: below\nthickness: 3px',
  }),
  length: optional(markLength, {
    takes: '`label`, `entry` or a length',
    otherwise: '`label`',
    means: 'How long it is: as the label, as the whole entry, or so long, in the middle.',
    example: 'at: below\nlength: entry',
  }),
  offset: optional(lengths(1), {
    takes: 'a length',
    otherwise: 'halfway between the label and the edge',
    means: 'How far it stands from the edge of the entry.',
    example: 'at: below\noffset: 0',
  }),
  color: optional(color, {
    takes: 'a colour of CSS',
    otherwise: 'the accent',
    means: 'Its colour.',
    example: 'at: below\ncolor: "#e9b44c"',
  }),
  comes: optional(oneOf('at-once', 'fade', 'grow'), {
    otherwise: '`fade`',
    means:
      'How it comes in the states `hover`, `focus` and `pressed`; in `motion` of the look. Visitors who asked for less motion have it at once.',
    example: 'at: below\ncomes: grow',
  }),
} as const;
export type WrittenMarker = WrittenOf<typeof markerKeys>;

/** What a dot, and no mark at all, cannot have. */
export const marker = mapOf(markerKeys).custom((value: WrittenMarker, helpers) => {
  if (value.at === 'none' && Object.keys(value).length > 1) return helpers.error('marker.none');
  return value.at === 'dot' && value.length !== undefined ? helpers.error('marker.dot') : value;
});
