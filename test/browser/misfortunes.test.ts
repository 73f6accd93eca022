import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { beforeAll, describe, expect, it, test } from '@jest/globals';
import type { Locator, Page } from 'playwright-core';
import { eventually, useBrowser } from '../helpers/browser.ts';
import { openSky, openTimed, serve, skyAddress, skySite } from '../helpers/sky.ts';

const phone = { viewport: { width: 390, height: 844 } };
const folds = ['stack', 'drawer', 'full-screen'] as const;
const covers = ['drawer', 'full-screen'] as const;
type Fold = (typeof folds)[number];

const built = new Map<string, string>();
const site = (name: Fold | 'plain'): string => built.get(name)!;
useBrowser();
beforeAll(() => {
  // One entry leads to a section of the page itself.
  const section = 'home: { label: Brackenfold }';
  for (const fold of folds) built.set(fold, skySite(`fold: { when: below 48em, as: ${fold} }\n${section}`));
  built.set('plain', skySite(section));
});

const toggle = (tab: Page): Locator => tab.locator('.kamino-toggle > *').first();
const entry = (tab: Page, hook: string): Locator => tab.locator(`[data-kamino-entry="${hook}"]`).first();
const link = (tab: Page, hook: string): Locator => entry(tab, hook).locator(':scope > a');
const opener = (tab: Page, hook: string): Locator => entry(tab, hook).locator(':scope > details > summary');
const submenu = (tab: Page, hook: string): Locator => entry(tab, hook).locator(':scope > ul');
const focused = (tab: Page): Promise<string> =>
  tab.evaluate(() => {
    const here = document.activeElement!;
    const hook = here.closest('[data-kamino-entry]')?.getAttribute('data-kamino-entry');
    return `${here.localName} ${hook ?? here.parentElement?.className ?? ''}`.trim();
  });
const isOpen = (tab: Page): Promise<boolean> => link(tab, 'tonight').isVisible();
const settle = (tab: Page): Promise<unknown> =>
  tab.evaluate(() => Promise.allSettled(document.getAnimations().map(one => one.finished)));
const scrolls = (tab: Page): Promise<boolean> =>
  tab.evaluate(() => {
    const root = document.documentElement;
    return getComputedStyle(root).overflowY !== 'hidden' && document.querySelectorAll('[inert]').length === 0;
  });

async function openMenu(tab: Page): Promise<void> {
  await toggle(tab).click();
  await link(tab, 'tonight').waitFor({ state: 'visible' });
  await settle(tab);
}

