import { existsSync } from 'node:fs';
import { availableParallelism } from 'node:os';
import { fileURLToPath } from 'node:url';
import { MessageChannel, Worker, receiveMessageOnPort } from 'node:worker_threads';
import type { SitePath } from '../core/address/path.ts';
import type { Raw } from '../core/text/bytes.ts';
import type { Gathered } from '../core/check/outranking.ts';
import type { ReadPage } from './read-page.ts';
import type { Watch } from './watching.ts';

/** Pages that two threads read, one from the first on and one from the last. */
export interface HalfWork {
  root: string;
  pages: readonly { path: SitePath; file: string }[];
  /** Pages are read without what Kamino put in. */
  isLifted: boolean;
  /** Paths of all files of the site. */
  files: readonly string[];
  watch: Watch;
  /** How many pages each has taken, in one number (the first thread's, and 65,536 times the other's), and whether the other one is done. */
  shared: SharedArrayBuffer;
}

/** Fewer bytes are read before a second thread has begun. */
export const worthTwo = 6_000_000;
const mostPages = 32_000;
const ofOther = 65_536;

/** What the other thread says in the end, when it has told all its pages. */
export interface InTheEnd {
  gathered: Gathered[];
}

/** What the other thread has read, by number, and what it saw on the way. */
export interface ReadElsewhere {
  read: ReadonlyMap<number, ReadPage>;
  gathered: readonly Gathered[];
}

/** A page that Kamino put something into, and is to be read without it, is read by the thread that knows the record. */
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
 * Reads pages in two threads at once, and gives what the second one has read.
 * @param read reads a page in this thread
 */
export function readInTwo(work: Omit<HalfWork, 'shared'>, read: (at: number) => void): ReadElsewhere {
  const found = new Map<number, ReadPage>();
  let end: InTheEnd | null = null;
  const file = fileURLToPath(new URL('./read-worker.js', import.meta.url));
  const all = work.pages.length;
  if (all > mostPages || availableParallelism() < 2 || !existsSync(file)) return nobody;
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
    const message = one.message as { at: number; read: ReadPage | null } | InTheEnd;
    if ('gathered' in message) end = message;
    else if (message.read) found.set(message.at, message.read);
  }
  port1.close();
  void worker.terminate();
  // One that has not come to its end has seen nobody knows what: its pages are read again.
  return end ? { read: found, gathered: end.gathered } : nobody;
}

const nobody: ReadElsewhere = { read: new Map(), gathered: [] };

/** In milliseconds, for the one page that the other thread may still be reading. */
const longestWait = 60_000;
