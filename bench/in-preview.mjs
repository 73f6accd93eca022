// A preview of the demo, and a browser to look at it.
import { spawn, spawnSync } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { chromium } from 'playwright-core';
import { findBrowser } from '../tools/browsers.mjs';

const program = fileURLToPath(new URL('../dist/kamino.cjs', import.meta.url));
/** Calls with the site of a preview, its address and a browser; all of them are gone afterwards. */
export async function inPreview(port, look) {
  const folder = mkdtempSync(join(tmpdir(), 'kamino-preview-'));
  spawnSync(process.execPath, [program, 'demo'], { cwd: folder });
  const site = join(folder, 'brackenfold');
  const server = spawn(process.execPath, [program, 'preview', '--port', String(port)], { cwd: site });
  const address = await new Promise(resolve => {
    let said = '';
    server.stdout.on('data', data => {
      said += data;
      const match = /(http:\/\/localhost:\d+\/)/.exec(said);
      if (match && said.includes('Ctrl-C')) resolve(match[1]);
    });
  });
  const browser = await chromium.launch({
    executablePath: findBrowser(),
    args: ['--no-sandbox', '--disable-gpu'],
  });
  try {
    await look({ site, address, browser });
  } finally {
    await browser.close();
    server.kill();
    rmSync(folder, { recursive: true, force: true });
  }
}

/** The middle one of some times. */
export const median = times => [...times].sort((one, other) => one - other)[times.length >> 1];
