import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { beforeAll, describe, expect, it, test } from '@jest/globals';
import type { Page } from 'playwright-core';
import { eventually, open, together, useBrowser } from '../helpers/browser.ts';
import { placeOf, press } from '../helpers/pointer.ts';
import { demoFolder, filesOf, folderWith, kamino } from '../helpers/site.ts';

const pages = filesOf(demoFolder).filter(path => path.endsWith('.html'));
const axe = readFileSync(createRequire(import.meta.url).resolve('axe-core/axe.min.js'), 'utf8');

const masthead = [
  'index.html',
  'tonight.html',
  'visit/index.html',
  'visit/index.html#opening-times',
  'visit/index.html#prices',
  'visit/getting-here.html',
  'visit/getting-here.html#on-foot',
  'visit/getting-here.html#by-bus',
  'visit/getting-here.html#by-car',
  'visit/index.html#access',
  'telescopes/index.html',
  'telescopes/great-refractor.html',
  'telescopes/night-camera.html',
  'telescopes/sun-tower.html',
  'almanac/1998.html',
  'journal/index.html',
  'journal/new-slit.html',
  'journal/comet.html',
  'journal/owl.html',
  'schools.html',
  'membership.html',
  'book.html',
];
const foot = [
  'tonight.html',
  'visit/index.html',
  'visit/getting-here.html',
  'telescopes/index.html',
  'planets.html',
  'open-night.html',
  'schools.html',
  'contact.html',
];

const welsh = [
  'cy/index.html',
  'cy/heno.html',
  'cy/ymweld.html',
  'cy/ymweld.html#oriau-agor',
  'cy/ymweld.html#beth-mae-n-ei-gostio',
  'cy/ymweld.html#hygyrchedd',
  'cy/book.html',
];
const welshFoot = ['cy/heno.html', 'cy/ymweld.html'];

let built = '';
useBrowser();
beforeAll(() => {
  const folder = folderWith({});
  kamino(folder, 'demo');
  built = join(folder, 'brackenfold/built');
});

const address = (path: string): string => pathToFileURL(join(built, path)).href;

/** Names of the rules of axe that a page breaks, with the elements. */
async function violations(page: Page): Promise<string[]> {
  await page.evaluate(axe);
  return page.evaluate(async () => {
    const { axe } = window as unknown as {
      axe: { run: () => Promise<{ violations: { id: string; nodes: { target: string[] }[] }[] }> };
    };
    return (await axe.run()).violations.flatMap(one =>
      one.nodes.map(node => `${one.id} ${node.target.join(' ')}`),
    );
  });
}

const site = 'http://brackenfold.example/';

/** A finished page on a server that leaves a visitor where they are, once they are there. */
async function visit(path: string): Promise<Page> {
  const page = await open('about:blank', { reducedMotion: 'reduce' });
  let isThere = false;
  await page.route(`${site}**`, route =>
    isThere && route.request().isNavigationRequest()
      ? route.fulfill({ status: 204 })
      : route.fulfill({ path: join(built, new URL(route.request().url()).pathname) }),
  );
  await page.goto(site + path);
  isThere = true;
  return page;
}

const own = 'nav[data-kamino] a:not([href^="mailto:"], [href^="tel:"], [href^="https:"])';
const linksOn = (page: Page): Promise<(readonly [menu: string, href: string])[]> =>
  page
    .locator(own)
    .evaluateAll(all =>
      all.map(one => [one.closest('nav')!.dataset['kamino']!, (one as HTMLAnchorElement).href] as const),
    );

/** What makes clicking on one page another thing than on the next: its menus, its style sheets, how deep it lies. */
function kindOf(path: string): string {
  const text = readFileSync(join(built, path), 'utf8');
  const menus = [...text.matchAll(/<nav class="([^"]*)"/g)].map(match => match[1]);
  const sheets = [...text.matchAll(/href="([^"]*\.css)"/g)].map(match =>
    match[1]!.replace(/^(?:\.\.\/)+/, ''),
  );
  return [menus, sheets, path.split('/').length, path.startsWith('cy/')].join(' | ');
}

