import { type ChildProcess, spawn } from 'node:child_process';
import { createServer, type AddressInfo } from 'node:net';
import { after, within } from '../bounds.ts';

/** So long is waited for a program to start, in ms. */
const patience = 30_000;
/** Of the screen, in px: large enough for the widest window, with what a browser draws around it. */
export const screen = [1800, 1400] as const;

/** WebKitWebDriver with one window of its own, on a screen of its own where there is a program for that. */
export class WebkitProcess {
  readonly #address: string;
  readonly #children: readonly ChildProcess[];
  #session = '';
  /** What pages have asked: each question is dismissed. */
  questions: string[] = [];
  /** The browser's name and version. */
  version = '';

  private constructor(address: string, children: readonly ChildProcess[]) {
    [this.#address, this.#children] = [address, children];
  }

  /** @throws where the program does not start or has no screen */
  static async start(program: string): Promise<WebkitProcess> {
    const port = await freePort();
    const own = await within(ownScreen(), 'Xvfb does not answer', patience);
    if (!own && !process.env['DISPLAY'] && !process.env['WAYLAND_DISPLAY'])
      throw new Error('it has no screen: install one without glass:  apt-get install xvfb');
    const environment = own ? { ...process.env, DISPLAY: own.display, GDK_BACKEND: 'x11' } : process.env;
    const driver = spawn(program, [`--port=${port}`], { stdio: 'ignore', env: environment });
    const made = new WebkitProcess(`http://127.0.0.1:${port}`, own ? [driver, own.child] : [driver]);
    try {
      await made.#begin(driver);
      return made;
    } catch (error) {
      await made.close();
      throw error;
    }
  }

  async #begin(driver: ChildProcess): Promise<void> {
    let failed: Error | null = null;
    driver.once('error', error => {
      failed = error;
    });
    for (let waited = 0; ; waited += 50) {
      if (failed) throw failed as Error;
      if (waited > patience || driver.exitCode !== null) throw new Error('it does not answer');
      const isReady = await fetch(`${this.#address}/status`).then(
        answer => answer.ok,
        () => false,
      );
      if (isReady) break;
      await after(50);
    }
    const { sessionId, capabilities } = await this.#call<{
      sessionId: string;
      capabilities: { browserVersion: string };
    }>('POST', '/session', {
      capabilities: { alwaysMatch: { unhandledPromptBehavior: 'dismiss and notify' } },
    });
    this.#session = `/session/${sessionId}`;
    this.version = capabilities.browserVersion;
  }

  /** A command of the session (https://www.w3.org/TR/webdriver2/#endpoints). @throws what the browser says */
  async send<Value>(method: 'GET' | 'POST' | 'DELETE', path: string, body: object = {}): Promise<Value> {
    try {
      return await this.#call(method, this.#session + path, body);
    } catch (error) {
      if (!(error instanceof Asked)) throw error;
      this.questions.push(error.message);
      return this.#call(method, this.#session + path, body);
    }
  }

  async #call<Value>(method: string, path: string, body: object): Promise<Value> {
    const answer = await fetch(this.#address + path, {
      method,
      ...(method === 'POST' ? { body: JSON.stringify(body) } : {}),
    });
    const { value } = (await answer.json()) as {
      value: Value & { error?: string; message?: string; data?: { text?: string } };
    };
    if (answer.ok) return value;
    if (value.error === 'unexpected alert open') throw new Asked(value.data?.text ?? '');
    throw new Error(value.message || value.error || `status ${answer.status}`);
  }

  async close(): Promise<void> {
    const ended = this.#session === '' ? null : this.send('DELETE', '').catch(() => undefined);
    await Promise.race([ended, after(2000)]);
    for (const child of this.#children) child.kill('SIGKILL');
  }
}

/** The page asks something, which was dismissed. */
class Asked extends Error {}

/** A screen that nobody sees; null where the program for it is not installed. */
function ownScreen(): Promise<{ child: ChildProcess; display: string } | null> {
  const args = ['-displayfd', '3', '-screen', '0', `${screen.join('x')}x24`, '-nolisten', 'tcp'];
  const child = spawn('Xvfb', args, { stdio: ['ignore', 'ignore', 'ignore', 'pipe'] });
  return new Promise(done => {
    child.once('error', () => {
      done(null);
    });
    child.once('exit', () => {
      done(null);
    });
    child.stdio[3]!.on('data', (number: Buffer) => {
      done({ child, display: `:${number.toString().trim()}` });
    });
  });
}

function freePort(): Promise<number> {
  const server = createServer();
  return new Promise((done, fail) => {
    server.once('error', fail);
    server.listen(0, '127.0.0.1', () => {
      const { port } = server.address() as AddressInfo;
      server.close(() => {
        done(port);
      });
    });
  });
}
