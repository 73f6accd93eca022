import { closeSync, openSync, readSync } from 'node:fs';

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
