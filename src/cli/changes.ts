import type { Voice } from './io.ts';

/** Lines that went (`-`), came (`+`) and stand around them, with the line where they begin. */
interface Change {
  line: number;
  lines: readonly string[];
}

/** What is another in a file. */
export function shown(file: string, changes: readonly Change[], voice: Voice): string[] {
  return changes.flatMap(({ line, lines }) => [
    voice.out.quiet(`${file}:${line}`),
    ...lines.map(one => painted(one, voice)),
  ]);
}

function painted(line: string, { out }: Voice): string {
  if (line.startsWith('+')) return out.strong(line);
  return line.startsWith('-') ? out.error(line) : out.quiet(line);
}
