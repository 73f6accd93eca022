import type { ChildProcess } from 'node:child_process';
import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { BrowserProcess, unlessEnded } from '../process.ts';
import { BrowserSession } from '../session.ts';

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

/** One Firefox, with its version. */
export interface StartedFirefox {
  process: BrowserProcess;
  version: string;
}

export async function startProcess(program: string, preferences: Preferences): Promise<StartedFirefox> {
  const started = await BrowserProcess.start({
    program,
    called: 'firefox',
    args: profile => {
      const lines = Object.entries({ ...quiet, ...preferences }).map(
        ([name, value]) => `user_pref(${JSON.stringify(name)}, ${JSON.stringify(value)});\n`,
      );
      writeFileSync(join(profile, 'user.js'), lines.join(''));
      return ['--headless', '--no-remote', '--remote-debugging-port', '0', '--profile', profile];
    },
    stdio: ['ignore', 'ignore', 'pipe'],
    grace: 0,
    session: async child => BrowserSession.atAddress(`${await addressOf(child)}/session`),
  });
  try {
    const { session } = started;
    const { capabilities } = await session.send<{ capabilities: { browserVersion: string } }>('session.new', {
      capabilities: { alwaysMatch: { unhandledPromptBehavior: { default: 'ignore' } } },
    });
    await session.send('session.subscribe', {
      events: ['browsingContext.contextCreated', 'browsingContext.userPromptOpened'],
    });
    return { process: started, version: capabilities.browserVersion };
  } catch (error) {
    await started.close();
    throw error;
  }
}

/** Where it listens, as it says on its error stream. */
const addressOf = (child: ChildProcess): Promise<string> =>
  unlessEnded<string>(child, patience, (done, said) => {
    child.stderr!.on('data', () => {
      const found = /WebDriver BiDi listening on (ws:\/\/\S+)/.exec(said());
      if (found) done(found[1]!);
    });
  });
