import Joi from 'joi';
import { readWebAddress } from '../address/href.ts';
import { readSelector } from '../text/selector.ts';

/** The plan as it is written, once it is right: text, maps and lists. Names are those of the plan reference. */
export interface WrittenPlan {
  kamino: '1';
  site: string;
  output: string;
  read: string;
  'leave-out': string[];
  'skip-to': string[];
  labels: { from: 'title' | 'heading' | 'file'; cut?: string };
  style?: string;
  menus: (WrittenMenu | undefined)[];
  look: WrittenLook;
}

export interface WrittenMenu {
  menu: string;
  title?: string;
  form: 'bar';
  'carried-by': string[];
  except: string[];
  place?: WrittenPlace;
  align: 'start' | 'center' | 'end' | 'spread';
  home?: { label: string };
  entries: (string | WrittenEntry | undefined)[];
}

export interface WrittenPlace {
  'first-in'?: string[];
  'last-in'?: string[];
  before?: string[];
  after?: string[];
}

export interface WrittenEntry {
  label?: string;
  page?: string;
  url?: string;
}

export interface WrittenLook {
  accent?: string;
  background?: string;
  color?: string;
}

const text = Joi.string().trim().min(1);
/** A list whose wrong lines may have been taken out without moving the others. */
const linesOf = (item: Joi.Schema): Joi.ArraySchema => Joi.array().items(item).sparse().min(1).required();
const listOf = (item: Joi.Schema): Joi.ArraySchema => Joi.array().items(item).single();
const globs = listOf(text.max(500));
const folder = text.max(1000);

/** Text for people: line breaks fold to a space, control characters are refused. */
const label = Joi.string()
  .custom((value: string, helpers) => {
    const folded = value.replace(/[\t\n\r ]+/g, ' ').replace(/^ | $/g, '');
    if (/\p{Cc}/u.test(folded)) return helpers.error('label.control');
    return folded === '' ? helpers.error('string.empty') : folded;
  })
  .max(1000);

const selector = text.custom((value: string, helpers) =>
  readSelector(value) ? value : helpers.error('selector.kind'),
);

const webAddress = text.custom(
  (value: string, helpers) => readWebAddress(value) ?? helpers.error('address.scheme'),
);

const place = Joi.object<WrittenPlace>({
  'first-in': listOf(selector),
  'last-in': listOf(selector),
  before: listOf(selector),
  after: listOf(selector),
}).xor('first-in', 'last-in', 'before', 'after');

const entry = Joi.object<WrittenEntry>({ label, page: text, url: webAddress }).xor('page', 'url');

const menu = Joi.object<WrittenMenu>({
  menu: Joi.string()
    .pattern(/^[a-z][a-z0-9-]*$/, 'name')
    .invalid('style', 'script', 'skip', 'top')
    .required(),
  title: label,
  form: Joi.valid('bar').default('bar'),
  'carried-by': globs.default(['**']),
  except: globs.default([]),
  place,
  align: Joi.valid('start', 'center', 'end', 'spread').default('start'),
  home: Joi.object({ label: label.required() }),
  entries: linesOf(Joi.alternatives().conditional(Joi.string(), { then: text, otherwise: entry })),
});

const color = text.custom((value: string) =>
  /^(?:[0-9a-f]{3,4}|[0-9a-f]{6}|[0-9a-f]{8})$/i.test(value) ? `#${value}` : value,
);

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
    cut: Joi.string().min(1),
  }).default({
    from: 'title',
  }),
  style: text,
  menus: linesOf(menu),
  look: Joi.object<WrittenLook>({ accent: color, background: color, color: color }).default({}),
});
