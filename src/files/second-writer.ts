import { existsSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { MessageChannel, type MessagePort, Worker, receiveMessageOnPort } from 'node:worker_threads';
import { type Handed, Piece, places } from './handed-over.ts';
import { threadsFor } from './threads.ts';

/** Fewer bytes are written before another thread has begun. */
export const worthSecond = 6_000_000;

/** So many pieces are in the other thread's hands at the most. */
const mostGiven = 4;

/** What is told of a file when it was written, in milliseconds since 1970. */
type Told = { time: number };

/** Writes new files into a folder that is not in use yet, in another thread, while this one makes the next. */
export class SecondWriter {
  readonly #state: Int32Array;
  readonly #port: MessagePort;
  readonly #worker: Worker;
  readonly #free: Piece[] = [];
  /** Who is told of the files of each piece that was given, the next to come back first. */
  readonly #given: Told[][] = [];
  #piece = new Piece();
  #told: Told[] = [];
  /** Files that the other thread could not write, and what came behind them. */
  readonly #left: Handed[] = [];

  private constructor(root: string, script: string) {
    const shared = new SharedArrayBuffer(4 * Object.keys(places).length);
    const { port1, port2 } = new MessageChannel();
    this.#state = new Int32Array(shared);
    this.#port = port1;
    this.#worker = new Worker(script, { workerData: { root, shared, port: port2 }, transferList: [port2] });
    this.#worker.unref();
    // One that cannot begin is never waited for.
    this.#worker.on('error', () => undefined);
  }

  /** Null where there is to be only one thread. */
  static of(root: string, threads: number | undefined): SecondWriter | null {
    const script = fileURLToPath(new URL('./write-worker.cjs', import.meta.url));
    return threadsFor(threads) > 1 && existsSync(script) ? new SecondWriter(root, script) : null;
  }

  /** False for a file that is to be written in this thread. @param told gets the time when it was written */
  write(path: string, bytes: Uint8Array, told: Told): boolean {
    if (Atomics.load(this.#state, places.hasBegun) === 0 || this.#left.length > 0) return false;
    if (!this.#piece.add(path, bytes)) {
      this.#give();
      if (!this.#piece.add(path, bytes)) return false;
    }
    this.#told.push(told);
    return true;
  }

  /** Waits for all files; those that it could not write, with the bytes, and those behind them. */
  end(): readonly Handed[] {
    if (this.#told.length > 0) this.#give();
    this.#takeBack(0);
    this.#port.close();
    void this.#worker.terminate();
    return this.#left;
  }

  #give(): void {
    const { memory } = this.#piece;
    this.#port.postMessage(memory, [memory]);
    this.#given.push(this.#told);
    Atomics.add(this.#state, places.given, 1);
    Atomics.notify(this.#state, places.given);
    this.#takeBack(mostGiven - 1);
    this.#piece = this.#free.pop() ?? new Piece();
    this.#told = [];
  }

  /** Waits until so many pieces at the most are still in the other thread's hands. */
  #takeBack(most: number): void {
    for (;;) {
      const done = Atomics.load(this.#state, places.done);
      for (let one = receiveMessageOnPort(this.#port); one; one = receiveMessageOnPort(this.#port))
        this.#take(new Piece(one.message as ArrayBuffer));
      if (this.#given.length <= most) return;
      Atomics.wait(this.#state, places.done, done);
    }
  }

  #take(piece: Piece): void {
    const told = this.#given.shift()!;
    piece.times.forEach((time, at) => {
      told[at]!.time = time;
    });
    for (const { path, bytes } of piece.files()) this.#left.push({ path, bytes: Uint8Array.from(bytes) });
    this.#free.push(piece.clear());
  }
}
