import { needed, oneOf, optional, preset } from '../../format/key.ts';
import { label, said, text } from '../../format/values.ts';

/** The site’s name at the head of a menu. */
export const homeKeys = {
  label: needed(said(label), {
    takes: 'text, or one for each language',
    means: 'The site’s name.',
    example: 'label: Brackenfold',
  }),
  image: optional(text, {
    takes: 'a picture of the site',
    otherwise: 'nothing',
    means: 'A picture before the site’s name. It keeps its proportions, and its room while it loads.',
    example: 'label: Brackenfold\nimage: img/mark.svg',
  }),
  show: optional(oneOf('both', 'image', 'label'), {
    otherwise: '`both`',
    means: 'What is seen; the name is always read out.',
    example: 'label: Brackenfold\nimage: img/mark.svg\nshow: image',
  }),
  at: preset(oneOf('start', 'middle', 'above'), 'start', {
    means:
      'Where it stands in a bar that is not folded: before the entries, in the middle of them, or in a row of its own above.',
    example: 'label: Brackenfold\nat: middle',
  }),
} as const;
