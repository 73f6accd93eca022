import { type IncomingMessage, type Server, type ServerResponse, createServer } from 'node:http';
import type { AddressInfo } from 'node:net';

/** What a server of the finished pages gives; a path is that of a file in their folder. */
export interface Served {
  /** The folder of the server in which they lie, with `/` at both ends. */
  base: string;
  file: (path: string) => { bytes: Uint8Array; type: string } | null;
  /** Whether a file is lost for a visitor who goes without it. */
  isLost: (path: string, lost: 'script' | 'sheet') => boolean;
}

/** A file server of this machine, as one visitor meets it. */
export class WalkServer {
  readonly #served: Served;
  readonly #lost: 'script' | 'sheet' | null;
  readonly #server: Server;
  /** Pages that were asked for by following something, while the visitor is kept where they are. */
  #asked: string[] = [];
  /** Whoever follows a link is told so, and stays on the page. */
  stays = false;

  constructor(served: Served, lost: 'script' | 'sheet' | null) {
    this.#served = served;
    this.#lost = lost;
    this.#server = createServer((request, response) => {
      this.#answer(request, response);
    });
  }

  async start(): Promise<void> {
    await new Promise<void>((ready, fail) => {
      this.#server.once('error', fail);
      this.#server.listen(0, '127.0.0.1', ready);
    });
  }

  /** The address of a path; an empty one is that of the folder. */
  address(path: string, hash = ''): string {
    const { port } = this.#server.address() as AddressInfo;
    const written = path.split('/').map(encodeURIComponent).join('/');
    return `http://127.0.0.1:${port}${this.#served.base}${written}${hash === '' ? '' : `#${encodeURIComponent(hash)}`}`;
  }

  /** The path of the site that an address of this server has; null for any other. */
  pathOf(address: string): string | null {
    try {
      const url = new URL(address);
      return url.origin === new URL(this.address('')).origin ? this.#path(url.pathname) : null;
    } catch {
      return null;
    }
  }

  /** Whether an address is that of a page or of something else of this site. */
  isPage(address: string): boolean {
    const path = this.pathOf(address);
    return path !== null && (this.#served.file(path)?.type ?? 'text/html').startsWith('text/html');
  }

  /** What was asked for since this was called last. */
  asked(): string[] {
    const asked = this.#asked;
    this.#asked = [];
    return asked;
  }

  close(): void {
    this.#server.closeAllConnections();
    this.#server.close();
  }

  #path(pathname: string): string | null {
    const { base, file } = this.#served;
    let path: string;
    try {
      path = decodeURIComponent(pathname).normalize('NFC');
    } catch {
      return null;
    }
    if (!`${path}/`.startsWith(base)) return null;
    const inside = path.slice(base.length);
    if (file(inside) && !inside.endsWith('/')) return inside;
    const folder = inside === '' || inside.endsWith('/') ? inside : `${inside}/`;
    return [`${folder}index.html`, `${folder}index.htm`].find(file) ?? inside;
  }

  #answer(request: IncomingMessage, response: ServerResponse): void {
    const path = this.#path((request.url ?? '/').split(/[?#]/)[0]!);
    const isFollowed = request.headers['sec-fetch-dest'] === 'document';
    if (this.stays && isFollowed) {
      this.#asked.push(path ?? request.url ?? '');
      response.writeHead(204).end();
      return;
    }
    const isLost = path !== null && this.#lost !== null && this.#served.isLost(path, this.#lost);
    const found = path === null || isLost ? null : this.#served.file(path);
    if (!found) {
      response.writeHead(404, { 'Content-Type': 'text/plain' }).end('not here');
      return;
    }
    const [asked] = (request.url ?? '/').split('?');
    if (/\/index\.html?$/.test(path!) && !/\/(?:index\.html?)?$/.test(asked!)) {
      // A folder without its last stroke: its page would take its links to be elsewhere.
      response.writeHead(301, { Location: `${asked!}/` }).end();
      return;
    }
    response.writeHead(200, {
      'Content-Type': found.type,
      'Cache-Control': found.type === 'text/html' ? 'no-store' : 'max-age=3600',
    });
    response.end(request.method === 'HEAD' ? undefined : found.bytes);
  }
}
