import { accessSync, constants } from 'node:fs';
import { delimiter, join } from 'node:path';

/** The one without windows first: it starts in a fraction of the time. */
const names = [
  'chromium-headless-shell',
  'chromium',
  'chromium-browser',
  'google-chrome',
  'google-chrome-stable',
  'chrome',
  'msedge',
];
/** Whether a program is a Firefox, by its name. */
export const isFirefox = (program: string): boolean => /firefox[^/\\]*$/i.test(program);

/** Whether a program drives a WebKit, by its name. */
export const isWebkit = (program: string): boolean => /WebKitWebDriver$/i.test(program);

const places = [
  '/Applications/Google Chrome.app/Contents/MacOS/Google Chrome',
  '/Applications/Chromium.app/Contents/MacOS/Chromium',
  'C:\\Program Files\\Google\\Chrome\\Application\\chrome.exe',
  'C:\\Program Files (x86)\\Microsoft\\Edge\\Application\\msedge.exe',
];

/** How it is started: it asks nobody anything, and knows no host but this machine. */
export const quiet = [
  '--disable-gpu',
  '--disable-quic',
  // Letters are as wide as in a window, whatever the size.
  '--font-render-hinting=none',
  '--host-resolver-rules=MAP * ~NOTFOUND, EXCLUDE 127.0.0.1',
  '--no-first-run',
  '--disable-background-networking',
  '--disable-component-update',
  '--disable-sync',
] as const;

/** A browser on this machine, or null. `KAMINO_BROWSER` names one; `none` there means that none is to be used. */
export function findBrowser(environment: NodeJS.ProcessEnv = process.env): string | null {
  const given = environment['KAMINO_BROWSER'];
  if (given === 'none') return null;
  if (given) return isProgram(given) ? given : null;
  const folders = (environment['PATH'] ?? '').split(delimiter).filter(Boolean);
  const found = names.flatMap(name => folders.map(folder => join(folder, name)));
  return [...found, ...places].find(isProgram) ?? null;
}

function isProgram(file: string): boolean {
  try {
    accessSync(file, constants.X_OK);
    return true;
  } catch {
    return false;
  }
}
