import { spawnSync } from 'node:child_process';
import { existsSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { type Looking, dumpPage, leftIn } from './dump.ts';

/** A picture (PNG) of a whole page in a window of this width; null where the browser gives none. */
export function pictureOf({ browser, script }: Looking, html: string, width: number): Uint8Array | null {
  const folder = mkdtempSync(join(tmpdir(), 'kamino-picture-'));
  try {
    const page = join(folder, 'page.html');
    const [out, profile] = [join(folder, 'page.png'), join(folder, 'profile')];
    const end = html.lastIndexOf('</body>');
    writeFileSync(page, `${html.slice(0, end)}<script>${script}</script>${html.slice(end)}`);
    const height =
      Number(
        leftIn(dumpPage(browser, page, { profile, size: [width, 800], time: 8000 }), 'data-kamino-height'),
      ) || 2000;
    writeFileSync(page, html);
    spawnSync(
      browser,
      [
        '--headless',
        ...(process.getuid?.() === 0 ? ['--no-sandbox'] : []),
        '--disable-gpu',
        '--font-render-hinting=none',
        '--hide-scrollbars',
        `--window-size=${width},${height}`,
        `--user-data-dir=${profile}`,
        '--virtual-time-budget=8000',
        `--screenshot=${out}`,
        pathToFileURL(page).href,
      ],
      { timeout: 60_000, stdio: 'ignore' },
    );
    return existsSync(out) ? readFileSync(out) : null;
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
}
