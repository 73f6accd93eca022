import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { gzipSync } from 'node:zlib';
import { describe, expect, it, test } from '@jest/globals';
import type { Locator, Page } from 'playwright-core';
import { open, useBrowser } from '../helpers/browser.ts';
import { folderWith, kamino, page, put } from '../helpers/site.ts';
import { openSky, pathsOf, serve, sky, skyAddress, skySite } from '../helpers/sky.ts';

const phone = { viewport: { width: 390, height: 844 } };
useBrowser();

const link = (tab: Page, hook: string, nth = 0): Locator =>
  tab.locator(`[data-kamino-entry="${hook}"] > a`).nth(nth);
const toggle = (tab: Page): Locator => tab.locator('.kamino-toggle > *').first();
const settle = (tab: Page): Promise<unknown> =>
  tab.evaluate(() => Promise.allSettled(document.getAnimations().map(one => one.finished)));
/** How much of the page lies beside the window. */
const sideways = (tab: Page): Promise<number> =>
  tab.evaluate(() => document.documentElement.scrollWidth - document.documentElement.clientWidth);

const second = (fold: string): string => `  - menu: more
    title: More
    form: plain
    place: { last-in: body }
${fold === '' ? '' : `    fold: ${fold}\n`}    entries:
      - { page: visit.html, label: How to come }
      - { url: "https://sky.example/press", label: Press }
`;

test.each(['stack', 'drawer', 'full-screen'])('a second menu joins the fold of the first: %s', async as => {
  const folder = skySite(`fold: { when: below 48em, as: ${as} }`, {
    more: second('{ when: below 48em, joins: sky }'),
  });
  for (const javaScriptEnabled of [true, false]) {
    const tab = await openSky(folder, { ...phone, javaScriptEnabled });
    const press = (nth: number): Locator => link(tab, 'press', nth);
    expect([await press(0).isVisible(), await press(1).isVisible()]).toEqual([false, false]);
    await toggle(tab).click();
    await press(0).waitFor({ state: 'visible' });
    expect(await press(1).isVisible()).toBe(false);
    expect(await press(0).evaluate(one => one.closest('ul')!.getAttribute('aria-label'))).toBe('More');
    // Its entry of this page is marked there too.
    expect(await link(tab, 'visit', 1).getAttribute('aria-current')).toBe('page');
    await tab.context().close();
    const wide = await openSky(folder, { javaScriptEnabled });
    expect([await link(wide, 'press', 0).isVisible(), await link(wide, 'press', 1).isVisible()]).toEqual([
      false,
      true,
    ]);
    await wide.context().close();
  }
});

test('a crowded bar becomes a drawer exactly where its room ends', async () => {
  const folder = skySite('fold: { when: crowded, as: drawer }');
  const { out } = kamino(join(folder, '..'), 'measure', '--json');
  const [{ fitsFromPx }] = (JSON.parse(out) as { menus: [{ fitsFromPx: number }] }).menus;
  // Of a font of the system the widest known counts: one pixel of doubt, and the header's own 32 px.
  const tab = await openSky(folder, { viewport: { width: Math.ceil(fitsFromPx) + 33, height: 800 } });
  expect([await toggle(tab).isVisible(), await link(tab, 'tonight').isVisible()]).toEqual([false, true]);
  await tab.setViewportSize({ width: Math.floor(fitsFromPx) + 31, height: 800 });
  expect([await toggle(tab).isVisible(), await link(tab, 'tonight').isVisible()]).toEqual([true, false]);
  await toggle(tab).click();
  await link(tab, 'tonight').waitFor({ state: 'visible' });
  await settle(tab);
  const box = (await tab.locator('.kamino-fold').boundingBox())!;
  expect([box.x, box.y, box.height]).toEqual([0, 0, 800]);
  await tab.context().close();
});

test('what cannot join, or would be out of reach, is told and nothing is written', () => {
  const told = (lines: string): string[] => {
    const folder = folderWith({ 'index.html': page('A'), 'a.html': page('B') });
    put(folder, { 'kamino.yaml': `kamino: 1\nmenus:\n${lines}` });
    const { status, err } = kamino(folder, 'build');
    expect(status).toBe(2);
    return [...err.matchAll(/error ([\w-]+):/g)].map(match => match[1]!);
  };
  const menu = (name: string, fold: string, entries = '[index.html]'): string =>
    `  - { menu: ${name}, fold: { ${fold} }, entries: ${entries} }\n`;
  const first = menu('a', 'when: below 48em');
  expect(told(first + menu('b', 'when: below 40em, joins: a'))).toEqual(['cannot-join']);
  expect(told(first + menu('b', 'when: below 48em, joins: c'))).toEqual(['cannot-join']);
  expect(told(first + menu('b', 'when: crowded, joins: a'))).toEqual(['cannot-join']);
  expect(told(first + menu('b', 'when: below 48em, as: drawer, joins: a'))).toEqual(['wrong-value']);
  expect(told(first + menu('b', 'when: below 48em, as: none', '[index.html, a.html]'))).toEqual([
    'hidden-menu',
  ]);
  expect(told(first + menu('b', 'when: below 48em, as: drawer, side: left'))).toEqual(['wrong-value']);
});

