import { randomUUID } from 'node:crypto';
import type { Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { extname } from 'node:path';
import express, { type Request, type Response } from 'express';
import type { PreviewScripts, PreviewSource, Trial, TrialAsk } from './types.ts';
import { controlsHtml } from './controls.ts';
import { widthsPage } from './widths.ts';

export interface ServerOptions {
  /** Looks that are tried from the page of widths; never for the network. */
  trial: Trial;
  /** The first port that is tried. */
  port: number;
  /** Of the machine on its network; null for this machine alone. */
  lan: string | null;
  scripts: PreviewScripts;
}

export interface PreviewServer {
  port: number;
  /** Tells open pages that something has changed; `isPlan`: no page and no other file has. */
  tell: (isPlan: boolean) => void;
  close: () => Promise<void>;
}

const tries = 20;

/** Serves on this machine alone, unless its network is asked for; a port that is taken is passed over. */
export async function serve(source: () => PreviewSource, options: ServerOptions): Promise<PreviewServer> {
  const { port, lan, scripts } = options;
  const listeners = new Set<Response>();
  const app = express();
  app.disable('x-powered-by');
  app.set('etag', false);
  app.use(guard(lan));
  app.get('/_kamino/events', (request, response) => {
    response.writeHead(200, { 'Content-Type': 'text/event-stream' });
    response.write(`data: ${JSON.stringify(stateOf(source()))}\n\n`);
    listeners.add(response);
    request.on('close', () => listeners.delete(response));
  });
  app.get('/_kamino/live.js', (_, response) => void response.type('js').send(scripts.live));
  app.get('/_kamino/widths.js', (_, response) => void response.type('js').send(scripts.widths));
  addWidths(app, source, options);
  app.get('/_specimen', async (_, response) => {
    response.type('html').send(await source().specimen());
  });
  app.use((request, response) => {
    sendFile(request, response, source());
  });
  const server = await listen(app, port, lan === null ? '127.0.0.1' : '0.0.0.0');
  const tell = (isPlan: boolean): void => {
    for (const one of listeners)
      one.write(`data: ${JSON.stringify({ ...stateOf(source()), isNew: true, isPlan })}\n\n`);
  };
  const close = (): Promise<void> => closed(server, listeners);
  return { port: (server.address() as AddressInfo).port, tell, close };
}

/** The page of widths, with its controls where this machine alone is served. */
function addWidths(
  app: express.Express,
  source: () => PreviewSource,
  { lan, scripts, trial }: ServerOptions,
): void {
  const token = randomUUID();
  app.get('/_kamino/controls.js', (_, response) => void response.type('js').send(scripts.controls));
  app.get('/_widths', (request, response) => {
    const page = typeof request.query['page'] === 'string' ? request.query['page'] : null;
    const controls = lan === null ? controlsHtml(token, trial.menus()) : '';
    response.type('html').send(widthsPage(source(), page, controls));
  });
  if (lan !== null) return;
  app.post('/_kamino/trial', express.json({ limit: '64kb' }), async (request, response) => {
    const ask = readAsk(request.body, token);
    if (ask === null)
      return void response.status(403).type('text').send('This page may not change the plan.\n');
    response.json(await trial.answer(ask));
  });
}

/** What a page asks for that knows the token; null for anything else. */
function readAsk(body: unknown, token: string): TrialAsk | null {
  const ask = body as Partial<TrialAsk & { token: string }> | null;
  if (ask?.token !== token || !['try', 'write', 'undo'].includes(ask.act ?? '')) return null;
  const isPath = (path: unknown): boolean =>
    Array.isArray(path) && path.every(key => typeof key === 'string' || Number.isInteger(key));
  const isEdit = ({ path, value }: TrialAsk['edits'][number]): boolean =>
    isPath(path) && (value === null || (typeof value === 'string' && value.length < 500));
  const isRight =
    Array.isArray(ask.edits) && ask.edits.every(isEdit) && ask.scope?.keys.every(isPath) === true;
  return isRight ? (ask as TrialAsk) : null;
}

/** A page of another site must not reach this one by a name of its own that leads here. */
function guard(lan: string | null): express.RequestHandler {
  const hosts = new Set(['localhost', '127.0.0.1', '[::1]', ...(lan === null ? [] : [lan])]);
  return (request, response, next) => {
    const host = (request.headers.host ?? '').replace(/:\d+$/, '');
    if (!hosts.has(host))
      return void response.status(403).type('text').send('This host is not known here.\n');
    response.setHeader('Cache-Control', 'no-store');
    response.setHeader('X-Content-Type-Options', 'nosniff');
    next();
  };
}

function stateOf({ problems }: PreviewSource): { problems: string | null } {
  return { problems };
}

/** Only what is in the list of the site’s files is given: no path leads out of it. */
function sendFile(request: Request, response: Response, source: PreviewSource): void {
  if (request.method !== 'GET' && request.method !== 'HEAD') return void response.status(405).end();
  const path = pathOf(request.path, source.base);
  if (path === null) return void response.status(400).type('text').send('This address cannot be read.\n');
  const found = [
    path,
    path === '' || path.endsWith('/') ? `${path}index.html` : null,
    path === '' ? source.front : null,
  ]
    .flatMap(one => one ?? [])
    .map(one => [one, one === '' ? null : source.file(one)] as const)
    .find(([, bytes]) => bytes !== null);
  if (found) return send(response, found[0], found[1]!);
  if (path !== '' && source.file(`${path}/index.html`) !== null)
    return response.redirect(301, `${request.path}/`);
  const missing = source.file('404.html');
  response.status(404);
  if (missing) return send(response, '404.html', missing);
  response.type('text').send(`The site has no file \`${path}\`.\n`);
}

function send(response: Response, path: string, bytes: Uint8Array): void {
  const isPage = /\.html?$/i.test(path);
  // Without a charset: that is for the page to say.
  if (isPage) response.setHeader('Content-Type', 'text/html');
  else response.type(extname(path) || 'application/octet-stream');
  response.end(
    isPage
      ? Buffer.concat([bytes, Buffer.from('<script src="/_kamino/live.js"></script>')])
      : Buffer.from(bytes),
  );
}

/** The path in the site of an address; null for what is no right one. */
function pathOf(address: string, base: string): string | null {
  let path: string;
  try {
    path = decodeURIComponent(address);
  } catch {
    return null;
  }
  const inSite = base !== '/' && path.startsWith(base) ? path.slice(base.length) : path.slice(1);
  return inSite.normalize('NFC');
}

function listen(app: express.Express, first: number, host: string): Promise<Server> {
  return new Promise((resolve, reject) => {
    const attempt = (port: number): void => {
      const server = app.listen(port, host);
      server.once('listening', () => {
        resolve(server);
      });
      server.once('error', (error: NodeJS.ErrnoException) => {
        if (error.code === 'EADDRINUSE' && port < first + tries) attempt(port + 1);
        else reject(error);
      });
    };
    attempt(first);
  });
}

function closed(server: Server, listeners: ReadonlySet<Response>): Promise<void> {
  for (const one of listeners) one.end();
  return new Promise(resolve => {
    server.close(() => {
      resolve();
    });
    server.closeAllConnections();
  });
}
