import { closeSync, fstatSync, openSync, readSync } from 'node:fs';
import { type Raw, rawOf } from '../core/text/bytes.ts';

/**
 * Reads files one after another into one piece of memory: what `read` gives is good until the next call. A large one has
 * memory of its own, since it may be the only one.
 */
export class Reader {
  readonly #memory = Buffer.allocUnsafe(1 << 20);

  read(file: string): Uint8Array {
    const handle = openSync(file, 'r');
    try {
      let memory = this.#memory;
      let filled = 0;
      for (;;) {
        filled += readSync(handle, memory, filled, memory.length - filled, null);
        // Less than asked for is the end of a file; a full memory asks again.
        if (filled < memory.length) return memory.subarray(0, filled);
        // One byte more than it has, so that its end is met.
        const size = Math.max(fstatSync(handle).size + 1, memory.length * 2);
        const larger = Buffer.allocUnsafe(size);
        larger.set(memory);
        memory = larger;
      }
    } finally {
      closeSync(handle);
    }
  }
}

const reader = new Reader();

/** The bytes of a file as text, at most so many. @throws as the file system does */
export function readRaw(file: string, most = Infinity): Raw {
  const bytes = reader.read(file);
  return rawOf(bytes.length > most ? bytes.subarray(0, most) : bytes);
}
