import type Joi from 'joi';
import { type Finding, finding } from '../text/finding.ts';
import { listed, nearest } from '../text/nearest.ts';
import type { RuleName } from '../text/rules.ts';
import type { Source } from '../text/source.ts';
import { forms } from '../format/values.ts';
import { type Part, parts } from './parts/index.ts';
import { tradeWords } from './trade.ts';
import type { Mark } from './types.ts';
import { type PlanText, pathKey } from './yaml.ts';

type Path = readonly (string | number)[];

/** What the schema found wrong, each at its place in the plan's text. */
export function planProblems(
  details: readonly Joi.ValidationErrorItem[],
  text: PlanText,
  source: Source,
): Finding[] {
  const teller = new Teller(text, source);
  const found = details.map(detail => ({ detail, told: teller.tell(detail) }));
  return found.filter(({ detail }) => !isEcho(detail, details)).map(({ told }) => told);
}

/** Something missing where a misspelt or later key stands: that key has been told already. */
function isEcho(detail: Joi.ValidationErrorItem, details: readonly Joi.ValidationErrorItem[]): boolean {
  if (detail.type !== 'object.missing' && detail.type !== 'any.required') return false;
  const parent = detail.type === 'any.required' ? detail.path.slice(0, -1) : detail.path;
  return details.some(
    other => other.type === 'object.unknown' && pathKey(other.path.slice(0, -1)) === pathKey(parent),
  );
}

class Teller {
  readonly #text: PlanText;
  readonly #source: Source;

  constructor(text: PlanText, source: Source) {
    this.#text = text;
    this.#source = source;
  }

