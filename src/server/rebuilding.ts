import type { PreviewServer } from './serve.ts';

/** One build at a time; what changes meanwhile is built behind it. */
export class Rebuilding {
  readonly #build: () => Promise<void>;
  readonly #server: PreviewServer;
  #isBuilding = false;
  #isStale = false;
  #isPlanAlone = true;

  constructor(build: () => Promise<void>, server: PreviewServer) {
    this.#build = build;
    this.#server = server;
  }

  /** @param isPlan nothing but the plan has changed */
  async after(isPlan: boolean): Promise<void> {
    if (!isPlan) this.#isPlanAlone = false;
    this.#isStale = true;
    if (this.#isBuilding) return;
    this.#isBuilding = true;
    while (this.#isStale) {
      this.#isStale = false;
      await this.#build();
    }
    this.#isBuilding = false;
    this.#server.tell(this.#isPlanAlone);
    this.#isPlanAlone = true;
  }
}
