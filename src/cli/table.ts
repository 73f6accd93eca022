import Table from 'cli-table3';
import { visibleName } from '../core/text/visible.ts';
import { escape } from './io.ts';

const none = {
  top: '',
  'top-mid': '',
  'top-left': '',
  'top-right': '',
  bottom: '',
  'bottom-mid': '',
  'bottom-left': '',
  'bottom-right': '',
  left: '',
  'left-mid': '',
  mid: '',
  'mid-mid': '',
  right: '',
  'right-mid': '',
  middle: '',
};

/** Rows of a table without lines: columns side by side, two spaces between them. */
export interface PlainTable {
  /** @param row cells, painted or not */
  push: (row: readonly string[]) => void;
  toString: () => string;
}

export function plainTable(head: readonly string[], aligns: readonly ('left' | 'right')[]): PlainTable {
  const table = new Table({
    head: head.map(cell => cell.replaceAll(escape, '\x1b')),
    chars: none,
    style: { head: [], border: [], 'padding-left': 0, 'padding-right': 2 },
    colAligns: [...aligns],
  });
  return {
    // What paints a cell takes no room in it.
    push: row => table.push(row.map(cell => visibleName(cell).replaceAll(escape, '\x1b'))),
    toString: () => table.toString().replaceAll('\x1b', escape),
  };
}
