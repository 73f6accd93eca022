import type Joi from 'joi';
import { type Finding, finding } from '../text/finding.ts';
import { listed, nearest } from '../text/nearest.ts';
import type { RuleName } from '../text/rules.ts';
import type { Source } from '../text/source.ts';
import { forms } from '../format/values.ts';
import { columnOf, columnsAbove } from './columns.ts';
import { parts } from './parts/index.ts';
import type { PlanPath } from './places.ts';
import { labelOf, nameOf, partOf, shown } from './problem-names.ts';
import { sayings } from './sayings.ts';
import { tradeWords } from './trade.ts';
import type { Mark } from './types.ts';
import { type PlanText, pathKey } from './yaml.ts';

/** What the schema found wrong, each at its place in the plan's text. */
export function planProblems(
  details: readonly Joi.ValidationErrorItem[],
  text: PlanText,
  source: Source,
): Finding[] {
  const teller = new Teller(text, source);
  const found = details.map(detail => ({ detail, told: teller.tell(detail) }));
  return found
    .filter(({ detail }) => !isEcho(detail, details) && !teller.emptied.has(labelOf(detail.path)))
    .map(({ told }) => told);
}

/** Something missing where a misspelt key stands: that key has been told already. */
function isEcho(detail: Joi.ValidationErrorItem, details: readonly Joi.ValidationErrorItem[]): boolean {
  if (detail.type !== 'object.missing' && detail.type !== 'any.required') return false;
  const parent = detail.type === 'any.required' ? detail.path.slice(0, -1) : detail.path;
  return details.some(
    other => other.type === 'object.unknown' && pathKey(other.path.slice(0, -1)) === pathKey(parent),
  );
}

class Teller {
  /** Keys that are empty since what belongs below them stands beside them, which has been told. */
  readonly emptied = new Set<string>();
  readonly #text: PlanText;
  readonly #source: Source;

  constructor(text: PlanText, source: Source) {
    this.#text = text;
    this.#source = source;
  }

