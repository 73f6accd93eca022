import { type ChildProcess, execFileSync, spawn } from 'node:child_process';
import { constants, closeSync, mkdtempSync, openSync, readSync, rmSync, writeSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll } from '@jest/globals';
import type { Ran } from './site.ts';

export interface Command {
  cwd: string;
  args: string[];
  env: Record<string, string | undefined>;
}

const patience = 240_000;
const sleeping = new Int32Array(new SharedArrayBuffer(4));

let kept: { child: ChildProcess; folder: string; reply: string; input: number } | null = null;
afterAll(() => {
  kept?.child.kill();
  if (kept) rmSync(kept.folder, { recursive: true, force: true });
  kept = null;
});

/** Runs a command in the process that is kept, and waits for it without letting anything else happen. */
export function runWarm(command: Command): Ran {
  const { child, reply, input } = started();
  writeAll(input, `${JSON.stringify(command)}\n`);
  const pipe = openSync(reply, constants.O_RDONLY | constants.O_NONBLOCK);
  try {
    return JSON.parse(readAll(pipe, child)) as Ran;
  } finally {
    closeSync(pipe);
  }
}

function started(): NonNullable<typeof kept> {
  if (kept) return kept;
  const folder = mkdtempSync(join(tmpdir(), 'kamino-warm-'));
  const reply = join(folder, 'reply');
  execFileSync('mkfifo', [reply]);
  const child = spawn(process.execPath, [join(import.meta.dirname, 'warm.mjs'), reply], {
    stdio: ['pipe', 'inherit', 'inherit'],
  });
  const input = (child.stdin as unknown as { _handle: { fd: number } })._handle.fd;
  kept = { child, folder, reply, input };
  return kept;
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
