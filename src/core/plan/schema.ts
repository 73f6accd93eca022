import Joi from 'joi';
import { readWebAddress } from '../address/href.ts';
import { lastingPseudoClasses, readSelector } from '../text/selector.ts';
import { type LookPart, type MarkerKind, type StateName, partNames, stateNames } from './look-types.ts';
import { wordNames } from './keys.ts';

/** The plan as it is written, once it is right: text, maps and lists. Names are those of the plan reference. */
export interface WrittenPlan {
  kamino: '1';
  site: string;
  output: string;
  read: string;
  'leave-out': string[];
  'skip-to': string[];
  labels: { from: 'title' | 'heading' | 'file'; cut?: Said };
  links: { from: 'page' | 'root'; index: 'shown' | 'hidden'; base: string };
  style?: string;
  languages?: Record<string, WrittenLanguage>;
  menus: (WrittenMenu | undefined)[];
  buttons?: (WrittenButton | undefined)[];
  'to-top'?: WrittenToTop;
  panels?: (WrittenPanels | undefined)[];
  look?: string | WrittenLook;
  looks?: Record<string, WrittenLook>;
}

/** The same in every language, or one for each. */
export type Said<Value = string> = Value | Record<string, Value>;

export interface WrittenLanguage {
  name: string;
  pages?: string[];
  words?: Record<string, string>;
}

export interface WrittenMenu {
  menu: string;
  title?: Said;
  widths: 'natural' | 'equal';
  separators: 'none' | 'line';
  form: 'bar' | 'column' | 'tabs' | 'plain' | 'breadcrumb' | 'previous-next';
  'current-entry': 'link' | 'text';
  branch?: string;
  'entries-of'?: string;
  depth?: string;
  set?: string[];
  order: 'title' | 'date' | 'file';
  data?: 'json-ld';
  opens: { by?: 'hover' | 'click'; after: string; ease: string; columns: string };
  fold?: WrittenFold;
  'carried-by': string[];
  except: string[];
  place?: WrittenPlace;
  stays?: 'top' | { top: string };
  align: 'start' | 'center' | 'end' | 'spread';
  home?: { label: Said; image?: string; show?: 'both' | 'image' | 'label' };
  look?: string | WrittenLook;
  entries?: (string | WrittenEntry | undefined)[];
}

export interface WrittenFold {
  when: string;
  as?: 'stack' | 'drawer' | 'full-screen' | 'none';
  side: 'start' | 'end';
  behind: 'covered' | 'shifted' | 'as-fits';
  by: 'click' | 'hover';
  joins?: string;
  toggle: WrittenToggle;
}

export interface WrittenToggle {
  show: 'both' | 'label' | 'icon';
  label?: Said;
  at: 'start' | 'end';
  icon: string;
  'open-icon'?: string;
}

export interface WrittenPlace {
  'first-in'?: string[];
  'last-in'?: string[];
  before?: string[];
  after?: string[];
  'instead-of'?: string[];
}

export interface WrittenEntry {
  label?: Said;
  page?: Said;
  section?: Said;
  file?: Said;
  mail?: Said;
  phone?: Said;
  url?: Said;
  heading?: Said;
  pages?: Said<string[]>;
  order: 'title' | 'date' | 'file';
  first?: string[];
  except?: string[];
  most?: string;
  depth?: string;
  sections?: Said;
  levels?: string[];
  insert?: Said;
  language?: Said;
  panel?: Said;
  covers?: string[];
  subject?: Said;
  'new-window'?: string;
  'outside-mark'?: string;
  save?: string;
  details?: string;
  highlight?: 'background' | 'border' | 'shadow' | WrittenLook;
  look?: string | WrittenLook;
  apart?: string;
  icon?: string;
  'icon-at'?: 'start' | 'end';
  show?: 'both' | 'icon' | 'label';
  'if-missing': 'error' | 'warn';
  entries?: (string | WrittenEntry | undefined)[];
}

/** An entry on its own, at a place of its own. */
export interface WrittenButton extends WrittenEntry {
  button: string;
  'carried-by': string[];
  except: string[];
  place?: WrittenPlace;
}

export interface WrittenPanels {
  panels: string;
  page: string;
  of: string;
  switch: string;
  first?: string;
  height: 'own' | 'tallest';
  title?: Said;
  place?: WrittenPlace;
  look?: string | WrittenLook;
}

