import { type Node, type Pair, type Scalar, type YAMLMap, isMap, isScalar, isSeq, parseDocument } from 'yaml';
import { pairOf, scalarText } from './lines.ts';
import { EditError } from './list.ts';

/** The way to a value of a plan: keys, and places in lists. */
export type ValuePath = readonly (string | number)[];

/** What a plan says at a path, as text; null where it says nothing there. */
export function valueAt(text: string, path: ValuePath): string | null {
  return valuesAt(text, [path])[0]!;
}

/** The same at several. */
export function valuesAt(text: string, paths: readonly ValuePath[]): (string | null)[] {
  const document = parseDocument(text, { schema: 'failsafe' });
  return paths.map(path => {
    const found: unknown = document.getIn(path);
    return typeof found === 'string' ? found : null;
  });
}

/**
 * A plan with another value at a path: all else stays as it is, byte for byte. Maps that are not there yet are written in
 * one line. Null takes the value out.
 * @throws EditError where the path leads through what is no map
 */
export function withValueAt(text: string, path: ValuePath, value: string | null): string {
  const document = parseDocument(text, { schema: 'failsafe', keepSourceTokens: true });
  let at = document.contents as Node | null;
  for (const [depth, key] of path.entries()) {
    const isLast = depth === path.length - 1;
    if (isSeq(at) && typeof key === 'number') {
      at = at.items[key] as Node;
      continue;
    }
    if (!isMap(at))
      throw new EditError(
        `\`${String(path[depth - 1] ?? 'the plan')}\` has no keys of its own here`,
        'Write its keys into the plan by hand first.',
      );
    const pair = pairOf(at, String(key));
    if (!pair) return value === null ? text : inserted(text, at, { keys: path.slice(depth), value });
    if (isLast) return value === null ? without(text, at, pair) : replaced(text, pair, value);
    at = pair.value;
  }
  return text;
}

/** Whether a map stands in braces. */
const isFlow = (map: YAMLMap): boolean => map.flow === true;

function replaced(text: string, { value: node }: Pair<Scalar, Node>, value: string): string {
  if (!isScalar(node))
    throw new EditError('there are keys where one value was to stand', 'Change them in the plan by hand.');
  const [start, end] = node.range!;
  const before = text.slice(Math.max(0, text.lastIndexOf('\n', start) + 1), start);
  return text.slice(0, start) + scalarText(value, /[{[]/.test(before)) + text.slice(end);
}

/** Keys that are not there yet, the last with the value. */
function inserted(text: string, map: YAMLMap, { keys, value }: { keys: ValuePath; value: string }): string {
  const [first, ...below] = keys.map(String) as [string, ...string[]];
  const inner = below.reduceRight((made, key) => `{ ${key}: ${made} }`, scalarText(value, true));
  const line = `${first}: ${below.length === 0 ? scalarText(value, isFlow(map)) : inner}`;
  if (isFlow(map)) {
    const close = text.lastIndexOf('}', map.range![1] - 1);
    const inside = text.slice(map.range![0] + 1, close).trimEnd();
    const head = text.slice(0, map.range![0] + 1) + inside;
    return `${head}${inside.trim() === '' ? ' ' : ', '}${line} ${text.slice(close)}`;
  }
  const last = map.items.at(-1) as Pair<Scalar, Node>;
  const start = (map.items[0] as Pair<Scalar, Node>).key.range![0];
  const indent = start - (text.lastIndexOf('\n', start - 1) + 1);
  const end = Math.max(last.key.range![1], last.value?.range?.[1] ?? 0);
  const next = text.indexOf('\n', text.slice(0, end).trimEnd().length);
  const at = next < 0 ? text.length : next + 1;
  const gap = next < 0 ? '\n' : '';
  return `${text.slice(0, at)}${gap}${' '.repeat(indent)}${line}\n${text.slice(at)}`;
}

/** Without a key: its line, or its part of the braces. A key that stands alone stays with nothing in it to say. */
function without(text: string, map: YAMLMap, pair: Pair<Scalar, Node>): string {
  const start = pair.key.range![0];
  const end = pair.value?.range?.[1] ?? pair.key.range![1];
  if (map.items.length === 1) return replaced(text, pair, scalarOf(pair));
  if (!isFlow(map)) {
    const line = text.lastIndexOf('\n', start - 1) + 1;
    const newline = text.indexOf('\n', end - 1);
    return text.slice(0, line) + text.slice(newline < 0 ? text.length : newline + 1);
  }
  const after = /^\s*,\s*/.exec(text.slice(end));
  if (after) return text.slice(0, start) + text.slice(end + after[0].length);
  return text.slice(0, start).replace(/,\s*$/, '') + text.slice(end);
}

const scalarOf = ({ value }: Pair<Scalar, Node>): string => (isScalar(value) ? String(value.value) : '');