describe('submenus under the pointer', () => {
  it('stay open while the pointer crosses the gap below their entry', async () => {
    const tab = await openTimed(site('plain'));
    await link(tab, 'planets').hover();
    await tab.clock.runFor(1000);
    // It comes with a motion, from nearer to its entry.
    await settle(tab);
    const from = (await link(tab, 'planets').boundingBox())!;
    const to = (await submenu(tab, 'planets').boundingBox())!;
    const gap = to.y - (from.y + from.height);
    expect(gap).toBeGreaterThan(2);
    await tab.mouse.move(from.x + 20, from.y + from.height + gap / 2);
    await tab.clock.runFor(180);
    await tab.mouse.move(from.x + 20, to.y + 12);
    await tab.clock.runFor(600);
    expect(await submenu(tab, 'planets').isVisible()).toBe(true);
    await tab.mouse.move(700, 600);
    await tab.clock.runFor(600);
    expect(await submenu(tab, 'planets').isVisible()).toBe(false);
    await tab.context().close();
  });

  it('stay open on a diagonal way across a neighbour, and give way to one that is rested on', async () => {
    const tab = await openTimed(site('plain'));
    await link(tab, 'planets').hover();
    await tab.clock.runFor(1000);
    await opener(tab, 'inner').hover();
    await tab.clock.runFor(1000);
    await settle(tab);
    // From `Inner` over `Outer` below it down to the last entry of the sheet beside it.
    const start = (await link(tab, 'inner').boundingBox())!;
    const goal = (await link(tab, 'mars').boundingBox())!;
    const [x, y] = [start.x + 40, start.y + start.height / 2];
    await tab.mouse.move(x, y);
    for (let step = 1; step <= 12; step += 1) {
      const part = step / 12;
      await tab.mouse.move(x + (goal.x + 10 - x) * part, y + (goal.y + goal.height / 2 - y) * part);
      await tab.clock.runFor(25);
    }
    expect(await submenu(tab, 'inner').isVisible()).toBe(true);
    await tab.clock.runFor(500);
    expect(await submenu(tab, 'inner').isVisible()).toBe(true);
    await link(tab, 'moon').hover();
    await tab.clock.runFor(1000);
    expect(await submenu(tab, 'moon').isVisible()).toBe(true);
    expect(await submenu(tab, 'planets').isVisible()).toBe(false);
    await tab.context().close();
  });

  it('are held open by a click, which does not close them, and close on the next', async () => {
    const tab = await openTimed(site('plain'));
    await opener(tab, 'planets').hover();
    await tab.clock.runFor(1000);
    await opener(tab, 'planets').click();
    await tab.mouse.move(700, 600);
    await tab.clock.runFor(600);
    expect(await submenu(tab, 'planets').isVisible()).toBe(true);
    await opener(tab, 'planets').click();
    expect(await submenu(tab, 'planets').isVisible()).toBe(false);
    await opener(tab, 'stars').click();
    await opener(tab, 'planets').click();
    expect(await submenu(tab, 'stars').isVisible()).toBe(false);
    await tab.mouse.click(700, 600);
    expect(await submenu(tab, 'planets').isVisible()).toBe(false);
    await tab.context().close();
  });

  it('stay closed where somebody closes them before the pointer has rested there', async () => {
    const tab = await openTimed(site('plain'));
    await opener(tab, 'planets').dblclick();
    await tab.clock.runFor(1000);
    expect(await submenu(tab, 'planets').isVisible()).toBe(false);
    await opener(tab, 'stars').click();
    await tab.keyboard.press('Escape');
    await tab.clock.runFor(1000);
    expect(await submenu(tab, 'stars').isVisible()).toBe(false);
    await tab.context().close();
  });

  it('do not open under a finger until it taps the opener', async () => {
    const tab = await openSky(site('plain'), { hasTouch: true });
    const request = tab.waitForRequest('**/planets.html');
    await link(tab, 'planets').tap();
    await request;
    await tab.waitForLoadState();
    expect(await submenu(tab, 'planets').isVisible()).toBe(false);
    await opener(tab, 'planets').tap();
    expect(await submenu(tab, 'planets').isVisible()).toBe(true);
    await tab.context().close();
  });

  it('open on a click alone where the plan says so', async () => {
    const tab = await openTimed(skySite('opens: { by: click }'));
    await opener(tab, 'planets').hover();
    await tab.clock.runFor(1000);
    expect(await submenu(tab, 'planets').isVisible()).toBe(false);
    await opener(tab, 'planets').click();
    expect(await submenu(tab, 'planets').isVisible()).toBe(true);
    await tab.context().close();
  });

  it('lie in the window: beside, on the other side, upwards, or with scrolling of their own', async () => {
    const inWindow = (tab: Page, hook: string) =>
      submenu(tab, hook).evaluate(list => {
        const { left, right, top, bottom } = list.getBoundingClientRect();
        return left >= 0 && top >= 0 && right <= innerWidth && bottom <= innerHeight;
      });
    const beside = await openSky(site('plain'), { viewport: { width: 1000, height: 800 } });
    for (const hook of ['planets', 'inner']) {
      await opener(beside, hook).click();
      await settle(beside);
    }
    expect(await inWindow(beside, 'inner')).toBe(true);
    // No room beside it: it lies on the other side, and the page does not scroll sideways.
    const narrow = await openSky(skySite('align: end'), { viewport: { width: 640, height: 800 } });
    for (const hook of ['stars', 'kinds', 'maps']) {
      await opener(narrow, hook).click();
      await settle(narrow);
      expect(await inWindow(narrow, hook)).toBe(true);
    }
    expect(await narrow.evaluate(() => document.documentElement.scrollWidth <= innerWidth)).toBe(true);
    const low = await openSky(
      skySite('place: { last-in: body }', {
        style:
          'main{min-height:0!important}body{display:flex;flex-direction:column;min-height:100vh}main{flex:1}',
      }),
      { viewport: { width: 1000, height: 700 } },
    );
    await opener(low, 'moon').click();
    await settle(low);
    expect(await inWindow(low, 'moon')).toBe(true);
    expect((await submenu(low, 'moon').boundingBox())!.y).toBeLessThan(
      (await link(low, 'moon').boundingBox())!.y,
    );
    const short = await openSky(site('plain'), { viewport: { width: 1000, height: 190 } });
    await opener(short, 'planets').click();
    await settle(short);
    expect(await inWindow(short, 'planets')).toBe(true);
    await opener(short, 'inner').click();
    await link(short, 'mars').click();
    await short.waitForURL('**/mars.html');
    for (const tab of [beside, narrow, low, short]) await tab.context().close();
  });

  it('close one by one on Escape, and give the focus back', async () => {
    const tab = await openSky(site('plain'));
    await opener(tab, 'planets').focus();
    await tab.keyboard.press('Enter');
    await opener(tab, 'inner').focus();
    await tab.keyboard.press('Space');
    await link(tab, 'venus').focus();
    await tab.keyboard.press('Escape');
    expect([await focused(tab), await submenu(tab, 'inner').isVisible()]).toEqual(['summary inner', false]);
    await tab.keyboard.press('Escape');
    expect([await focused(tab), await submenu(tab, 'planets').isVisible()]).toEqual([
      'summary planets',
      false,
    ]);
    // What the pointer opened is dismissed without moving it.
    await link(tab, 'moon').hover();
    await submenu(tab, 'moon').waitFor({ state: 'visible' });
    await tab.keyboard.press('Escape');
    expect(await submenu(tab, 'moon').isVisible()).toBe(false);
    await tab.context().close();
  });

  it('follow the arrow keys, also from right to left', async () => {
    const tab = await openSky(site('plain'));
    const press = async (...keys: string[]): Promise<string> => {
      for (const key of keys) await tab.keyboard.press(key);
      return focused(tab);
    };
    await link(tab, 'tonight').focus();
    expect(await press('ArrowRight')).toBe('a planets');
    expect(await press('ArrowRight', 'ArrowRight')).toBe('summary stars');
    expect(await press('ArrowDown')).toBe('a names');
    expect(await press('ArrowDown')).toBe('summary kinds');
    expect(await press('ArrowRight')).toBe('a giants');
    expect(await press('ArrowDown')).toBe('a dwarfs');
    expect(await press('ArrowLeft')).toBe('summary kinds');
    expect(await press('ArrowUp', 'ArrowLeft')).toBe('summary stars');
    await tab.evaluate(() => (document.documentElement.dir = 'rtl'));
    expect(await press('ArrowLeft')).toBe('a moon');
    await tab.context().close();
  });

  it('close when the focus goes on, when a link is followed, and on the way Back', async () => {
    const tab = await openSky(site('plain'));
    await opener(tab, 'moon').focus();
    await tab.keyboard.press('Enter');
    await link(tab, 'book').focus();
    expect(await submenu(tab, 'moon').isVisible()).toBe(false);
    await opener(tab, 'moon').click();
    await link(tab, 'seas').click();
    await tab.waitForURL('**/seas.html');
    await tab.goBack();
    expect(await submenu(tab, 'moon').isVisible()).toBe(false);
    await tab.context().close();
  });
});

