#!/usr/bin/env node
import { run } from './run.ts';

// Whoever reads may stop reading (`| head`): that is no error.
for (const stream of [process.stdout, process.stderr]) {
  stream.on('error', error => {
    if ((error as NodeJS.ErrnoException).code !== 'EPIPE') throw error;
  });
}

process.exitCode = await run(process.argv.slice(2), {
  out: text => process.stdout.write(text),
  err: text => process.stderr.write(text),
  outIsTerminal: process.stdout.isTTY,
  errIsTerminal: process.stderr.isTTY,
  environment: process.env,
});
