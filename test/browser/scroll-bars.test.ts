// Where scroll bars take room, what covers the page lies over that room too, and the page stays where it was.
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { expect, test } from '@jest/globals';
import type { Page } from 'playwright-core';
import { open, useBrowser } from '../helpers/browser.ts';
import { folderWith, kamino, page } from '../helpers/site.ts';

useBrowser({ bars: true });

const css = 'body{max-width:30rem;margin:0 auto} #text{height:3000px}';

function built(fold: string): string {
  const text = (title: string): string =>
    page(title, `<header></header><p id="text">Text</p>`).replace('</head>', `<style>${css}</style></head>`);
  const folder = folderWith({
    'index.html': text('Home'),
    'visit.html': text('Visit'),
    'kamino.yaml': `kamino: 1\nmenus: [{ menu: m, fold: { when: any-width, ${fold} }, entries: [index.html, visit.html] }]\n`,
  });
  expect(kamino(folder, 'build').status).toBe(0);
  return pathToFileURL(join(folder, 'built/index.html')).href;
}

const seen = (
  tab: Page,
): Promise<{ text: number; bar: number; scrolls: boolean; atEdge: boolean; padding: string }> =>
  tab.evaluate(() => {
    const [root, fold] = [document.documentElement, document.querySelector('.kamino-fold')!];
    return {
      text: document.querySelector('#text')!.getBoundingClientRect().left,
      bar: innerWidth - root.clientWidth,
      scrolls: getComputedStyle(root).overflow !== 'hidden',
      atEdge: document.elementFromPoint(innerWidth - 2, innerHeight / 2) === fold,
      padding: root.style.paddingRight,
    };
  });

test.each([
  ['as: full-screen', true],
  ['as: drawer, behind: covered, side: end', true],
  // What lies over the page beside it is no element.
  ['as: drawer, behind: covered', false],
] as const)('a menu that covers the page, opened twice: %s', async (fold, atEdge) => {
  const tab = await open(built(fold));
  const before = await seen(tab);
  expect(before).toMatchObject({ scrolls: true, atEdge: false, padding: '' });
  expect(before.bar).toBeGreaterThan(0);
  for (const key of ['Escape', 'Enter']) {
    await tab.locator('.kamino-toggle button').click();
    await tab.waitForTimeout(300);
    expect(await seen(tab)).toEqual({
      text: before.text,
      bar: 0,
      scrolls: false,
      atEdge,
      padding: `${before.bar}px`,
    });
    await tab.keyboard.press(key);
    await tab.waitForTimeout(300);
    expect(await seen(tab)).toEqual(before);
  }
  await tab.context().close();
});

test('a drawer that shifts the page leaves its scroll bar', async () => {
  const tab = await open(built('as: drawer, behind: shifted'));
  const before = await seen(tab);
  await tab.locator('.kamino-toggle button').click();
  await tab.waitForTimeout(300);
  expect(await seen(tab)).toMatchObject({ bar: before.bar, scrolls: true, padding: '' });
  await tab.context().close();
});
