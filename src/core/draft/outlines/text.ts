import type { OutlineEntry, OutlineMenu } from './types.ts';

/** The structure for people to read: each entry with where it leads, indented. */
export function outlineText(menus: readonly OutlineMenu[]): string {
  return menus
    .map(({ name, title, entries }) => {
      const rows = rowsOf(entries, 1);
      const width = Math.min(48, Math.max(...rows.map(([label]) => label.length)) + 2);
      const lines = rows.map(([label, target]) => `${label.padEnd(width)}  ${target}`.trimEnd());
      return [`${title ?? name ?? 'Menu'}${name === null ? '' : ` (${name})`}`, ...lines, ''].join('\n');
    })
    .join('\n');
}

function rowsOf(entries: readonly OutlineEntry[], depth: number): [string, string][] {
  return entries.flatMap(one => [
    [
      `${'  '.repeat(depth)}${one.label ?? one.target ?? ''}${one.highlight ? ' *' : ''}`,
      one.target ?? '',
    ] as [string, string],
    ...rowsOf(one.entries, depth + 1),
  ]);
}
