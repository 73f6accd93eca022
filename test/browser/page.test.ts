import { pathToFileURL } from 'node:url';
import { join } from 'node:path';
import { beforeAll, describe, expect, it, test } from '@jest/globals';
import type { Page } from 'playwright-core';
import { eventually, open, together, useBrowser } from '../helpers/browser.ts';
import { folderWith, kamino, page } from '../helpers/site.ts';

const heights = [300, 900, 40, 1500, 60, 700, 30, 260, 2100, 80, 45, 50];
const ids = heights.map((_, at) => `s${at + 1}`);
const sections = heights
  .map((height, at) => {
    const [id, words] = [`s${at + 1}`, `Part ${at + 1}`];
    // Two of them as pages had it before every element could have an id.
    const head =
      at === 3 || at === 7
        ? `<section><h2><a name="${id}">${words}</a></h2>`
        : `<section id="${id}"><h2>${words}</h2>`;
    return `${head}<p style="height:${height}px">Text</p></section>`;
  })
  .join('\n');
const long = (title: string): string =>
  page(
    title,
    `${sections}<details id="more"><summary>More</summary><h2 id="inner">Inner</h2></details><p><a id="last" href="#s2">Last</a></p>`,
  )
    .replace('<head>', '<head>\n  <meta name="viewport" content="width=device-width">')
    .replace('</head>', '<style>body{margin:0;font:16px/1.5 sans-serif}main{padding:0 16px}</style></head>');
const entries = ids.map(id => `      - { section: "#${id}", label: ${id.toUpperCase()} }`).join('\n');

let folder = '';
let demo = '';
useBrowser();
beforeAll(() => {
  folder = folderWith({
    'index.html': long('One'),
    'b.html': long('Two'),
    'kamino.yaml': `kamino: 1
menus:
  - menu: m
    stays: top
    place: { first-in: body }
    look: { background: "#ffffff" }
    entries:
${entries}
      - { section: "#inner", label: Inner }
buttons:
  - { button: ask, label: Ask a question, section: "b.html#s6", carried-by: index.html, place: { after: "#s2" } }
  - { button: here, section: "#s9", place: { after: "#s3" }, highlight: border }
to-top: { corner: start, size: 44px, shows-after: 500px, look: { background: "#14213a", color: "#ffffff", states: { hover: { lighter: 10% } } } }
`,
  });
  expect(kamino(folder, 'build')).toMatchObject({ status: 0, err: '' });
  const made = folderWith({});
  kamino(made, 'demo');
  demo = join(made, 'brackenfold/built');
});
const address = (path: string, root = join(folder, 'built')): string => pathToFileURL(join(root, path)).href;

/** A calm way through the page takes a while: it is over when the page stands still for three looks. */
async function still(tab: Page): Promise<void> {
  for (let before = NaN, same = 0; same < 2;) {
    const now = await tab.evaluate(() => scrollY);
    same = before === now ? same + 1 : 0;
    before = now;
    if (same < 2) await tab.waitForTimeout(90);
  }
}

/** The marked entry, and the one that the definition names, from rectangles alone. */
const marked = (tab: Page): Promise<[string, string]> =>
  tab.evaluate(names => {
    const bar = document.querySelector('nav')!.getBoundingClientRect().bottom;
    const root = document.documentElement;
    const passed = names.filter(
      id => document.querySelector(`#${id}, a[name=${id}]`)!.getBoundingClientRect().top <= bar + 1,
    );
    const isAtEnd = scrollY > 0 && scrollY + innerHeight >= root.scrollHeight - 1;
    const now = [...document.querySelectorAll('nav [aria-current]')].map(one => one.textContent).join();
    // At the end of the page the last section that there is.
    return [now, isAtEnd ? 'Inner' : (passed.at(-1) ?? '').toUpperCase()];
  }, ids);

