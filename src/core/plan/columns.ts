import { partBelow, parts, type Part } from './parts/index.ts';

/** A column in which keys stand above a line: those of a part of the plan, or of none. */
export interface Column {
  at: number;
  /** The last key that stands in it. */
  beside: string;
  part: Part | null;
  /** No key stands there yet: it would be below `beside`. */
  isBelow: boolean;
}

/** A line that holds a key, perhaps as the first of an item of a list. */
const keyLine = /^( *(?:- +)*)([\w-]+):(?= |$)(.*)$/;

/** The columns that a key on this line may have been meant for, the deepest first. */
export function columnsAbove(lines: readonly string[], line: number): Column[] {
  const open: Column[] = [];
  let isEmpty = false;
  for (const text of lines.slice(0, line)) {
    const found = keyLine.exec(text);
    if (!found) {
      if (!/^\s*(?:#|$)/.test(text)) isEmpty = false;
      continue;
    }
    const [, indent, key, value] = found as unknown as [string, string, string, string];
    const at = indent.length;
    while (open.length > 0 && open.at(-1)!.at > at) open.pop();
    if (open.at(-1)?.at === at) open.pop();
    const around = open.at(-1);
    const part = around ? (around.part === null ? null : partBelow(around.part, around.beside)) : 'plan';
    open.push({ at, beside: key, part, isBelow: false });
    isEmpty = /^\s*(?:#.*)?$/.test(value);
  }
  const last = open.at(-1);
  const below = isEmpty && last?.part ? partBelow(last.part, last.beside) : null;
  if (below !== null) open.push({ at: last!.at + 2, beside: last!.beside, part: below, isBelow: true });
  return open.reverse();
}

/** The nearest of those columns in which this key has a meaning. */
export function columnOf(key: string, indent: number, columns: readonly Column[]): Column | null {
  const known = columns.filter(({ part }) => part !== null && parts[part].keys[key] !== undefined);
  return nearestColumn(known, indent);
}

/** The column that is nearest to an indentation; of two, the deeper one. */
export function nearestColumn(columns: readonly Column[], indent: number): Column | null {
  const distance = ({ at }: Column): number => Math.abs(at - indent);
  return columns.reduce<Column | null>(
    (best, one) => (best === null || distance(one) < distance(best) ? one : best),
    null,
  );
}
