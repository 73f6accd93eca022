import { type ChildProcess, spawn } from 'node:child_process';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { BidiSession } from './session.ts';

/** So long is waited for the browser to start, in ms. */
const patience = 60_000;

export type Preferences = Readonly<Record<string, string | number | boolean>>;

/** It asks nobody anything: no host but this machine is reached, and nothing is fetched, told or updated. */
const quiet: Preferences = {
  'remote.active-protocols': 1,
  'network.proxy.type': 1,
  'network.proxy.http': '127.0.0.1',
  'network.proxy.http_port': 9,
  'network.proxy.ssl': '127.0.0.1',
  'network.proxy.ssl_port': 9,
  'network.proxy.no_proxies_on': 'localhost, 127.0.0.1',
  'app.update.enabled': false,
  'app.normandy.enabled': false,
  'browser.shell.checkDefaultBrowser': false,
  'browser.startup.page': 0,
  'browser.startup.homepage_override.mstone': 'ignore',
  'browser.safebrowsing.downloads.remote.enabled': false,
  'browser.search.update': false,
  'browser.tabs.warnOnClose': false,
  'datareporting.healthreport.uploadEnabled': false,
  'datareporting.policy.dataSubmissionEnabled': false,
  'dom.disable_open_during_load': false,
  'dom.ipc.processPrelaunch.enabled': false,
  'extensions.update.enabled': false,
  'focusmanager.testmode': true,
  'network.captive-portal-service.enabled': false,
  'network.connectivity-service.enabled': false,
  'services.settings.server': 'data:,',
  'toolkit.telemetry.enabled': false,
  'ui.prefersReducedMotion': 0,
};

/** One Firefox with a profile of its own, which goes when what is done is done. */
export class FirefoxProcess {
  readonly session: BidiSession;
  readonly version: string;
  readonly #child: ChildProcess;
  readonly #profile: string;

  private constructor(child: ChildProcess, profile: string, session: BidiSession, version: string) {
    [this.#child, this.#profile, this.session, this.version] = [child, profile, session, version];
  }

  static async start(program: string, preferences: Preferences): Promise<FirefoxProcess> {
    const profile = mkdtempSync(join(tmpdir(), 'kamino-firefox-'));
    const lines = Object.entries({ ...quiet, ...preferences }).map(
      ([name, value]) => `user_pref(${JSON.stringify(name)}, ${JSON.stringify(value)});\n`,
    );
    writeFileSync(join(profile, 'user.js'), lines.join(''));
    const args = ['--headless', '--no-remote', '--remote-debugging-port', '0', '--profile', profile];
    const child = spawn(program, args, { stdio: ['ignore', 'ignore', 'pipe'] });
    try {
      const session = await BidiSession.open(await addressOf(child));
      const { capabilities } = await session.send<{ capabilities: { browserVersion: string } }>(
        'session.new',
        {
          capabilities: { alwaysMatch: { unhandledPromptBehavior: { default: 'ignore' } } },
        },
      );
      await session.send('session.subscribe', {
        events: ['browsingContext.contextCreated', 'browsingContext.userPromptOpened'],
      });
      return new FirefoxProcess(child, profile, session, capabilities.browserVersion);
    } catch (error) {
      await ended(child);
      rmSync(profile, { recursive: true, force: true });
      throw error;
    }
  }

  async close(): Promise<void> {
    this.session.close();
    await ended(this.#child);
    rmSync(this.#profile, { recursive: true, force: true, maxRetries: 5 });
  }
}

/** Where it listens, as it says on its error stream. */
function addressOf(child: ChildProcess): Promise<string> {
  return new Promise((done, fail) => {
    let said = '';
    const timer = setTimeout(() => {
      fail(new Error('it does not answer'));
    }, patience);
    child.stderr!.on('data', (text: Buffer) => {
      said = (said + text.toString()).slice(-4000);
      const found = /WebDriver BiDi listening on (ws:\/\/\S+)/.exec(said);
      if (!found) return;
      clearTimeout(timer);
      done(found[1]!);
    });
    child.once('error', fail);
    child.once('exit', () => {
      clearTimeout(timer);
      fail(new Error(said.trim().split('\n').at(-1) ?? 'it ended'));
    });
  });
}

function ended(child: ChildProcess): Promise<void> {
  if (child.exitCode !== null || child.signalCode !== null || child.pid === undefined)
    return Promise.resolve();
  return new Promise(done => {
    child.once('exit', () => {
      done();
    });
    child.kill('SIGKILL');
  });
}