const clicked = together(pages, async path => {
  const before = pages.slice(0, pages.indexOf(path));
  const isFirst = !before.some(one => kindOf(one) === kindOf(path));
  const page = await visit(path);
  const targets = await linksOn(page);
  const inSite = (menu: string): string[] =>
    targets.filter(([name]) => name === menu).map(([, href]) => href.slice(site.length));
  const isWelsh = path.startsWith('cy/');
  expect(inSite('masthead')).toEqual(isWelsh ? welsh : masthead);
  expect(inSite('foot')).toEqual(isWelsh ? welshFoot : path === 'almanac/1998.html' ? [] : foot);
  for (const [at, [, href]] of targets.entries()) {
    const { hash, pathname } = new URL(href);
    const target = decodeURIComponent(pathname).slice(1);
    expect(pages).toContain(target);
    if (hash !== '')
      expect(readFileSync(join(built, target), 'latin1')).toContain(
        `id="${decodeURIComponent(hash.slice(1))}"`,
      );
    if (isFirst) await click(page, at, { path, target, hash });
  }
  await page.context().close();
  if (isFirst) kindsClicked += 1;
});
let kindsClicked = 0;

const summaries = 'nav[data-kamino] .kamino-opener > summary';

/** The number of the outermost closed opener above a link, or -1. */
const openerOf = ([links, at]: readonly [string, number]): number => {
  const link = document.querySelectorAll(links)[at]!;
  const all = [...document.querySelectorAll('nav[data-kamino] .kamino-opener > summary')];
  return all.findIndex(one => {
    const { nextElementSibling: below, open } = one.parentElement as HTMLDetailsElement;
    return !open && below?.contains(link) === true;
  });
};

/** Clicks a link, with the openers above it, and waits until the browser asks for its page, or goes to its place. */
async function click(
  page: Page,
  at: number,
  { path, target, hash }: { path: string; target: string; hash: string },
): Promise<void> {
  // From the outermost opener down, as many as are needed to see the link.
  while ((await placeOf(page, own, at)) === null) {
    const nth = await page.evaluate(openerOf, [own, at] as const);
    if (nth < 0) break;
    await press(page, summaries, { nth });
  }
  const asked = hash !== '' && target === path ? null : page.waitForRequest(site + target);
  await press(page, own, { nth: at });
  if (asked) await asked;
  else
    await eventually(
      () => Promise.resolve(new URL(page.url()).hash),
      there => expect(there).toBe(hash),
    );
}

/** What axe finds on the finished pages that it does not find on their sources. */
const judged = together(pages, async path => {
  const page = await open(address(path));
  const rules = (all: string[]) => [...new Set(all.map(one => one.split(' ')[0]))];
  const after = rules(await violations(page));
  if (after.length > 0) {
    await page.goto(pathToFileURL(join(demoFolder, path)).href);
    const before = rules(await violations(page));
    expect(after.filter(one => !before.includes(one))).toEqual([]);
  }
  await page.context().close();
});

describe.each(pages)('the finished page %s', path => {
  it('has links that lead to their pages', () => clicked(path));

  it('breaks no rule of axe that its source does not break', () => judged(path));
});

test('every kind of page was clicked through', () => {
  expect(kindsClicked).toBe(new Set(pages.map(kindOf)).size);
  expect(kindsClicked).toBeGreaterThan(8);
});

/** Pages that only some entries of the masthead stand for. */
const covered = (path: string): string | null =>
  /^(telescopes|almanac)\//.test(path) ? 'telescopes/index.html' : null;