describe.each(folds)('a folded menu: %s', fold => {
  it('is whole when the window grows while it is open, and closed when it shrinks again', async () => {
    const tab = await openSky(site(fold), phone);
    await openMenu(tab);
    await opener(tab, 'planets').click();
    await link(tab, 'small-bodies').focus();
    // Where it was pressed the submenu will lie in the wide window, and a pointer that rests there may open it.
    await tab.mouse.move(2, 780);
    await tab.setViewportSize({ width: 1000, height: 800 });
    await toggle(tab).waitFor({ state: 'hidden' });
    for (const hook of ['tonight', 'planets', 'moon', 'visit', 'book'])
      expect(await link(tab, hook).isVisible()).toBe(true);
    await submenu(tab, 'planets').waitFor({ state: 'hidden' });
    expect(await scrolls(tab)).toBe(true);
    await tab.setViewportSize(phone.viewport);
    await toggle(tab).waitFor({ state: 'visible' });
    await link(tab, 'tonight').waitFor({ state: 'hidden' });
    await openMenu(tab);
    await tab.context().close();
  });

  it('closes when a link is followed, and is closed after Back', async () => {
    const tab = await openSky(site(fold), phone);
    await openMenu(tab);
    await link(tab, 'moon').click();
    await tab.waitForURL('**/moon.html');
    expect(await isOpen(tab)).toBe(false);
    await openMenu(tab);
    await link(tab, 'book').click();
    await tab.waitForURL('**/book.html');
    await tab.goBack();
    expect([await isOpen(tab), await scrolls(tab)]).toEqual([false, true]);
    await tab.context().close();
  });

  it('closes on Escape and gives the focus back', async () => {
    const tab = await openSky(site(fold), phone);
    await toggle(tab).focus();
    await tab.keyboard.press('Enter');
    await link(tab, 'tonight').waitFor({ state: 'visible' });
    await opener(tab, 'moon').focus();
    await tab.keyboard.press('Enter');
    await link(tab, 'seas').focus();
    // First the submenu, then the menu.
    await tab.keyboard.press('Escape');
    expect([await focused(tab), await isOpen(tab)]).toEqual(['summary moon', true]);
    await tab.keyboard.press('Escape');
    await link(tab, 'tonight').waitFor({ state: 'hidden' });
    expect(await focused(tab)).toMatch(/kamino-toggle$/);
    expect(await scrolls(tab)).toBe(true);
    await tab.context().close();
  });

  it('does not mix the looks of its toggle after a click', async () => {
    const tab = await openSky(site(fold), phone);
    const ground = (): Promise<string> => toggle(tab).evaluate(one => getComputedStyle(one).backgroundColor);
    // A browser that is slow lets what it knew before the style sheet fade into it.
    await tab.evaluate(() => Promise.all(document.getAnimations().map(one => one.finished)));
    const atRest = await ground();
    await openMenu(tab);
    await (fold === 'stack' ? toggle(tab) : tab.locator('.kamino-close')).click();
    await link(tab, 'tonight').waitFor({ state: 'hidden' });
    await tab.mouse.move(200, 800);
    await eventually(ground, now => expect(now).toBe(atRest));
    expect(await toggle(tab).evaluate(one => getComputedStyle(one).outlineStyle)).toBe('none');
    await tab.context().close();
  });

  it('shifts nothing while loading, and nothing on opening but what a stack pushes down', async () => {
    const tab = await openSky(site(fold), phone, 'tonight.html');
    await tab.evaluate(() => {
      (window as unknown as { moved: number }).moved = 0;
      new PerformanceObserver(list => {
        for (const one of list.getEntries())
          (window as unknown as { moved: number }).moved += (one as unknown as { value: number }).value;
      }).observe({ type: 'layout-shift', buffered: true });
    });
    const moved = async (): Promise<number> => {
      await tab.waitForTimeout(400);
      return tab.evaluate(() => (window as unknown as { moved: number }).moved);
    };
    expect(await moved()).toBe(0);
    const before = await tab.locator('.kamino-home').boundingBox();
    await openMenu(tab);
    if (fold !== 'stack') {
      expect(await moved()).toBe(0);
      await tab.keyboard.press('Escape');
      expect(await moved()).toBe(0);
    }
    expect(await tab.locator('.kamino-home').boundingBox()).toEqual(before);
    await tab.context().close();
  });
});

