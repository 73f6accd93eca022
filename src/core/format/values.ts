import Joi from 'joi';
import { readWebAddress } from '../address/href.ts';
import { reservedNames } from '../text/reserved.ts';
import { lastingPseudoClasses, readSelector } from '../text/selector.ts';
import { type Said, oneOf } from './key.ts';

/**
 * What JSON Schema cannot learn from Joi: what else holds for the value (`also`), and which numbers stand for text where
 * a pattern is to be met. Editors read `12` as a number where the plan's own reading gives text.
 */
export interface JsonMeta {
  also?: object;
  numbers?: object;
  /** Any number and truth stands for text. */
  any?: true;
}
export const json = (meta: JsonMeta): JsonMeta => meta;

/** What a value of a form looks like, and an example, by the name of the form. */
export const forms = new Map<string, { takes: string; example: string }>();

/** Text of a form of its own. @param takes what it is called; @param example a line */
function form(regex: RegExp, name: string, [takes, example]: readonly [string, string]): Joi.StringSchema {
  forms.set(name, { takes, example });
  return text.pattern(regex, name);
}

export const text = Joi.string().trim().min(1);
/** A list whose wrong lines may have been taken out without moving the others. */
export function linesOf<Item>(item: Joi.AnySchema<Item>): Joi.ArraySchema<(Item | undefined)[]> {
  return Joi.array<(Item | undefined)[]>().items(item).sparse().min(1);
}
export function listOf<Item>(item: Joi.AnySchema<Item>): Joi.ArraySchema<Item[]> {
  return Joi.array<Item[]>().items(item).single();
}
/** A map of names. */
export function recordOf<Item>(
  name: RegExp,
  item: Joi.AnySchema<Item>,
): Joi.ObjectSchema<Record<string, Item>> {
  return Joi.object<Record<string, Item>>().pattern(name, item);
}
/** Text with the spaces around it. */
export const uncut = Joi.string().min(1);
/** So many stars that a path could match them in too many ways: five in one part of a path, or five times any folders. */
const manyStars = String.raw`(?:\*[^/]*){5}|(?:\*\*(?:[^*]|\*(?!\*))*){5}`;
/** Patterns of paths. */
export const globs = listOf(
  text
    .max(500)
    .custom((value: string, helpers) =>
      new RegExp(manyStars).test(value) ? helpers.error('pattern.stars') : value,
    )
    .meta(json({ also: { not: { pattern: manyStars } } })),
);
export const folder = text.max(1000);
/** A slip for `in-place`, which would make a folder of that name. */
const inPlaceSlip = /^in[-_ ]?place$/i;
export const outputFolder = folder.custom((value: string, helpers) =>
  inPlaceSlip.test(value) && value !== 'in-place' ? helpers.error('output.slip') : value,
);

/** A tag of BCP 47: `en`, `cy`, `pt-BR`. */
export const languageTag = /^[A-Za-z]{2,8}(?:-[A-Za-z\d]{1,8})*$/;
export const language = form(languageTag, 'language', ['the tag of a language', 'language: cy']);

/** A value, or one for each language. */
export function said<Value>(item: Joi.AnySchema<Value>): Joi.AnySchema<Said<Value>> {
  return Joi.alternatives().conditional(Joi.object(), {
    then: Joi.object().pattern(languageTag, item).min(1),
    otherwise: item,
  }) as Joi.AnySchema<Said<Value>>;
}

/** A map of keys, or what stands for one. */
export function mapOr<Map, Other>(
  map: Joi.AnySchema<Map>,
  other: Joi.AnySchema<Other>,
): Joi.AnySchema<Map | Other> {
  return Joi.alternatives().conditional(Joi.object(), { then: map, otherwise: other }) as Joi.AnySchema<
    Map | Other
  >;
}

/** Signs that show nothing: white space, joiners, marks of direction, variants, fillers. */
const unseenSigns = String.raw`\s\u2800\p{Default_Ignorable_Code_Point}`;
const unseen = new RegExp(`^[${unseenSigns}]*$`, 'u');

