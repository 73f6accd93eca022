import { structuredPatch } from 'diff';

/** Lines that went (`-`), came (`+`) and stand around them (a space), with the line where they begin. */
export interface Change {
  line: number;
  lines: string[];
}

/** What is another in the text of a plan. */
export function changesOf(before: string, after: string): Change[] {
  const { hunks } = structuredPatch('', '', before, after, '', '', { context: 1 });
  return hunks.map(({ newStart, lines }) => ({
    line: newStart,
    lines: lines.filter(line => !line.startsWith('\\')),
  }));
}
