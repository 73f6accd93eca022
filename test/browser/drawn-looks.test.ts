// Looks to start from: each is drafted, built and looked at, wide and on a phone.
import { pathToFileURL } from 'node:url';
import { join } from 'node:path';
import { describe, expect, test } from '@jest/globals';
import { drawnLooks } from '../../src/core/draft/looks.ts';
import { open, useBrowser } from '../helpers/browser.ts';
import { folderWith, kamino, page } from '../helpers/site.ts';

useBrowser();
const titles = ['index', 'tonight', 'visit', 'schools', 'journal'];
const viewport = '<meta name="viewport" content="width=device-width"></head>';

describe.each(Object.keys(drawnLooks))('the look %s', name => {
  test('is drafted as plain keys, tells nothing, and folds on a phone alone', async () => {
    const folder = folderWith(
      Object.fromEntries(titles.map(one => [`${one}.html`, page(`A ${one}`).replace('</head>', viewport)])),
    );
    expect(kamino(folder, 'draft', '--yes', '--look', name)).toMatchObject({ status: 0, err: '' });
    const { status, err } = kamino(folder, 'build');
    // What a look says of icons waits for icons.
    expect([
      status,
      err.replace(/kamino\.yaml:\d+:\d+: warning no-effect: no entry has an icon[^]*/, ''),
    ]).toEqual([0, '']);
    const tab = await open(pathToFileURL(join(folder, 'built/visit.html')).href);
    for (const [width, isFolded] of [
      [1280, false],
      [320, true],
    ] as const) {
      await tab.setViewportSize({ width, height: 700 });
      const seen = await tab.evaluate(() => ({
        over: document.documentElement.scrollWidth - innerWidth,
        toggle: document.querySelector('.kamino-toggle')!.checkVisibility(),
        current: document.querySelectorAll('nav [aria-current="page"]').length,
      }));
      expect(seen).toEqual({ over: 0, toggle: isFolded, current: 1 });
    }
    await tab.context().close();
  });
});

test('a look that there is not is told with the nearest one, and nothing is written', () => {
  const folder = folderWith({ 'index.html': page('A') });
  const { status, err } = kamino(folder, 'draft', '--yes', '--look', 'pils');
  expect([status, err]).toEqual([2, expect.stringContaining('--look pills')]);
  expect(kamino(folder, 'build').err).toContain('no-plan');
});
