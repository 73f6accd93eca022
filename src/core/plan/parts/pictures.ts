import { type WrittenOf, mapOf, needed, oneOf, optional, preset } from '../../format/key.ts';
import { fileWords, listOf, mapOr, pixels, recordOf, text } from '../../format/values.ts';
import { stateNames } from '../look-types.ts';

/** The states that a picture may be of. */
export const pictureStates = ['base', ...stateNames] as const;
export type PictureState = (typeof pictureStates)[number];

const means: Record<PictureState, string> = {
  base: 'At rest. A file without any word is the one at rest too.',
  within: 'The page lies in the branch of the entry. Without a file of its own it is that of `current`.',
  current: 'The entry of this very page.',
  hover: 'Under the pointer.',
  focus: 'Reached by the keyboard, with a ring around it. Without a file of its own it is that of `hover`.',
  pressed: 'While it is pressed.',
};

/** How file names call the states. */
export const pictureWordKeys = Object.fromEntries(
  pictureStates.map(state => [
    state,
    optional(fileWords, {
      takes: 'a word of file names, or several tried in order',
      otherwise: `\`${state}\``,
      means: means[state],
      example: `${state}: ${{ base: 'up', within: 'branch', current: 'on', hover: 'over', focus: 'key', pressed: 'down' }[state]}`,
    }),
  ]),
) as Record<PictureState, ReturnType<typeof optional<string[]>>>;
export type WrittenPictureWords = Partial<Record<PictureState, string[]>>;

/** The files of one entry. */
export const entryPictureKeys = Object.fromEntries(
  pictureStates.map(state => [
    state,
    optional(text, {
      takes: 'a picture of the site',
      otherwise:
        state === 'focus' ? 'that of `hover`' : state === 'within' ? 'that of `current`' : 'that of `base`',
      means: means[state],
      example: `${state}: buttons/visit-${state}.png`,
    }),
  ]),
) as Record<PictureState, ReturnType<typeof optional<string>>>;
export type WrittenEntryPictures = Partial<Record<PictureState, string>>;

export const stripKeys = {
  file: needed(text, {
    takes: 'a picture of the site',
    means: 'The picture that holds all buttons: a row for each state, a column for each entry.',
    example: 'file: img/buttons.png\nstates: [base, hover]',
  }),
  states: needed(listOf(oneOf(...pictureStates)), {
    takes: 'a list of states',
    means: 'The states of its rows, from above.',
    example: 'file: img/buttons.png\nstates: [base, hover, current]',
  }),
  entries: optional(listOf(text), {
    takes: 'a list of entries, by label or name',
    otherwise: 'those of the menu, in its order',
    means: 'The entries of its columns.',
    example: 'file: img/buttons.png\nstates: base\nentries: [Tonight, Visit]',
  }),
  from: preset(oneOf('left', 'right'), 'left', {
    means: 'At which side the first column stands.',
    example: 'file: img/buttons.png\nstates: base\nfrom: right',
  }),
  widths: optional(listOf(pixels), {
    takes: 'widths in px: one for all columns, or one for each',
    otherwise: 'found where transparent or plain columns part the buttons',
    means: 'How wide its columns are.',
    example: 'file: img/buttons.png\nstates: base\nwidths: [120, 96, 144]',
  }),
  heights: optional(listOf(pixels), {
    takes: 'heights in px: one for all rows, or one for each',
    otherwise: 'found, else all alike',
    means: 'How high its rows are.',
    example: 'file: img/buttons.png\nstates: [base, hover]\nheights: 40',
  }),
  gap: optional(pixels, {
    takes: 'a width in px',
    otherwise: '`0`',
    means: 'What lies between two columns, and between two rows, where their measures are written.',
    example: 'file: img/buttons.png\nstates: [base, hover]\nwidths: 120\nheights: 40\ngap: 2',
  }),
} as const;
export type WrittenStrip = WrittenOf<typeof stripKeys>;

export const picturesKeys = {
  menu: needed(text, {
    takes: 'the name of a menu',
    means: 'The menu whose entries are shown as pictures.',
    example: 'menu: masthead\nfiles: "buttons/{entry}-{state}.png"',
  }),
  files: optional(text, {
    takes: 'a path with `{entry}`, and perhaps `{state}` and `{language}`',
    otherwise: 'nothing',
    means:
      'Where the pictures lie. `{entry}` is the file name of the page that an entry leads to, else its label, else its name; spaces, hyphens and letter case do not matter. `{state}` is a word of `words`; without one it is the picture at rest. A picture with `@2x` before its ending is the same for dense screens.',
    example: 'menu: masthead\nfiles: "buttons/{entry}-{state}.png"',
  }),
  entries: optional(recordOf(/^[^]+$/, mapOr(mapOf(entryPictureKeys), text)), {
    below: 'picture-entries',
    takes: 'files for each entry, by its label or name',
    otherwise: 'nothing',
    means:
      'The pictures one by one, where their names follow no pattern. An entry that is left out keeps its text.',
    example: 'menu: masthead\nentries:\n  Visit: { base: img/v1.gif, hover: img/v2.gif }',
  }),
  strip: optional(mapOf(stripKeys), {
    below: 'strip',
    takes: '`file`, `states`, `entries`, `from`, `widths`, `heights`, `gap`',
    otherwise: 'nothing',
    means: 'One picture that holds all buttons. `kamino pictures --cells` shows it with its cells drawn in.',
    example: 'menu: masthead\nstrip: { file: img/buttons.png, states: [base, hover] }',
  }),
  words: optional(mapOf(pictureWordKeys), {
    below: 'picture-words',
    takes: 'words for states',
    otherwise: 'the names of the states',
    means: 'How your file names call the states.',
    example:
      'menu: masthead\nfiles: "buttons/{entry}_{state}.png"\nwords: { hover: over, current: [on, here] }',
  }),
  height: optional(pixels, {
    takes: 'a height in px',
    otherwise: 'that of each picture',
    means:
      'How high the buttons are. Larger pictures are made smaller, and serve dense screens; none is stretched.',
    example: 'menu: masthead\nfiles: "buttons/{entry}-{state}.png"\nheight: 44px',
  }),
  'current-hover': preset(oneOf('changes', 'stays'), 'changes', {
    means:
      'Whether the entry of this page shows the picture of `hover` under the pointer, and goes back, or stays as it is.',
    example: 'menu: masthead\nfiles: "buttons/{entry}-{state}.png"\ncurrent-hover: stays',
  }),
  folded: preset(oneOf('text', 'pictures'), 'text', {
    means: 'What a folded menu shows.',
    example: 'menu: masthead\nfiles: "buttons/{entry}-{state}.png"\nfolded: pictures',
  }),
} as const;
export type WrittenPictures = WrittenOf<typeof picturesKeys>;
export const pictures = mapOf(picturesKeys).xor('files', 'entries', 'strip');
