// Measures how long it takes from a saved plan to the page that shows it, on the demo, in a real browser.
// npm run bench:preview
import { spawn, spawnSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { delimiter, join } from 'node:path';
import { existsSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { chromium } from 'playwright-core';

const rounds = Number(process.argv[2] ?? 12);
const program = fileURLToPath(new URL('../dist/kamino.js', import.meta.url));
const folder = mkdtempSync(join(tmpdir(), 'kamino-preview-'));
const names = ['chromium', 'chromium-browser', 'google-chrome', 'google-chrome-stable', 'microsoft-edge'];
const found = names
  .flatMap(name => (process.env.PATH ?? '').split(delimiter).map(one => join(one, name)))
  .find(existsSync);
spawnSync(process.execPath, [program, 'demo'], { cwd: folder });
const site = join(folder, 'brackenfold');
const server = spawn(process.execPath, [program, 'preview', '--port', '4900'], { cwd: site });
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
try {
  const page = await browser.newPage();
  await page.goto(`${address}visit/index.html`);
  const file = join(site, 'kamino.yaml');
  const plan = readFileSync(file, 'utf8');
  const times = [];
  for (let round = 0; round < rounds; round += 1) {
    const wanted = `Round ${round}`;
    const shown = page.waitForFunction(
      text => document.querySelector('.kamino-home')?.textContent === text,
      wanted,
      { polling: 2 },
    );
    const start = performance.now();
    writeFileSync(file, plan.replace('label: Brackenfold }', `label: ${wanted} }`));
    await shown;
    times.push(Math.round(performance.now() - start));
    await page.waitForTimeout(200);
  }
  const sorted = [...times].sort((one, other) => one - other);
  console.log(
    `From saved plan to shown page: ${times.join(', ')} ms; median ${sorted[sorted.length >> 1]} ms`,
  );
} finally {
  await browser.close();
  server.kill();
  rmSync(folder, { recursive: true, force: true });
}
