import WebSocket from 'ws';

/** What a browser tells by itself. */
export interface BidiEvent {
  method: string;
  params: Record<string, unknown>;
}

interface Answer {
  id: number | null;
  result?: unknown;
  error?: string;
  message?: string;
}

/** WebDriver BiDi (https://w3c.github.io/webdriver-bidi/): commands to a browser, and what it tells. */
export class BidiSession {
  readonly #socket: WebSocket;
  readonly #waiting = new Map<number, { done: (result: unknown) => void; fail: (error: Error) => void }>();
  readonly #hearers = new Set<(event: BidiEvent) => void>();
  #last = 0;

  private constructor(socket: WebSocket) {
    this.#socket = socket;
    socket.on('message', (data: Buffer) => {
      this.#hear(JSON.parse(data.toString()) as Answer & BidiEvent);
    });
    socket.on('close', () => {
      for (const { fail } of this.#waiting.values()) fail(new Error('the browser has ended'));
      this.#waiting.clear();
    });
    socket.on('error', () => undefined);
  }

  /** @param address as the browser says it when it starts */
  static open(address: string): Promise<BidiSession> {
    const socket = new WebSocket(`${address}/session`, { perMessageDeflate: false, maxPayload: 2 ** 28 });
    return new Promise((done, fail) => {
      socket.once('error', fail);
      socket.once('open', () => {
        socket.off('error', fail);
        done(new BidiSession(socket));
      });
    });
  }

  send<Result = unknown>(method: string, params: object = {}): Promise<Result> {
    this.#last += 1;
    const id = this.#last;
    const answered = new Promise<unknown>((done, fail) => {
      this.#waiting.set(id, { done, fail });
    });
    this.#socket.send(JSON.stringify({ id, method, params }));
    return answered as Promise<Result>;
  }

  on(hearer: (event: BidiEvent) => void): () => void {
    this.#hearers.add(hearer);
    return () => this.#hearers.delete(hearer);
  }

  close(): void {
    this.#socket.terminate();
  }

  #hear(said: Answer & BidiEvent): void {
    if (said.id === undefined || said.id === null) {
      for (const hearer of this.#hearers) hearer(said);
      return;
    }
    const waiting = this.#waiting.get(said.id);
    this.#waiting.delete(said.id);
    if (said.error === undefined) waiting?.done(said.result);
    else waiting?.fail(new Error(said.message || said.error));
  }
}
