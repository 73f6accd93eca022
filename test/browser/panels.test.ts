import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { gzipSync } from 'node:zlib';
import { beforeAll, describe, expect, it, test } from '@jest/globals';
import type { Page } from 'playwright-core';
import { eventually, open, useBrowser } from '../helpers/browser.ts';
import { folderWith, kamino, page } from '../helpers/site.ts';

const names = 'Mercury Venus Earth Mars Ceres Jupiter Saturn Uranus Neptune Pluto Eris Sedna'.split(' ');
const id = (name: string): string => name.toLowerCase();
/** Pluto has no id of its own. */
const panel = (name: string, at: number): string =>
  `<section${name === 'Pluto' ? '' : ` id="${id(name)}"`}><h2>${name}</h2><p>${'Text. '.repeat(20 * (at + 1))}</p><p id="more-${id(name)}">More of ${name}</p></section>`;
const planets = page(
  'Planets',
  `<div id="planets">${names.map(panel).join('\n')}</div><h2 id="after">After</h2><p style="height:900px">Text</p>`,
).replace('<main>', '<header></header><main>');
const plan = (lines = '', more = ''): string => `kamino: 1
look: { accent: "#3d5a80", background: "#ffffff", color: "#1d2733", states: { current: { background: "#3d5a80", color: "#ffffff" } } }
menus:
  - menu: m
    entries: [index.html, planets.html, { panel: saturn }, { section: "planets.html#after", label: After }]
${more}panels:
  - { panels: worlds, page: planets.html, of: "#planets > section", first: venus${lines} }
`;
const site = (text: string): string => {
  const folder = folderWith({ 'index.html': page('Front'), 'planets.html': planets, 'kamino.yaml': text });
  expect(kamino(folder, 'build').status).toBe(0);
  return join(folder, 'built');
};

let built = '';
useBrowser();
beforeAll(() => {
  built = site(plan());
});
const address = (path: string, root = built): string => pathToFileURL(join(root, path)).href;

/** What is seen: panels, address, title, and the tabs that are marked. */
const seen = (
  tab: Page,
): Promise<{ shown: string; hash: string; title: string; marked: string; told: string }> =>
  tab.evaluate(() => {
    const tabs = [...document.querySelectorAll<HTMLAnchorElement>('.kamino-menu-worlds a')];
    const isMarked = (one: Element): boolean =>
      getComputedStyle(one, '::after').content !== 'none' &&
      getComputedStyle(one).color === 'rgb(255, 255, 255)';
    return {
      shown: [...document.querySelectorAll('#planets > section')]
        .filter(one => one.getClientRects().length > 0)
        .map(one => one.querySelector('h2')!.textContent)
        .join(),
      hash: location.hash,
      title: document.title,
      marked: tabs
        .filter(isMarked)
        .map(one => one.textContent)
        .join(),
      told: tabs
        .filter(one => one.ariaCurrent !== null)
        .map(one => one.textContent)
        .join(),
    };
  });

describe.each(['on', 'off', 'lost'])('a tour of twelve panels, the script %s', script => {
  const isOn = script === 'on';
  const start = async (path: string): Promise<Page> => {
    const tab = await open('about:blank', { javaScriptEnabled: script !== 'off', reducedMotion: 'reduce' });
    if (script === 'lost') await tab.route('**/menu.js', route => route.abort());
    await tab.goto(address('index.html').replace('index.html', path));
    return tab;
  };
  const agree = async (tab: Page, name: string, hash: string): Promise<void> => {
    await tab.mouse.move(500, 790);
    const title = isOn && hash !== '' && hash !== '#nowhere' ? `${name} | Planets` : 'Planets';
    await eventually(
      () => seen(tab),
      now => expect(now).toEqual({ shown: name, hash, title, marked: name, told: isOn ? name : '' }),
    );
  };
  const link = (name: string) => `.kamino-menu-worlds a:text-is("${name}")`;

  it('click, Back, Forward and reload agree in panel, address, title and mark', async () => {
    const tab = await start('planets.html');
    await agree(tab, 'Venus', '');
    for (const name of names) {
      await tab.click(link(name));
      await agree(tab, name, `#${id(name)}`);
    }
    for (const name of names.slice(0, -1).toReversed()) {
      await tab.goBack();
      await agree(tab, name, `#${id(name)}`);
    }
    await tab.goBack();
    await agree(tab, 'Venus', '');
    for (const name of names.slice(0, 4)) {
      await tab.goForward();
      await agree(tab, name, `#${id(name)}`);
    }
    await tab.reload();
    await agree(tab, 'Mars', '#mars');
    await tab.context().close();
  });

  it('a pasted address, an unknown name, and links from other pages and to places inside agree', async () => {
    for (const name of names) {
      const tab = await start(`planets.html#${id(name)}`);
      await agree(tab, name, `#${id(name)}`);
      await tab.context().close();
    }
    const tab = await start('planets.html#nowhere');
    await agree(tab, 'Venus', '#nowhere');
    const errors: string[] = [];
    tab.on('pageerror', error => errors.push(error.message));
    await tab.goto(`${address('planets.html')}#%E0%A4%A`);
    await eventually(
      () => seen(tab),
      now => expect([now.shown, errors]).toEqual(['Venus', []]),
    );
    await tab.goto(address('index.html'));
    await tab.click('a:text-is("Saturn")');
    await tab.waitForURL('**/planets.html#saturn');
    await agree(tab, 'Saturn', '#saturn');
    await tab.goto('about:blank');
    await tab.goto(`${address('planets.html')}#more-eris`);
    expect((await seen(tab)).shown).toBe('Eris');
    expect(await tab.locator('#more-eris').isVisible()).toBe(true);
    await tab.context().close();
  });

  it('a jump to elsewhere on the page leaves the panel with the script, and shows the first without', async () => {
    const tab = await start('planets.html#mars');
    await tab.click('.kamino-menu-m a:text-is("After")');
    await eventually(
      async () => (await tab.locator('#after').boundingBox())!.y,
      top => expect(top).toBeLessThan(300),
    );
    expect((await seen(tab)).shown).toBe(isOn ? 'Mars' : 'Venus');
    await tab.context().close();
  });
});

