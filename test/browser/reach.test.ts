import { beforeAll, expect, test } from '@jest/globals';
import type { Page } from 'playwright-core';
import { open, together, useBrowser } from '../helpers/browser.ts';
import { placeOf, press } from '../helpers/pointer.ts';
import { type SkyEntry, pathsOf, sky, skySite } from '../helpers/sky.ts';

const ways = ['mouse', 'keyboard', 'touch'] as const;
const forms = {
  wide: ['fold: { when: below 48em }', 1000],
  stack: ['fold: { when: below 48em, as: stack }', 390],
  drawer: ['fold: { when: below 48em, as: drawer }', 390],
  'full-screen': ['fold: { when: below 48em, as: full-screen }', 390],
} as const;
const scripts = ['on', 'off', 'lost'] as const;
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
const entryOf = ({ page, label }: SkyEntry): string =>
  `[data-kamino-entry="${page?.replace('.html', '') ?? label.toLowerCase()}"]`;

async function byPointer(tab: Page, path: readonly SkyEntry[], way: 'mouse' | 'touch'): Promise<void> {
  const first = entryOf(path[0]!);
  if ((await placeOf(tab, first)) === null) await press(tab, '.kamino-toggle > *', { way });
  for (const [at, above] of path.slice(0, -1).entries()) {
    const below = `${entryOf(path[at + 1]!)} > :is(a, details)`;
    if ((await placeOf(tab, below)) === null)
      await press(tab, `${entryOf(above)} > details > summary`, { way });
  }
  await press(tab, `${entryOf(path.at(-1)!)} > a`, { way });
}

/** What has the focus: a toggle or an opener to be pressed on the way to an entry, its link, or anything else. */
const standing = (labels: readonly string[]): string => {
  const here = document.activeElement!;
  const toggle = here.closest('.kamino-toggle');
  if (toggle) return document.querySelector('.kamino-fold:popover-open, .kamino-toggle[open]') ? '' : 'press';
  const entry = here.closest('.kamino-entry');
  const name = entry?.querySelector(':scope > a, :scope > details > summary')?.textContent?.trim() ?? '';
  if (here.matches('a')) return name === labels.at(-1) ? 'there' : '';
  const isOpen = (here.parentElement as HTMLDetailsElement | null)?.open === true;
  return entry && !isOpen && labels.slice(0, -1).includes(name) ? 'press' : '';
};

/** Tab by Tab from where the focus is, opening on the way what leads down to the entry; the page comes round. */
async function byKeyboard(tab: Page, path: readonly SkyEntry[]): Promise<void> {
  const labels = path.map(one => one.label);
  for (let step = 0; step < 90; step += 1) {
    const what = await tab.evaluate(standing, labels);
    if (what !== '') await tab.keyboard.press('Enter');
    if (what === 'there') return;
    await tab.keyboard.press('Tab');
  }
  throw new Error(`not reached by Tab: ${labels.join(' > ')}`);
}

test('the plan has 20 entries on three levels', () => {
  expect(paths).toHaveLength(20);
  expect(Math.max(...paths.map(path => path.length))).toBe(3);
});

const walked = together(cells, async ({ way, form, script }) => {
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
  stays = true;
  for (const path of paths) {
    requested.length = 0;
    const { page } = path.at(-1)!;
    const last = tab.waitForRequest(request => request.isNavigationRequest());
    // Where the way fails, that is told.
    last.catch(() => undefined);
    // The way there takes as long as it takes; the page is asked for at its end.
    await (way === 'keyboard' ? byKeyboard(tab, path) : byPointer(tab, path, way));
    await last;
    expect(requested).toEqual([page]);
  }
  expect(asked > 0).toBe(script !== 'off');
  await tab.context().close();
});

test.each(cells)('every entry is reached by $way, $form, with the script $script', cell => walked(cell));
