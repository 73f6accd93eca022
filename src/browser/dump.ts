import { execFile } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { promisify } from 'node:util';
import { quiet } from './find.ts';

const patience = 60_000;
const run = promisify(execFile);

/** A browser on this machine, and the script that looks at a page in it. */
export interface Looking {
  browser: string;
  script: string;
}

export interface Window {
  size?: readonly [width: number, height: number];
  /** How long the page’s own time goes on, in milliseconds. */
  time?: number;
}

/** A browser with a profile of its own, which knows no host but this machine, and goes when what is done is done. */
export async function withBrowser<Seen>(browser: string, use: (open: Open) => Promise<Seen>): Promise<Seen> {
  const profile = mkdtempSync(join(tmpdir(), 'kamino-browser-'));
  try {
    return await use(async (address, more, { size = [1280, 800], time = 3000 } = {}) => {
      const given = [
        '--headless',
        // Its sandbox does not start for root.
        ...(process.getuid?.() === 0 ? ['--no-sandbox'] : []),
        ...quiet,
        `--window-size=${size.join(',')}`,
        `--user-data-dir=${profile}`,
        `--virtual-time-budget=${time}`,
      ];
      try {
        const { stdout } = await run(browser, [...given, ...more, address], {
          timeout: patience,
          maxBuffer: 64 * 1024 * 1024,
        });
        return stdout;
      } catch {
        return '';
      }
    });
  } finally {
    rmSync(profile, { recursive: true, force: true, maxRetries: 5 });
  }
}

/** Opens an address, and gives what the browser prints; nothing where it fails. */
export type Open = (address: string, more: readonly string[], window?: Window) => Promise<string>;

/** What a script left in an attribute of the page’s root, as `encodeURIComponent(JSON.stringify(…))`. */
export function leftIn(markup: string, attribute: string): unknown {
  const match = new RegExp(`${attribute}="([^"]*)"`).exec(markup);
  return match ? (JSON.parse(decodeURIComponent(match[1]!)) as unknown) : null;
}
