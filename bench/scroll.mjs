// Measures what the script and the style sheet of the menus cost while a page is scrolled, by a trace of a real browser.
// npm run bench:scroll
import { spawnSync } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath, pathToFileURL } from 'node:url';
import { chromium } from 'playwright-core';
import { findBrowser } from '../tools/browsers.mjs';

const program = fileURLToPath(new URL('../dist/kamino.cjs', import.meta.url));
const folder = mkdtempSync(join(tmpdir(), 'kamino-scroll-'));
spawnSync(process.execPath, [program, 'demo'], { cwd: folder });
const page = pathToFileURL(join(folder, 'brackenfold/built/open-night.html')).href;
const browser = await chromium.launch({
  executablePath: findBrowser(),
  args: ['--no-sandbox', '--disable-gpu'],
});
try {
  const tab = await browser.newPage({ viewport: { width: 390, height: 600 } });
  await tab.goto(page);
  await tab.waitForTimeout(500);
  await tab.mouse.move(200, 300);
  await browser.startTracing(tab, {
    categories: ['devtools.timeline', 'disabled-by-default-devtools.timeline'],
  });
  for (let step = 0; step < 60; step += 1) {
    await tab.mouse.wheel(0, step < 30 ? 60 : -60);
    await tab.waitForTimeout(40);
  }
  const { traceEvents } = JSON.parse((await browser.stopTracing()).toString());
  const frames = traceEvents.filter(one => one.name === 'Commit').sort((one, other) => one.ts - other.ts);
  // What runs of ours: functions that the page calls, and the looking of observers.
  const ours = traceEvents.filter(
    one =>
      one.ph === 'X' &&
      /^(?:FunctionCall|IntersectionObserverController::computeIntersections)$/.test(one.name),
  );
  const perFrame = frames.map((frame, at) => {
    const end = frames[at + 1]?.ts ?? Infinity;
    const own = ours.filter(one => one.tid === frame.tid && one.ts >= frame.ts && one.ts < end);
    return own.reduce((sum, one) => sum + (one.dur ?? 0), 0) / 1000;
  });
  const sorted = perFrame.sort((one, other) => one - other);
  const at = share => (sorted[Math.floor((sorted.length - 1) * share)] ?? 0).toFixed(3);
  console.log(`${sorted.length} frames while scrolling; main-thread work of menus in ms a frame:`);
  console.log(`median ${at(0.5)}, nine in ten at most ${at(0.9)}, the most ${at(1)}`);
} finally {
  await browser.close();
  rmSync(folder, { recursive: true, force: true });
}
