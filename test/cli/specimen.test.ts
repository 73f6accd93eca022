import { existsSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { expect, it, test } from '@jest/globals';
import { open, useBrowser } from '../helpers/browser.ts';
import { folderWith, kamino, page } from '../helpers/site.ts';

const plan = `kamino: 1
look: { accent: "#8a3b12", background: "#ffffff", color: "#33261d" }
menus:
  - menu: m
    home: { label: Fold }
    fold: { when: crowded }
    entries:
      - index.html
      - { page: later.html, entries: [soon/index.html] }
      - { section: "later.html#prices", label: Prices }
      - { page: book.html, highlight: background }
`;
const site = (text = plan): string => folderWith({ 'index.html': page('Home'), 'kamino.yaml': text });

useBrowser();

it('shows every entry in six states, also those whose pages are not there yet, each as it is in a page', async () => {
  const folder = site();
  const { status, err, out } = kamino(folder, 'specimen');
  expect([status, err]).toEqual([0, '']);
  expect(out).toContain('Wrote specimen.html: 4 entries of 1 menu in six states.');
  // It is no page of the site that it lies in.
  expect(kamino(folder, 'inventory').out).toMatch(/^1 page and 0 other files/);
  const tab = await open(pathToFileURL(join(folder, 'specimen.html')).href);
  const light = await tab.evaluate(() =>
    [...document.querySelectorAll('.light .states tbody tr')].map(row => ({
      label: row.querySelector('th')!.textContent,
      grounds: [...row.querySelectorAll('a')].map(one => getComputedStyle(one).backgroundColor),
      ring: [...row.querySelectorAll('a')].map(one => getComputedStyle(one).outlineStyle),
      marks: [...row.querySelectorAll('a')].map(one => getComputedStyle(one, '::after').content !== 'none'),
    })),
  );
  expect(light.map(one => one.label)).toEqual(['Home', 'Later', 'Soon', 'Prices', 'Book']);
  for (const { grounds, ring, marks } of light) {
    expect(new Set(grounds.slice(0, 3)).size).toBe(3);
    expect(ring.map(one => one === 'solid')).toEqual([false, false, false, true, false, false]);
    expect(marks).toEqual([false, false, false, false, true, true]);
  }
  // A light ground has its dark counterpart beside it, and nothing is fetched.
  expect(await tab.locator('.dark .states').count()).toBe(1);
  const html = readFileSync(join(folder, 'specimen.html'), 'utf8');
  expect(html).not.toMatch(/<(?:link|script|img)\b|url\((?!data:)|@import/);
  // Nothing of the site is touched.
  expect(existsSync(join(folder, 'built'))).toBe(false);
  await tab.context().close();
});

it('shows the whole menu at each width, folded where it does not fit', async () => {
  const folder = site(
    plan.replace('- index.html', '- { page: index.html, label: A label that is really very long indeed }'),
  );
  kamino(folder, 'specimen');
  const tab = await open(pathToFileURL(join(folder, 'specimen.html')).href, {
    viewport: { width: 1600, height: 900 },
  });
  const folded: [number, boolean][] = [];
  for (const frame of tab.frames().slice(1)) {
    const width = await frame.evaluate(() => innerWidth);
    folded.push([width, await frame.locator('.kamino-toggle').isVisible()]);
  }
  expect(folded).toEqual([
    [320, true],
    [390, true],
    [768, false],
    [1024, false],
    [1280, false],
  ]);
  await tab.context().close();
});

test('--png makes a picture by a real browser', () => {
  const folder = site();
  expect(kamino(folder, 'specimen', '--png', 'sheet.png').out).toContain('specimen.html and sheet.png');
  expect(readFileSync(join(folder, 'sheet.png')).subarray(1, 4).toString()).toBe('PNG');
});

test('a plan that is wrong is told, and nothing is written', () => {
  const folder = site(plan.replace('accent', 'acent'));
  expect(kamino(folder, 'specimen').status).toBe(2);
  expect(existsSync(join(folder, 'specimen.html'))).toBe(false);
});
