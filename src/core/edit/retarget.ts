import { type Scalar, isScalar, parseDocument, visit } from 'yaml';
import { scalarText } from './lines.ts';
import { EditError, NameError } from './list.ts';

/** Keys whose values are words for people, or names. */
const words: ReadonlySet<string> = new Set([
  'label',
  'title',
  'menu',
  'button',
  'panels',
  'heading',
  'about',
  'name',
]);

/** A page or file that was moved: in the whole plan what led to the old path leads to the new one. @throws EditError where nothing does, and nobody knows of it either */
export function retargeted(
  text: string,
  { from, to, isKnown }: { from: string; to: string; isKnown: boolean },
): string {
  const document = parseDocument(text, { schema: 'failsafe', keepSourceTokens: true });
  const found: { at: number; end: number; text: string }[] = [];
  visit(document, {
    Scalar(_, node, path) {
      const above = path.at(-1);
      const key = above && 'key' in above && isScalar(above.key) ? String(above.key.value) : '';
      if (above && 'key' in above && above.key === node) return;
      const now = words.has(key) ? null : renamed(String(node.value), from, to);
      if (now === null || !node.range) return;
      const [at, end] = node.range;
      const isInFlow = path.some(one => 'flow' in one && one.flow === true);
      found.push({ at, end, text: written(node, now, isInFlow) });
    },
  });
  if (found.length === 0 && !isKnown)
    throw new NameError(`nothing in the plan leads to \`${from}\``, 'Write the path as the plan has it.');
  return found
    .sort((one, other) => other.at - one.at)
    .reduce((made, one) => made.slice(0, one.at) + one.text + made.slice(one.end), text);
}

/** The value with the new path, and the section that it named; null where it names another. */
function renamed(value: string, from: string, to: string): string | null {
  const plain = value.replace(/^\.\//, '');
  if (plain === from) return to;
  return plain.startsWith(`${from}#`) ? to + plain.slice(from.length) : null;
}

function written({ type }: Scalar, value: string, isInFlow: boolean): string {
  if (type === 'QUOTE_DOUBLE') return JSON.stringify(value);
  if (type === 'QUOTE_SINGLE') return `'${value.replace(/'/g, "''")}'`;
  if (type !== 'PLAIN')
    throw new EditError(`\`${value}\` stands in a block of text`, 'Write it in one line first.');
  // A `#` begins a comment behind a space only.
  return /^[\p{L}\p{N}][\p{L}\p{N}._/#~+-]*$/u.test(value) ? value : scalarText(value, isInFlow);
}
