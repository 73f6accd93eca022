// What a menu is where the plan says nothing of it: its edges, its fold, its place to the text of the page.
import { pathToFileURL } from 'node:url';
import { join } from 'node:path';
import { describe, expect, it, test } from '@jest/globals';
import { eventually, open, useBrowser } from '../helpers/browser.ts';
import { folderWith, kamino, page } from '../helpers/site.ts';

useBrowser();
const titles = {
  'index.html': 'Home',
  'tonight.html': 'Tonight’s sky',
  'visit.html': 'Visit us',
  'journal.html': 'Journal',
};
const viewport = '<meta name="viewport" content="width=device-width">';

/** A built site of four pages. @param css of its pages; @param lines of its only menu, or of its plan */
function site(css: string, menu = '', plan = '', body = ''): string {
  const pages = Object.entries(titles).map(([path, title]) => [
    path,
    page(title, `<header><i class="logo"></i></header><main><p id="text">Text</p>${body}</main>`).replace(
      '</head>',
      `${viewport}<style>${css}</style></head>`,
    ),
  ]);
  const folder = folderWith({
    ...(Object.fromEntries(pages) as Record<string, string>),
    'kamino.yaml': `kamino: 1\n${plan}menus:\n  - menu: m\n${menu === '' ? '' : `    ${menu.trimEnd()}\n`}${menu.includes('entries:') ? '' : '    entries: [index.html, tonight.html, visit.html, journal.html]\n'}`,
  });
  expect(kamino(folder, 'build')).toMatchObject({ status: 0, err: '' });
  return pathToFileURL(join(folder, 'built/visit.html')).href;
}

const ground = 'look: { background: "#123a5a", color: "#ffffff" }\n';

describe('the edges of a bar', () => {
  test.each([
    ['a page without a style', '', '', 8],
    [
      'with a home, and a toggle before it',
      '',
      '    home: { label: Hill }\n    fold: { when: crowded, as: drawer, toggle: { at: start } }\n',
      8,
    ],
    [
      'whose first entry only opens',
      '',
      '    entries: [ { label: Sky and stars, entries: [tonight.html] }, visit.html, journal.html, index.html ]\n',
      8,
    ],
    [
      'whose first entry leads and opens',
      '',
      '    entries: [ { page: tonight.html, entries: [index.html] }, visit.html, journal.html ]\n',
      8,
    ],
    ['that folds in narrow windows', '', '    fold: { when: below 40em }\n', 8],
    ['a page in a column', 'body{margin:0 auto;max-width:40rem;padding:0 1.5rem}', '', null],
    ['a page from right to left', 'html{direction:rtl} body{margin:0 3rem}', '', null],
    ['a page whose text touches the window', 'body{margin:0}', '', 15.2],
    ['a page that scrolls', '#text{height:3000px}', '', 8],
    [
      'a header of which nothing is seen',
      'header{padding:1rem 2rem;color:#123}',
      'place: { first-in: header }',
      40,
    ],
    ['but in a header with a ground', 'header{background:#eee}', 'place: { first-in: header }', 23.2],
    [
      'but in a header that lays it out',
      '@media (width > 1px){header{display:flex}}',
      'place: { first-in: header }',
      23.2,
    ],
    ['but beside what floats', '.logo{float:left}', 'place: { last-in: header }', 23.2],
    [
      'but where a style sheet is unknown',
      '@import "https://fonts.example/a.css";',
      'place: { first-in: header }',
      23.2,
    ],
  ])('without a ground its labels begin where the text does: %s', async (_, css, menu, begins) => {
    const place = menu.startsWith('place:') ? menu : `place: { first-in: body }\n${menu}`;
    const tab = await open(site(css, place));
    for (const width of [1280, 330]) {
      await tab.setViewportSize({ width, height: 600 });
      if (width === 330 && !menu.includes('drawer')) await tab.click('.kamino-toggle summary');
      const seen = await tab.evaluate(() => {
        const isRtl = getComputedStyle(document.body).direction === 'rtl';
        const start = (one: Element, isLabel: boolean): number => {
          const range = document.createRange();
          if (isLabel) range.selectNodeContents(one);
          else range.selectNode(one);
          const { left, right } = range.getBoundingClientRect();
          return isRtl ? innerWidth - right : left;
        };
        const room = document.querySelector('.kamino-room')!;
        // All that begin a line: in a bar what is first, in a stack each row.
        const boxes = [
          ...room.querySelectorAll('.kamino-home,.kamino-list a,.kamino-opener>summary.kamino-link,button'),
        ];
        const shown = boxes.filter(one => one.checkVisibility() && !one.closest('.kamino-submenu'));
        const tops = shown.map(one => Math.round(one.getBoundingClientRect().top));
        const first = shown.filter((_, at) => tops.indexOf(tops[at]!) === at);
        const drawn = document.querySelector('.kamino-toggle button')?.checkVisibility()
          ? shown.filter(one => one.matches('button'))
          : first;
        return {
          labels: drawn.map(one =>
            one.matches('button')
              ? one.getBoundingClientRect().left + parseFloat(getComputedStyle(one).paddingLeft)
              : start(one, true),
          ),
          outside: shown.filter(one => start(one, false) < 0).length,
          text: start(document.querySelector('#text')!, false),
          over: document.documentElement.scrollWidth - document.documentElement.clientWidth,
        };
      });
      for (const label of seen.labels) expect(label).toBeCloseTo(begins ?? seen.text, 0);
      expect(seen).toMatchObject({ outside: 0, over: 0 });
      expect(seen.labels.length).toBeGreaterThan(width === 330 && !menu.includes('drawer') ? 2 : 0);
    }
    await tab.context().close();
  });

  test.each([
    ['of the window', 'body{margin:0}', 16],
    ['of a page with a margin of 8 px', '', 16],
    ['but those of a column', 'body{margin:0 auto;max-width:40rem}', null],
  ])('with a ground its labels keep away from all edges %s', async (_, css, air) => {
    const look = 'look: { background: "#123a5a", color: "#ffffff", padding: 0.7em 5px }\n';
    const tab = await open(site(css, '', look));
    const [nav, label] = await tab.evaluate(() => {
      const range = document.createRange();
      range.selectNodeContents(document.querySelector('nav .kamino-link')!);
      return [
        document.querySelector('nav')!.getBoundingClientRect().left,
        range.getBoundingClientRect().left,
      ];
    });
    expect(label).toBeCloseTo(air ?? nav! + 5, 0);
    await tab.context().close();
  });
});

