import { isThere } from '../files/paths.ts';
import { Sight } from '../files/sight.ts';
import type { BuildOptions, BuildResult } from '../files/result.ts';
import { planFile } from './given.ts';
import { build } from './build.ts';

export interface WatchOptions extends Omit<BuildOptions, 'dryRun'> {
  onBuild: (result: BuildResult) => void;
  /** Asked once it goes on: what ends it. */
  until: () => Promise<unknown>;
}

/** How often is looked, in ms; and so many times as long as a look takes, at least. */
const interval = 400;
const ease = 15;

/**
 * Builds whenever the plan or a file of its site is another, once all that is being written has been written.
 * @returns the exit status: without a plan there is nothing to follow
 */
export async function watch({ onBuild, until, ...options }: WatchOptions): Promise<0 | 2> {
  const plan = planFile(options.plan);
  const sight = new Sight(plan);
  let built = sight.look();
  let last = built;
  onBuild(await build(options));
  if (!isThere(plan)) return 2;
  let isEnded = false;
  const ended = until().then(() => {
    isEnded = true;
  });
  while (!isEnded) {
    const begun = performance.now();
    const now = sight.look();
    const took = performance.now() - begun;
    if (now === last && now !== built) {
      built = now;
      onBuild(await build(options));
    }
    last = now;
    await Promise.race([ended, pause(Math.max(interval, took * ease))]);
  }
  return 0;
}

const pause = (time: number): Promise<void> => new Promise(done => void setTimeout(done, time));