// There is no outside of a full screen.
test.each(['stack', 'drawer'] as const)('a folded menu closes on a click outside: %s', async fold => {
  const tab = await openSky(site(fold), phone);
  await openMenu(tab);
  await tab.mouse.click(370, 800);
  await link(tab, 'tonight').waitFor({ state: 'hidden' });
  expect(await scrolls(tab)).toBe(true);
  await tab.context().close();
});

describe.each(covers)('what covers the page: %s', fold => {
  it('takes the focus in, keeps it, and holds the page still', async () => {
    const tab = await openSky(site(fold), phone);
    await openMenu(tab);
    expect(await focused(tab)).toBe('button kamino-fold');
    const seen = new Set<string>();
    for (let step = 0; step < 14; step += 1) {
      await tab.keyboard.press('Tab');
      seen.add(
        await tab.evaluate(() =>
          document.activeElement!.closest('.kamino-fold') ? 'in' : document.activeElement!.localName,
        ),
      );
    }
    // Behind the last one lies the browser's own bar.
    expect([...seen].sort()).toEqual(['body', 'in']);
    await tab.mouse.move(195, 400);
    await tab.mouse.wheel(0, 500);
    await tab.waitForTimeout(200);
    expect(await tab.evaluate(() => scrollY)).toBe(0);
    await tab.locator('.kamino-close').click();
    await link(tab, 'tonight').waitFor({ state: 'hidden' });
    expect(await focused(tab)).toMatch(/kamino-toggle$/);
    await tab.mouse.wheel(0, 500);
    await tab.waitForFunction(() => scrollY > 0);
    await tab.context().close();
  });
});

