import { spawnSync } from 'node:child_process';
import { pathToFileURL } from 'node:url';

const patience = 60_000;

/** A browser on this machine, and the script that looks at a page in it. */
export interface Looking {
  browser: string;
  script: string;
}

/** A page as a browser has it after its scripts have run, as markup; null where the browser gives none. */
export function dumpPage(
  browser: string,
  file: string,
  { profile, size = [1280, 800], time = 3000 }: { profile: string; size?: [number, number]; time?: number },
): string | null {
  const { stdout } = spawnSync(
    browser,
    [
      '--headless',
      // Its sandbox does not start for root.
      ...(process.getuid?.() === 0 ? ['--no-sandbox'] : []),
      '--disable-gpu',
      // Letters are as wide as in a window, whatever the size.
      '--font-render-hinting=none',
      '--allow-file-access-from-files',
      `--window-size=${size.join(',')}`,
      `--user-data-dir=${profile}`,
      `--virtual-time-budget=${time}`,
      '--dump-dom',
      pathToFileURL(file).href,
    ],
    { encoding: 'utf8', timeout: patience, stdio: ['ignore', 'pipe', 'ignore'], maxBuffer: 64 * 1024 * 1024 },
  );
  return stdout || null;
}

/** What a script left in an attribute of the page’s root, as `encodeURIComponent(JSON.stringify(…))`. */
export function leftIn(markup: string | null, attribute: string): unknown {
  const match = markup === null ? null : new RegExp(`${attribute}="([^"]*)"`).exec(markup);
  return match ? (JSON.parse(decodeURIComponent(match[1]!)) as unknown) : null;
}
