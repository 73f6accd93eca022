import { type WrittenOf, mapOf, oneOf, optional, preset } from '../../format/key.ts';
import { globs, label, lengths, said, text, truth, way } from '../../format/values.ts';
import { ownLook } from './look.ts';

export const toTopKeys = {
  corner: preset(oneOf('start', 'end'), 'end', {
    means: 'At which side of the window it stands.',
    example: 'corner: start',
  }),
  'shows-after': preset(way, '100vh', {
    takes: 'a length',
    means: 'How far down it appears. Without a script it is there from the start.',
    example: 'shows-after: 60rem',
  }),
  size: preset(lengths(1), '3rem', {
    takes: 'a length',
    means: 'How wide and high it is.',
    example: 'size: 2.75rem',
  }),
  label: optional(said(label), {
    takes: 'text, or one for each language',
    otherwise: '`Back to the top`',
    means: 'What is read out.',
    example: 'label: Up again',
  }),
  icon: preset(text, 'arrow', {
    takes: '`arrow` or an SVG file',
    means: 'What is seen.',
    example: 'icon: img/up.svg',
  }),
  over: optional(truth, {
    otherwise: '`false`',
    means: 'At the end of the page it lies over the footer, in the place of a row of its own below it.',
    example: 'over: true',
  }),
  'carried-by': preset(globs, ['**'], {
    takes: 'patterns of paths',
    otherwise: 'every page',
    means: 'The pages that carry it.',
    example: 'carried-by: "journal/**"',
  }),
  except: preset(globs, [], {
    takes: 'patterns of paths',
    otherwise: 'nothing',
    means: 'Pages that do not carry it after all.',
    example: 'except: index.html',
  }),
  look: optional(ownLook, {
    below: 'own-look',
    takes: 'keys of a look',
    otherwise: 'the accent as its ground',
    means: 'Its own look, with its states.',
    example: 'look: { background: "#14213a", color: "#ffffff" }',
  }),
} as const;
export type WrittenToTop = WrittenOf<typeof toTopKeys>;
export const toTop = mapOf(toTopKeys);
