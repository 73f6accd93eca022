import type { Io } from './io.ts';

export interface Progress {
  show: (done: number, all: number) => void;
  end: () => void;
}

const patience = 500;

/** Progress on the error stream: only on a terminal, and only for work that takes over half a second. */
export async function progressOn(io: Io, unit: string): Promise<Progress> {
  if (!io.errIsTerminal) return { show: () => undefined, end: () => undefined };
  const { default: cliProgress } = await import('cli-progress');
  const bar = new cliProgress.SingleBar({
    format: `{bar} {value} of {total} ${unit}`,
    barCompleteChar: '█',
    barIncompleteChar: '░',
    barsize: 30,
    clearOnComplete: true,
    hideCursor: true,
    stream: process.stderr,
  });
  const begin = performance.now();
  let isShown = false;
  let last = 0;
  return {
    show: (done, all) => {
      const now = performance.now();
      if (now - begin < patience || now - last < 100) return;
      last = now;
      if (!isShown) bar.start(all, done);
      isShown = true;
      bar.update(done);
      // The work is synchronous: the bar's own timer never runs.
      bar.render();
    },
    end: () => {
      if (isShown) bar.stop();
    },
  };
}
