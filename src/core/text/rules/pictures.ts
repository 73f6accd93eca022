import type { Rule } from '../rule.ts';

/** What is found in the pictures that stand for entries. */
export const pictureRules = {
  'no-picture': {
    severity: 'warning',
    about: 'Each entry of a menu of pictures has one.',
    why: 'No file fits the name of this entry, so it shows its text among the pictures.',
    example: 'buttons/tikets-base.png  →  buttons/tickets-base.png',
  },
  'no-state-picture': {
    severity: 'note',
    about: 'A state without a picture shows the one at rest.',
    why: 'Where a state looks as the button at rest, nobody sees that it has come.',
    example: 'buttons/tickets-hover.png    or, where that is meant,  words: { hover: [hover, base, ""] }',
  },
  'words-only': {
    severity: 'warning',
    about: 'What reads pictures is installed.',
    why: 'npm installs `sharp` with Kamino where it can. Without it a menu of pictures shows its words.',
    example: 'npm install sharp',
  },
  'same-picture': {
    severity: 'warning',
    about: 'Each picture is that of one entry in one state, and has one file.',
    why: 'Two entries show the same picture, or two files fit the same name: mostly one was copied and never drawn over.',
    example: 'buttons/visit.png, buttons/Visit.png  →  keep one of them',
  },
  'picture-size': {
    severity: 'warning',
    about: 'The pictures of an entry are of one size, and as large as they are shown.',
    why: 'A picture of another size would jump, or be stretched; a far larger one costs every visitor time. Kamino never stretches one: it stands in the middle of the largest.',
    example: 'height: 44px        or  kamino pictures --resize buttons-small',
  },
  'bad-picture': {
    severity: 'error',
    about: 'A picture can be read.',
    why: 'The file is damaged, cut off, too large, or of another kind than its name says.',
    example: 'save it again as PNG',
  },
  'drawn-over': {
    severity: 'error',
    about: 'What is there is not drawn over unasked.',
    why: 'Files of these names are there and are drawn otherwise: perhaps you have gone on drawing on them.',
    example: 'kamino pictures --into buttons-2',
  },
  'moving-picture': {
    severity: 'warning',
    about: 'A button stands still.',
    why: 'Of a picture that moves only the first one is shown.',
    example: 'save its first frame as PNG',
  },
  'unsure-cells': {
    severity: 'error',
    about: 'The buttons of a strip are parted without doubt.',
    why: 'The strip has no transparent or plain columns between some of its buttons, or as wide ones within them: where one ends cannot be known.',
    example: 'strip: { file: img/buttons.png, states: [base, hover], widths: [120, 96, 144] }',
  },
  'unknown-entry': {
    severity: 'error',
    about: 'Entries that are named are entries of the menu.',
    why: 'The name fits no entry of the menu.',
    example: 'entries: { Tikets: tickets.png }  →  entries: { Tickets: tickets.png }',
  },
} as const satisfies Record<string, Rule>;
