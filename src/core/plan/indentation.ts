import type { YAMLError } from 'yaml';
import { type Finding, finding } from '../text/finding.ts';
import type { Source } from '../text/source.ts';
import { columnOf, columnsAbove, nearestColumn } from './columns.ts';

/**
 * A slip in the indentation of a line: of all that the reader of YAML says then, only this helps. Null where there is none.
 */
export function indentationSlip(errors: readonly YAMLError[], source: Source): Finding | null {
  const lines = source.text.split('\n');
  for (const { code, message, pos } of errors) {
    const at = source.text.slice(0, pos[0]).split('\n').length - 1;
    const isItem = /without - indicator|at the same column/.test(message);
    const isKey = code === 'BLOCK_AS_IMPLICIT_KEY' || code === 'MULTILINE_IMPLICIT_KEY';
    const slip = isItem
      ? slipOn(lines, at)
      : isKey
        ? (slipOn(lines, nextLine(lines, at)) ?? slipOn(lines, at))
        : null;
    if (!slip) continue;
    const start = lines.slice(0, slip.at).join('\n').length + (slip.at > 0 ? 1 : 0);
    const { key, indent, wanted, beside, above } = slip;
    return finding(
      'yaml-syntax',
      source.place(start + indent, start + indent + key.length),
      `\`${key}\` is indented by ${indent} spaces, and the key above it by ${above}`,
      `Indent it by ${wanted} spaces where it stands beside \`${beside}\`.`,
    );
  }
  return null;
}

function nextLine(lines: readonly string[], at: number): number {
  let next = at + 1;
  while (next < lines.length && /^\s*(?:#|$)/.test(lines[next]!)) next += 1;
  return next;
}

interface Slip {
  at: number;
  key: string;
  indent: number;
  /** The column that it was meant for, and a key that stands in it. */
  wanted: number;
  beside: string;
  /** The column of the key above. */
  above: number;
}

/** A key that stands in no column of the keys above it. */
function slipOn(lines: readonly string[], at: number): Slip | null {
  const own = /^( *)([\w-]+):(?= |$)/.exec(lines[at] ?? '');
  if (!own) return null;
  const [indent, key] = [own[1]!.length, own[2]!];
  const columns = columnsAbove(lines, at).filter(({ isBelow }) => !isBelow);
  const [last] = columns;
  if (!last || last.at === indent) return null;
  const meant = columnOf(key, indent, columns) ?? nearestColumn(columns, indent)!;
  return { at, key, indent, wanted: meant.at, beside: meant.beside, above: last.at };
}