export interface WrittenToTop {
  corner: 'start' | 'end';
  'shows-after': string;
  size: string;
  label?: Said;
  icon: string;
  look?: WrittenLook;
}

export interface WrittenLook {
  accent?: string;
  background?: string;
  color?: string;
  font?: { family?: string; size?: string; weight?: string; spacing?: string; file?: string };
  padding?: string;
  gap?: string;
  radius?: string;
  border?: string;
  shadow?: string;
  'icon-color'?: string;
  contrast?: { level?: 'AA' | 'AAA'; mend?: 'tints' | 'all' | 'none' };
  dark?: 'page' | 'auto' | 'off';
  states?: Partial<Record<StateName, WrittenState>>;
  parts?: Partial<Record<LookPart, WrittenLook>>;
}

export interface WrittenState {
  from?: StateName | 'base';
  tint?: string;
  lighter?: string;
  darker?: string;
  marker?: MarkerKind;
  accent?: string;
  background?: string;
  color?: string;
  border?: string;
  shadow?: string;
  'icon-color'?: string;
  font?: { weight?: string };
}

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
const json = (meta: JsonMeta): JsonMeta => meta;

const text = Joi.string().trim().min(1);
/** A list whose wrong lines may have been taken out without moving the others. */
const linesOf = (item: Joi.Schema): Joi.ArraySchema => Joi.array().items(item).sparse().min(1).required();
const listOf = (item: Joi.Schema): Joi.ArraySchema => Joi.array().items(item).single();
const globs = listOf(text.max(500));
/** A tag of BCP 47: `en`, `cy`, `pt-BR`. */
const languageTag = /^[A-Za-z]{2,8}(?:-[A-Za-z\d]{1,8})*$/;
/** A value, or one for each language. */
const said = (item: Joi.Schema): Joi.Schema =>
  Joi.alternatives().conditional(Joi.object(), {
    then: Joi.object().pattern(languageTag, item).min(1),
    otherwise: item,
  });
const folder = text.max(1000);

/** Text for people: line breaks fold to a space, control characters are refused. */
const label = Joi.string()
  .custom((value: string, helpers) => {
    const folded = value.replace(/[\t\n\r ]+/g, ' ').replace(/^ | $/g, '');
    if (/\p{Cc}/u.test(folded)) return helpers.error('label.control');
    return folded === '' ? helpers.error('string.empty') : folded;
  })
  .max(1000)
  .meta(
    json({
      any: true,
      also: {
        pattern: '^(?=[^]*[^\\t\\n\\r ])[^\\u0000-\\u0008\\u000b\\u000c\\u000e-\\u001f\\u007f-\\u009f]*$',
      },
    }),
  );

const selector = text
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

const webAddress = text
  .custom((value: string, helpers) => readWebAddress(value) ?? helpers.error('address.scheme'))
  .meta(json({ also: { pattern: '^\\s*[Hh][Tt][Tt][Pp][Ss]?:[\\\\/]*[^\\\\/?#\\s]+([\\\\/?#][^]*)?$' } }));

const place = Joi.object<WrittenPlace>({
  'first-in': listOf(selector),
  'last-in': listOf(selector),
  before: listOf(selector),
  after: listOf(selector),
  'instead-of': listOf(selector),
}).xor('first-in', 'last-in', 'before', 'after', 'instead-of');

