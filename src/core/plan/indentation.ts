import type { YAMLError } from 'yaml';
import { type Finding, finding } from '../text/finding.ts';
import type { Source } from '../text/source.ts';

/** A line that holds a key, perhaps as the first of an item of a list. */
const keyLine = /^( *(?:- +)*)([\w-]+):(?= |$)/;

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
    const { key, wanted, above } = slip;
    return finding(
      'yaml-syntax',
      source.place(start + slip.indent, start + slip.indent + key.length),
      `\`${key}\` is indented by ${slip.indent} spaces, and the key above it by ${wanted}`,
      `Indent it by ${wanted} spaces where it stands beside \`${above}\`.`,
    );
  }
  return null;
}

function nextLine(lines: readonly string[], at: number): number {
  let next = at + 1;
  while (next < lines.length && /^\s*(?:#|$)/.test(lines[next]!)) next += 1;
  return next;
}

/** A key that stands beside the column of the key above it, by less than a level of its own. */
function slipOn(
  lines: readonly string[],
  at: number,
): { at: number; key: string; indent: number; wanted: number; above: string } | null {
  const own = /^( *)([\w-]+):(?= |$)/.exec(lines[at] ?? '');
  let before = at - 1;
  while (before >= 0 && /^\s*(?:#|$)/.test(lines[before]!)) before -= 1;
  const line = keyLine.exec(lines[before] ?? '');
  if (!own || !line) return null;
  const [indent, wanted] = [own[1]!.length, line[1]!.length];
  return indent === wanted ? null : { at, key: own[2]!, indent, wanted, above: line[2]! };
}