describe('a bar of whose fold the plan says nothing', () => {
  it('folds where it has no room, as a stack', async () => {
    const tab = await open(site(''));
    expect(await tab.locator('.kamino-toggle').isVisible()).toBe(false);
    await tab.setViewportSize({ width: 320, height: 600 });
    expect(await tab.locator('.kamino-link').first().isVisible()).toBe(false);
    await tab.locator('.kamino-toggle summary').click();
    expect(await tab.locator('.kamino-link').count()).toBe(4);
    for (const link of await tab.locator('.kamino-link').all()) expect(await link.isVisible()).toBe(true);
    await tab.context().close();
  });

  it('has nothing of a fold where it fits the narrowest window with doubled letters, and fits there', async () => {
    const url = site('', 'entries: [{ page: index.html, label: Up }, { page: visit.html, label: On }]');
    const tab = await open(url, { viewport: { width: 320, height: 600 } });
    expect(await tab.content()).not.toContain('kamino-toggle');
    await tab.addStyleTag({ content: 'html{font-size:200%}' });
    expect(
      await tab.evaluate(() => [
        new Set([...document.querySelectorAll('.kamino-link')].map(one => one.getBoundingClientRect().top))
          .size,
        document.documentElement.scrollWidth,
      ]),
    ).toEqual([1, 320]);
    await tab.context().close();
  });

  test.each(['fold: { when: never }', 'form: column', 'form: plain'])('is as it was with  %s', async menu => {
    const tab = await open(site('', menu));
    expect(await tab.content()).not.toContain('kamino-toggle');
    await tab.context().close();
  });
});

