import { type ChildProcess, type StdioOptions, spawn } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { BrowserSession } from './session.ts';

interface Start {
  program: string;
  /** What it is called in the name of its profile. */
  called: string;
  /** What it is started with. @param profile its own folder */
  args: (profile: string) => string[];
  stdio: StdioOptions;
  /** So long it may take to end by itself once nobody speaks to it any more, in ms; 0 where it would not. */
  grace: number;
  /** @throws where it does not answer */
  session: (child: ChildProcess) => Promise<BrowserSession>;
}

const signals = ['SIGINT', 'SIGTERM', 'SIGHUP'] as const;

/** A browser with a profile of its own, which goes when what is done is done, or when somebody ends the program. */
export class BrowserProcess {
  readonly #child: ChildProcess;
  readonly #profile: string;
  readonly #grace: number;
  #session: BrowserSession | null = null;

  private constructor(child: ChildProcess, profile: string, grace: number) {
    [this.#child, this.#profile, this.#grace] = [child, profile, grace];
    for (const signal of signals) process.once(signal, this.#quit);
  }

  static async start({ program, called, args, stdio, grace, session }: Start): Promise<BrowserProcess> {
    const profile = mkdtempSync(join(tmpdir(), `kamino-${called}-`));
    const child = spawn(program, args(profile), { stdio, detached: hasGroups });
    child.on('error', () => undefined);
    const started = new BrowserProcess(child, profile, grace);
    try {
      started.#session = await session(child);
      return started;
    } catch (error) {
      await started.close();
      throw error;
    }
  }

  get session(): BrowserSession {
    return this.#session!;
  }

  /** The program ends as it would have without us. */
  readonly #quit = (signal: NodeJS.Signals): void => {
    endAll(this.#child);
    this.#leave();
    process.kill(process.pid, signal);
  };

  #leave(): void {
    for (const signal of signals) process.off(signal, this.#quit);
    rmSync(this.#profile, { recursive: true, force: true, maxRetries: 5 });
  }

  async close(): Promise<void> {
    this.#session?.close();
    await ended(this.#child, this.#session ? this.#grace : 0);
    this.#leave();
  }
}

/** Fails with what a process said last, where it ends or says nothing good in time. */
export function unlessEnded<Given>(
  child: ChildProcess,
  patience: number,
  good: (done: (given: Given) => void, said: () => string) => void,
): Promise<Given> {
  return new Promise((done, fail) => {
    let said = '';
    const over = (end: () => void): void => {
      clearTimeout(timer);
      end();
    };
    const failed = (why: string): void => {
      over(() => {
        fail(new Error(why));
      });
    };
    const timer = setTimeout(failed, patience, 'it does not answer');
    child.stderr!.on('data', (text: Buffer) => {
      said = (said + text.toString()).slice(-4000);
    });
    child.once('error', ({ message }) => {
      failed(message);
    });
    child.once('exit', () => {
      failed(said.trim().split('\n').at(-1) || 'it ended');
    });
    good(
      given => {
        over(() => {
          done(given);
        });
      },
      () => said,
    );
  });
}

const hasGroups = process.platform !== 'win32';

/** With the processes that it has started: they would go on writing into its profile. */
function endAll(child: ChildProcess): void {
  try {
    if (hasGroups) process.kill(-child.pid!, 'SIGKILL');
    else child.kill('SIGKILL');
  } catch {
    // It has ended by itself.
  }
}

function ended(child: ChildProcess, grace: number): Promise<void> {
  if (child.exitCode !== null || child.signalCode !== null || child.pid === undefined)
    return Promise.resolve();
  return new Promise(done => {
    const timer = setTimeout(() => {
      endAll(child);
    }, grace);
    child.once('exit', () => {
      clearTimeout(timer);
      done();
    });
  });
}
