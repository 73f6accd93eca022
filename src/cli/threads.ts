import { type Command, InvalidArgumentError } from 'commander';

const most = 64;

/** The option of commands that read or write large sites. */
export function withThreads(command: Command): Command {
  return command.option(
    '--jobs <number>',
    'in how many threads a large site is gone through: 1 for one, 2 at most without this',
    threadCount,
  );
}

function threadCount(text: string): number {
  const count = Number(text);
  if (!/^\d+$/.test(text) || count < 1 || count > most)
    throw new InvalidArgumentError(`It is a number from 1 to ${most}.`);
  return count;
}
