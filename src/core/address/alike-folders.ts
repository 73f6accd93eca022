import type { SitePath } from './path.ts';

/**
 * Folders from which the same links are written alike: a relative address goes up as many folders as are not shared
 * with what it leads to, whatever they are called. Which can be shared is known of the links that have been written.
 */
export class AlikeFolders {
  /** All folders that something lies in that a link leads to. */
  readonly #shared = new Set<SitePath>(['']);
  readonly #keys = new Map<SitePath, string>();

  /** A link to this path is written. */
  meet(path: SitePath): void {
    for (let at = path.lastIndexOf('/'); at > 0; at = path.lastIndexOf('/', at - 1)) {
      const folder = path.slice(0, at);
      if (this.#shared.has(folder)) return;
      this.#shared.add(folder);
      this.#keys.clear();
    }
  }

  /** The same for two folders from which all links that have been met are written alike. */
  keyOf(folder: SitePath): string {
    const known = this.#keys.get(folder);
    if (known !== undefined) return known;
    let [shared, deeper] = [folder, 0];
    for (; !this.#shared.has(shared); deeper += 1)
      shared = shared.slice(0, Math.max(0, shared.lastIndexOf('/')));
    const key = `${deeper} ${shared}`;
    this.#keys.set(folder, key);
    return key;
  }
}
