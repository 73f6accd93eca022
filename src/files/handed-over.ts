/** So many files, and so many bytes of them, go from one thread to another at once. */
const mostFiles = 1024;
const room = 1 << 20;
const roomAt = 8 + mostFiles * 8;

/** What both threads see: whether the other one has begun, how many pieces it was given, how many it has done with. */
export const places = { hasBegun: 0, given: 1, done: 2 } as const;

/** A file that is to be written. */
export interface Handed {
  path: string;
  bytes: Uint8Array;
}

/** A piece of memory with files one behind the other: of each the lengths of its path and its bytes, and both. */
export class Piece {
  readonly memory: ArrayBuffer;
  /** How many files there are, and how many of them have been written. */
  readonly #counts: Int32Array;
  readonly #times: Float64Array;
  readonly #room: Buffer;
  #used = 0;

  constructor(memory = new ArrayBuffer(roomAt + room)) {
    this.memory = memory;
    this.#counts = new Int32Array(memory, 0, 2);
    this.#times = new Float64Array(memory, 8, mostFiles);
    this.#room = Buffer.from(memory, roomAt, room);
  }

  /** When the files were written, in milliseconds since 1970: those of the first that have been. */
  get times(): Float64Array {
    return this.#times.subarray(0, this.#counts[1]);
  }

  clear(): this {
    this.#used = 0;
    this.#counts.fill(0);
    return this;
  }

  /** False where it has no room for one more. */
  add(path: string, bytes: Uint8Array): boolean {
    const named = Buffer.byteLength(path);
    const end = this.#used + 8 + named + bytes.length;
    if (this.#counts[0] === mostFiles || end > room) return false;
    const at = this.#room.writeUInt32LE(named, this.#used);
    this.#room.write(path, this.#room.writeUInt32LE(bytes.length, at));
    this.#room.set(bytes, end - bytes.length);
    this.#used = end;
    this.#counts[0]! += 1;
    return true;
  }

  note(time: number): void {
    this.#times[this.#counts[1]!] = time;
    this.#counts[1]! += 1;
  }

  /** Its files that have not been written; their bytes are good until it is cleared. */
  *files(): Generator<Handed> {
    let from = 0;
    const [all, written] = [this.#counts[0]!, this.#counts[1]!];
    for (let number = 0; number < all; number += 1) {
      const path = from + 8;
      const bytes = path + this.#room.readUInt32LE(from);
      const end = bytes + this.#room.readUInt32LE(from + 4);
      if (number >= written)
        yield { path: this.#room.toString('utf8', path, bytes), bytes: this.#room.subarray(bytes, end) };
      from = end;
    }
  }
}
