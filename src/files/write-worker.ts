// Runs in a thread of its own: writes the new files that the first thread hands over, piece by piece.
import { type MessagePort, receiveMessageOnPort, workerData } from 'node:worker_threads';
import { Piece, places } from './handed-over.ts';
import { Writer } from './write.ts';

const { root, shared, port } = workerData as { root: string; shared: SharedArrayBuffer; port: MessagePort };
const state = new Int32Array(shared);
const writer = new Writer(root, { isFresh: true });
let isWell = true;

/** Behind a file that cannot be written nothing more is: the first thread goes on there, and tells why. */
function write(piece: Piece): void {
  try {
    for (const { path, bytes } of piece.files()) piece.note(writer.write(path, bytes).time);
  } catch {
    isWell = false;
  }
}

Atomics.store(state, places.hasBegun, 1);
for (let seen = 0; ;) {
  Atomics.wait(state, places.given, seen);
  seen = Atomics.load(state, places.given);
  for (let one = receiveMessageOnPort(port); one; one = receiveMessageOnPort(port)) {
    const piece = new Piece(one.message as ArrayBuffer);
    if (isWell) write(piece);
    port.postMessage(piece.memory, [piece.memory]);
    Atomics.add(state, places.done, 1);
    Atomics.notify(state, places.done);
  }
}
