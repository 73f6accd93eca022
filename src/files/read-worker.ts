// Runs in a thread of its own: reads pages from the last one on, until it meets the thread that reads them from the first.
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { type MessagePort, workerData } from 'node:worker_threads';
import { rawOf } from '../core/text/bytes.ts';
import { type ReadPage, readPage, withoutBytes } from './read-page.ts';
import { type HalfWork, type InTheEnd, isOurs, takeLast } from './two-threads.ts';
import { Watching, textIn } from './watching.ts';

const { root, pages, isLifted, files, watch, shared, port } = workerData as HalfWork & { port: MessagePort };
const { see, outranking } = new Watching(textIn(root, files), watch);
const state = new Int32Array(shared);
for (let at = takeLast(state, pages.length); at !== null; at = takeLast(state, pages.length)) {
  const { path, file } = pages[at]!;
  let read: ReadPage | null = null;
  try {
    const raw = rawOf(readFileSync(join(root, file)));
    if (!isLifted || !isOurs(raw)) read = withoutBytes(readPage(path, raw, see));
  } catch {
    // The other thread reads it again, and tells what is wrong.
  }
  port.postMessage({ at, read });
}
const end: InTheEnd = { gathered: outranking.gathered };
port.postMessage(end);
Atomics.store(state, 1, 1);
Atomics.notify(state, 1);
