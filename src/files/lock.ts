import { closeSync, openSync, readFileSync, readdirSync, rmSync, rmdirSync, writeSync } from 'node:fs';
import { hostname } from 'node:os';
import { join } from 'node:path';
import { ensureReal, lookAt, makeFolder, sweep } from './real.ts';

/** Somebody else is at work on the same plan. */
export class AtWork extends Error {
  readonly path: string;
  readonly who: string;

  constructor(path: string, who: string) {
    super(`at work: ${who}`);
    this.path = path;
    this.who = who;
  }
}

const patience = 10_000;
const pause = 50;
/** No run takes so long from making its lock to writing its name into it. */
const nameless = 2000;

/**
 * Does work that reads the record and writes, while nobody else does so by the same plan. A run that was killed holds
 * nobody up: its lock names it, and is taken over once it is gone.
 * @param most to wait for others, in ms: ten seconds
 * @throws {AtWork} after that
 * @throws {LinkInWay}
 */
export async function alone<Done>(
  planFolder: string,
  work: () => Done | Promise<Done>,
  most = patience,
): Promise<Done> {
  const leave = enter(planFolder, most);
  try {
    return await work();
  } finally {
    leave();
  }
}

/** @param most to wait, in ms @returns what ends it */
function enter(planFolder: string, most: number): () => void {
  const folder = join(planFolder, '.kamino');
  const file = join(folder, 'lock');
  take(planFolder, file, most);
  sweep(folder);
  return () => {
    rmSync(file, { force: true });
    leaveNothing(folder);
  };
}

/** Takes an empty folder away, unless another run has begun in it. */
function leaveNothing(folder: string): void {
  try {
    if (readdirSync(folder).length === 0) rmdirSync(folder);
  } catch (error) {
    if (!isOf(error, ['ENOENT', 'ENOTEMPTY', 'EEXIST'])) throw error;
  }
}

function take(planFolder: string, file: string, most: number): void {
  const until = Date.now() + most;
  for (;;) {
    makeFolder(planFolder, '.kamino');
    ensureReal(file, '');
    try {
      makeLock(file);
      return;
    } catch (error) {
      // Where there is no folder any more, a run that ended has taken it away.
      if (isOf(error, ['ENOENT']) && Date.now() <= until) continue;
      if (!isOf(error, ['EEXIST'])) throw error;
    }
    const who = holderOf(file);
    if (who === null) rmSync(file, { force: true });
    else if (Date.now() > until) throw new AtWork(file, who);
    else Atomics.wait(new Int32Array(new SharedArrayBuffer(4)), 0, 0, pause);
  }
}

const isOf = (error: unknown, codes: readonly string[]): boolean =>
  codes.includes((error as NodeJS.ErrnoException).code ?? '');

/** @throws where there is one already, or the disk is full */
function makeLock(file: string): void {
  const handle = openSync(file, 'wx');
  let isNamed = false;
  try {
    writeSync(handle, JSON.stringify({ process: process.pid, host: hostname(), since: Date.now() }));
    isNamed = true;
  } finally {
    closeSync(handle);
    // One without a holder would hold up the next run.
    if (!isNamed) rmSync(file, { force: true });
  }
}

/** Who holds a lock; null for one that nobody holds any more. */
function holderOf(file: string): string | null {
  let held: { process?: unknown; host?: unknown };
  try {
    held = JSON.parse(readFileSync(file, 'utf8')) as typeof held;
  } catch {
    // It is being written, or is no lock: whatever is as old as that is none.
    const there = lookAt(file);
    return there && Date.now() - there.mtimeMs < nameless ? 'another run' : null;
  }
  const { process: id, host } = held;
  if (typeof id !== 'number' || typeof host !== 'string') return null;
  if (host !== hostname()) return `process ${id} on ${host}`;
  return isAlive(id) ? `process ${id}` : null;
}

function isAlive(id: number): boolean {
  try {
    process.kill(id, 0);
    return true;
  } catch (error) {
    return (error as NodeJS.ErrnoException).code === 'EPERM';
  }
}