  tell(detail: Joi.ValidationErrorItem): Finding {
    const { path, context } = detail;
    const value = this.#written(path);
    switch (detail.type) {
      case 'object.unknown':
        return this.#unknownKey(path);
      case 'any.required':
        return this.#missingKey(path);
      case 'object.missing':
        return this.#at(
          'missing-key',
          path,
          `${nameOf(path)} leads nowhere`,
          this.#missingRemedy(context?.['peers']),
        );
      case 'object.xor':
      case 'object.oxor':
        return this.#at(
          'clashing-keys',
          path,
          `${nameOf(path)} has ${listed(context?.['present'] as string[], 'and')}, and only one of them can hold`,
          'Keep one of them.',
        );
      case 'any.only':
        return this.#wrongWord(path, value, (context?.['valids'] as unknown[]).map(String));
      case 'any.invalid':
        return this.#at(
          'wrong-value',
          path,
          `\`${value}\` is a name that Kamino keeps for itself`,
          'Choose another name.',
        );
      case 'entry.label':
        return this.#at(
          'missing-key',
          path,
          'this entry has neither a label nor a target',
          'Give it a label.',
        );
      case 'object.with':
        return this.#at(
          'clashing-keys',
          path,
          `\`${String(context?.['main'])}\` goes with \`${String(context?.['peer'])}\` only`,
          'Take it out, or add what it goes with.',
        );
      case 'object.without':
        return this.#at(
          'clashing-keys',
          path,
          `\`${String(context?.['main'])}\` and \`${String(context?.['peer'])}\` do not go together`,
          'Keep one of them.',
        );
      case 'menu.set':
        return this.#at(
          'missing-key',
          path,
          'a menu of this form needs `set`',
          'For example  set: journal/*.html',
        );
      case 'menu.entries':
        return this.#at(
          'missing-key',
          path,
          'this menu has no `entries`',
          'Give it entries, or take those of another menu:  entries-of: masthead\nentries:\n  - index.html',
        );
      case 'any.unknown':
        return this.#atKey(
          'wrong-value',
          path,
          'a submenu has at most three levels',
          'Move these entries up.',
        );
      case 'string.pattern.name':
        return this.#wrongForm(path, value, String(context?.['name']));
      case 'label.control':
        return this.#at(
          'bad-label',
          path,
          'this label holds a control character',
          'Take it out, or type the label again.',
        );
      case 'selector.kind':
        return this.#at(
          'bad-selector',
          path,
          `\`${value}\` is no selector that Kamino follows here`,
          'Use a selector of CSS without states:  header.top,  #nav > ul,  [role=banner]',
        );
      case 'address.scheme':
        return this.#at(
          'bad-address',
          path,
          `\`url\` takes an address of http or https, and \`${shown(value)}\` is none`,
          'For example  url: "https://example.org/"',
        );
      case 'string.empty':
        return this.#at(
          'wrong-value',
          path,
          `\`${labelOf(path)}\` is empty`,
          'Give it a value, or take the line out.',
        );
      default:
        return this.#wrongKind(detail);
    }
  }

  #unknownKey(path: Path): Finding {
    const key = String(path.at(-1));
    if (isByLanguage(path.slice(0, -1)))
      return this.#atKey(
        'unknown-key',
        path,
        `\`${key}\` is no tag of a language`,
        'Tags are those of the `lang` of a page:  en, cy, pt-BR',
      );
    const { called, keys, later } = parts[partOf(path.slice(0, -1))];
    if (later.includes(key)) {
      return this.#atKey(
        'later-key',
        path,
        `\`${key}\` is a key of ${called} that this version of Kamino does not build yet`,
        'Take it out for now.',
      );
    }
    const known = Object.keys(keys);
    const near = nearest(key, [...known, ...later]);
    const ours = tradeWords[key.toLowerCase()];
    const remedy = ours
      ? `Kamino’s word for it is ${ours}.`
      : near
        ? `Did you mean \`${near}\`?`
        : `Keys of ${called}: ${known.join(', ')}.`;
    return this.#atKey('unknown-key', path, `\`${key}\` is no key of ${called}`, remedy);
  }

  #missingKey(path: Path): Finding {
    const key = String(path.at(-1));
    const parent = path.slice(0, -1);
    return this.#at(
      'missing-key',
      parent,
      `${nameOf(parent)} has no \`${key}\``,
      parts[partOf(parent)].keys[key]?.missing ?? `Add  ${key}: …`,
    );
  }

  #missingRemedy(peers: unknown): string {
    return `Give it ${listed((peers as string[]).map(peer => `\`${peer}\``))}.`;
  }

  #wrongWord(path: Path, value: string, valid: string[]): Finding {
    const key = String(path.at(-1));
    const near = nearest(value, valid);
    const takes = `\`${key}\` takes ${listed(valid)}, and \`${shown(value)}\` is ${valid.length > 1 ? 'none of them' : 'not that'}`;
    return this.#at('wrong-value', path, takes, near ? `Did you mean \`${near}\`?` : null);
  }

  #wrongForm(path: Path, value: string, form: string): Finding {
    const key = String(path.at(-1));
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

  #example(path: Path): string | null {
    if (path.length === 0)
      return 'A plan begins so:\n  kamino: 1\n  menus:\n    - menu: masthead\n      entries:\n        - index.html';
    if (path.at(-1) === 'menus') return 'menus:\n  - menu: masthead\n    entries:\n      - index.html';
    return path.at(-1) === 'entries' ? 'entries:\n  - index.html' : null;
  }

  #written(path: Path): string {
    const mark = this.#text.values.get(pathKey(path));
    return mark ? this.#source.text.slice(mark.start, mark.end).replace(/^(["'])(.*)\1$/s, '$2') : '';
  }

  /** At the value, else at the nearest thing around it. */
  #at(rule: RuleName, path: Path, message: string, remedy: string | null): Finding {
    for (let length = path.length; length >= 0; length -= 1) {
      const mark = this.#text.values.get(pathKey(path.slice(0, length)));
      if (mark) return finding(rule, this.#place(mark), message, remedy);
    }
    return finding(rule, { file: this.#source.file }, message, remedy);
  }

  #atKey(rule: RuleName, path: Path, message: string, remedy: string | null): Finding {
    const mark = this.#text.keys.get(pathKey(path));
    return mark ? finding(rule, this.#place(mark), message, remedy) : this.#at(rule, path, message, remedy);
  }

  #place({ start, end }: Mark): ReturnType<Source['place']> {
    return this.#source.place(start, end);
  }
}

/** Which part of the plan the value at this path is. */
function partOf(path: Path): Part {
  const last = path.at(-1);
  const before = path.at(-2);
  if (path.length === 0) return 'plan';
  if (before === 'languages') return 'language';
  if (before === 'states') return 'state';
  if (before === 'parts' || before === 'looks' || last === 'highlight') return 'look';
  if (typeof last === 'number') return before === 'menus' ? 'menu' : 'entry';
  return last !== undefined && Object.hasOwn(parts, last) ? (last as Part) : 'plan';
}

/** A map in which each language has its own value: what is no part of a plan. */
function isByLanguage(path: Path): boolean {
  const last = path.at(-1);
  return (
    last === 'languages' ||
    (typeof last === 'string' && partOf(path) === 'plan' && !Object.hasOwn(parts, last))
  );
}

function nameOf(path: Path): string {
  return parts[partOf(path)].called.replace(/^a(n?) /, 'this ');
}

function labelOf(path: Path): string {
  const key = path.findLast(step => typeof step === 'string');
  return key === undefined ? 'the plan' : String(key);
}

/** A value in a message: on one line, not too long, and with what cannot be seen made visible. */
function shown(value: string): string {
  const visible = value.replace(
    /[\p{Cc}\p{Cf}]/gu,
    letter => `\\u${letter.codePointAt(0)!.toString(16).padStart(4, '0')}`,
  );
  return visible.length > 60 ? `${visible.slice(0, 57)}…` : visible;
}
