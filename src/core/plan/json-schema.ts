import type Joi from 'joi';
import type { JsonMeta } from '../format/values.ts';
import { type Part, partBelow, parts } from './parts/index.ts';
import { planSchema } from './parts/plan.ts';

/** A schema of JSON Schema 2020-12. */
export type JsonSchema = { [key: string]: unknown } | boolean;

/** What a key means, or null. */
export type Describe = (part: Part, key: string) => string | null;

/** The schema of a plan for editors: it takes and refuses what the plan's own schema does. */
export function planJsonSchema(describe: Describe): JsonSchema {
  return new Writer(describe).write();
}

/** So long a schema that stands in several places is written once. */
const longEnough = 70;

interface Where {
  part: Part;
  key: string;
}

class Writer {
  readonly #describe: Describe;
  readonly #shared = new Map<string, { name: string; schema: JsonSchema }>();
  readonly #names = new Set<string>();

  constructor(describe: Describe) {
    this.#describe = describe;
  }

  write(): JsonSchema {
    const plan = this.#object(planSchema.describe(), { part: 'plan', key: 'plan' });
    const shared = [...this.#shared.values()].sort((one, other) => (one.name < other.name ? -1 : 1));
    return {
      $schema: 'https://json-schema.org/draft/2020-12/schema',
      title: 'A plan of Kamino',
      ...(plan as object),
      $defs: Object.fromEntries(shared.map(({ name, schema }) => [name, schema])),
    };
  }

  #schema(description: Joi.Description, where: Where): JsonSchema {
    const made = this.#kind(description, where);
    const text = JSON.stringify(made);
    return text.length < longEnough ? made : { $ref: `#/$defs/${this.#share(text, made, where.key)}` };
  }

  #share(text: string, schema: JsonSchema, wanted: string): string {
    const known = this.#shared.get(text);
    if (known) return known.name;
    let name = wanted;
    for (let number = 2; this.#names.has(name); number += 1) name = `${wanted}-${number}`;
    this.#names.add(name);
    this.#shared.set(text, { name, schema });
    return name;
  }

  #kind(description: Joi.Description, where: Where): JsonSchema {
    if (flagsOf(description)['presence'] === 'forbidden') return false;
    switch (description.type) {
      case 'object':
        return this.#object(description, where);
      case 'array':
        return this.#array(description, where);
      case 'alternatives':
        return this.#alternatives(description, where);
      case 'string':
        return textSchema(description);
      default:
        return { enum: valuesOf(description) };
    }
  }

  #object(description: Joi.Description, where: Where): JsonSchema {
    const keys = (description['keys'] ?? {}) as Record<string, Joi.Description>;
    const patterns = (description['patterns'] ?? []) as { regex: string; rule: Joi.Description }[];
    const { part } = where;
    const properties = Object.entries(keys).map(([key, value]) => {
      const schema = this.#schema(value, { part: partBelow(part, key) ?? part, key });
      const about = schema === false ? null : this.#describe(part, key);
      return [key, about === null ? schema : { description: about, ...(schema as object) }] as const;
    });
    const required = Object.entries(keys).filter(([, value]) => flagsOf(value)['presence'] === 'required');
    const least = rulesOf(description).find(rule => rule.name === 'min')?.args?.['limit'];
    return {
      type: 'object',
      ...(properties.length > 0 ? { properties: Object.fromEntries(properties) } : {}),
      ...(patterns.length > 0
        ? {
            patternProperties: Object.fromEntries(
              patterns.map(({ regex, rule }) => [
                bodyOf(regex),
                this.#schema(rule, { ...where, part: (parts[part].each as Part | null) ?? part }),
              ]),
            ),
          }
        : {}),
      additionalProperties: false,
      ...(least === undefined ? {} : { minProperties: least }),
      ...(required.length > 0 ? { required: required.map(([key]) => key) } : {}),
      ...together([...dependenciesOf(description), metaOf(description).also ?? {}]),
    };
  }

  #array(description: Joi.Description, where: Where): JsonSchema {
    const [item] = description['items'] as Joi.Description[];
    const items = this.#schema(item!, where);
    const least = rulesOf(description).find(rule => rule.name === 'min')?.args?.['limit'];
    const list = { type: 'array', items, ...(least === undefined ? {} : { minItems: least }) };
    return flagsOf(description)['single'] ? { if: { type: 'array' }, then: list, else: items } : list;
  }

  /** A map, or what stands for the same without one. */
  #alternatives(description: Joi.Description, where: Where): JsonSchema {
    const [match] = description['matches'] as { then: Joi.Description; otherwise: Joi.Description }[];
    const [one, other] = [match!.then, match!.otherwise];
    const [map, rest] = one.type === 'object' ? [one, other] : [other, one];
    return { if: { type: 'object' }, then: this.#schema(map, where), else: this.#schema(rest, where) };
  }
}