test('a menu whose targets all stand in another one may be gone where there is no room', async () => {
  const folder = skySite('fold: { when: below 48em }', {
    more: second('{ when: below 48em, as: none }').replace(/ {6}- { url.*\n/, ''),
  });
  const tab = await openSky(folder, phone);
  expect(await tab.locator('.kamino-menu-more').isVisible()).toBe(false);
  await tab.setViewportSize({ width: 1000, height: 800 });
  expect(await tab.locator('.kamino-menu-more').isVisible()).toBe(true);
  await tab.context().close();
});

test('a menu tucked away at any width opens under the pointer where the plan says so, and a click holds it', async () => {
  const tab = await openSky(skySite('fold: { when: any-width, as: drawer, by: hover }'));
  expect(await toggle(tab).isVisible()).toBe(true);
  await toggle(tab).hover();
  await link(tab, 'tonight').waitFor({ state: 'visible' });
  // Nothing is taken away from who only passed by.
  expect(await tab.locator('[inert]').count()).toBe(0);
  await settle(tab);
  await tab.mouse.move(900, 500);
  await link(tab, 'tonight').waitFor({ state: 'hidden' });
  await toggle(tab).hover();
  await link(tab, 'tonight').waitFor({ state: 'visible' });
  // It has come to where the pointer goes next.
  await tab.waitForTimeout(300);
  await settle(tab);
  await tab.mouse.move(100, 300);
  await link(tab, 'tonight').click({ trial: true });
  await tab.mouse.click(100, 780);
  await tab.mouse.move(900, 500);
  await tab.waitForTimeout(500);
  expect(await link(tab, 'tonight').isVisible()).toBe(true);
  await tab.context().close();
});

describe('submenus', () => {
  it('lie in columns, the third level open under small headings', async () => {
    const tab = await openSky(skySite('opens: { columns: 2 }'));
    await tab.locator('[data-kamino-entry="planets"] > details > summary').click();
    await settle(tab);
    const [inner, outer, mars, small] = await Promise.all(
      ['inner', 'outer', 'mars', 'small-bodies'].map(hook => link(tab, hook).boundingBox()),
    );
    expect(mars!.y).toBeGreaterThan(inner!.y);
    expect([outer!.y, outer!.x > inner!.x + inner!.width - 1]).toEqual([inner!.y, true]);
    expect([small!.x, small!.y > mars!.y]).toEqual([inner!.x, true]);
    expect(await tab.locator('[data-kamino-entry="inner"] details').count()).toBe(0);
    expect(await sideways(tab)).toBe(0);
    await tab.context().close();
  });

  it('of a column lie in the flow and open on a click; beside it where the plan says hover', async () => {
    const flow = await openSky(skySite('form: column\nplace: { first-in: main }'));
    const opener = (tab: Page): Locator => tab.locator('[data-kamino-entry="planets"] > details > summary');
    await opener(flow).hover();
    await flow.waitForTimeout(400);
    expect(await link(flow, 'inner').isVisible()).toBe(false);
    await opener(flow).click();
    const [planets, inner] = [
      await link(flow, 'planets').boundingBox(),
      await link(flow, 'inner').boundingBox(),
    ];
    expect(inner!.y).toBeGreaterThan(planets!.y);
    await flow.context().close();
    const style = 'main{display:grid;grid-template-columns:200px 1fr}';
    const beside = await openSky(
      skySite('form: column\nplace: { first-in: main }\nopens: { by: hover }', { style }),
    );
    const before = await link(beside, 'visit').boundingBox();
    await link(beside, 'planets').hover();
    await link(beside, 'inner').waitFor({ state: 'visible' });
    expect((await link(beside, 'inner').boundingBox())!.x).toBeGreaterThan(200);
    expect(await link(beside, 'visit').boundingBox()).toEqual(before);
    await beside.context().close();
  });
});

test('a toggle shows a word, a mark or both, drawn or from a file, at either end', async () => {
  const svg = (path: string): string =>
    `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 10 10"><path d="${path}"/></svg>`;
  const files = { 'map.svg': svg('M0 0h10v10z'), 'close.svg': svg('M0 0l10 10') };
  const drawn = (tab: Page): Promise<string> =>
    toggle(tab).evaluate(one => {
      const shown = [...one.querySelectorAll('path')].filter(path => path.getClientRects().length > 0);
      return shown.map(path => path.getAttribute('d')).join() || getComputedStyle(one, '::before').content;
    });
  const shown = (fold: string): Promise<Page> =>
    openSky(skySite(`home: { label: Brackenfold }\nfold: { when: below 48em, ${fold} }`, { files }), phone);
  const word = await shown('toggle: { show: label, label: All pages, at: start }');
  expect([await toggle(word).innerText(), await drawn(word)]).toEqual(['All pages', 'none']);
  const [first, home] = [await toggle(word).boundingBox(), await word.locator('.kamino-home').boundingBox()];
  expect(first!.x).toBeLessThan(home!.x);
  const mark = await shown('toggle: { show: icon, icon: dots }');
  expect(await drawn(mark)).toBe('""');
  expect((await toggle(mark).boundingBox())!.width).toBeLessThan(60);
  expect(await mark.locator('.kamino-menu-sky').ariaSnapshot()).toContain('Menu');
  const own = await shown('as: stack, toggle: { icon: map.svg, open-icon: close.svg }');
  expect(await drawn(own)).toBe('M0 0h10v10z');
  await toggle(own).click();
  expect(await drawn(own)).toBe('M0 0l10 10');
  for (const tab of [word, mark, own]) await tab.context().close();
});

describe('the page around', () => {
  const built = (style: string, body = ''): string => skySite('fold: { when: below 40em }', { style, body });

  it('has no later part over a submenu, though it has a z-index', async () => {
    const tab = await openSky(built('main{position:relative;z-index:9;background:#eee}'));
    await tab.locator('[data-kamino-entry="planets"] > details > summary').click();
    await settle(tab);
    await link(tab, 'inner').click();
    await tab.waitForURL('**/inner.html');
    await tab.context().close();
  });

  it('is told where it cuts submenus off, or keeps them below a later part', () => {
    const told = (style: string, ...more: string[]): string[] => {
      const folder = join(built(style), '..');
      const { err } = kamino(folder, ...(more.length > 0 ? more : ['build', '--overwrite']));
      return [...err.matchAll(/submenu-hidden: (.*)/g)].map(match => match[1]!);
    };
    const clip = 'header{overflow:hidden}';
    const layers = 'header{position:relative;z-index:1}main{position:relative;z-index:2}';
    put(folderWith({}), {});
    expect(told('header{display:flow-root}')).toEqual([]);
    expect(told('header{position:relative;z-index:3}main{position:relative;z-index:2}')).toEqual([]);
    expect(told(clip, 'build', '--dry-run', '--overwrite')[0]).toContain('`header`');
    expect(told(layers, 'build', '--dry-run', '--overwrite')[0]).toContain('`main`');
    // A browser sees the same, whatever the style sheets say.
    expect(told(clip, 'measure', '--browser')[0]).toContain('not seen whole');
    expect(told(layers, 'measure', '--browser').some(one => one.includes('`main'))).toBe(true);
    expect(told('', 'measure', '--browser')).toEqual([]);
  });
});

describe.each(['stack', 'drawer', 'full-screen'])('under hard conditions: %s', as => {
  const built = new Map<string, string>();
  const folder = (): string => {
    const made =
      built.get(as) ?? skySite(`home: { label: Brackenfold }\nfold: { when: below 48em, as: ${as} }`);
    built.set(as, made);
    return made;
  };
  const spacing =
    '*{line-height:1.5!important;letter-spacing:.12em!important;word-spacing:.16em!important}p{margin-bottom:2em!important}';

  it.each([
    ['200 % text', 'html{font-size:200%!important}body{font-size:1rem!important}', 320],
    ['text spacing', spacing, 320],
    ['from right to left', 'html{direction:rtl}', 390],
  ])('loses nothing with %s', async (_, style, width) => {
    const tab = await openSky(folder(), { viewport: { width, height: 640 }, bypassCSP: true });
    await tab.addStyleTag({ content: style });
    await toggle(tab).click();
    await link(tab, 'tonight').waitFor({ state: 'visible' });
    await tab.locator('[data-kamino-entry="planets"] > details > summary').click();
    await tab.locator('[data-kamino-entry="inner"] > details > summary').click();
    await settle(tab);
    const outside = await tab.evaluate(() =>
      [...document.querySelectorAll('.kamino-list a, .kamino-list summary')]
        .filter(one => one.getClientRects().length > 0)
        .filter(one => {
          const { left, right, width: wide, height } = one.getBoundingClientRect();
          return (
            left < -0.5 ||
            right > innerWidth + 0.5 ||
            wide < 24 ||
            height < 24 ||
            one.scrollWidth > one.clientWidth + 1
          );
        })
        .map(one => one.textContent),
    );
    expect([outside, await sideways(tab)]).toEqual([[], 0]);
    await link(tab, 'book').scrollIntoViewIfNeeded();
    await link(tab, 'book').click();
    await tab.waitForURL('**/book.html');
    await tab.context().close();
  });

  it('moves nothing for who asked for less motion, and is there in forced colours; it does not fill the paper', async () => {
    const calm = await openSky(folder(), { ...phone, reducedMotion: 'reduce', forcedColors: 'active' });
    await toggle(calm).click();
    expect(await calm.evaluate(() => document.getAnimations().length)).toBe(0);
    expect(await link(calm, 'tonight').isVisible()).toBe(true);
    await calm.emulateMedia({ media: 'print' });
    expect(await calm.locator('nav').isVisible()).toBe(false);
    await calm.context().close();
  });
});

test.each(['stack', 'drawer', 'full-screen'])(
  'every entry is there without the style sheet: %s',
  async as => {
    for (const width of [390, 1000]) {
      const tab = await open('about:blank', { viewport: { width, height: 800 } });
      await serve(tab, skySite(`fold: { when: below 48em, as: ${as} }`));
      await tab.route('**/menu.css', route => route.abort());
      await tab.goto(`${skyAddress}visit.html`);
      if (as !== 'stack') await toggle(tab).click();
      for (const path of pathsOf(sky))
        expect(await link(tab, path.at(-1)!.page!.replace('.html', '')).isVisible()).toBe(true);
      await link(tab, 'south').click();
      await tab.waitForURL('**/south.html');
      await tab.context().close();
    }
  },
);

test('nothing shifts under the pointer', async () => {
  const tab = await openSky(skySite(''));
  await tab.evaluate(() => {
    const shifts: number[] = ((window as unknown as { shifts: number[] }).shifts = []);
    new PerformanceObserver(list => {
      for (const one of list.getEntries()) shifts.push((one as unknown as { value: number }).value);
    }).observe({ type: 'layout-shift', buffered: true });
  });
  for (const hook of ['tonight', 'planets', 'inner', 'venus', 'moon', 'phases']) {
    await link(tab, hook).hover();
    await tab.waitForTimeout(350);
  }
  await link(tab, 'seas').waitFor({ state: 'visible' });
  expect(await tab.evaluate(() => (window as unknown as { shifts: number[] }).shifts)).toEqual([]);
  await tab.context().close();
});

test('the script and the style sheet are small, and no script is there where nothing needs it', () => {
  const everything = skySite(
    `home: { label: Brackenfold, image: map.svg }
separators: line
align: end
stays: top
opens: { columns: 2 }
fold: { when: crowded, as: drawer, behind: as-fits, toggle: { show: both, icon: map.svg, open-icon: close.svg } }`,
    {
      plan: `look: { accent: "#8a3b12", background: "#fffaf2", color: "#33261d", radius: 1rem, states: { hover: { tint: 14%, shadow: 0 1px 4px rgb(0 0 0 / 0.3) }, pressed: { from: hover, darker: 8% }, focus: { from: hover }, current: { background: "#8a3b12", color: "#ffffff", font: { weight: 800 } }, within: { marker: dot, font: { weight: 700 } } } }\n`,
      files: {
        'map.svg':
          '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 10 10"><path d="M0 0h10v10z"/></svg>',
        'close.svg':
          '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 10 10"><path d="M0 0l10 10"/></svg>',
      },
    },
  );
  const size = (path: string): number => gzipSync(readFileSync(join(everything, 'kamino', path))).length;
  expect(size('menu.js')).toBeLessThan(2600);
  expect(size('menu.css')).toBeLessThan(3500);
  const folder = folderWith({
    'index.html': page('A'),
    'kamino.yaml': 'kamino: 1\nmenus:\n  - menu: m\n    entries: [index.html]\n',
  });
  expect(kamino(folder, 'build').status).toBe(0);
  expect(() => readFileSync(join(folder, 'built/kamino/menu.js'))).toThrow();
  expect(readFileSync(join(folder, 'built/index.html'), 'utf8')).not.toContain('<script');
});