/** Text for people: line breaks fold to a space, control characters are refused. */
export const label = Joi.string()
  .custom((value: string, helpers) => {
    const folded = value.replace(/[\t\n\r ]+/g, ' ').replace(/^ | $/g, '');
    if (/\p{Cc}/u.test(folded)) return helpers.error('label.control');
    if (folded !== '' && unseen.test(folded)) return helpers.error('label.unseen');
    return folded === '' ? helpers.error('string.empty') : folded;
  })
  .max(1000)
  .meta(
    json({
      any: true,
      also: {
        pattern: `^(?=[^]*[^${unseenSigns}])[^\\u0000-\\u0008\\u000b\\u000c\\u000e-\\u001f\\u007f-\\u009f]*$`,
      },
    }),
  );

export const selector = text
  .custom((value: string, helpers) => (readSelector(value) ? value : helpers.error('selector.kind')))
  .meta(
    json({
      numbers: {},
      also: {
        pattern: `^(?:"[^"]*"|'[^']*'|:(?:${[...lastingPseudoClasses].join('|')})(?![\\w-])|[^:"'{};])+$`,
        not: { pattern: '(^|,)\\s*(,|$)|[>+~]\\s*($|,|[>+~])' },
      },
    }),
  );

export const webAddress = text
  .custom((value: string, helpers) => readWebAddress(value) ?? helpers.error('address.scheme'))
  .meta(json({ also: { pattern: '^\\s*[Hh][Tt][Tt][Pp][Ss]?:[\\\\/]*[^\\\\/?#\\s]+([\\\\/?#][^]*)?$' } }));

