// Runs in a thread of its own: reads pages, each the next that no other thread has taken.
import { join } from 'node:path';
import { workerData } from 'node:worker_threads';
import { NumberWriter } from '../core/text/numbers.ts';
import { Texts } from '../core/text/texts.ts';
import { type PageInNumbers, readPage } from './read-page.ts';
import { type InTheEnd, type OnePage, type ThreadData, countsOf, isOurs, take } from './read-threads.ts';
import { readRaw } from './read.ts';
import { Watching, textIn } from './watching.ts';

const { root, pages, isLifted, files, watch, shared, number, port } = workerData as ThreadData;
const { see, outranking } = new Watching(textIn(root, files), watch);
const state = new Int32Array(shared);
const { told, done } = countsOf(number);
const writer = new NumberWriter(new Texts());
const { texts } = writer;

/** So many texts are known here; the first thread, which is told them, makes those one that are the same. */
const mostKnown = 1 << 15;

function readAll(): void {
  for (let at = take(state, pages.length); at !== null; at = take(state, pages.length)) {
    const { path, file } = pages[at]!;
    let read: PageInNumbers | null = null;
    texts.forgetBeyond(mostKnown);
    const known = texts.length;
    try {
      const raw = readRaw(join(root, file));
      if (!isLifted || !isOurs(raw)) read = readPage({ path, raw, writer }, see);
    } catch {
      // The first thread reads it again, and tells what is wrong.
    }
    const one: OnePage = { at, read, texts: texts.since(known) };
    port.postMessage(one);
    Atomics.add(state, told, 1);
  }
  const end: InTheEnd = { gathered: outranking.gathered };
  port.postMessage(end);
}

try {
  readAll();
} finally {
  // The first thread waits for this, however it ends.
  Atomics.add(state, done, 1);
  Atomics.notify(state, done);
}
