import Joi from 'joi';
import { childless, companions, keysOfTargets, targetKeys } from '../../target/kinds/index.ts';
import { type Key, type WrittenOf, oneOf, optional, preset, schemasOf } from '../../format/key.ts';
import { globs, json, label, linesOf, lookName, mapOr, said, text, truth } from '../../format/values.ts';
import { ownLook } from './look.ts';

/** What an entry and a button have alike. */
export const linkKeys = {
  'new-window': optional(truth, {
    otherwise: '`false`',
    means: 'Opens a window of its own, and says so to screen readers.',
    example: 'url: "https://weather.example/"\nnew-window: true',
  }),
  icon: optional(text, {
    takes: 'a drawing of the site (SVG)',
    otherwise: 'nothing',
    means:
      'A drawing beside the label. It is put into the page itself, without scripts and styles, at the size of the label and in its colour where it has none of its own.',
    example: 'page: contact.html\nicon: img/letter.svg',
  }),
  'icon-at': optional(oneOf('start', 'end', 'above'), {
    otherwise: '`start`',
    means:
      'Whether it stands before, behind or above the label. In a folded menu and in submenus what would stand above stands before it.',
    example: 'page: contact.html\nicon: img/letter.svg\nicon-at: end',
  }),
  show: optional(oneOf('both', 'icon', 'label'), {
    otherwise: '`both`',
    means: 'What is seen; the label is always read out.',
    example: 'page: contact.html\nicon: img/letter.svg\nshow: icon',
  }),
} as const;

const ownKeys = {
  label: optional(said(label), {
    takes: 'text, or one for each language',
    otherwise: 'from the target',
    means: 'What the entry says.',
    example: 'page: contact.html\nlabel: Write to us',
  }),
  ...keysOfTargets,
  covers: optional(globs, {
    takes: 'patterns of paths',
    otherwise: 'the folder of an index page',
    means: 'Pages on which this entry is marked as `within`.',
    example: 'page: telescopes/index.html\ncovers: [telescopes/**, almanac/**]',
  }),
  'outside-mark': optional(truth, {
    otherwise: '`false`',
    means: 'Draws an arrow behind the label.',
    example: 'url: "https://weather.example/"\noutside-mark: true',
  }),
  highlight: optional(mapOr(ownLook, oneOf('background', 'border', 'shadow')), {
    below: 'own-look',
    takes: '`background`, `border`, `shadow`, or keys of a look',
    otherwise: 'nothing',
    means:
      'Sets the entry apart as a call to action: on the accent as its ground, with a border in the accent, lifted by a shadow, or as the keys say. It keeps the type, height and row of its neighbours.',
    example: 'page: book.html\nhighlight: background',
  }),
  look: optional(mapOr(ownLook, lookName), {
    below: 'own-look',
    takes: 'keys of a look, or the name of one',
    otherwise: 'that of the menu',
    means: 'The look of this entry alone.',
    example: 'page: book.html\nlook: { color: "#a33", states: { hover: { tint: 20% } } }',
  }),
  apart: optional(truth, {
    otherwise: '`false`',
    means: 'Pushes the entry away from those before it, to the other end.',
    example: 'page: book.html\napart: true',
  }),
  about: optional(said(label), {
    takes: 'text, or one for each language',
    otherwise: 'nothing',
    means: 'A line below the label, in a submenu or a column; it is part of the link.',
    example: 'page: visit.html\nabout: When we are open, and how to come',
  }),
  folds: optional(truth, {
    otherwise: '`true`',
    means: '`false`: the entry stays in the bar, behind the others, when these are folded.',
    example: 'page: book.html\nhighlight: background\nfolds: false',
  }),
  'if-missing': preset(oneOf('error', 'warn', 'front'), 'error', {
    means:
      'A target that is not there stops the build; with `warn` the entry is left out, and told. A way to another language leads to its front page from pages without a counterpart, which is told; not with `front`.',
    example: 'page: summer.html\nif-missing: warn',
  }),
  ...linkKeys,
} as const;

/** Targets but the words of a heading, which may stand beside their page. */
const targets = targetKeys.filter(key => key !== 'heading');

export interface WrittenEntry extends WrittenOf<typeof ownKeys> {
  entries?: WrittenEntries;
}
export type WrittenEntries = (string | WrittenEntry | undefined)[];

const notWithHeading = targets.filter(key => key !== 'page');

/** An entry, whatever may lie below it. */
const entry = companions
  .reduce(
    (schema, [key, target]) => schema.with(key, target),
    Joi.object<WrittenEntry>({ ...schemasOf(ownKeys), entries: Joi.forbidden() })
      .or(...targets, 'heading', 'entries')
      .oxor(...targets),
  )
  .with('icon-at', 'icon')
  .with('show', 'icon')
  .without('heading', notWithHeading)
  .without('entries', [...childless])
  .custom((value: WrittenEntry, helpers) => {
    const needsLabel =
      value.label === undefined &&
      value.heading === undefined &&
      !targets.some(key => value[key] !== undefined);
    return needsLabel ? helpers.error('entry.label') : value;
  })
  .meta(json({ also: { anyOf: ['label', 'heading', ...targets].map(key => ({ required: [key] })) } }));

const listOfEntries = (one: typeof entry): Joi.ArraySchema<WrittenEntries> =>
  linesOf(mapOr(one, text)) as Joi.ArraySchema<WrittenEntries>;

/** At most three levels: each is a schema of its own. */
const third = listOfEntries(entry);
const second = listOfEntries(entry.keys({ entries: third }));
export const entries = listOfEntries(entry.keys({ entries: second }));

export const entryKeys = {
  ...ownKeys,
  entries: optional(second, {
    below: 'entry',
    takes: 'a list of entries',
    otherwise: 'nothing',
    means: 'A submenu. An entry without a target only opens. Three levels at most.',
    example: 'label: Telescopes\nentries:\n  - telescopes/great.html',
  }) as Key,
} as const;
