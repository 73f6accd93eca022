import { handOn } from '../jobs/glance.ts';
import type { Again } from './again.ts';
import type { Io } from './io.ts';
import { run } from './run.ts';
import { terminal } from './terminal.ts';

export { run };

/** The program as it stands in a terminal. @param begun what was found out before it was loaded */
export async function program(begun: Again | null = null): Promise<void> {
  process.exitCode = await goOn(begun, process.argv.slice(2), terminal());
}

/** Runs a command line from where it has begun; gives its exit status. */
export function goOn(begun: Again | null, words: readonly string[], io: Io): Promise<number> {
  if (begun) handOn(begun.file, begun.glanced);
  return run(words, io);
}
