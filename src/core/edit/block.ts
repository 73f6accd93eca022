import { indentOf } from './lines.ts';
import { type EditEntry, EditError } from './list.ts';

/** Where the lines of an entry lie in a text; `line`: where its own begins. */
export interface Block {
  start: number;
  end: number;
  indent: string;
  line: number;
}

/** The lines of an entry, with the comments right above it and the empty lines before these. */
export function blockOf(text: string, { node, parent }: EditEntry): Block {
  const [from, to] = node.range!;
  const line = text.lastIndexOf('\n', from - 1) + 1;
  const match = /^([ ]*)- +$/.exec(text.slice(line, from));
  if (parent.seq.flow || !match)
    throw new EditError(
      'these entries stand in one line',
      'Write each on a line of its own, beginning with a hyphen, to edit them so.',
    );
  const last = text.slice(0, to).trimEnd().length;
  const newline = text.indexOf('\n', Math.max(last - 1, line));
  const end = newline < 0 ? text.length : newline + 1;
  let start = line;
  for (;;) {
    const above = text.lastIndexOf('\n', start - 2) + 1;
    const before = text.slice(above, start);
    if (start === 0 || !/^ *#/.test(before) || indentOf(before) < match[1]!.length) break;
    start = above;
  }
  // An empty line before it sets it off from the one above, wherever it goes.
  while (/(?:^|\n)[^\S\n]*\n$/.test(text.slice(0, start))) start = text.lastIndexOf('\n', start - 2) + 1;
  return { start, end, indent: match[1]!, line };
}
