/* global Event, getComputedStyle, requestAnimationFrame */
// Measures how long it takes from a colour in the preview's controls to all of its windows, on the demo, in a real browser.
// npm run bench:controls
import { spawn, spawnSync } from 'node:child_process';
import { existsSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { delimiter, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { chromium } from 'playwright-core';

const rounds = Number(process.argv[2] ?? 12);
const program = fileURLToPath(new URL('../dist/kamino.js', import.meta.url));
const folder = mkdtempSync(join(tmpdir(), 'kamino-controls-'));
const names = ['chromium-headless-shell', 'chromium', 'google-chrome', 'microsoft-edge'];
const found = names
  .flatMap(name => (process.env.PATH ?? '').split(delimiter).map(one => join(one, name)))
  .find(existsSync);
spawnSync(process.execPath, [program, 'demo'], { cwd: folder });
const server = spawn(process.execPath, [program, 'preview', '--port', '4901'], {
  cwd: join(folder, 'brackenfold'),
});
const address = await new Promise(resolve => {
  let said = '';
  server.stdout.on('data', data => {
    said += data;
    const match = /(http:\/\/localhost:\d+\/)/.exec(said);
    if (match && said.includes('Ctrl-C')) resolve(match[1]);
  });
});
const browser = await chromium.launch({
  executablePath: process.env.KAMINO_BROWSER ?? found,
  args: ['--no-sandbox', '--disable-gpu'],
});
const middle = times => [...times].sort((one, other) => one - other)[times.length >> 1];
try {
  const page = await browser.newPage({ viewport: { width: 1280, height: 900 } });
  await page.goto(`${address}_widths`);
  await page.getByLabel('Ground', { exact: true }).waitFor();
  await page.waitForTimeout(1500);
  const times = await page.evaluate(async count => {
    const input = document.querySelector('[aria-label=Ground]');
    const tried = () => document.querySelector('.controls').dataset.tried;
    const made = [];
    for (let round = 0; round < count; round += 1) {
      const before = tried();
      const start = performance.now();
      input.value = `#12${(16 + round).toString(16)}56`;
      input.dispatchEvent(new Event('input'));
      // All frames have it, as a browser computes it, and are drawn.
      const wanted = `rgb(18, ${16 + round}, 86)`;
      const seen = [...document.querySelectorAll('main iframe')].every(
        frame =>
          getComputedStyle(frame.contentDocument.querySelector('nav.kamino-menu-masthead'))
            .backgroundColor === wanted,
      );
      await new Promise(done => requestAnimationFrame(() => setTimeout(done)));
      const direct = performance.now() - start;
      while (tried() === before) await new Promise(done => setTimeout(done, 1));
      made.push({ seen, direct, whole: performance.now() - start });
      await new Promise(done => setTimeout(done, 150));
    }
    return made;
  }, rounds);
  const of = key => times.map(one => Math.round(one[key]));
  console.log(`Seen in all windows: ${times.every(one => one.seen)}`);
  console.log(`The colour, drawn: ${of('direct').join(', ')} ms; median ${middle(of('direct'))} ms`);
  console.log(`All that follows from it: ${of('whole').join(', ')} ms; median ${middle(of('whole'))} ms`);
} finally {
  await browser.close();
  server.kill();
  rmSync(folder, { recursive: true, force: true });
}
