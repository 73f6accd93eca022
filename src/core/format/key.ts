import Joi from 'joi';
import { listed } from '../text/nearest.ts';

/** The same in every language, or one for each. */
export type Said<Value = string> = Value | Record<string, Value>;

/** What people are told of a key. */
interface Told {
  /** What it takes; left out where the words that it takes say so. */
  takes?: string;
  /** What holds without it; left out for a default that is a word. */
  otherwise?: string;
  means: string;
  /** Lines of the part that it is a key of. */
  example: string;
  /** What to do where it is needed and missing; left out for a general remedy. */
  missing?: string;
  /** The part of the plan that its value is, where it may have keys of its own. */
  below?: string;
}

/** A key of the plan, whole: how it is read, and what the manual tells of it. `Given`: it always has a value once read. */
export interface Key<Value = unknown, Given extends boolean = boolean> {
  schema: Joi.AnySchema<Value>;
  isGiven: Given;
  takes: string;
  /** null where it is needed. */
  otherwise: string | null;
  means: string;
  example: string;
  missing: string | null;
  below: string | null;
}

/** The keys of a part of the plan, in the order in which they are told. */
export type Keys = Readonly<Record<string, Key>>;

type ValueOf<Of> = Of extends Key<infer Value> ? Value : never;
type GivenIn<All> = { [Name in keyof All]: All[Name] extends Key<unknown, true> ? Name : never }[keyof All];

/** A part of the plan as it is written, once it is right: what its keys say. */
export type WrittenOf<All> = { [Name in GivenIn<All>]: ValueOf<All[Name]> } & {
  [Name in Exclude<keyof All, GivenIn<All>>]?: ValueOf<All[Name]>;
};

/** The words of values that take one of a few. */
const wordsOf = new WeakMap<object, readonly string[]>();

/** One of a few words. */
export function oneOf<const Word extends string>(...words: readonly Word[]): Joi.AnySchema<Word> {
  const made = Joi.valid(...words) as Joi.AnySchema<Word>;
  wordsOf.set(made, words);
  return made;
}

/** A key without which its part cannot be read. */
export function needed<Value>(schema: Joi.AnySchema<Value>, told: Told): Key<Value, true> {
  return keyOf(schema.required(), told, { isGiven: true, takes: takesOf(schema, told), otherwise: null });
}

/** A key that may be left out. */
export function optional<Value>(
  schema: Joi.AnySchema<Value>,
  { otherwise, ...told }: Omit<Told, 'otherwise'> & { otherwise: string | null },
): Key<Value, false> {
  return keyOf(schema, told, { isGiven: false, takes: takesOf(schema, told), otherwise });
}

/** A key that has a value of its own where the plan says nothing. */
export function preset<Value>(
  schema: Joi.AnySchema<Value>,
  value: string | readonly string[] | object,
  told: Told,
): Key<Value, true> {
  const otherwise = told.otherwise ?? `\`${String(value)}\``;
  const own = schema.default(value as Joi.BasicType);
  return keyOf(own, told, { isGiven: true, takes: takesOf(schema, told), otherwise });
}

function keyOf<Value, Given extends boolean>(
  schema: Joi.AnySchema<Value>,
  { means, example, missing, below }: Told,
  own: { isGiven: Given; takes: string; otherwise: string | null },
): Key<Value, Given> {
  return { schema, means, example, missing: missing ?? null, below: below ?? null, ...own };
}

function takesOf(schema: object, { takes }: Pick<Told, 'takes'>): string {
  return takes ?? listed((wordsOf.get(schema) ?? []).map(word => `\`${word}\``));
}

/** How each of them is read. */
export function schemasOf(keys: Keys): Record<string, Joi.Schema> {
  return Object.fromEntries(Object.entries(keys).map(([name, one]) => [name, one.schema]));
}

/** A map of these keys. */
export function mapOf<All extends { [Name in keyof All]: Key }>(keys: All): Joi.ObjectSchema<WrittenOf<All>> {
  return Joi.object<WrittenOf<All>>(schemasOf(keys as Keys));
}