test('the marks of every menu on every page are those of the plan, as computed from addresses alone', async () => {
  let marked = 0;
  const page = await open('about:blank');
  for (const path of pages) {
    await page.goto(address(path));
    const menus = await page.evaluate(() =>
      // What is marked among panels is no page: that is shown elsewhere.
      [...document.querySelectorAll('nav[data-kamino]:not(:has([data-kamino-panel]))')].map(menu => ({
        name: (menu as HTMLElement).dataset['kamino'],
        entries: [...menu.querySelectorAll('li')].map(item => {
          const link = item.querySelector(':scope > a') as HTMLAnchorElement | null;
          return {
            href: link?.href ?? null,
            above: [...menu.querySelectorAll('li')].filter(one => one !== item && one.contains(item)).length,
            below: [...item.querySelectorAll('li a')].map(one => (one as HTMLAnchorElement).href),
            current: link?.getAttribute('aria-current') ?? null,
            within: item.classList.contains('kamino-within'),
          };
        }),
      })),
    );
    const here = address(path);
    const front = address(path.startsWith('cy/') ? 'cy/index.html' : 'index.html');
    for (const { name, entries } of menus) {
      const isCurrent = (one: { href: string | null }): boolean => one.href === here;
      const cover = name === 'masthead' ? covered(path) : null;
      const isAbove = (one: { below: string[] }): boolean => one.below.includes(here);
      const isNamed = entries.some(one => isCurrent(one) || isAbove(one));
      const folder = (href: string): string | null =>
        /\/index\.html$/.test(href) && href !== front ? href.slice(0, -'index.html'.length) : null;
      const around = entries.flatMap(({ href }) => {
        const own = href === null ? null : folder(href);
        return own !== null && here.startsWith(own) ? [own] : [];
      });
      const deepest = around.sort((one, other) => other.length - one.length)[0];
      for (const one of entries) {
        const isTrail = name === 'trail' || name === 'leaf' || name === 'language';
        const within =
          !isTrail &&
          !isCurrent(one) &&
          (isAbove(one) ||
            (cover !== null && one.href === address(cover)) ||
            (!isNamed && cover === null && one.href !== null && folder(one.href) === deepest));
        expect({ path, name, href: one.href, current: one.current, within: one.within }).toEqual({
          path,
          name,
          href: one.href,
          current: isCurrent(one) ? 'page' : null,
          within,
        });
        if (within || isCurrent(one)) marked += 1;
      }
    }
  }
  await page.context().close();
  expect(marked).toBeGreaterThan(60);
});

