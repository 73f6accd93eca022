/* global Event, getComputedStyle, requestAnimationFrame */
// Measures how long it takes from a colour in the preview's controls to all of its windows, on the demo, in a real browser.
// npm run bench:controls
import { inPreview, median } from './in-preview.mjs';

const rounds = Number(process.argv[2] ?? 12);
await inPreview(4901, async ({ address, browser }) => {
  // Without motion a colour is there at once.
  const page = await browser.newPage({ viewport: { width: 1280, height: 900 }, reducedMotion: 'reduce' });
  await page.goto(`${address}_widths`);
  await page.getByLabel('Ground', { exact: true }).waitFor();
  await page.waitForTimeout(1500);
  for (const [field, property, of] of [
    ['Ground', 'backgroundColor', 'nav.kamino-menu-masthead'],
    ['Label', 'color', 'nav.kamino-menu-masthead a:not([aria-current])'],
  ]) {
    const times = await page.evaluate(timed, { count: rounds, field, property, of });
    const all = key => times.map(one => Math.round(one[key]));
    console.log(`${field}: seen in all windows: ${times.every(one => one.seen)}`);
    console.log(`  the colour, drawn: ${all('direct').join(', ')} ms; median ${median(all('direct'))} ms`);
    console.log(
      `  all that follows from it: ${all('whole').join(', ')} ms; median ${median(all('whole'))} ms`,
    );
  }
});

/** In the page of widths: sets a colour so often, and waits until all windows have it, as a browser computes and draws it. */
async function timed({ count, field, property, of }) {
  const input = document.querySelector(`[aria-label=${field}]`);
  const tried = () => document.querySelector('.controls').dataset.tried;
  const made = [];
  for (let round = 0; round < count; round += 1) {
    const before = tried();
    const start = performance.now();
    input.value = `#12${(16 + round).toString(16)}56`;
    input.dispatchEvent(new Event('input'));
    const wanted = `rgb(18, ${16 + round}, 86)`;
    // All frames have it, as a browser computes it, and are drawn.
    const seen = [...document.querySelectorAll('main iframe')].every(
      frame => getComputedStyle(frame.contentDocument.querySelector(of))[property] === wanted,
    );
    await new Promise(done => requestAnimationFrame(() => setTimeout(done)));
    const direct = performance.now() - start;
    while (tried() === before) await new Promise(done => setTimeout(done, 1));
    made.push({ seen, direct, whole: performance.now() - start });
    await new Promise(done => setTimeout(done, 150));
  }
  return made;
}