describe('a section of the demo', () => {
  const names = ['programme', 'sky', 'tickets', 'warm', 'way-home'];

  const windows = [390, 768, 1280].flatMap(width => ['100%', '200%'].map(size => ({ width, size })));

  const below = together(windows, async ({ width, size }) => {
    // The calm way there is gone once: it takes a second each time.
    const isCalm = width === 1280 && size === '100%';
    const tab = await open(address('open-night.html', demo), {
      viewport: { width, height: 844 },
      reducedMotion: isCalm ? 'no-preference' : 'reduce',
    });
    await tab.addStyleTag({ content: `html{font-size:${size}}` });
    await tab.waitForTimeout(200);
    for (const name of names) {
      const toggle = tab.locator('.kamino-menu-night .kamino-toggle > *');
      if (await toggle.isVisible()) await toggle.click();
      await tab.locator(`.kamino-menu-night a[href="#${name}"]`).click();
      await tab.waitForFunction(id => document.activeElement?.id === id, name);
      await still(tab);
      const [bar, heading, hash] = await tab.evaluate(id => {
        const box = document.querySelector(`#${id} h2`)!.getBoundingClientRect();
        const nav = document.querySelector('.kamino-menu-night')!.getBoundingClientRect();
        return [nav.bottom, { top: box.top, bottom: box.bottom }, location.hash] as const;
      }, name);
      expect(hash).toBe(`#${name}`);
      expect(heading.top).toBeGreaterThanOrEqual(bar - 0.6);
      expect(heading.bottom).toBeLessThanOrEqual(844);
      expect(await tab.locator('.kamino-menu-night [aria-current="location"]').getAttribute('href')).toBe(
        `#${name}`,
      );
    }
    await tab.goBack();
    expect(new URL(tab.url()).hash).toBe('#warm');
    await tab.context().close();
  });
  it.each(windows)('lies whole below the bar that stays, at $width px and $size text', one => below(one));

  const inView = together(windows, async ({ width, size }) => {
    const tab = await open(address('tonight.html', demo), {
      viewport: { width, height: 844 },
      reducedMotion: 'reduce',
    });
    const links = await tab
      .locator('[data-kamino="masthead"] a[href*="#"]')
      .evaluateAll(all => all.map(one => (one as HTMLAnchorElement).href));
    expect(links.length).toBeGreaterThan(5);
    for (const href of links) {
      await tab.goto(href.replace(/#.*/, ''));
      await tab.addStyleTag({ content: `html{font-size:${size}}` });
      await tab.evaluate(to => {
        const link = document.querySelector<HTMLAnchorElement>(`a[href$="${new URL(to).hash}"]`)!;
        link.click();
      }, href);
      await still(tab);
      const { hash } = new URL(href);
      const box = (await tab.locator(hash).boundingBox())!;
      expect([new URL(tab.url()).hash, box.y > -1, box.y + Math.min(box.height, 60) <= 844]).toEqual([
        hash,
        true,
        true,
      ]);
    }
    await tab.context().close();
  });
  it.each(windows)('of any other page is in full view after its link, at $width px and $size text', one =>
    inView(one),
  );

  const scriptless = together(['off', 'lost'], async script => {
    const tab = await open('about:blank', {
      javaScriptEnabled: script !== 'off',
      reducedMotion: script === 'off' ? 'no-preference' : 'reduce',
    });
    await tab.route('**/menu.js', route => route.abort());
    await tab.goto(address('open-night.html', demo));
    for (const name of names) {
      await tab.locator(`.kamino-menu-night a[href="#${name}"]`).click();
      await still(tab);
      const box = (await tab.locator(`#${name} h2`).boundingBox())!;
      const bar = (await tab.locator('.kamino-menu-night').boundingBox())!;
      expect(box.y).toBeGreaterThanOrEqual(bar.y + bar.height - 1);
      expect(box.y + box.height).toBeLessThanOrEqual(800);
    }
    await tab.context().close();
  });
  it.each(['off', 'lost'])('is reached with the script %s, and lies below the bar', one => scriptless(one));
});

describe('the focus in a bar that stays', () => {
  const goesThrough = async (one: string, size: { width: number; height: number }): Promise<void> => {
    const tab = await open(address('index.html'), {
      viewport: size,
      reducedMotion: 'reduce',
      javaScriptEnabled: one !== 'off',
    });
    await tab.evaluate(() => scrollTo(0, 1500));
    await tab.evaluate(() => document.querySelector<HTMLElement>('nav a')!.focus({ preventScroll: true }));
    const seen = new Set<number>();
    for (let step = 0; step < 11; step += 1) {
      await tab.keyboard.press('Tab');
      // With scripts off no picture can be waited for.
      await tab.waitForTimeout(50);
      seen.add(await tab.evaluate(() => Math.round(scrollY)));
    }
    expect([...seen]).toEqual([1500]);
    // And a section is gone to from there as from anywhere.
    await tab.keyboard.press('Enter');
    await still(tab);
    const [top, bar] = await tab.evaluate(() => [
      document.querySelector('#s12')!.getBoundingClientRect().top,
      document.querySelector('nav')!.getBoundingClientRect().bottom,
    ]);
    expect(top!).toBeGreaterThanOrEqual(bar! - 1);
    await tab.context().close();
  };
  it.each([
    ['on', 1280, 800],
    ['off', 1280, 800],
    ['on', 900, 600],
    ['on', 1600, 900],
  ])('does not move the page, with the script %s, at %i by %i', (one, width, height) =>
    goesThrough(one, { width, height }),
  );
});

describe('the section in view', () => {
  it('is marked right on every step of a slow way down and up', async () => {
    const tab = await open(address('index.html'), {
      viewport: { width: 900, height: 600 },
      reducedMotion: 'reduce',
    });
    let steps = 0;
    const wrong: string[] = [];
    for (const way of [137, -137]) {
      for (;;) {
        const before = await tab.evaluate(() => scrollY);
        await tab.evaluate(by => {
          dispatchEvent(new Event('wheel'));
          scrollBy(0, by);
        }, way);
        // Observers tell with the next picture.
        await tab.evaluate(() => new Promise(done => requestAnimationFrame(() => setTimeout(done, 30))));
        if ((await tab.evaluate(() => scrollY)) === before) break;
        const [now, right] = await marked(tab);
        if (now !== right) wrong.push(`${await tab.evaluate(() => scrollY)}: ${now} for ${right}`);
        steps += 1;
      }
    }
    expect(steps).toBeGreaterThan(80);
    expect(wrong).toEqual([]);
    await tab.context().close();
  });

  it('is right at load with a #, when the window changes, and when late pictures come', async () => {
    const tab = await open(`${address('index.html')}#s9`, {
      viewport: { width: 900, height: 600 },
      reducedMotion: 'reduce',
    });
    const now = async (): Promise<string> => (await marked(tab))[0];
    await tab.waitForFunction(() => document.querySelector('nav [aria-current]')?.textContent === 'S9');
    await tab.setViewportSize({ width: 500, height: 700 });
    await eventually(now, mark => expect(mark).toBe('S9'));
    await tab.mouse.move(300, 400);
    await tab.mouse.wheel(0, 40);
    await still(tab);
    const [mark] = await eventually(
      () => marked(tab),
      ([one, right]) => expect(one).toBe(right),
    );
    await tab.evaluate(() => {
      // The browser keeps the place of what is read; without that the page moves under it.
      document.documentElement.style.overflowAnchor = 'none';
      document.querySelector<HTMLElement>('#s1 p')!.style.height = '2600px';
    });
    const [later] = await eventually(
      () => marked(tab),
      ([one, right]) => expect(one).toBe(right),
    );
    expect(later).not.toBe(mark);
    await tab.context().close();
  });

  it('is the one that was jumped to, near the end of the page too, until the visitor scrolls', async () => {
    const tab = await open(address('index.html'), {
      viewport: { width: 900, height: 600 },
      reducedMotion: 'reduce',
    });
    await tab.locator('nav a', { hasText: 'S11' }).click();
    await still(tab);
    await eventually(
      () => marked(tab),
      ([now]) => expect(now).toBe('S11'),
    );
    await tab.mouse.wheel(0, -30);
    await still(tab);
    await eventually(
      () => marked(tab),
      ([now, right]) => expect(now).toBe(right),
    );
    await tab.context().close();
  });

  it('opens a closed part of the page that it lies in', async () => {
    const tab = await open(address('index.html'), { reducedMotion: 'reduce' });
    await tab.locator('nav a', { hasText: 'Inner' }).click();
    await tab.waitForFunction(() => document.activeElement?.id === 'inner');
    expect(await tab.locator('#inner').isVisible()).toBe(true);
    const direct = await open(`${address('index.html')}#inner`);
    expect(await direct.locator('#inner').isVisible()).toBe(true);
    for (const one of [tab, direct]) await one.context().close();
  });
});

test('buttons stand where the plan says, on the pages that it says, and lead there', async () => {
  const tab = await open(address('index.html'));
  expect(await tab.locator('#s2 + .kamino-button').textContent()).toBe('Ask a question');
  await tab.locator('.kamino-menu-here a').click();
  await tab.waitForFunction(() => location.hash === '#s9');
  await tab.locator('.kamino-menu-ask a').click();
  await tab.waitForURL('**/b.html#s6');
  expect(await tab.locator('.kamino-menu-ask').count()).toBe(0);
  expect(await tab.locator('.kamino-menu-here').count()).toBe(1);
  await tab.context().close();
});

describe('the way to the top', () => {
  it('appears after the given way, goes up, and takes the focus there', async () => {
    const tab = await open(address('index.html'), {
      reducedMotion: 'reduce',
      viewport: { width: 900, height: 600 },
    });
    const link = tab.locator('.kamino-top a');
    await link.waitFor({ state: 'hidden' });
    for (const [at, isShown] of [
      [480, false],
      [520, true],
      [490, false],
      [3000, true],
    ] as const) {
      await tab.evaluate(to => scrollTo(0, to), at);
      await link.waitFor({ state: isShown ? 'visible' : 'hidden' });
    }
    const { x, y, width, height } = (await link.boundingBox())!;
    expect([x, 600 - y - height, width, height]).toEqual([12, 12, 44, 44]);
    const ground = (): Promise<string> => link.evaluate(one => getComputedStyle(one).backgroundColor);
    const atRest = await ground();
    await link.hover();
    await eventually(ground, now => expect(now).not.toBe(atRest));
    expect(await link.evaluate(one => one.textContent)).toBe('Back to the top');
    await link.click();
    await tab.waitForFunction(() => scrollY === 0);
    await tab.keyboard.press('Tab');
    expect(await tab.evaluate(() => document.activeElement!.textContent)).toContain('Skip');
    await tab.context().close();
  });

  it('covers neither the last content nor what has the focus, and is there with the script off', async () => {
    const tab = await open(address('index.html'), {
      javaScriptEnabled: false,
      viewport: { width: 900, height: 600 },
      reducedMotion: 'reduce',
    });
    expect(await tab.locator('.kamino-top a').isVisible()).toBe(true);
    const apart = () =>
      tab.evaluate(() => {
        const own = document.querySelector('.kamino-top a')!.getBoundingClientRect();
        const last = document.querySelector('#last')!.getBoundingClientRect();
        return last.bottom <= own.top || last.left >= own.right;
      });
    await tab.locator('#last').focus();
    await still(tab);
    expect(await apart()).toBe(true);
    await tab.evaluate(() => scrollTo(0, 1e6));
    await still(tab);
    expect(await apart()).toBe(true);
    await tab.locator('.kamino-top a').click();
    await still(tab);
    expect(await tab.evaluate(() => scrollY)).toBe(0);
    await tab.context().close();
  });
});

test('nothing hears the page scroll', async () => {
  const tab = await open('about:blank');
  await tab.addInitScript(() => {
    const heard: string[] = ((window as unknown as { heard: string[] }).heard = []);
    for (const target of [EventTarget.prototype]) {
      const { addEventListener: own } = target;
      target.addEventListener = function (this: EventTarget, ...given: Parameters<typeof own>) {
        heard.push(given[0]);
        return own.apply(this, given);
      };
    }
  });
  await tab.goto(address('index.html'));
  await tab.waitForTimeout(300);
  const heard = await tab.evaluate(() => (window as unknown as { heard: string[] }).heard);
  expect(heard).toContain('hashchange');
  expect(heard).not.toContain('scroll');
  await tab.context().close();
});