type Rule = { name: string; args?: Record<string, unknown> };

function flagsOf(description: Joi.Description): Record<string, unknown> {
  return (description.flags ?? {}) as Record<string, unknown>;
}

function rulesOf(description: Joi.Description): Rule[] {
  return (description['rules'] ?? []) as Rule[];
}

function metaOf(description: Joi.Description): JsonMeta {
  return Object.assign({}, ...((description['metas'] ?? []) as JsonMeta[])) as JsonMeta;
}

/** The words that a value may be, with the numbers and truths that editors read in their place. */
function valuesOf(description: Joi.Description): unknown[] {
  const words = ((description['allow'] ?? []) as unknown[]).map(String);
  return words.flatMap((word): unknown[] =>
    word === 'true' || word === 'false'
      ? [word, word === 'true']
      : /^\d+$/.test(word)
        ? [word, Number(word)]
        : [word],
  );
}

/** Text, and the numbers and truths that are text in a plan. */
function textSchema(description: Joi.Description): JsonSchema {
  const rules = rulesOf(description);
  const { also = {}, numbers, any = false } = metaOf(description);
  const pattern = rules.find(rule => rule.name === 'pattern')?.args?.['regex'];
  const most = rules.find(rule => rule.name === 'max')?.args?.['limit'];
  const invalid = ((description['invalid'] ?? []) as unknown[]).map(String);
  const isTrimmed = rules.some(rule => rule.name === 'trim');
  const body = typeof pattern === 'string' ? bodyOf(pattern) : null;
  const text = {
    type: 'string',
    ...(body !== null
      ? { pattern: isTrimmed ? `^\\s*(?:${body.replace(/^\^|\$$/g, '')})\\s*$` : body }
      : isTrimmed
        ? { pattern: '\\S' }
        : { minLength: 1 }),
    ...(most === undefined ? {} : { maxLength: most }),
    ...(invalid.length > 0 ? { not: { enum: invalid } } : {}),
  };
  const all = together([text, also]);
  const isFree = any || (body === null && !('pattern' in also));
  const truths = isFree || (body !== null && new RegExp(body, 'u').test('true'));
  const others = [
    ...(truths ? [{ type: 'boolean' }] : []),
    ...(isFree || numbers !== undefined ? [{ type: 'number', ...numbers }] : []),
  ];
  if (others.length === 0) return all;
  return { anyOf: [all, ...others] };
}

/** Which keys need, or exclude, each other. */
function dependenciesOf(description: Joi.Description): object[] {
  const all = (description['dependencies'] ?? []) as { rel: string; key?: string; peers: string[] }[];
  const has = (key: string): object => ({ required: [key] });
  const pairs = (peers: readonly string[]): object[] =>
    peers.flatMap((one, at) => peers.slice(at + 1).map(other => ({ required: [one, other] })));
  return all.map(({ rel, key, peers }) => {
    switch (rel) {
      case 'or':
        return { anyOf: peers.map(has) };
      case 'oxor':
        return { not: { anyOf: pairs(peers) } };
      case 'xor':
        return { anyOf: peers.map(has), not: { anyOf: pairs(peers) } };
      case 'with':
        return { dependentRequired: { [key!]: peers } };
      default:
        return { not: { anyOf: peers.map(peer => ({ required: [key!, peer] })) } };
    }
  });
}

/** All of them in one schema. */
function together(schemas: readonly object[]): { [key: string]: unknown } {
  const made: { [key: string]: unknown } = {};
  const rest: object[] = [];
  for (const one of schemas) {
    if (Object.keys(one).some(key => key in made)) rest.push(one);
    else Object.assign(made, one);
  }
  return rest.length > 0 ? { ...made, allOf: rest } : made;
}

/** A regular expression as Joi describes it, without its slashes and flags. */
function bodyOf(regex: string): string {
  return regex.replace(/^\/([^]*)\/\w*$/, '$1');
}
