import { type Pair, type YAMLError, isScalar } from 'yaml';
import { type Finding, finding } from '../text/finding.ts';
import type { RuleName } from '../text/rules.ts';
import type { Source } from '../text/source.ts';

/** Keys whose value may well hold a # in the middle. */
const textKeys = new Set(['label', 'title', 'cut', 'ask', 'subject']);

/** Keys whose value may hold a colour. */
const drawn = new Set(['border', 'shadow', 'background', 'color', 'accent', 'icon-color']);

/** What YAML takes away from a key's value without an error: a comment after it, a comma inside a flow map. */
export function readSwallowed(pair: Pair, key: string, source: Source): Finding | null {
  const keyEnd = rangeOf(pair.key)?.[1];
  if (keyEnd === undefined) return null;
  if (pair.value === null || pair.value === undefined) return bareKey(pair, key, source);
  const [, valueEnd] = rangeOf(pair.value) ?? [keyEnd, keyEnd];
  const isEmpty = isScalar(pair.value) && pair.value.value === '' && pair.value.type === 'PLAIN';
  const from = isEmpty ? keyEnd : valueEnd;
  const match = (isEmpty ? /^\s*:[ \t]+(#[^\s#][^\r\n]*)/ : /^[ \t]+(#[^\s#][^\r\n]*)/).exec(
    source.text.slice(from),
  );
  if (!match) return null;
  const comment = match[1]!.trimEnd();
  const start = from + match[0].indexOf('#');
  const place = source.place(start, start + comment.length);
  if (isEmpty) {
    const value = /^#[^\s#]*/.exec(comment)![0];
    return finding(
      'yaml-comment',
      source.place(start, start + value.length),
      `\`${value}\` begins a comment in YAML, so \`${key}\` is empty`,
      `Write  ${key}: "${value}"`,
    );
  }
  if (!isScalar(pair.value) || pair.value.type !== 'PLAIN') return null;
  const whole = `${String(pair.value.value)} ${comment}`;
  const told = finding(
    'yaml-comment',
    place,
    `\`${comment}\` is a comment in YAML and no part of \`${key}\``,
    `If it belongs to the ${textKeys.has(key) ? 'text' : 'value'}, write  ${key}: "${whole}"`,
  );
  // A colour that is drawn with is no remark.
  const isColor = drawn.has(key) && /^#(?:[\da-f]{3,4}){1,2}(?![\w-])/i.test(comment);
  return isColor ? told : { ...told, severity: 'warning' };
}

/** `{ label: Visit, and more }`: the second part became a key without a value. */
function bareKey(pair: Pair, key: string, source: Source): Finding {
  const [start, end] = rangeOf(pair.key)!;
  const before = /([\w-]+):\s*([^,{}[\]:"']+),\s*$/.exec(source.text.slice(0, start));
  const remedy = before
    ? `If it belongs to \`${before[1]}\`, write  ${before[1]}: "${before[2]!.trim()}, ${key}"`
    : `Give it a value: \`${key}: …\``;
  return finding(
    'yaml-comma',
    source.place(start, end),
    `\`${key}\` stands after a comma and has no value`,
    remedy,
  );
}

/** An error of the YAML reader in our words, with the form that YAML understands. */
export function readSyntaxError(error: YAMLError, source: Source): Finding {
  const [start, end] = error.pos;
  const line = lineAt(source, start);
  const told = (rule: RuleName, message: string, remedy: string): Finding =>
    finding(rule, source.place(start, Math.max(end, start + 1)), message, remedy);
  const word = /^[^\s,}\]]{1,60}/.exec(source.text.slice(start, start + 60))?.[0] ?? '';
  switch (error.code) {
    case 'DUPLICATE_KEY': {
      const key = /^[^:\s]+/.exec(source.text.slice(start))?.[0] ?? 'this key';
      return told('duplicate-key', `\`${key}\` stands here twice`, 'Keep one of the two.');
    }
    case 'TAB_AS_INDENT':
      return told('yaml-tab', 'this line is indented by a tab', 'Indent it by two spaces for each level.');
    case 'BLOCK_AS_IMPLICIT_KEY': {
      const match = /^(?:[\s-]*)([\w-]+):\s+(.*?)\s*$/.exec(line);
      const quoted = match ? `${match[1]}: "${match[2]!.replaceAll('"', '\\"')}"` : '"…"';
      return told('yaml-colon', 'a colon and a space inside a value begin a map in YAML', `Write  ${quoted}`);
    }
    case 'MULTIPLE_DOCS':
      return told(
        'yaml-syntax',
        'a second document begins here',
        'A plan is one document: take the line `---` out.',
      );
    case 'TAG_RESOLVE_FAILED':
      return told('yaml-tag', `\`${word}\` is read as a tag, since it begins with !`, `Write  "${word}"`);
    default:
      break;
  }
  return otherError(error, source, told);
}

/** What the YAML reader says, unless a comment has taken a bracket with it. */
function otherError(
  error: YAMLError,
  source: Source,
  told: (rule: RuleName, message: string, remedy: string) => Finding,
): Finding {
  const [start] = error.pos;
  const comment = commentInBraces(source.text, start);
  if (comment)
    return finding(
      'yaml-comment',
      source.place(comment.start, comment.end),
      `\`${source.text.slice(comment.start, comment.end)}\` begins a comment in YAML, which takes the closing bracket with it`,
      `Put the value in double quotes:  ${comment.key}: "${comment.value}"`,
    );
  const message = error.message.split('\n')[0]!.replace(/ at line \d+, column \d+:?$/, '');
  return told(
    'yaml-syntax',
    lowerFirst(message),
    'Put the value in double quotes, or check the indentation of this line.',
  );
}

/** `{ border: 1px solid #ccc }`: the last brace that is open before an error holds a comment on its own line. */
function commentInBraces(
  text: string,
  error: number,
): { start: number; end: number; key: string; value: string } | null {
  const from = Math.max(
    0,
    text.lastIndexOf('\n', text.lastIndexOf('\n', text.lastIndexOf('\n', error) - 1) - 1),
  );
  // No line that a person writes is as long as that.
  if (error - from > mostRead) return null;
  const before = text.slice(from, error);
  const lines = [
    ...before.matchAll(/^.*[{[][^#"'\n]*\b([\w-]+):[ \t]+([^#"'{}[\],\n]+[ \t](#[^\s,}\]]+)).*$/gm),
  ];
  const match = lines.at(-1);
  if (!match || before.slice(match.index).split('\n').length > 3) return null;
  const start = from + match.index + match[0].indexOf(match[3]!, match[0].indexOf(`${match[1]!}:`));
  return { start, end: start + match[3]!.length, key: match[1]!, value: match[2]!.trim() };
}

const mostRead = 4000;

function rangeOf(node: unknown): [number, number] | null {
  const range = (node as { range?: [number, number, number] | null } | null)?.range;
  return range ? [range[0], range[1]] : null;
}

function lineAt(source: Source, offset: number): string {
  const start =
    Math.max(source.text.lastIndexOf('\n', offset - 1), source.text.lastIndexOf('\r', offset - 1)) + 1;
  return /^[^\r\n]*/.exec(source.text.slice(start, start + mostRead))![0];
}

function lowerFirst(text: string): string {
  return text.charAt(0).toLowerCase() + text.slice(1);
}
