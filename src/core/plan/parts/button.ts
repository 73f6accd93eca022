import { keysInButtons, targetKeys } from '../../target/kinds/index.ts';
import { type WrittenOf, mapOf, needed, oneOf, optional, preset } from '../../format/key.ts';
import { globs, label, lookName, mapOr, said, slotName } from '../../format/values.ts';
import { linkKeys } from './entry.ts';
import { ownLook } from './look.ts';
import { place, placeTakes } from './place.ts';

/** An entry on its own, at a place of its own. */
export const buttonKeys = {
  button: needed(slotName, {
    takes: 'a name',
    means: 'Its name, also that of its slot.',
    example: 'button: ask\nlabel: Ask a question\nsection: contact.html#form',
  }),
  label: optional(said(label), {
    takes: 'text, or one for each language',
    otherwise: 'from the target',
    means: 'What it says.',
    example: 'page: contact.html\nlabel: Ask a question',
  }),
  ...keysInButtons,
  highlight: optional(mapOr(ownLook, oneOf('background', 'border', 'shadow')), {
    below: 'own-look',
    takes: '`background`, `border`, `shadow`, or keys of a look',
    otherwise: '`background`',
    means: 'How it is set apart.',
    example: 'page: contact.html\nhighlight: border',
  }),
  look: optional(mapOr(ownLook, lookName), {
    below: 'own-look',
    takes: 'the name of a look, or keys of one',
    otherwise: 'that of the plan',
    means: 'Its own look.',
    example: 'page: contact.html\nlook: { radius: 2rem }',
  }),
  'carried-by': preset(globs, ['**'], {
    takes: 'patterns of paths',
    otherwise: '`"**"`',
    means: 'The pages that carry it.',
    example: 'page: contact.html\ncarried-by: index.html',
  }),
  except: preset(globs, [], {
    takes: 'patterns of paths',
    otherwise: 'nothing',
    means: 'Pages that do not carry it after all.',
    example: 'page: contact.html\nexcept: contact.html',
  }),
  place: optional(place, {
    below: 'place',
    takes: placeTakes,
    otherwise: 'first in the page’s header',
    means: 'Where it goes on pages without a slot for it.',
    example: 'page: contact.html\nplace: { after: "#prices" }',
  }),
  ...linkKeys,
} as const;
export type WrittenButton = WrittenOf<typeof buttonKeys>;

const targets = targetKeys.filter(key => key in keysInButtons && key !== 'heading');

export const button = mapOf(buttonKeys)
  .or(...targets, 'heading')
  .oxor(...targets)
  .with('icon-at', 'icon')
  .with('show', 'icon')
  .without(
    'heading',
    targets.filter(key => key !== 'page'),
  );