test('the focus goes to the panel, and nothing shifts or flashes at load', async () => {
  const tab = await open('about:blank', { reducedMotion: 'reduce' });
  await tab.addInitScript(() => {
    const shifts: number[] = ((window as unknown as { shifts: number[] }).shifts = []);
    new PerformanceObserver(list => {
      for (const one of list.getEntries()) shifts.push((one as unknown as { value: number }).value);
    }).observe({ type: 'layout-shift', buffered: true });
  });
  await tab.goto(address('planets.html'));
  await tab.waitForTimeout(400);
  expect(await tab.evaluate(() => (window as unknown as { shifts: number[] }).shifts)).toEqual([]);
  await tab.click('.kamino-menu-worlds a:text-is("Earth")');
  await tab.waitForFunction(() => document.activeElement?.id === 'earth');
  await tab.context().close();
});

test('paper and a lost style sheet have all panels', async () => {
  const tab = await open(address('planets.html'));
  await tab.emulateMedia({ media: 'print' });
  expect((await seen(tab)).shown).toBe(names.join());
  await tab.route('**/menu.css', route => route.abort());
  await tab.emulateMedia({ media: 'screen' });
  await tab.reload();
  expect((await seen(tab)).shown).toBe(names.join());
  await tab.context().close();
});

test('as high as the tallest: what follows does not move from one panel to the next', async () => {
  const tab = await open(address('planets.html', site(plan(', height: tallest'))), {
    reducedMotion: 'reduce',
  });
  const place = async (): Promise<number> =>
    (await tab.locator('#after').boundingBox())!.y + (await tab.evaluate(() => scrollY));
  const visible = (): Promise<string[]> =>
    tab.evaluate(() =>
      [...document.querySelectorAll('#planets > section')]
        .filter(one => getComputedStyle(one).visibility === 'visible')
        .map(one => one.id),
    );
  const before = await place();
  expect(await visible()).toEqual(['venus']);
  for (const name of ['Mercury', 'Sedna', 'Mars']) {
    await tab.click(`.kamino-menu-worlds a:text-is("${name}")`);
    await eventually(
      async () => [await visible(), await place()],
      now => expect(now).toEqual([[id(name)], before]),
    );
  }
  await tab.context().close();
});

test('a menu of the plan can switch, and one that leaves a panel out is told', async () => {
  const entries = (list: string[]): string =>
    `  - { menu: sky, form: column, carried-by: planets.html, entries: [${list.map(name => `{ panel: ${id(name)} }`).join(', ')}] }\n`;
  const tab = await open(address('planets.html', site(plan(', switch: sky', entries(names)))));
  await tab.click('.kamino-menu-sky a:text-is("Jupiter")');
  await tab.waitForFunction(() => document.title === 'Jupiter | Planets');
  expect(await tab.locator('#jupiter').isVisible()).toBe(true);
  await tab.context().close();
  const told = (text: string): string => {
    const folder = folderWith({ 'index.html': page('Front'), 'planets.html': planets, 'kamino.yaml': text });
    return [...kamino(folder, 'build').err.matchAll(/error ([\w-]+):/g)].map(match => match[1]).join();
  };
  expect(told(plan(', switch: sky', entries(names.slice(1))))).toBe('hidden-menu');
  expect(told(plan(', switch: sea'))).toBe('unknown-menu');
  expect(told(plan().replace('first: venus', 'first: vulcan'))).toBe('missing-section');
  expect(told(plan().replace('panel: saturn', 'panel: vulcan'))).toBe('missing-section');
  expect(told(plan().replace('"#planets > section"', '".planet"'))).toContain('missing-section');
});

test('the script for everything there is stays under 4 kB gzip', () => {
  const all = site(
    `${plan('', '  - { menu: bar, fold: { when: below 40em, as: drawer }, entries: [{ page: index.html, entries: [planets.html, { section: "planets.html#after", label: After }] }] }\n')}to-top: {}\n`,
  );
  const script = readFileSync(join(all, 'kamino/menu.js'));
  for (const used of ['popover-open', 'kaminoPanel', 'IntersectionObserver', 'kamino-away', 'kamino-opener'])
    expect(script.toString()).toContain(used);
  expect(gzipSync(script).length).toBeLessThan(4000);
});
