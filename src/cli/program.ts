import { run } from './run.ts';
import { terminal } from './terminal.ts';

export { run };

/** The program as it stands in a terminal. */
export async function program(): Promise<void> {
  process.exitCode = await run(process.argv.slice(2), terminal());
}