describe('the bar', () => {
  test.each([320, 390, 768, 1280])(
    'shows every entry without sideways scrolling at %i px and at 200 %% text',
    async width => {
      const page = await open(address('index.html'), { viewport: { width, height: 800 } });
      for (const size of ['100%', '200%']) {
        await page.evaluate(value => (document.documentElement.style.fontSize = value), size);
        const seen = await page.evaluate(() => ({
          sideways: document.documentElement.scrollWidth - document.documentElement.clientWidth,
          outside: [...document.querySelectorAll('.kamino a, .kamino summary')].filter(link => {
            const { left, right, width, height } = link.getBoundingClientRect();
            if (width === 0) return false;
            return left < 0 || right > innerWidth || width < 24 || height < 24;
          }).length,
        }));
        expect(seen).toEqual({ sideways: 0, outside: 0 });
      }
      await page.context().close();
    },
  );

  it('answers the pointer with its whole box, and moves nothing', async () => {
    const page = await open(address('tonight.html'));
    const link = page.locator('.kamino-bar .kamino-link').nth(1);
    const boxes = () =>
      page.evaluate(() =>
        [...document.querySelectorAll('body *')]
          // A submenu opens under the pointer, over the page.
          .filter(one => !one.closest('.kamino-submenu'))
          .map(one => JSON.stringify(one.getBoundingClientRect()))
          .join(),
      );
    const before = await boxes();
    const { x, y, width, height } = (await link.boundingBox())!;
    for (const [dx, dy] of [
      [2, height / 2],
      [width - 2, height / 2],
      [width / 2, 2],
      [width / 2, height - 2],
    ] as const) {
      await page.mouse.move(1, 700);
      await page.mouse.move(x + dx, y + dy);
      await expect(link.evaluate(one => one.matches(':hover'))).resolves.toBe(true);
    }
    await eventually(
      () => link.evaluate(one => getComputedStyle(one).backgroundColor),
      ground => expect(ground).not.toBe('rgba(0, 0, 0, 0)'),
    );
    expect(await boxes()).toBe(before);
    await page.keyboard.press('Tab');
    await page.keyboard.press('Tab');
    expect(await page.evaluate(() => getComputedStyle(document.activeElement!).outlineStyle)).toBe('solid');
    expect(await boxes()).toBe(before);
    await page.context().close();
  });

  it('begins with a skip link that leads to the main content', async () => {
    const page = await open(address('telescopes/great-refractor.html'));
    await page.keyboard.press('Tab');
    const skip = page.locator('[data-kamino="skip"]');
    expect(
      await skip.evaluate(one => [one === document.activeElement, one.getBoundingClientRect().width > 100]),
    ).toEqual([true, true]);
    await page.keyboard.press('Enter');
    await page.waitForURL(/#content$/);
    await page.keyboard.press('Tab');
    expect(await page.evaluate(() => document.activeElement?.closest('#content') !== null)).toBe(true);
    await page.context().close();
  });

  it('marks the page within by more than colour, and tells it to nobody as current', async () => {
    const page = await open(address('visit/getting-here.html'));
    const marked = await page.evaluate(() =>
      [...document.querySelectorAll('.kamino-bar > .kamino-room > .kamino-list > li > a')].map(one => [
        one.textContent,
        one.getAttribute('aria-current'),
        getComputedStyle(one, '::after').content !== 'none',
      ]),
    );
    expect(marked.filter(([, current, mark]) => current !== null || mark)).toEqual([['Visit', null, true]]);
    await page.context().close();
  });
});

describe('a folded bar, without any script', () => {
  it.each([
    [944, true],
    [945, false],
  ])('at %i px: folded is %s', async (width, isFolded) => {
    const page = await open(address('tonight.html'), {
      viewport: { width, height: 800 },
      javaScriptEnabled: false,
    });
    expect(await page.locator('.kamino-toggle').isVisible()).toBe(isFolded);
    expect(await page.locator('.kamino-bar > .kamino-room > .kamino-list').isVisible()).toBe(!isFolded);
    await page.context().close();
  });

  it('shows every entry by its toggle and openers, pushing the page down', async () => {
    const page = await open(address('tonight.html'), {
      viewport: { width: 390, height: 844 },
      javaScriptEnabled: false,
    });
    const top = async () => (await page.locator('h1').boundingBox())!.y;
    const before = await top();
    await page.locator('.kamino-toggle summary').click();
    expect(await top()).toBeGreaterThan(before + 200);
    for (const name of ['visit', 'telescopes']) {
      await page.locator(`[data-kamino-entry="${name}"] > details > summary`).first().click();
      const links = page.locator(`#kamino-masthead-${name} > li > a`);
      for (let at = 0; at < (await links.count()); at += 1)
        expect(await links.nth(at).isVisible()).toBe(true);
    }
    // Openers of one level close each other.
    expect(await page.locator('#kamino-masthead-visit').isVisible()).toBe(false);
    await page.setViewportSize({ width: 1280, height: 800 });
    expect(await page.locator('.kamino-bar > .kamino-room > .kamino-list').isVisible()).toBe(true);
    await page.context().close();
  });

  it('says its names and states to a screen reader', async () => {
    const page = await open(address('tonight.html'));
    const tree = await page.locator('[data-kamino="masthead"]').ariaSnapshot();
    expect(tree).toContain('navigation "Main"');
    expect(tree).toContain('link "Visit"');
    await page.locator('[data-kamino-entry="visit"] summary').first().click();
    expect(await page.locator('[data-kamino="masthead"]').ariaSnapshot()).toContain('link "Opening times"');
    await page.context().close();
  });
});

describe('beside a crude page', () => {
  const crude = `* { letter-spacing: 0 } ul { margin: 2em; padding: 3em; list-style: square; background: red } li { float: left; width: 90px; margin: 9px; border: 1px solid }
    a { color: lime !ie; display: inline; padding: 1px; font: italic 9px serif; text-transform: uppercase } nav { position: absolute; height: 10px; overflow: hidden; border: 9px solid }
    nav ul li a { float: right; color: lime; background: yellow; text-decoration: overline } a:hover { font-size: 40px } li::before { content: "x" } a::after { content: "y"; position: static; display: block }
    button { display: none } div { min-height: 5em; background: pink } .menu a { color: red }`;
  const looksOf = (page: Page, selector: string) =>
    page.evaluate(
      chosen =>
        [...document.querySelectorAll(chosen)].map(one => {
          const style = getComputedStyle(one);
          return [...style]
            .filter(name => !name.startsWith('--'))
            .map(name => `${name}:${style.getPropertyValue(name)}`)
            .join(';');
        }),
      selector,
    );

  const files = (style: string): Record<string, string> => ({
    'kamino.yaml':
      'kamino: 1\nmenus:\n  - menu: masthead\n    home: { label: Home }\n    entries: [index.html, a.html]\n',
    'index.html': `<!doctype html><meta charset=utf-8><title>One</title><style>${style}</style><body class=menu><header></header><main><ul><li><a href=a.html>x</a></ul></main>`,
    'a.html': '<title>Two</title>',
  });

  it('keeps its looks', async () => {
    const [plain, wild] = ['', crude].map(style => {
      const folder = folderWith(files(style));
      kamino(folder, 'build');
      return join(folder, 'built/index.html');
    });
    const one = await open(pathToFileURL(plain!).href);
    const other = await open(pathToFileURL(wild!).href);
    const selector = '.kamino, .kamino *';
    // A colour may still be on its way from what the page's own rules gave before the sheet was there.
    await eventually(
      async () => [await looksOf(other, selector), await looksOf(one, selector)],
      ([wild, plain]) => expect(wild).toEqual(plain),
    );
    await one.context().close();
    await other.context().close();
  });

  it('changes nothing outside itself', async () => {
    const folder = folderWith(files('body { font: 20px serif } ul { color: teal }'));
    kamino(folder, 'build');
    const page = await open(pathToFileURL(join(folder, 'built/index.html')).href);
    const selector = 'html, body, main, main *';
    const withMenu = await looksOf(page, selector);
    await page.evaluate(() => document.querySelector('[data-kamino="style"]')!.remove());
    const withoutSheet = await looksOf(page, selector);
    const positionFree = (looks: string[]) =>
      looks.map(one =>
        one.replace(/(perspective-origin|transform-origin|block-size|height|inline-size|width):[^;]*/g, ''),
      );
    expect(positionFree(withMenu)).toEqual(positionFree(withoutSheet));
    await page.context().close();
  });

  it('lets a designer’s rule of equal strength win', async () => {
    const folder = folderWith(
      files('.kamino .kamino-link { color: rgb(1, 2, 3) } .kamino { --kamino-gap: 30px }'),
    );
    kamino(folder, 'build');
    const page = await open(pathToFileURL(join(folder, 'built/index.html')).href);
    const looks = await page.evaluate(() => [
      getComputedStyle(document.querySelector('.kamino-link')!).color,
      getComputedStyle(document.querySelector('.kamino-list')!).columnGap,
    ]);
    expect(looks).toEqual(['rgb(1, 2, 3)', '30px']);
    await page.context().close();
  });
});