/** https://html.spec.whatwg.org/#valid-e-mail-address, several with commas between. */
export const mailAddress = form(
  /^[\w.!#$%&'*+/=?^`{|}~-]+@[\w-]+(?:\.[\w-]+)*(?:,\s*[\w.!#$%&'*+/=?^`{|}~-]+@[\w-]+(?:\.[\w-]+)*)*$/,
  'mail',
  ['a mail address', 'mail: hello@example.org'],
);
export const phoneNumber = form(/^\+?[\d\s()./-]*\d[\d\s()./-]*$/, 'phone', [
  'a telephone number',
  'phone: +44 1632 960014',
]).meta(json({ numbers: {} }));

const whole = (minimum: number, maximum: number): JsonMeta =>
  json({ numbers: { multipleOf: 1, minimum, maximum } });

export const truth = oneOf('true', 'false');
export const count = form(/^[1-9]\d{0,3}$/, 'count', ['a number', 'most: 12']).meta(whole(1, 9999));
export const depth = form(/^[123]$/, 'depth', ['1, 2 or 3', 'depth: 2']).meta(whole(1, 3));
export const level = form(/^[1-6]$/, 'level', ['levels of headings from 1 to 6', 'levels: [2, 3]']).meta(
  whole(1, 6),
);
export const columns = form(/^[1-4]$/, 'columns', ['a number of columns from 1 to 4', 'columns: 2']).meta(
  whole(1, 4),
);
export const time = form(/^\d{1,5}ms$/, 'time', ['a time in ms', 'after: 90ms']);
export const order = oneOf('title', 'date', 'file', 'latest', 'oldest', 'listed');
export const base = form(/^\/(?:[\w.~%-]+\/)*$/, 'base', [
  'a folder of the server, with / at both ends',
  'base: /observatory/',
]);
export const host = form(/^https?:\/\/[a-z0-9](?:[a-z0-9.-]*[a-z0-9])?(?::\d{1,5})?$/i, 'host', [
  'the address of the server, without a folder',
  'host: https://brackenfold.example',
]);
export const foldWhen = form(/^(?:never|crowded|any-width|below (?:\d+\.?\d*|\.\d+)(?:em|rem|px))$/, 'fold', [
  '`crowded`, `any-width`, `never` or a width of the window',
  'when: below 48em',
]);
export const way = form(/^(?:0|(?:\d+\.?\d*|\.\d+)(?:px|em|rem|vh))$/, 'way', [
  'a length of CSS, in vh for that of the window',
  'shows-after: 100vh',
]).meta(json({ numbers: { const: 0 } }));

export const nameForm = /^[a-z][a-z0-9-]*$/;
const aName = ['a name in a–z, 0–9 and hyphens that begins with a letter', 'menu: masthead'] as const;
export const lookName = form(nameForm, 'name', aName);
/** The name of something with a slot of its own, which is a name of Kamino's own neither. */
export const slotName = Joi.string()
  .pattern(nameForm, 'name')
  .invalid(...reservedNames);

export const color = text.custom((value: string) =>
  /^(?:[0-9a-f]{3,4}|[0-9a-f]{6}|[0-9a-f]{8})$/i.test(value) ? `#${value}` : value,
);

const length = String.raw`(?:0|(?:\d+\.?\d*|\.\d+)(?:px|em|rem|ch|%|vw))`;
const aLength = ['a length of CSS', '0.75rem'] as const;
export const lengths = (most: number): Joi.StringSchema =>
  form(new RegExp(`^${length}(?: ${length}){0,${most - 1}}$`), 'length', aLength).meta(
    json({ numbers: { const: 0 } }),
  );
export const markLength = form(new RegExp(`^(?:label|entry|${length})$`), 'mark-length', [
  '`label`, `entry` or a length of CSS',
  'length: 1.5rem',
]);
export const sheetWidth = form(new RegExp(`^(?:menu|${length})$`), 'sheet-width', [
  '`menu` or a length of CSS',
  'width: menu',
]);
export const lineHeight = form(/^(?:[12](?:\.\d+)?|3)$/, 'line', ['a number from 1 to 3', 'line: 1.2']).meta(
  json({ numbers: { minimum: 1, maximum: 3 } }),
);
export const motion = form(
  /^(?:none|\d{1,4}ms(?: (?:linear|ease|ease-in|ease-out|ease-in-out))?)$/,
  'motion',
  ['a time in ms with a curve of CSS', 'motion: 200ms ease-out'],
);
export const spacing = form(new RegExp(`^(?:normal|-?${length})$`), 'length', aLength).meta(
  json({ numbers: { const: 0 } }),
);
export const family = form(/^[\p{L}\p{N} ,'"_-]+$/u, 'family', [
  'names of fonts',
  'family: Inter, sans-serif',
]).meta(json({ numbers: { multipleOf: 1 } }));
export const weight = form(/^(?:normal|bold|[1-9]\d{0,2}|1000)$/, 'weight', [
  'a weight from 1 to 1000',
  'weight: 500',
]).meta(whole(1, 1000));
/** `none`, or a width, a style and a colour. */
export const border = form(
  /^(?:none|(?:\d+\.?\d*|\.\d+)(?:px|em|rem) (?:solid|dashed|dotted|double)(?: [^;{}"'\\*<]+)?)$/,
  'border',
  ['a width, a style and perhaps a colour', 'border: 1px solid #d5dbe3'],
);
/** As in `box-shadow`. */
export const shadow = form(/^(?:none|[^;{}"'\\*<]*\d[^;{}"'\\*<]*)$/, 'shadow', [
  'a shadow of CSS',
  'shadow: 0 2px 8px rgb(0 0 0 / 0.2)',
]).meta(json({ numbers: { const: 0 } }));
/** A measure of a picture. */
export const pixels = form(/^\d{1,4}(?:px)?$/, 'pixels', ['a number of px', 'height: 44px']).meta(
  json({ numbers: { multipleOf: 1, minimum: 0, maximum: 9999 } }),
);
/** Words in names of files; an empty one for none. */
export const fileWords = listOf(
  Joi.string()
    .trim()
    .allow('')
    .max(100)
    .meta(json({ numbers: {} })),
);
export const share = form(/^(?:100|\d{1,2}(?:\.\d+)?)%$/, 'share', ['a share in %', 'tint: 12%']);