test('a section has air below a bar that stays, and is the one in view', async () => {
  const sections = ['one', 'two', 'three']
    .map(id => `<h2 id="${id}">${id}</h2><p style="height:900px">x`)
    .join('');
  const entries =
    'entries: [{ section: one, label: One }, { section: two, label: Two }, { section: three, label: Three }]';
  for (const [stays, air] of [
    ['top', 16],
    ['{ air: 40px }', 40],
  ] as const) {
    const tab = await open(site('', `stays: ${stays}\n    ${entries}`, ground, sections), {
      reducedMotion: 'reduce',
    });
    await tab.locator('a[href="#two"]').click();
    await tab.waitForFunction(
      () => document.querySelector('[aria-current="location"]')?.textContent === 'Two',
    );
    expect(
      await tab.evaluate(() => {
        const box = (one: string): DOMRect => document.querySelector(one)!.getBoundingClientRect();
        return box('#two').top - box('nav').bottom;
      }),
    ).toBeCloseTo(air, -0.5);
    // By scrolling alone, too.
    await tab.evaluate(() => {
      document.dispatchEvent(new Event('wheel'));
      scrollBy(0, -500);
    });
    await tab.waitForFunction(
      () => document.querySelector('[aria-current="location"]')?.textContent === 'One',
    );
    await tab.context().close();
  }
});

test('a column that stays beside the text takes no room above a section', async () => {
  const sections = ['one', 'two'].map(id => `<h2 id="${id}">${id}</h2><p style="height:1500px">x`).join('');
  const css =
    'body{display:grid;grid-template-columns:12rem 1fr} nav{grid-row:1;align-self:start} main{grid-column:2}';
  const url = site(
    css,
    'form: column\n    stays: top\n    place: { first-in: body }\n    entries: [{ section: one, label: One }, { section: two, label: Two }]',
    ground,
    sections,
  );
  for (const javaScriptEnabled of [true, false]) {
    const tab = await open(`${url}#two`, { javaScriptEnabled, reducedMotion: 'reduce' });
    const top = (): Promise<number> => tab.locator('#two').evaluate(one => one.getBoundingClientRect().top);
    await eventually(top, found => expect(found).toBeCloseTo(16, -0.5));
    await tab.context().close();
  }
});

test('a breadcrumb that wraps begins no line with its separator, and keeps clear of the window’s edges', async () => {
  const url = site(
    'body{margin:0}',
    'entries: [{ label: A rather long part of it, page: index.html, entries: [{ page: tonight.html, label: Another long part, entries: [{ page: visit.html, label: Here at last }] }] }]\n  - { menu: way, form: breadcrumb, place: { last-in: body } }',
  );
  const tab = await open(url, { viewport: { width: 230, height: 600 } });
  const seen = await tab.evaluate(() => {
    const links = [...document.querySelectorAll('.kamino-breadcrumb .kamino-link')].map(one =>
      one.getBoundingClientRect(),
    );
    const entries = [...document.querySelectorAll('.kamino-breadcrumb .kamino-entry')].map(one => ({
      left: one.getBoundingClientRect().left,
      before: getComputedStyle(one, '::before').content,
      after: getComputedStyle(one, '::after').content,
    }));
    return { links: links.map(one => one.left), tops: new Set(links.map(one => one.top)).size, entries };
  });
  expect(seen.tops).toBeGreaterThan(1);
  expect(Math.min(...seen.links)).toBe(16);
  expect(seen.entries.map(one => [one.before, one.after.slice(0, 3)])).toEqual(
    seen.entries.map((_, at) => ['none', at < seen.entries.length - 1 ? '"/"' : 'none'.slice(0, 3)]),
  );
  await tab.context().close();
});

describe('a submenu beside another', () => {
  const deep =
    'entries: [{ label: First, entries: [{ page: index.html, label: Below, entries: [{ page: tonight.html, label: Deeper }] }] }]';

  it('has a sign that points to where it lies, also on the other side', async () => {
    for (const [align, rotate] of [
      ['start', '-45deg'],
      ['end', '135deg'],
    ]) {
      const tab = await open(site('', `align: ${align}\n    ${deep}`), {
        viewport: { width: 560, height: 600 },
      });
      await tab.locator('nav summary:visible').first().click();
      await tab.locator('.kamino-submenu summary').first().click();
      expect(
        await tab
          .locator('.kamino-submenu summary')
          .first()
          .evaluate(one => {
            const list = one.parentElement!.nextElementSibling!.getBoundingClientRect();
            const own = one.getBoundingClientRect();
            return [
              getComputedStyle(one, '::after').rotate,
              list.left >= own.right - 1 || list.right <= own.left + own.width,
            ];
          }),
      ).toEqual([rotate, true]);
      await tab.context().close();
    }
  });

  it('lies below its entry where no script moves it into the window', async () => {
    const tab = await open(site('', `fold: { when: never }\n    ${deep}`), {
      javaScriptEnabled: false,
      viewport: { width: 360, height: 600 },
    });
    await tab.locator('nav summary').first().click();
    await tab.locator('.kamino-submenu summary').first().click();
    const box = await tab.locator('.kamino-submenu .kamino-submenu').boundingBox();
    expect(box!.x).toBeGreaterThanOrEqual(0);
    expect(box!.x + box!.width).toBeLessThanOrEqual(360);
    await tab.context().close();
  });
});

