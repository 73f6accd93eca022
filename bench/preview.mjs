// Measures how long it takes from a saved plan to the page that shows it, on the demo, in a real browser.
// npm run bench:preview
import { readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { inPreview, median } from './in-preview.mjs';

const rounds = Number(process.argv[2] ?? 12);
await inPreview(4900, async ({ site, address, browser }) => {
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
  console.log(`From saved plan to shown page: ${times.join(', ')} ms; median ${median(times)} ms`);
});
