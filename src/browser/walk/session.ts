import type { Readable, Writable } from 'node:stream';
import WebSocket from 'ws';

/** What a browser tells by itself. */
export interface BrowserEvent {
  method: string;
  params: Record<string, unknown>;
  /** Of which window, where the protocol has sessions in a session. */
  sessionId?: string;
}

interface Answer {
  id?: number | null;
  result?: unknown;
  error?: string | { message: string };
  message?: string;
}

/** How texts go to a browser and come from it. */
interface Wire {
  send: (text: string) => void;
  end: () => void;
  onText: (hear: (text: string) => void) => void;
  onEnd: (hear: () => void) => void;
}

const ended = 'the browser has ended';

/**
 * Commands to a browser, and what it tells: WebDriver BiDi (https://w3c.github.io/webdriver-bidi/), or the protocol of
 * Chromium's own tools (https://chromedevtools.github.io/devtools-protocol/), which are written alike.
 */
export class BrowserSession {
  readonly #wire: Wire;
  readonly #waiting = new Map<number, { done: (result: unknown) => void; fail: (error: Error) => void }>();
  readonly #hearers = new Set<(event: BrowserEvent) => void>();
  #last = 0;
  #isOver = false;

  private constructor(wire: Wire) {
    this.#wire = wire;
    wire.onText(text => {
      this.#hear(JSON.parse(text) as Answer & BrowserEvent);
    });
    wire.onEnd(() => {
      this.#isOver = true;
      for (const { fail } of this.#waiting.values()) fail(new Error(ended));
      this.#waiting.clear();
    });
  }

  /** @param address as the browser says it when it starts */
  static atAddress(address: string): Promise<BrowserSession> {
    const socket = new WebSocket(address, { perMessageDeflate: false, maxPayload: 2 ** 28 });
    return new Promise((done, fail) => {
      socket.once('error', fail);
      socket.once('open', () => {
        socket.off('error', fail);
        done(new BrowserSession(socketWire(socket)));
      });
    });
  }

  /** By two pipes of a process: a browser ends when these do. */
  static byPipes(to: Writable, from: Readable): BrowserSession {
    return new BrowserSession(pipeWire(to, from));
  }

  /** @param sessionId of one of its windows, where the protocol has sessions in a session */
  send<Result = unknown>(method: string, params: object = {}, sessionId?: string): Promise<Result> {
    if (this.#isOver) return Promise.reject(new Error(ended));
    this.#last += 1;
    const id = this.#last;
    const answered = new Promise<unknown>((done, fail) => {
      this.#waiting.set(id, { done, fail });
    });
    this.#wire.send(JSON.stringify({ id, method, params, ...(sessionId ? { sessionId } : {}) }));
    return answered as Promise<Result>;
  }

  on(hearer: (event: BrowserEvent) => void): () => void {
    this.#hearers.add(hearer);
    return () => this.#hearers.delete(hearer);
  }

  close(): void {
    this.#wire.end();
  }

  #hear(said: Answer & BrowserEvent): void {
    if (said.id === undefined || said.id === null) {
      for (const hearer of this.#hearers) hearer(said);
      return;
    }
    const waiting = this.#waiting.get(said.id);
    this.#waiting.delete(said.id);
    const { error } = said;
    if (error === undefined) waiting?.done(said.result);
    else waiting?.fail(new Error(typeof error === 'string' ? said.message || error : error.message));
  }
}

function socketWire(socket: WebSocket): Wire {
  socket.on('error', () => undefined);
  return {
    send: text => {
      socket.send(text);
    },
    end: () => {
      socket.terminate();
    },
    onText: hear => socket.on('message', (data: Buffer) => void hear(data.toString())),
    onEnd: hear => socket.on('close', hear),
  };
}

/** Each text ends with a byte of zero. */
function pipeWire(to: Writable, from: Readable): Wire {
  to.on('error', () => undefined);
  from.on('error', () => undefined);
  return {
    send: text => void to.write(`${text}\0`),
    end: () => {
      to.end();
      from.destroy();
    },
    onText: hear => {
      let parts: Buffer[] = [];
      from.on('data', (chunk: Buffer) => {
        let at = 0;
        for (let end = chunk.indexOf(0); end >= 0; end = chunk.indexOf(0, at)) {
          parts.push(chunk.subarray(at, end));
          hear((parts.length === 1 ? parts[0]! : Buffer.concat(parts)).toString());
          parts = [];
          at = end + 1;
        }
        if (at < chunk.length) parts.push(chunk.subarray(at));
      });
    },
    onEnd: hear => from.on('close', hear),
  };
}
