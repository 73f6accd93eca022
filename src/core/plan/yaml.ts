import {
  type Alias,
  type Document,
  LineCounter,
  type Node,
  type Pair,
  isAlias,
  isMap,
  isPair,
  isScalar,
  isSeq,
  parseDocument,
} from 'yaml';
import { type Finding, finding } from '../text/finding.ts';
import type { Source } from '../text/source.ts';
import { indentationSlip } from './indentation.ts';
import { readSwallowed, readSyntaxError } from './swallowed.ts';
import type { Mark } from './types.ts';

/** What the plan says, as text, maps and lists, with the place of every key and value. */
export type Value = string | Value[] | { [key: string]: Value };

export interface PlanText {
  value: Value;
  /** By path (`menus`, 0, `title`), joined as `pathKey` does. */
  values: ReadonlyMap<string, Mark>;
  keys: ReadonlyMap<string, Mark>;
  findings: Finding[];
  isCut: boolean;
}

export function pathKey(path: readonly (string | number)[]): string {
  return path.join('\u0000');
}

const mostNodes = 20_000;
/** One slip may make thousands of errors behind it; the first ones tell where it is. */
const mostErrors = 20;
const deepest = 60;

/** Reads YAML as text only, so that `01970` keeps its zero and `1.10` its second digit. */
export function readYaml(source: Source): PlanText {
  const document = parseDocument(source.text, {
    schema: 'failsafe',
    version: '1.2',
    lineCounter: new LineCounter(),
    prettyErrors: false,
    uniqueKeys: true,
    stringKeys: true,
  });
  const errors = [...document.errors, ...document.warnings].slice(0, mostErrors);
  const slip = indentationSlip(errors, source);
  const findings = slip ? [slip] : errors.map(error => readSyntaxError(error, source));
  const walk = new Walk(source, document);
  const value = walk.read(document.contents, []);
  const { values, keys } = walk;
  // What the rest seems to say is said by the slip.
  const isCut = walk.isCut || slip !== null;
  return { value, values, keys, findings: [...findings, ...walk.findings], isCut };
}

class Walk {
  readonly values = new Map<string, Mark>();
  readonly keys = new Map<string, Mark>();
  readonly findings: Finding[] = [];
  readonly #source: Source;
  readonly #document: Document;
  #nodes = 0;
  /** The plan was too much, and has not been read whole. */
  isCut = false;

  constructor(source: Source, document: Document) {
    this.#source = source;
    this.#document = document;
  }

  read(node: unknown, path: (string | number)[]): Value {
    this.#nodes += 1;
    if (this.#nodes > mostNodes || path.length > deepest) return this.#tooMany(node, path.length > deepest);
    if (isAlias(node)) return this.#readAlias(node, path);
    if (hasRange(node)) this.values.set(pathKey(path), markOf(node, this.#source.text));
    if (isSeq(node)) return node.items.map((item, at) => this.read(item, [...path, at]));
    if (isMap(node)) {
      const read: Record<string, Value> = {};
      for (const item of node.items) if (isPair(item)) this.#readPair(item, path, read);
      return read;
    }
    return isScalar(node) && typeof node.value === 'string' ? node.value : '';
  }

  #readAlias(alias: Alias, path: (string | number)[]): Value {
    const node = alias.resolve(this.#document);
    if (node) return this.read(node, path);
    const [start] = alias.range ?? [0];
    const written = /^[^\s,}\]]+/.exec(this.#source.text.slice(start))?.[0] ?? '*';
    this.values.set(pathKey(path), { start, end: start + written.length });
    this.findings.push(
      finding(
        'yaml-alias',
        this.#source.place(start, start + written.length),
        `\`${written}\` is read as an alias, since it begins with *`,
        `Write  "${written}"`,
      ),
    );
    return '';
  }

  #readPair(pair: Pair, path: (string | number)[], into: Record<string, Value>): void {
    const key = isScalar(pair.key) ? String(pair.key.value) : '';
    const here = [...path, key];
    if (hasRange(pair.key)) this.keys.set(pathKey(here), markOf(pair.key, this.#source.text));
    const swallowed = readSwallowed(pair, key, this.#source);
    if (swallowed) this.findings.push(swallowed);
    // An own property even for `__proto__`.
    Object.defineProperty(into, key, {
      value: this.read(pair.value, here),
      enumerable: true,
      configurable: true,
    });
  }

  #tooMany(node: unknown, isDeep: boolean): Value {
    if (!this.isCut) {
      this.isCut = true;
      const mark = hasRange(node) ? markOf(node, this.#source.text) : { start: 0, end: 1 };
      this.findings.push(
        finding('yaml-alias', this.#source.place(mark.start, mark.end), ...this.#whyTooMany(isDeep)),
      );
    }
    return '';
  }

  #whyTooMany(isDeep: boolean): [message: string, remedy: string] {
    if (/(?:^|[\s,[{:])\*\w/.test(this.#source.text))
      return ['aliases make this plan too large, or endless', 'Write the entries out, without & and *.'];
    if (isDeep)
      return [`this plan is nested more than ${deepest} deep`, 'Check its brackets and its indentation.'];
    return [
      `this plan has more than ${mostNodes} values`,
      'Let a pattern stand for entries, for example  pages: journal/*.html',
    ];
  }
}

function hasRange(node: unknown): node is Node & { range: [number, number, number] } {
  return typeof node === 'object' && node !== null && Array.isArray((node as Node).range);
}

/** A value's extent without the line breaks behind it. */
function markOf(node: Node & { range: [number, number, number] }, text: string): Mark {
  const [start, end] = node.range;
  const trimmed = text.slice(start, end).trimEnd().length;
  return { start, end: start + Math.max(1, trimmed) };
}