/** https://html.spec.whatwg.org/#valid-e-mail-address, several with commas between. */
const mailAddress = text.pattern(
  /^[\w.!#$%&'*+/=?^`{|}~-]+@[\w-]+(?:\.[\w-]+)*(?:,\s*[\w.!#$%&'*+/=?^`{|}~-]+@[\w-]+(?:\.[\w-]+)*)*$/,
  'mail',
);
const phoneNumber = text.pattern(/^\+?[\d\s()./-]*\d[\d\s()./-]*$/, 'phone').meta(json({ numbers: {} }));

const truth = Joi.valid('true', 'false');
const show = Joi.valid('both', 'image', 'label');
const whole = (minimum: number, maximum: number): JsonMeta =>
  json({ numbers: { multipleOf: 1, minimum, maximum } });

const color = text.custom((value: string) =>
  /^(?:[0-9a-f]{3,4}|[0-9a-f]{6}|[0-9a-f]{8})$/i.test(value) ? `#${value}` : value,
);

const length = String.raw`(?:0|(?:\d+\.?\d*|\.\d+)(?:px|em|rem|ch|%|vw))`;
const lengths = (most: number): Joi.StringSchema =>
  text
    .pattern(new RegExp(`^${length}(?: ${length}){0,${most - 1}}$`), 'length')
    .meta(json({ numbers: { const: 0 } }));
const weight = text.pattern(/^(?:normal|bold|[1-9]\d{0,2}|1000)$/, 'weight').meta(whole(1, 1000));
/** `none`, or a width, a style and a colour. */
const border = text.pattern(
  /^(?:none|(?:\d+\.?\d*|\.\d+)(?:px|em|rem) (?:solid|dashed|dotted|double)(?: [^;{}"'\\*<]+)?)$/,
  'border',
);
/** As in `box-shadow`. */
const shadow = text
  .pattern(/^(?:none|[^;{}"'\\*<]*\d[^;{}"'\\*<]*)$/, 'shadow')
  .meta(json({ numbers: { const: 0 } }));
const share = text.pattern(/^(?:100|\d{1,2}(?:\.\d+)?)%$/, 'share');

const state = Joi.object<WrittenState>({
  from: Joi.valid(...stateNames, 'base'),
  tint: share,
  lighter: share,
  darker: share,
  marker: Joi.valid('below', 'above', 'start', 'dot', 'none'),
  accent: color,
  background: color,
  color,
  border,
  shadow,
  'icon-color': color,
  font: Joi.object({ weight }),
}).oxor('tint', 'lighter', 'darker');

const states = Joi.object(Object.fromEntries(stateNames.map(name => [name, state])));

/** What an entry and a part of a menu may have of their own. */
const ownLook = {
  accent: color,
  background: color,
  color,
  font: Joi.object({
    family: text.pattern(/^[\p{L}\p{N} ,'"_-]+$/u, 'family').meta(json({ numbers: { multipleOf: 1 } })),
    size: lengths(1),
    weight,
    spacing: text
      .pattern(new RegExp(`^(?:normal|-?${length})$`), 'length')
      .meta(json({ numbers: { const: 0 } })),
    file: text,
  }),
  padding: lengths(4),
  radius: lengths(4),
  border,
  shadow,
  'icon-color': color,
  states,
};

const look = Joi.object<WrittenLook>({
  ...ownLook,
  gap: lengths(2),
  contrast: Joi.object({ level: Joi.valid('AA', 'AAA'), mend: Joi.valid('tints', 'all', 'none') }),
  dark: Joi.valid('page', 'auto', 'off'),
  parts: Joi.object(Object.fromEntries(partNames.map(name => [name, Joi.object(ownLook)]))),
});

const lookName = text.pattern(/^[a-z][a-z0-9-]*$/, 'name');
/** A named look, or keys of one. */
const named = (keys: Joi.Schema): Joi.Schema =>
  Joi.alternatives().conditional(Joi.object(), { then: keys, otherwise: lookName });

const targets = [
  'page',
  'section',
  'file',
  'mail',
  'phone',
  'url',
  'pages',
  'sections',
  'insert',
  'language',
  'panel',
] as const;
const count = text.pattern(/^[1-9]\d{0,3}$/, 'count').meta(whole(1, 9999));
const depth = text.pattern(/^[123]$/, 'depth').meta(whole(1, 3));
const order = Joi.valid('title', 'date', 'file').default('title');

/** What leads from one place to another. */
const oneTarget = {
  label: said(label),
  page: said(text),
  section: said(text),
  file: said(text),
  mail: said(mailAddress),
  phone: said(phoneNumber),
  url: said(webAddress),
  heading: said(label),
};

/** At most three levels: each is a schema of its own. */
const entriesOf = (levels: number): Joi.ArraySchema =>
  linesOf(Joi.alternatives().conditional(Joi.string(), { then: text, otherwise: entryOf(levels) }));

function entryOf(levels: number): Joi.ObjectSchema<WrittenEntry> {
  return Joi.object<WrittenEntry>({
    ...oneTarget,
    pages: said(globs),
    order,
    first: globs,
    except: globs,
    most: count,
    depth,
    sections: said(text),
    levels: listOf(text.pattern(/^[1-6]$/, 'level').meta(whole(1, 6))),
    insert: said(text),
    language: said(text.pattern(languageTag, 'language')),
    panel: said(text),
    covers: globs,
    subject: said(label),
    'new-window': truth,
    'outside-mark': truth,
    save: truth,
    details: truth,
    highlight: Joi.alternatives().conditional(Joi.object(), {
      then: Joi.object(ownLook),
      otherwise: Joi.valid('background', 'border', 'shadow'),
    }),
    look: named(Joi.object(ownLook)),
    apart: truth,
    icon: text,
    'icon-at': Joi.valid('start', 'end'),
    show: Joi.valid('both', 'icon', 'label'),
    'if-missing': Joi.valid('error', 'warn').default('error'),
    entries: levels > 1 ? entriesOf(levels - 1).optional() : Joi.forbidden(),
  })
    .or(...targets, 'heading', 'entries')
    .oxor(...targets)
    .with('first', 'pages')
    .with('most', 'pages')
    .with('depth', 'pages')
    .with('levels', 'sections')
    .with('subject', 'mail')
    .with('save', 'file')
    .with('details', 'file')
    .with('icon-at', 'icon')
    .with('show', 'icon')
    .without('heading', [
      'section',
      'file',
      'mail',
      'phone',
      'url',
      'pages',
      'sections',
      'insert',
      'language',
      'panel',
    ])
    .without('entries', ['pages', 'sections', 'insert'])
    .custom((value: WrittenEntry, helpers) => {
      const needsLabel =
        value.label === undefined &&
        value.heading === undefined &&
        !targets.some(key => value[key] !== undefined);
      return needsLabel ? helpers.error('entry.label') : value;
    })
    .meta(json({ also: { anyOf: ['label', 'heading', ...targets].map(key => ({ required: [key] })) } }));
}

const time = text.pattern(/^\d{1,5}ms$/, 'time');
const toggle = { show: 'both', at: 'end', icon: 'lines' } as const;

const fold = Joi.object<WrittenFold>({
  when: text
    .pattern(/^(?:never|crowded|any-width|below (?:\d+\.?\d*|\.\d+)(?:em|rem|px))$/, 'fold')
    .required(),
  as: Joi.valid('stack', 'drawer', 'full-screen', 'none'),
  side: Joi.valid('start', 'end').default('start'),
  behind: Joi.valid('covered', 'shifted', 'as-fits').default('as-fits'),
  by: Joi.valid('click', 'hover').default('click'),
  joins: text,
  toggle: Joi.object<WrittenToggle>({
    show: Joi.valid('both', 'label', 'icon').default(toggle.show),
    label: said(label),
    at: Joi.valid('start', 'end').default(toggle.at),
    icon: text.default(toggle.icon),
    'open-icon': text,
  }).default(toggle),
});

const menu = Joi.object<WrittenMenu>({
  menu: Joi.string()
    .pattern(/^[a-z][a-z0-9-]*$/, 'name')
    .invalid('style', 'script', 'skip', 'top')
    .required(),
  title: said(label),
  form: Joi.valid('bar', 'column', 'tabs', 'plain', 'breadcrumb', 'previous-next').default('bar'),
  widths: Joi.valid('natural', 'equal').default('natural'),
  separators: Joi.valid('none', 'line').default('none'),
  'current-entry': Joi.valid('link', 'text').default('link'),
  branch: text,
  'entries-of': text,
  depth,
  set: globs,
  order,
  data: Joi.valid('json-ld'),
  opens: Joi.object({
    by: Joi.valid('hover', 'click'),
    after: time.default('90ms'),
    ease: time.default('160ms'),
    columns: text
      .pattern(/^[1-4]$/, 'columns')
      .meta(whole(1, 4))
      .default('1'),
  }).default({ after: '90ms', ease: '160ms', columns: '1' }),
  fold,
  'carried-by': globs.default(['**']),
  except: globs.default([]),
  place,
  stays: Joi.alternatives().conditional(Joi.object(), {
    then: Joi.object({ top: selector.required() }),
    otherwise: Joi.valid('top'),
  }),
  align: Joi.valid('start', 'center', 'end', 'spread').default('start'),
  home: Joi.object({ label: said(label).required(), image: text, show }).with('show', 'image'),
  entries: entriesOf(3).optional(),
  look: named(look),
})
  .oxor('entries', 'branch', 'entries-of', 'set')
  .custom((value: WrittenMenu, helpers) => {
    const needs = value.form === 'breadcrumb' ? null : value.form === 'previous-next' ? 'set' : 'entries';
    const sources = ['entries', 'branch', 'entries-of', 'set'] as const;
    const has = sources.filter(key => value[key] !== undefined);
    if (needs === 'set' && !has.includes('set')) return helpers.error('menu.set');
    if (needs === 'entries' && (has.length === 0 || has[0] === 'set')) return helpers.error('menu.entries');
    return value;
  })
  .meta(
    json({
      also: {
        if: { properties: { form: { enum: ['breadcrumb', 'previous-next'] } }, required: ['form'] },
        then: { if: { properties: { form: { const: 'previous-next' } } }, then: { required: ['set'] } },
        else: { anyOf: ['entries', 'branch', 'entries-of'].map(key => ({ required: [key] })) },
      },
    }),
  );

const singles = ['page', 'section', 'file', 'mail', 'phone', 'url'] as const;

const button = Joi.object<WrittenButton>({
  button: Joi.string()
    .pattern(/^[a-z][a-z0-9-]*$/, 'name')
    .invalid('style', 'script', 'skip', 'top')
    .required(),
  ...oneTarget,
  'new-window': truth,
  highlight: Joi.alternatives().conditional(Joi.object(), {
    then: Joi.object(ownLook),
    otherwise: Joi.valid('background', 'border', 'shadow'),
  }),
  look: named(Joi.object(ownLook)),
  icon: text,
  'icon-at': Joi.valid('start', 'end'),
  show: Joi.valid('both', 'icon', 'label'),
  'carried-by': globs.default(['**']),
  except: globs.default([]),
  place,
})
  .or(...singles, 'heading')
  .oxor(...singles)
  .with('icon-at', 'icon')
  .with('show', 'icon')
  .without('heading', ['section', 'file', 'mail', 'phone', 'url']);

const toTop = Joi.object<WrittenToTop>({
  corner: Joi.valid('start', 'end').default('end'),
  'shows-after': text
    .pattern(/^(?:0|(?:\d+\.?\d*|\.\d+)(?:px|em|rem|vh))$/, 'way')
    .meta(json({ numbers: { const: 0 } }))
    .default('100vh'),
  size: lengths(1).default('3rem'),
  label: said(label),
  icon: text.default('arrow'),
  look: Joi.object(ownLook),
});

const panels = Joi.object<WrittenPanels>({
  panels: Joi.string()
    .pattern(/^[a-z][a-z0-9-]*$/, 'name')
    .invalid('style', 'script', 'skip', 'top')
    .required(),
  page: text.required(),
  of: selector.required(),
  switch: text.default('tabs'),
  first: text,
  height: Joi.valid('own', 'tallest').default('own'),
  title: said(label),
  place,
  look: named(look),
});

/** What a plan may say. Everything it says arrives as text; each key converts its own. */
export const planSchema = Joi.object<WrittenPlan>({
  kamino: Joi.valid('1').required(),
  site: folder.default('.'),
  output: folder.default('built'),
  read: text.default('**/*.{html,htm}'),
  'leave-out': globs.default([]),
  'skip-to': listOf(selector).default([]),
  labels: Joi.object({
    from: Joi.valid('title', 'heading', 'file').default('title'),
    cut: said(Joi.string().min(1)),
  }).default({
    from: 'title',
  }),
  links: Joi.object({
    from: Joi.valid('page', 'root').default('page'),
    index: Joi.valid('shown', 'hidden').default('shown'),
    base: text.pattern(/^\/(?:[\w.~%-]+\/)*$/, 'base').default('/'),
  }).default({ from: 'page', index: 'shown', base: '/' }),
  style: text,
  languages: Joi.object()
    .pattern(
      languageTag,
      Joi.object({
        name: label.required(),
        pages: globs,
        words: Joi.object(Object.fromEntries(wordNames.map(name => [name, label]))),
      }),
    )
    .min(1),
  menus: linesOf(menu),
  buttons: linesOf(button).optional(),
  'to-top': toTop,
  panels: linesOf(panels).optional(),
  look: named(look),
  looks: Joi.object().pattern(/^[a-z][a-z0-9-]*$/, look),
});
