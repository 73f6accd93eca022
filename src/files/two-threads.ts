import { existsSync } from 'node:fs';
import { availableParallelism } from 'node:os';
import { fileURLToPath } from 'node:url';
import { MessageChannel, Worker, receiveMessageOnPort } from 'node:worker_threads';
import type { SitePath } from '../core/address/path.ts';
import type { Raw } from '../core/text/bytes.ts';
import type { ReadPage } from './read-page.ts';

/** Pages that two threads read, one from the first on and one from the last. */
export interface HalfWork {
  root: string;
  pages: readonly { path: SitePath; file: string }[];
  /** How many pages each has taken, in one number (the first thread's, and 65,536 times the other's), and whether the other one is done. */
  shared: SharedArrayBuffer;
}

/** Fewer bytes are read before a second thread has begun. */
export const worthTwo = 6_000_000;
const mostPages = 32_000;
const ofOther = 65_536;

/** A page that Kamino put something into is read by the thread that knows the record. */
export function isOurs(raw: Raw): boolean {
  return raw.includes('data-kamino');
}

/** The next page from the first one on; null where all are taken. */
function takeFirst(state: Int32Array, all: number): number | null {
  const before = Atomics.add(state, 0, 1);
  const [first, last] = [before % ofOther, Math.floor(before / ofOther)];
  return first + last < all ? first : null;
}

/** The next page from the last one on; null where all are taken. */
export function takeLast(state: Int32Array, all: number): number | null {
  const before = Atomics.add(state, 0, ofOther);
  const [first, last] = [before % ofOther, Math.floor(before / ofOther)];
  return first + last < all ? all - 1 - last : null;
}

/**
 * Reads pages in two threads at once, and gives those that the second one has read, by number.
 * @param read reads a page in this thread
 */
export function readInTwo(
  work: Omit<HalfWork, 'shared'>,
  read: (at: number) => void,
): ReadonlyMap<number, ReadPage> {
  const found = new Map<number, ReadPage>();
  const file = fileURLToPath(new URL('./read-worker.js', import.meta.url));
  const all = work.pages.length;
  if (all > mostPages || availableParallelism() < 2 || !existsSync(file)) return found;
  const shared = new SharedArrayBuffer(8);
  const state = new Int32Array(shared);
  const { port1, port2 } = new MessageChannel();
  const worker = new Worker(file, {
    workerData: { ...work, shared, port: port2 },
    transferList: [port2],
    resourceLimits: { maxYoungGenerationSizeMb: 96 },
  });
  worker.unref();
  for (let at = takeFirst(state, all); at !== null; at = takeFirst(state, all)) read(at);
  // What the other one has begun it ends; where it died, its pages are read by whoever asks for them.
  const hasBegun = Atomics.load(state, 0) >= ofOther;
  if (hasBegun) Atomics.wait(state, 1, 0, longestWait);
  for (let one = receiveMessageOnPort(port1); one; one = receiveMessageOnPort(port1)) {
    const { at, read: page } = one.message as { at: number; read: ReadPage | null };
    if (page) found.set(at, page);
  }
  port1.close();
  void worker.terminate();
  return found;
}

/** In milliseconds, for the one page that the other thread may still be reading. */
const longestWait = 60_000;
