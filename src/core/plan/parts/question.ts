import { type WrittenOf, mapOf, needed, optional } from '../../format/key.ts';
import { count, label, text } from '../../format/values.ts';

export const questionKeys = {
  ask: needed(label, {
    takes: 'text',
    means: 'What a visitor comes with, in their words.',
    example: 'ask: When is it open?\nleads-to: visit.html#opening-times',
  }),
  'leads-to': needed(text, {
    takes: 'a page, or a section of one',
    means: 'Where the answer is.',
    example: 'ask: When is it open?\nleads-to: visit.html#opening-times',
  }),
  actions: optional(count, {
    takes: 'a number',
    otherwise: 'as many as it takes',
    means: 'The most presses (clicks, taps, Enter) from the front page on, for every visitor.',
    example: 'ask: When is it open?\nleads-to: visit.html#opening-times\nactions: 3',
  }),
} as const;
export type WrittenQuestion = WrittenOf<typeof questionKeys>;
export const question = mapOf(questionKeys);
