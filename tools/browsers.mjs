import { existsSync } from 'node:fs';
import { join } from 'node:path';

/** A browser of this machine, the one without windows first; null for none. */
export function findBrowser() {
  const named = process.env.KAMINO_BROWSER;
  if (named && existsSync(named)) return named;
  const names = [
    'chromium-headless-shell',
    'chromium',
    'chromium-browser',
    'google-chrome',
    'google-chrome-stable',
    'microsoft-edge',
  ];
  const folders = (process.env.PATH ?? '').split(process.platform === 'win32' ? ';' : ':');
  for (const name of names)
    for (const folder of folders) if (existsSync(join(folder, name))) return join(folder, name);
  const others = [
    '/Applications/Google Chrome.app/Contents/MacOS/Google Chrome',
    '/Applications/Chromium.app/Contents/MacOS/Chromium',
    'C:\\Program Files\\Google\\Chrome\\Application\\chrome.exe',
    'C:\\Program Files (x86)\\Microsoft\\Edge\\Application\\msedge.exe',
  ];
  return others.find(existsSync) ?? null;
}
