import type { Io } from './io.ts';

/** The ways out of the program as it stands in a terminal; asked for once. They take bytes too. */
export function terminal(): Io & Record<'out' | 'err', (text: string | Uint8Array) => void> {
  // Whoever reads may stop reading (`| head`): that is no error. What takes no more, such as a full disk, is one.
  for (const stream of [process.stdout, process.stderr]) {
    stream.on('error', (error: NodeJS.ErrnoException) => {
      if (error.code === 'EPIPE') return;
      if (stream === process.stdout)
        process.stderr.write(`kamino: what is printed cannot be written (${error.code})\n`);
      process.exit(2);
    });
  }
  return {
    out: text => process.stdout.write(text),
    err: text => process.stderr.write(text),
    outIsTerminal: process.stdout.isTTY,
    errIsTerminal: process.stderr.isTTY,
    errSize: () => ({ columns: process.stderr.columns, rows: process.stderr.rows }),
    environment: process.env,
  };
}
