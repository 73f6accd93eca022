// Runs in a thread of its own: reads pages from the last one on, until it meets the thread that reads them from the first.
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { type MessagePort, workerData } from 'node:worker_threads';
import { rawOf } from '../core/text/bytes.ts';
import { type ReadPage, readPage, withoutBytes } from './read-page.ts';
import { type HalfWork, isOurs, takeLast } from './two-threads.ts';

const { root, pages, shared, port } = workerData as HalfWork & { port: MessagePort };
const state = new Int32Array(shared);
for (let at = takeLast(state, pages.length); at !== null; at = takeLast(state, pages.length)) {
  const { path, file } = pages[at]!;
  let read: ReadPage | null = null;
  try {
    const raw = rawOf(readFileSync(join(root, file)));
    if (!isOurs(raw)) read = withoutBytes(readPage(path, raw));
  } catch {
    // The other thread reads it again, and tells what is wrong.
  }
  port.postMessage({ at, read });
}
Atomics.store(state, 1, 1);
Atomics.notify(state, 1);