  tell(detail: Joi.ValidationErrorItem): Finding {
    const { path, context = {} } = detail;
    switch (detail.type) {
      case 'object.unknown':
        return this.#unknownKey(path);
      case 'any.required':
        return this.#missingKey(path);
      case 'any.only':
        return this.#wrongWord(path, this.#written(path), (context['valids'] as unknown[]).map(String));
      case 'string.pattern.name':
        return this.#wrongForm(path, this.#written(path), String(context['name']));
      default: {
        const saying = sayings[detail.type];
        if (!saying) return this.#wrongKind(detail);
        const { rule, says, remedy, isAtKey } = saying;
        const said = { path, context, value: this.#written(path) };
        const told = [rule, path, says(said), typeof remedy === 'string' ? remedy : remedy(said)] as const;
        return isAtKey ? this.#atKey(...told) : this.#at(...told);
      }
    }
  }

  #unknownKey(path: PlanPath): Finding {
    const key = String(path.at(-1));
    const part = partOf(path.slice(0, -1));
    // What has no keys has languages: each a value of its own.
    if (part === null || part === 'languages')
      return this.#atKey(
        'unknown-key',
        path,
        `\`${key}\` is no tag of a language`,
        'Tags are those of the `lang` of a page:  en, cy, pt-BR',
      );
    const { called, keys } = parts[part];
    const known = Object.keys(keys);
    const near = nearest(key, known) ?? sameStem(key, known);
    const ours = tradeWords[key.toLowerCase()];
    const remedy =
      this.#otherColumn(key, path) ??
      (ours
        ? `Kamino’s word for it is ${ours}.`
        : near
          ? `Did you mean \`${near}\`?`
          : `Keys of ${called}: ${known.join(', ')}.`);
    return this.#atKey('unknown-key', path, `\`${key}\` is no key of ${called}`, remedy);
  }

  /** A key of another part, in a column of its own line: where it was meant to stand. */
  #otherColumn(key: string, path: PlanPath): string | null {
    const mark = this.#text.keys.get(pathKey(path));
    if (!mark) return null;
    const lines = this.#source.text.slice(0, mark.start).split('\n');
    const indent = lines.at(-1)!;
    if (indent.trim() !== '') return null;
    const meant = columnOf(key, indent.length, columnsAbove(lines, lines.length - 1));
    if (!meant) return null;
    const { at, beside, part, isBelow } = meant;
    if (isBelow) this.emptied.add(beside);
    return `It is a key of ${parts[part!].called}: indent it by ${at} spaces, where it stands ${isBelow ? 'below' : 'beside'} \`${beside}\`.`;
  }

  #missingKey(path: PlanPath): Finding {
    const key = String(path.at(-1));
    const parent = path.slice(0, -1);
    return this.#at(
      'missing-key',
      parent,
      `${nameOf(parent)} has no \`${key}\``,
      parts[partOf(parent) ?? 'plan'].keys[key]?.missing ?? `Add  ${key}: …`,
    );
  }

  #wrongWord(path: PlanPath, value: string, valid: string[]): Finding {
    const key = labelOf(path);
    const near = nearest(value, valid);
    const takes = `\`${key}\` takes ${listed(valid)}, and \`${shown(value)}\` is ${valid.length > 1 ? 'none of them' : 'not that'}`;
    return this.#at('wrong-value', path, takes, near ? `Did you mean \`${near}\`?` : null);
  }

  #wrongForm(path: PlanPath, value: string, form: string): Finding {
    const key = labelOf(path);
    const { takes, example } = forms.get(form) ?? { takes: 'another value', example: '' };
    return this.#at(
      'wrong-value',
      path,
      `\`${key}\` takes ${takes}, and \`${shown(value)}\` is none`,
      `For example  ${example || `${key}: …`}`,
    );
  }

  #wrongKind({ type, path, context }: Joi.ValidationErrorItem): Finding {
    const label = labelOf(path);
    const expected: Record<string, string> = {
      'object.base': path.length ? 'keys and values of its own' : 'keys and values',
      'array.base': 'a list: one line for each, beginning with a hyphen',
      'array.min': 'at least one line',
      'string.base': 'text',
      'string.max': `at most ${String(context?.['limit'])} characters`,
      'boolean.base': 'true or false',
      'number.base': 'a number',
    };
    const takes = expected[type] ?? 'another value';
    const subject = path.length ? `\`${label}\`` : 'a plan';
    return this.#at('wrong-value', path, `${subject} takes ${takes}`, this.#example(path));
  }

  #example(path: PlanPath): string | null {
    if (path.length === 0)
      return 'A plan begins so:\n  kamino: 1\n  menus:\n    - menu: masthead\n      entries:\n        - index.html';
    if (path.at(-1) === 'menus') return 'menus:\n  - menu: masthead\n    entries:\n      - index.html';
    return path.at(-1) === 'entries' ? 'entries:\n  - index.html' : null;
  }

  #written(path: PlanPath): string {
    const mark = this.#text.values.get(pathKey(path));
    return mark ? this.#source.text.slice(mark.start, mark.end).replace(/^(["'])(.*)\1$/s, '$2') : '';
  }

  /** At the value, else at the nearest thing around it. */
  #at(rule: RuleName, path: PlanPath, message: string, remedy: string | null): Finding {
    for (let length = path.length; length >= 0; length -= 1) {
      const mark = this.#text.values.get(pathKey(path.slice(0, length)));
      if (mark) return finding(rule, this.#place(mark), message, remedy);
    }
    return finding(rule, { file: this.#source.file }, message, remedy);
  }

  #atKey(rule: RuleName, path: PlanPath, message: string, remedy: string | null): Finding {
    const mark = this.#text.keys.get(pathKey(path));
    return mark ? finding(rule, this.#place(mark), message, remedy) : this.#at(rule, path, message, remedy);
  }

  #place({ start, end }: Mark): ReturnType<Source['place']> {
    return this.#source.place(start, end);
  }
}

/** One form of a word for another: `entry` for `entries`. */
function sameStem(key: string, known: readonly string[]): string | null {
  const stem = key.toLowerCase().replace(/(?:ies|y|s)$/, '');
  return stem.length < 4 ? null : (known.find(one => one.replace(/(?:ies|y|s)$/, '') === stem) ?? null);
}
