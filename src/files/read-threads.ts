import { existsSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { setFlagsFromString } from 'node:v8';
import { MessageChannel, type MessagePort, Worker, receiveMessageOnPort } from 'node:worker_threads';
import type { SitePath } from '../core/address/path.ts';
import type { Gathered } from '../core/check/outranking.ts';
import type { Raw } from '../core/text/bytes.ts';
import type { Own } from '../core/text/own.ts';
import { NumberedTexts } from '../core/text/texts.ts';
import type { PageInNumbers } from './read-page.ts';
import type { Watch } from './watching.ts';

/** Pages that several threads read, each the next that no other has taken. */
export interface ThreadWork {
  root: string;
  pages: readonly { path: SitePath; file: string }[];
  /** Pages are read without what Kamino put in. */
  isLifted: boolean;
  /** Paths of all files of the site. */
  files: readonly string[];
  watch: Watch;
}

/** What another thread gets: its work, what all count in, its number from 0, and where it tells. */
export interface ThreadData extends ThreadWork {
  shared: SharedArrayBuffer;
  number: number;
  port: MessagePort;
}

/** Where is counted how many pages all have taken. */
const taken = 0;

/** Where is counted how many pages another thread has told, and whether it is done. */
export const countsOf = (number: number): { told: number; done: number } => ({
  told: 1 + 2 * number,
  done: 2 + 2 * number,
});

/** Fewer bytes are read before another thread has begun. */
export const worthThreads = 6_000_000;
/** In MB: what is read of a page is gone before a room of this size is full. */
const young = 24;
/** By so much the heap may grow between two collections, in percent: while pages are read, and when all are there. */
const growth = { reading: 20, comparing: 6 } as const;
/** In milliseconds: until a thread that tells nothing more is given up. */
const longestWait = 60_000;

/** A page that the other thread has read, and the texts that it met there first. */
export interface OnePage {
  at: number;
  /** null where it is to be read again. */
  read: PageInNumbers | null;
  texts: string[];
}

/** What it says in the end, when it has told all its pages. */
export interface InTheEnd {
  gathered: Gathered[];
}

/** What one has read, by number, and what it saw on the way. */
export interface ReadElsewhere {
  read: ReadonlyMap<number, PageInNumbers>;
  texts: NumberedTexts;
  gathered: readonly Gathered[];
}

/** A page that Kamino put something into, and is to be read without it, is read where the record is known. */
export function isOurs(raw: Raw): boolean {
  return raw.includes('data-kamino');
}

/** The number of the next page; null where all are taken. */
export function take(state: Int32Array, all: number): number | null {
  const at = Atomics.add(state, taken, 1);
  return at < all ? at : null;
}

/**
 * Reads pages in several threads at once, and gives what the others have read: nothing of one that died, since nobody knows
 * what it saw.
 * @param read reads a page in this thread. @param own makes a text one with those that are known here
 * @param threads this one among them
 */
export function readAtOnce(
  work: ThreadWork,
  { read, own }: { read: (at: number) => void; own: Own },
  threads: number,
): ReadElsewhere[] {
  const file = fileURLToPath(new URL('./read-worker.js', import.meta.url));
  if (threads < 2 || !existsSync(file)) return [];
  heapGrows(growth.reading);
  const shared = new SharedArrayBuffer(Int32Array.BYTES_PER_ELEMENT * (1 + 2 * (threads - 1)));
  const state = new Int32Array(shared);
  const others = Array.from(
    { length: threads - 1 },
    (_, number) => new OtherThread(file, { ...work, shared, number }, own),
  );
  for (let at = take(state, work.pages.length); at !== null; at = take(state, work.pages.length)) {
    read(at);
    for (const other of others) other.hear();
  }
  for (const number of others.keys()) waitFor(state, countsOf(number));
  heapGrows(growth.comparing);
  return others.flatMap(other => other.end() ?? []);
}

/** It may still be reading a page: as long as it tells more, it is alive. */
function waitFor(state: Int32Array, { told, done }: ReturnType<typeof countsOf>): void {
  for (let before = -1; Atomics.load(state, done) === 0;) {
    if (before === Atomics.load(state, told)) break;
    before = Atomics.load(state, told);
    Atomics.wait(state, done, 0, longestWait);
  }
}

/**
 * What is kept of so many pages grows slowly: a heap that doubles each time would take twice the memory. V8 asks for this at
 * each collection. Later it is as usual again, since the process may be another program's.
 */
function heapGrows(percent: number): void {
  setFlagsFromString(`--heap-growing-percent=${percent}`);
  clearTimeout(asUsual);
  asUsual = setTimeout(() => {
    setFlagsFromString('--heap-growing-percent=0');
  }, longestWait).unref();
}

let asUsual: NodeJS.Timeout | undefined;

class OtherThread {
  readonly #worker: Worker;
  readonly #port: MessagePort;
  readonly #own: Own;
  readonly #read = new Map<number, PageInNumbers>();
  readonly #texts = new NumberedTexts();
  #end: InTheEnd | null = null;

  constructor(file: string, work: Omit<ThreadData, 'port'>, own: Own) {
    const { port1, port2: port } = new MessageChannel();
    [this.#port, this.#own] = [port1, own];
    this.#worker = new Worker(file, {
      workerData: { ...work, port } satisfies ThreadData,
      transferList: [port],
      resourceLimits: { maxYoungGenerationSizeMb: young },
    });
    this.#worker.unref();
  }

  /** Takes what it has told so far: what waits to be heard takes room. */
  hear(): void {
    for (let one = receiveMessageOnPort(this.#port); one; one = receiveMessageOnPort(this.#port)) {
      const message = one.message as OnePage | InTheEnd;
      if ('gathered' in message) this.#end = message;
      else {
        this.#texts.add(message.texts.map(this.#own));
        if (message.read) this.#read.set(message.at, message.read);
      }
    }
  }

  end(): ReadElsewhere | null {
    this.hear();
    this.#port.close();
    void this.#worker.terminate();
    return this.#end && { read: this.#read, texts: this.#texts, gathered: this.#end.gathered };
  }
}
