import type { Node, Pair, Scalar, YAMLMap } from 'yaml';

/** The key and value of a map in the text. */
export function pairOf(node: YAMLMap, key: string): Pair<Scalar, Node> | null {
  return (node.items as Pair<Scalar, Node>[]).find(one => one.key.value === key) ?? null;
}

export function indentOf(line: string): number {
  return line.length - line.trimStart().length;
}

export function reindent(block: string, by: number): string {
  return block.replace(/^ *(?=\S)/gm, spaces => ' '.repeat(Math.max(0, spaces.length + by)));
}

/** Takes out an `entries:` that has nothing below it any more, ending where something was cut. */
export function emptied(text: string, at: number): string {
  const before = text.slice(0, at);
  const match = /\n *entries:[^\S\n]*(?:#[^\n]*)?\n$/.exec(before);
  if (!match) return text;
  const rest = `${before.slice(0, match.index)}\n`;
  const bare = /(^|\n)( *- )page: ([^\n]+)\n$/.exec(rest);
  const plain = bare ? `${rest.slice(0, bare.index)}${bare[1]!}${bare[2]!}${bare[3]!}\n` : rest;
  return plain + text.slice(at);
}

/** A value as YAML, in quotes where it needs them. */
export function scalarText(value: string, inFlow: boolean): string {
  const isPlain = /^[\p{L}\p{N}][^:#\n"'{}[\],&*!|>%@`]*$/u.test(value) && !/\s$/.test(value);
  return isPlain || (!inFlow && /^[\p{L}\p{N}][^:#\n"'&*!|>%@`]*$/u.test(value) && !/\s$/.test(value))
    ? value
    : JSON.stringify(value);
}
