import type { ChildProcess } from 'node:child_process';
import { constants, closeSync, openSync, readSync, writeSync } from 'node:fs';
import type { Ran } from './site.ts';

export interface Command {
  cwd: string;
  args: string[];
  env: Record<string, string | undefined>;
}

const patience = 240_000;
const sleeping = new Int32Array(new SharedArrayBuffer(4));

/** Runs a command in the process that is kept, and waits for it without letting anything else happen. */
export function runWarm(command: Command): Ran {
  const { child, reply, input } = lasting.keptProgram();
  writeAll(input, `${JSON.stringify(command)}\n`);
  const pipe = openSync(reply, constants.O_RDONLY | constants.O_NONBLOCK);
  try {
    return JSON.parse(readAll(pipe, child)) as Ran;
  } finally {
    closeSync(pipe);
  }
}

function writeAll(file: number, text: string): void {
  const bytes = Buffer.from(text);
  for (let at = 0; at < bytes.length;) {
    try {
      at += writeSync(file, bytes, at);
    } catch (error) {
      if ((error as NodeJS.ErrnoException).code !== 'EAGAIN') throw error;
      wait();
    }
  }
}

/** All that comes through the pipe, from its first byte to its end. */
function readAll(pipe: number, child: ChildProcess): string {
  const parts: Buffer[] = [];
  const memory = Buffer.alloc(1 << 16);
  for (const until = Date.now() + patience; Date.now() < until;) {
    let got: number;
    try {
      got = readSync(pipe, memory, 0, memory.length, null);
    } catch (error) {
      if ((error as NodeJS.ErrnoException).code !== 'EAGAIN') throw error;
      wait();
      continue;
    }
    if (got > 0) parts.push(Buffer.from(memory.subarray(0, got)));
    else if (parts.length > 0) return Buffer.concat(parts).toString('utf8');
    // Nothing has been written yet.
    else if (isGone(child)) throw new Error('the program that is kept for commands has ended');
    else wait();
  }
  throw new Error('the program that is kept for commands does not answer');
}

function isGone({ pid }: ChildProcess): boolean {
  try {
    process.kill(pid!, 0);
    return false;
  } catch {
    return true;
  }
}

function wait(): void {
  Atomics.wait(sleeping, 0, 0, 1);
}
