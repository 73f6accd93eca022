import { closeSync, openSync, readSync } from 'node:fs';
import { type Raw, rawOf } from '../core/text/bytes.ts';

/** Reads files one after another into one piece of memory: what `read` gives is good until the next call. */
export class Reader {
  #memory = Buffer.allocUnsafe(1 << 20);

  read(file: string): Uint8Array {
    const handle = openSync(file, 'r');
    try {
      let size = 0;
      for (;;) {
        const got = readSync(handle, this.#memory, size, this.#memory.length - size, null);
        size += got;
        // Less than asked for is the end of a file; a full memory asks again.
        if (size < this.#memory.length) return this.#memory.subarray(0, size);
        this.#grow();
      }
    } finally {
      closeSync(handle);
    }
  }

  #grow(): void {
    const larger = Buffer.allocUnsafe(this.#memory.length * 4);
    larger.set(this.#memory);
    this.#memory = larger;
  }
}

const reader = new Reader();

/** The bytes of a file as text, at most so many. @throws as the file system does */
export function readRaw(file: string, most = Infinity): Raw {
  const bytes = reader.read(file);
  return rawOf(bytes.length > most ? bytes.subarray(0, most) : bytes);
}
