/* global Event, getComputedStyle, requestAnimationFrame */
// Measures how long it takes from a colour in the preview's controls to all of its windows, on the demo, in a real browser.
// npm run bench:controls
import { inPreview, median } from './in-preview.mjs';

const rounds = Number(process.argv[2] ?? 12);
await inPreview(4901, async ({ address, browser }) => {
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
  console.log(`The colour, drawn: ${of('direct').join(', ')} ms; median ${median(of('direct'))} ms`);
  console.log(`All that follows from it: ${of('whole').join(', ')} ms; median ${median(of('whole'))} ms`);
});
