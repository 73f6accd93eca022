import type { ChildProcess } from 'node:child_process';
import type { Readable, Writable } from 'node:stream';
import { quiet } from '../../find.ts';
import { BrowserProcess, unlessEnded } from '../process.ts';
import { BrowserSession } from '../session.ts';
import type { Engine, EngineStart } from '../tab.ts';
import { ChromiumTab } from './tab.ts';
import { ChromiumWindow } from './window.ts';

/** So long is waited for the browser to start, in ms. */
const patience = 60_000;

/**
 * It does nothing by itself, and holds nothing back: windows that nobody sees are drawn as those in front, and colours
 * are those of the page.
 */
const still = [
  '--headless',
  '--remote-debugging-pipe',
  '--hide-scrollbars',
  '--mute-audio',
  '--no-default-browser-check',
  '--disable-default-apps',
  '--disable-extensions',
  '--disable-breakpad',
  '--disable-dev-shm-usage',
  '--disable-field-trial-config',
  '--disable-hang-monitor',
  '--disable-popup-blocking',
  '--disable-prompt-on-repost',
  '--disable-ipc-flooding-protection',
  '--disable-background-timer-throttling',
  '--disable-backgrounding-occluded-windows',
  '--disable-renderer-backgrounding',
  '--disable-features=HttpsUpgrades,MediaRouter,OptimizationHints,PaintHolding,Translate',
  '--force-color-profile=srgb',
  '--metrics-recording-only',
  '--password-store=basic',
  '--use-mock-keychain',
  // Without a screen there is no pointer: 2 is one that hovers, 4 a fine one. Whoever touches is told otherwise.
  '--blink-settings=primaryHoverType=2,availableHoverTypes=2,primaryPointerType=4,availablePointerTypes=4',
  // A page is where it scrolls to at once: what is drawn on the way is most of the work.
  '--disable-smooth-scrolling',
] as const;

/** A Chromium, Chrome or Edge of this machine, which knows no host but this machine. */
export async function startChromium({ program, probe }: EngineStart): Promise<Engine> {
  let version = '';
  const started = await BrowserProcess.start({
    program,
    called: 'chromium',
    args: profile => [
      ...still,
      ...quiet,
      // Its sandbox does not start for root.
      ...(process.getuid?.() === 0 ? ['--no-sandbox'] : []),
      `--user-data-dir=${profile}`,
      'about:blank',
    ],
    // It hears on the first of the two pipes, and speaks on the other.
    stdio: ['ignore', 'ignore', 'pipe', 'pipe', 'pipe'],
    grace: 3000,
    session: async child => {
      const session = BrowserSession.byPipes(child.stdio[3] as Writable, child.stdio[4] as Readable);
      version = await versionOf(session, child);
      return session;
    },
  });
  const { session } = started;
  await session.send('Target.setDiscoverTargets', { discover: true });
  return {
    called: `Chromium ${version}`,
    lacks: [],
    open: async (visitor, size) =>
      new ChromiumTab(await ChromiumWindow.open(session, { visitor, size }), probe),
    close: () => started.close(),
  };
}

/** It speaks once it has started. */
const versionOf = (session: BrowserSession, child: ChildProcess): Promise<string> =>
  unlessEnded<string>(child, patience, done => {
    const asked = session.send<{ product: string }>('Browser.getVersion');
    void asked.then(
      ({ product }) => {
        done(product.replace(/^.*\//, ''));
      },
      () => undefined,
    );
  });
