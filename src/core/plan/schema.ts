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
  form: 'bar' | 'column' | 'plain';
  fold?: { when: string; as: 'stack' };
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
  'instead-of'?: string[];
}

export interface WrittenEntry {
  label?: string;
  page?: string;
  section?: string;
  file?: string;
  mail?: string;
  phone?: string;
  url?: string;
  highlight?: 'background';
  'if-missing': 'error' | 'warn';
  entries?: (string | WrittenEntry | undefined)[];
}

export interface WrittenLook {
  accent?: string;
  background?: string;
  color?: string;
  font?: { family?: string; size?: string; weight?: string; spacing?: string };
  padding?: string;
  radius?: string;
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
  'instead-of': listOf(selector),
}).xor('first-in', 'last-in', 'before', 'after', 'instead-of');

/** https://html.spec.whatwg.org/#valid-e-mail-address, several with commas between. */
const mailAddress = text.pattern(
  /^[\w.!#$%&'*+/=?^`{|}~-]+@[\w-]+(?:\.[\w-]+)*(?:,\s*[\w.!#$%&'*+/=?^`{|}~-]+@[\w-]+(?:\.[\w-]+)*)*$/,
  'mail',
);
const phoneNumber = text.pattern(/^\+?[\d\s()./-]*\d[\d\s()./-]*$/, 'phone');

const targets = ['page', 'section', 'file', 'mail', 'phone', 'url'] as const;

/** At most three levels: each is a schema of its own. */
const entriesOf = (levels: number): Joi.ArraySchema =>
  linesOf(Joi.alternatives().conditional(Joi.string(), { then: text, otherwise: entryOf(levels) }));

function entryOf(levels: number): Joi.ObjectSchema<WrittenEntry> {
  return Joi.object<WrittenEntry>({
    label,
    page: text,
    section: text,
    file: text,
    mail: mailAddress,
    phone: phoneNumber,
    url: webAddress,
    highlight: Joi.valid('background'),
    'if-missing': Joi.valid('error', 'warn').default('error'),
    entries: levels > 1 ? entriesOf(levels - 1).optional() : Joi.forbidden(),
  })
    .or(...targets, 'entries')
    .oxor(...targets)
    .custom((value: WrittenEntry, helpers) => {
      const needsLabel = value.label === undefined && !targets.some(key => value[key] !== undefined);
      return needsLabel ? helpers.error('entry.label') : value;
    });
}

const menu = Joi.object<WrittenMenu>({
  menu: Joi.string()
    .pattern(/^[a-z][a-z0-9-]*$/, 'name')
    .invalid('style', 'script', 'skip', 'top')
    .required(),
  title: label,
  form: Joi.valid('bar', 'column', 'plain').default('bar'),
  fold: Joi.object({
    when: text.pattern(/^(?:never|below (?:\d+\.?\d*|\.\d+)(?:em|rem|px))$/, 'fold').required(),
    as: Joi.valid('stack').default('stack'),
  }),
  'carried-by': globs.default(['**']),
  except: globs.default([]),
  place,
  align: Joi.valid('start', 'center', 'end', 'spread').default('start'),
  home: Joi.object({ label: label.required() }),
  entries: entriesOf(3),
});

const color = text.custom((value: string) =>
  /^(?:[0-9a-f]{3,4}|[0-9a-f]{6}|[0-9a-f]{8})$/i.test(value) ? `#${value}` : value,
);

const length = String.raw`(?:0|(?:\d+\.?\d*|\.\d+)(?:px|em|rem|ch|%|vw))`;
const lengths = (most: number): Joi.StringSchema =>
  text.pattern(new RegExp(`^${length}(?: ${length}){0,${most - 1}}$`), 'length');

const look = Joi.object<WrittenLook>({
  accent: color,
  background: color,
  color,
  font: Joi.object({
    family: text.pattern(/^[\p{L}\p{N} ,'"_-]+$/u, 'family'),
    size: lengths(1),
    weight: text.pattern(/^(?:normal|bold|[1-9]\d{0,2}|1000)$/, 'weight'),
    spacing: text.pattern(new RegExp(`^(?:normal|-?${length})$`), 'length'),
  }),
  padding: lengths(4),
  radius: lengths(4),
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
    cut: Joi.string().min(1),
  }).default({
    from: 'title',
  }),
  style: text,
  menus: linesOf(menu),
  look: look.default({}),
});