test('a link to a section of the page itself closes the drawer and leads there', async () => {
  const folder = skySite('fold: { when: any-width, as: drawer }\nhome: { label: Home }', {});
  const tab = await openSky(folder, phone);
  await tab.evaluate(() => {
    const one = document.querySelector('[data-kamino-entry="book"] > a')!;
    one.setAttribute('href', '#end');
    document.querySelector<HTMLElement>('main')!.style.paddingTop = '2000px';
  });
  await openMenu(tab);
  await link(tab, 'book').click();
  await link(tab, 'tonight').waitFor({ state: 'hidden' });
  expect(await tab.evaluate(() => location.hash)).toBe('#end');
  const box = (await tab.locator('#end').boundingBox())!;
  expect(box.y).toBeGreaterThan(-1);
  expect(box.y).toBeLessThan(844);
  expect(await focused(tab)).not.toMatch(/kamino-toggle$/);
  expect(await scrolls(tab)).toBe(true);
  await tab.context().close();
});

test('a drawer comes from its side, from right to left too, and shifts the page where that is said', async () => {
  const left = async (tab: Page): Promise<number> =>
    Math.round((await tab.locator('.kamino-fold').boundingBox())!.x);
  for (const [side, dir, expected] of [
    ['start', 'ltr', 0],
    ['end', 'ltr', 680],
    ['start', 'rtl', 680],
    ['end', 'rtl', 0],
  ] as const) {
    const tab = await openSky(
      skySite(`fold: { when: any-width, as: drawer, side: ${side}, behind: shifted }`),
      { viewport: { width: 1000, height: 800 } },
    );
    await tab.evaluate(value => (document.documentElement.dir = value), dir);
    await openMenu(tab);
    expect(await left(tab)).toBe(expected);
    const main = (await tab.locator('main').boundingBox())!;
    expect([main.x, main.width]).toEqual([expected === 0 ? 320 : 0, 680]);
    // The page beside it stays within reach.
    expect(await scrolls(tab)).toBe(true);
    await tab.context().close();
  }
});

test('two menus on one page fold and open on their own, and go on doing so when a script swaps them', async () => {
  const two = skySite('fold: { when: below 48em, as: drawer }', { files: {} });
  const tab = await openSky(two, phone);
  await tab.evaluate(() => {
    // A second copy of the menu, as another script may put one in.
    const copy = document.querySelector('nav')!.cloneNode(true) as HTMLElement;
    copy.innerHTML = copy.innerHTML.replaceAll('kamino-sky', 'kamino-second');
    document.querySelector('main')!.prepend(copy);
  });
  const [first, second] = [
    tab.locator('.kamino-toggle > *').nth(0),
    tab.locator('.kamino-toggle > *').nth(1),
  ];
  const shown = async (): Promise<boolean[]> =>
    Promise.all([0, 1].map(at => tab.locator('[data-kamino-entry="tonight"] > a').nth(at).isVisible()));
  await second.click();
  await settle(tab);
  expect(await shown()).toEqual([false, true]);
  await tab.keyboard.press('Escape');
  await eventually(shown, now => expect(now).toEqual([false, false]));
  await first.click();
  await settle(tab);
  expect(await shown()).toEqual([true, false]);
  expect(await tab.locator('main').evaluate(one => (one as HTMLElement).inert)).toBe(true);
  // The page is swapped by another script: nothing is held any more, and what comes in works.
  await tab.evaluate(() => {
    const [old, fresh] = document.querySelectorAll('nav');
    fresh!.remove();
    for (const one of fresh!.querySelectorAll('[inert]')) one.removeAttribute('inert');
    old!.replaceWith(fresh!);
  });
  await tab.waitForFunction(() => document.querySelectorAll('[inert]').length === 0);
  await openMenu(tab);
  await tab.keyboard.press('Escape');
  await link(tab, 'tonight').waitFor({ state: 'hidden' });
  expect(await scrolls(tab)).toBe(true);
  await tab.context().close();
});

