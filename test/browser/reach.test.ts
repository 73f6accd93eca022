import { beforeAll, expect, test } from '@jest/globals';
import type { Locator, Page } from 'playwright-core';
import { open, useBrowser } from '../helpers/browser.ts';
import { type SkyEntry, pathsOf, sky, skySite } from '../helpers/sky.ts';

const ways = ['mouse', 'keyboard', 'touch'] as const;
const forms = {
  wide: ['fold: { when: below 48em }', 1000],
  stack: ['fold: { when: below 48em, as: stack }', 390],
  drawer: ['fold: { when: below 48em, as: drawer }', 390],
  'full-screen': ['fold: { when: below 48em, as: full-screen }', 390],
} as const;
const scripts = ['on', 'off', 'lost'] as const;
type Way = (typeof ways)[number];
type Form = keyof typeof forms;

const paths = pathsOf(sky);
const cells = ways.flatMap(way =>
  (Object.keys(forms) as Form[]).flatMap(form => scripts.map(script => ({ way, form, script }))),
);

const built = new Map<Form, string>();
useBrowser();
beforeAll(() => {
  for (const [form, [fold]] of Object.entries(forms)) built.set(form as Form, skySite(fold));
});

/** The entry of the plan in the page: it is known by the file name of its page, or by its label. */
function entryOf(tab: Page, { page, label }: SkyEntry): Locator {
  return tab.locator(`[data-kamino-entry="${page?.replace('.html', '') ?? label.toLowerCase()}"]`);
}

/** Where the control is once nothing moves any more; what lies over it would be pressed in its place. */
async function press(tab: Page, control: Locator, way: Way): Promise<void> {
  await tab.evaluate(() => Promise.allSettled(document.getAnimations().map(one => one.finished)));
  await control.scrollIntoViewIfNeeded();
  const { x, y, width, height } = (await control.boundingBox())!;
  const [left, top] = [x + width / 2, y + height / 2];
  if (way === 'touch') await tab.touchscreen.tap(left, top);
  else await tab.mouse.click(left, top);
}

async function byPointer(tab: Page, path: readonly SkyEntry[], way: Way): Promise<void> {
  const first = entryOf(tab, path[0]!);
  if (!(await first.isVisible())) await press(tab, tab.locator('.kamino-toggle > *'), way);
  await first.waitFor({ state: 'visible' });
  for (const above of path.slice(0, -1)) {
    const entry = entryOf(tab, above);
    const submenu = entry.locator(':scope > .kamino-submenu');
    if (!(await submenu.isVisible())) await press(tab, entry.locator(':scope > details > summary'), way);
    await submenu.waitFor({ state: 'visible' });
  }
  await press(tab, entryOf(tab, path.at(-1)!).locator(':scope > a'), way);
}

/** Tab by Tab, opening on the way what leads down to the entry. */
async function byKeyboard(tab: Page, path: readonly SkyEntry[]): Promise<void> {
  const labels = path.map(one => one.label);
  for (let step = 0; step < 60; step += 1) {
    await tab.keyboard.press('Tab');
    const [what, label] = await tab.evaluate(() => {
      const here = document.activeElement!;
      const name = (one: Element | null | undefined) =>
        (one?.querySelector(':scope > a, :scope > details > summary')?.textContent ?? '').trim();
      if (here.closest('.kamino-toggle')) return ['toggle', ''];
      const entry = here.closest('.kamino-entry');
      if (!entry) return ['else', ''];
      const isOpen = (entry.querySelector(':scope > details') as HTMLDetailsElement | null)?.open === true;
      return [here.matches('a') ? 'link' : isOpen ? 'open' : 'opener', name(entry)];
    });
    if (what === 'toggle') await tab.keyboard.press('Enter');
    if (what === 'opener' && labels.slice(0, -1).includes(label)) await tab.keyboard.press('Enter');
    if (what === 'link' && label === labels.at(-1)) return tab.keyboard.press('Enter');
  }
  throw new Error(`not reached by Tab: ${labels.join(' > ')}`);
}

test('the plan has 20 entries on three levels', () => {
  expect(paths).toHaveLength(20);
  expect(Math.max(...paths.map(path => path.length))).toBe(3);
});

test.each(cells)(
  'every entry is reached by $way, $form, with the script $script',
  async ({ way, form, script }) => {
    const tab = await open('about:blank', {
      viewport: { width: forms[form][1], height: 700 },
      hasTouch: way === 'touch',
      javaScriptEnabled: script !== 'off',
      reducedMotion: 'reduce',
    });
    let asked = 0;
    let stays = false;
    const requested: string[] = [];
    await tab.route('http://sky.example/**', async route => {
      const { pathname } = new URL(route.request().url());
      asked += pathname.endsWith('.js') ? 1 : 0;
      if (script === 'lost' && pathname.endsWith('.js')) return route.abort();
      // A server that answers so leaves the visitor where they are.
      if (stays && route.request().isNavigationRequest()) return route.fulfill({ status: 204 });
      return route.fulfill({ path: `${built.get(form)!}${pathname}` });
    });
    await tab.goto('http://sky.example/visit.html');
    tab.on('request', request => {
      if (request.isNavigationRequest()) requested.push(new URL(request.url()).pathname.slice(1));
    });
    stays = way !== 'keyboard';
    for (const path of paths) {
      requested.length = 0;
      const { page } = path.at(-1)!;
      if (way === 'keyboard') {
        await byKeyboard(tab, path);
        await tab.waitForURL(`**/${page}`);
        expect(await tab.locator('h1').textContent()).toBe(page);
      } else {
        const request = tab.waitForRequest(`**/${page}`);
        await byPointer(tab, path, way);
        await request;
      }
      expect(requested).toEqual([page]);
    }
    expect(asked > 0).toBe(script !== 'off');
    await tab.context().close();
  },
);
