import { randomBytes } from 'node:crypto';
import { type IncomingMessage, type ServerResponse, createServer } from 'node:http';
import type { AddressInfo } from 'node:net';
import { extname } from 'node:path';
import { mediaTypes } from '../core/text/media-types.ts';

/** What a browser is shown: pages that are made for it, and files of the site that give them their look. */
export interface Exhibits {
  /** Markup by path; a page’s own script is written with the nonce. */
  page: (path: string, nonce: string) => Uint8Array | null;
  /** A style sheet, font or picture of the site; null where it has none of that name. */
  file: (path: string) => Uint8Array | null;
}

/** Files that give a page its look; no other is shown. */
const types: Readonly<Record<string, string>> = { '.css': 'text/css', ...mediaTypes };

/**
 * Shows pages to a browser of this machine, from memory and under an address that nobody else knows. What is shown runs no
 * script but ours, and reaches nothing but its own style sheets, fonts and pictures.
 * @param look is given the address of the folder that the paths lie in
 */
export async function show<Seen>(exhibits: Exhibits, look: (folder: string) => Promise<Seen>): Promise<Seen> {
  const [secret, nonce] = [randomBytes(16).toString('hex'), randomBytes(16).toString('hex')];
  const server = createServer((request, response) => {
    answer(request, response, { exhibits, secret, nonce });
  });
  await new Promise<void>(ready => server.listen(0, '127.0.0.1', ready));
  try {
    return await look(`http://127.0.0.1:${(server.address() as AddressInfo).port}/${secret}/`);
  } finally {
    server.closeAllConnections();
    server.close();
  }
}

function answer(
  request: IncomingMessage,
  response: ServerResponse,
  { exhibits, secret, nonce }: { exhibits: Exhibits; secret: string; nonce: string },
): void {
  const isOurs = request.headers.cookie === `${cookie}=${secret}`;
  const path = pathOf(request.url ?? '', secret) ?? (isOurs ? fromRoot(request.url ?? '') : null);
  const type = path === null ? undefined : types[extname(path).toLowerCase()];
  const page = path === null ? null : exhibits.page(path, nonce);
  const bytes = page ?? (path === null || type === undefined ? null : exhibits.file(path));
  if (request.method !== 'GET' || bytes === null) {
    response.writeHead(404).end();
    return;
  }
  response.writeHead(200, {
    'Content-Type': page ? 'text/html' : type!,
    'Content-Security-Policy': policy(nonce),
    'X-Content-Type-Options': 'nosniff',
    'Referrer-Policy': 'no-referrer',
    'Cache-Control': 'no-store',
    // Addresses that begin with a slash come from outside of the folder that is shown.
    'Set-Cookie': `${cookie}=${secret}; HttpOnly; SameSite=Strict; Path=/`,
  });
  response.end(bytes);
}

/** The address of a path in the folder that is shown. */
export function addressOf(path: string): string {
  return path.split('/').map(encodeURIComponent).join('/');
}

function policy(nonce: string): string {
  const own = "'self' data:";
  return [
    "default-src 'none'",
    `script-src 'nonce-${nonce}'`,
    "style-src 'self' 'unsafe-inline'",
    `font-src ${own}`,
    `img-src ${own}`,
    "frame-src 'self'",
    "base-uri 'none'",
    "form-action 'none'",
  ].join('; ');
}

const cookie = 'shown';

function fromRoot(address: string): string | null {
  return pathOf(`/${cookie}${address}`, cookie);
}

function pathOf(address: string, secret: string): string | null {
  try {
    const path = decodeURIComponent(address.split(/[?#]/)[0]!);
    return path.startsWith(`/${secret}/`) ? path.slice(secret.length + 2).normalize('NFC') : null;
  } catch {
    return null;
  }
}
