import { mapOf, needed, optional } from '../../format/key.ts';
import { globs, label } from '../../format/values.ts';

/** Kamino's own words in a page. */
export const wordKeys = {
  skip: optional(label, {
    takes: 'text',
    otherwise: '`Skip to the main content`',
    means: 'The skip link at the start of a page.',
    example: 'skip: Neidio i’r prif gynnwys',
  }),
  menu: optional(label, {
    takes: 'text',
    otherwise: '`Menu`',
    means: 'The toggle of a folded menu.',
    example: 'menu: Dewislen',
  }),
  close: optional(label, {
    takes: 'text',
    otherwise: '`Close`',
    means: 'Closes a drawer or a full-screen menu.',
    example: 'close: Cau',
  }),
  'new-window': optional(label, {
    takes: 'text',
    otherwise: '`new window`',
    means: 'Said behind an entry that opens a window of its own.',
    example: 'new-window: ffenestr newydd',
  }),
  previous: optional(label, {
    takes: 'text',
    otherwise: '`Previous`',
    means: 'Stands above the page before this one.',
    example: 'previous: Blaenorol',
  }),
  next: optional(label, {
    takes: 'text',
    otherwise: '`Next`',
    means: 'Stands above the page behind this one.',
    example: 'next: Nesaf',
  }),
  top: optional(label, {
    takes: 'text',
    otherwise: '`Back to the top`',
    means: 'Names the way to the top.',
    example: 'top: I’r brig',
  }),
  more: optional(label, {
    takes: 'text',
    otherwise: '`more pages`',
    means: 'Names the opener beside a link, behind the entry’s label.',
    example: 'more: rhagor o dudalennau',
  }),
} as const;
export type WordName = keyof typeof wordKeys;

export const languageKeys = {
  name: needed(label, {
    takes: 'text',
    means: 'What the language is called in itself: the label of an entry that leads to it.',
    example: 'name: Cymraeg',
  }),
  pages: optional(globs, {
    takes: 'patterns of paths',
    otherwise: 'by the page’s own `lang`',
    means:
      'The pages in this language. The folder that the first pattern begins with is the one in which counterparts are looked for.',
    example: 'name: Cymraeg\npages: cy/**',
  }),
  words: optional(mapOf(wordKeys), {
    below: 'words',
    takes: 'Kamino’s own words',
    otherwise: 'English',
    means:
      'The few words that Kamino itself puts into a page, in this language. A word that is missing is told.',
    example: 'name: Cymraeg\nwords: { menu: Dewislen, skip: Neidio i’r prif gynnwys }',
  }),
} as const;
