import Table from 'cli-table3';

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

/** A table without lines: columns side by side, two spaces between them. */
export function plainTable(head: readonly string[], aligns: readonly ('left' | 'right')[]): Table.Table {
  return new Table({
    head: [...head],
    chars: none,
    style: { head: [], border: [], 'padding-left': 0, 'padding-right': 2 },
    colAligns: [...aligns],
  });
}