test('the page’s own popover and details are left alone', async () => {
  const body =
    '<details id="own"><summary>Own</summary><p>Text</p></details><button id="b" popovertarget="p">Open</button><div id="p" popover>Own popover</div><details name="kamino"><summary>x</summary></details>';
  const tab = await openSky(skySite('fold: { when: below 48em, as: stack }', { body }), phone);
  await tab.locator('#own summary').click();
  await openMenu(tab);
  expect(await tab.locator('#own').evaluate(one => (one as HTMLDetailsElement).open)).toBe(true);
  await tab.locator('#b').click();
  expect(await tab.locator('#p').isVisible()).toBe(true);
  expect(await tab.evaluate(() => getComputedStyle(document.documentElement).overflowY)).not.toBe('hidden');
  expect(await tab.locator('#own').evaluate(one => (one as HTMLDetailsElement).open)).toBe(true);
  await tab.context().close();
});

test('a script that comes late, or twice, takes over what is open already', async () => {
  const tab = await openSky(site('drawer'), phone);
  await tab.unroute(`${skyAddress}**`);
  await serve(tab, site('drawer'));
  let release = (): void => undefined;
  const gate = new Promise<void>(done => (release = done));
  await tab.route('**/menu.js', async route => {
    await gate;
    await route.fallback();
  });
  await tab.reload({ waitUntil: 'commit' });
  await toggle(tab).click();
  await link(tab, 'tonight').waitFor({ state: 'visible' });
  release();
  await tab.waitForFunction(() => document.querySelectorAll('[inert]').length > 0);
  await tab.evaluate(
    () =>
      new Promise(done => {
        const again = document.createElement('script');
        again.src = 'kamino/menu.js';
        again.onload = done;
        document.head.append(again);
      }),
  );
  await tab.setViewportSize({ width: 1000, height: 800 });
  await toggle(tab).waitFor({ state: 'hidden' });
  await eventually(
    () => scrolls(tab),
    now => expect(now).toBe(true),
  );
  // Had it run twice, a click would open and close again.
  await opener(tab, 'planets').click();
  expect(await submenu(tab, 'planets').isVisible()).toBe(true);
  expect(await tab.evaluate(() => Object.keys(window).filter(name => /kamino/i.test(name)))).toEqual([]);
  await tab.context().close();
});

test('axe finds nothing in any state of any form', async () => {
  const axe = readFileSync(createRequire(import.meta.url).resolve('axe-core/axe.min.js'), 'utf8');
  const check = async (tab: Page): Promise<string[]> => {
    await settle(tab);
    await tab.evaluate(axe);
    return tab.evaluate(async () => {
      const { run } = (
        window as unknown as {
          axe: { run: (o: object) => Promise<{ violations: { id: string; nodes: { html: string }[] }[] }> };
        }
      ).axe;
      const { violations } = await run({ resultTypes: ['violations'] });
      return violations.map(one => `${one.id} ${one.nodes[0]!.html}`);
    });
  };
  for (const fold of folds) {
    const tab = await openSky(site(fold), phone);
    expect(await check(tab)).toEqual([]);
    await openMenu(tab);
    expect(await check(tab)).toEqual([]);
    await opener(tab, 'planets').click();
    expect(await check(tab)).toEqual([]);
    await tab.setViewportSize({ width: 1000, height: 800 });
    await toggle(tab).waitFor({ state: 'hidden' });
    expect(await check(tab)).toEqual([]);
    await opener(tab, 'planets').click();
    await opener(tab, 'inner').click();
    expect(await check(tab)).toEqual([]);
    await tab.context().close();
  }
});