test('what lies below an entry of a plain menu has its mark below it, also beside menus that open; tabs that are spread fill their line', async () => {
  const below = 'entries: [{ page: tonight.html, entries: [visit.html] }]';
  const tab = await open(
    site(
      '',
      `form: plain\n    ${below}\n  - { menu: side, form: column, ${below} }\n  - { menu: rooms, form: tabs, align: spread, entries: [visit.html, tonight.html] }`,
    ),
  );
  const { mark, last } = await tab.evaluate(() => {
    const { width, height } = getComputedStyle(
      document.querySelector('.kamino-menu-m [aria-current]')!,
      '::after',
    );
    const tabs = document.querySelectorAll('.kamino-menu-rooms li');
    return { mark: [parseFloat(width), parseFloat(height)], last: tabs[1]!.getBoundingClientRect().right };
  });
  expect(mark[0]).toBeGreaterThan(20);
  expect(mark[1]).toBeLessThan(5);
  expect(last).toBeCloseTo(1272, 0);
  await tab.context().close();
});

describe('where entries stand', () => {
  const middle = 640;
  test.each([
    ['bar', 'a'],
    ['tabs', 'a'],
    ['plain', 'a'],
    ['breadcrumb', 'li'],
    ['column', '.words'],
  ])('is said by `align` in a %s', async (form, what) => {
    const seen: Record<string, readonly [left: number, right: number]> = {};
    for (const align of ['start', 'center', 'end', ...(form === 'column' ? [] : ['spread'])]) {
      const given =
        form === 'breadcrumb' ? 'place: { first-in: header }' : 'entries: [tonight.html, visit.html]';
      const tab = await open(site('', `form: ${form}\n    align: ${align}\n    ${given}`));
      seen[align] = await tab.evaluate(one => {
        const boxes = [...document.querySelectorAll(one === '.words' ? 'nav li a' : `nav ${one}`)].map(
          found => {
            const range = document.createRange();
            if (one === 'li') range.selectNode(found);
            else range.selectNodeContents(found);
            return range.getBoundingClientRect();
          },
        );
        return [Math.min(...boxes.map(box => box.left)), Math.max(...boxes.map(box => box.right))];
      }, what);
      await tab.context().close();
    }
    const { start, center, end, spread } = seen as Record<string, [number, number]>;
    expect((center![0] + center![1]) / 2).toBeCloseTo(middle, -1);
    expect(start![0]).toBeLessThan(50);
    expect(end![1]).toBeGreaterThan(2 * middle - 50);
    if (spread) expect(spread[1] - spread[0]).toBeGreaterThan(1.5 * (start![1] - start![0]));
  });

  it.each([
    ['column', 'align: spread'],
    ['contents', 'align: center'],
    ['contents', 'current-entry: text'],
    ['previous-next', 'separators: line'],
    ['plain', 'opens: { by: click }'],
  ])('is nothing that a key could change in %s: %s', (form, key) => {
    const given: Record<string, string> = { contents: 'levels: 2', 'previous-next': 'set: "*.html"' };
    const folder = folderWith({
      'index.html': page('A', '<h2>One</h2>'),
      'kamino.yaml': `kamino: 1\nmenus:\n  - { menu: m, form: ${form}, ${key}, ${given[form] ?? 'entries: [index.html]'} }\n`,
    });
    expect(kamino(folder, 'build').err).toMatch(/no-effect/);
  });
});
