import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { beforeAll, describe, expect, test } from '@jest/globals';
import { open, useBrowser } from '../helpers/browser.ts';
import { demoFolder, folderWith, kamino, put } from '../helpers/site.ts';

const slot = '<div class="slot" data-kamino-slot="m"></div>';
const logo = '<p class="logo">Fold Press, since 1891</p>';

/** Page layouts that a bar may have to live in: the style of the page, and its body. */
const layouts: Record<string, [style: string, body: string]> = {
  block: ['', `<header>${slot}</header>`],
  'flex beside a logo': [
    'header{display:flex;gap:2rem;align-items:center}',
    `<header>${logo}${slot}</header>`,
  ],
  'a growing flex item beside a logo': [
    'header{display:flex} .slot{flex:1}',
    `<header>${logo}${slot}</header>`,
  ],
  'grid beside a logo': [
    'header{display:grid;grid-template-columns:12rem 1fr}',
    `<header>${logo}${slot}</header>`,
  ],
  'auto grid columns': [
    'header{display:grid;grid-template-columns:auto auto}',
    `<header>${logo}${slot}</header>`,
  ],
  'a float beside it': [
    '.logo{float:left;margin:0 2rem 0 0} .slot{overflow:visible}',
    `<header>${logo}${slot}</header>`,
  ],
  'floated itself': ['.slot{float:right;max-width:100%}', `<header>${slot}</header>`],
  'a table cell': [
    'header{display:table} .slot,.logo{display:table-cell}',
    `<header>${logo}${slot}</header>`,
  ],
  'a fit-content box': ['.slot{width:fit-content;max-width:100%}', `<header>${slot}</header>`],
  'a column of flex': [
    'body{display:flex;flex-direction:column;align-items:flex-start} header{max-width:100%}',
    `<header>${slot}</header>`,
  ],
  'a header that stays': ['header{position:sticky;top:0;padding:0 5%}', `<header>${slot}</header>`],
  'a wrapper of 960 px': [
    '.wrap{max-width:960px;margin:0 auto}',
    `<header><div class="wrap">${slot}</div></header>`,
  ],
  'a narrow column': ['header{width:min(30rem,100%)}', `<header>${slot}</header>`],
  'right to left': ['html{direction:rtl} header{display:flex}', `<header>${logo}${slot}</header>`],
  'doubled text': ['html{font-size:200%}', `<header>${slot}</header>`],
};

const plan = (extra = ''): string => `kamino: 1
menus:
  - menu: m
    home: { label: Brackenfold }
    fold: { when: crowded }
${extra}    entries:
      - { page: index.html, label: Tonight’s sky }
      - { page: a.html, label: Visit, entries: [b.html] }
      - { label: Telescopes, entries: [b.html] }
      - { page: b.html, label: Äpfel & Über }
      - { page: a.html, label: Book a night, highlight: background }
`;
const sans = readFileSync(join(demoFolder, 'fonts/source-sans-400.woff2'));
const bold = readFileSync(join(demoFolder, 'fonts/source-sans-600.woff2'));
const page = (style: string, body: string): string =>
  `<!doctype html><html lang="en"><head><meta charset="utf-8"><meta name="viewport" content="width=device-width"><title>A</title><link rel="stylesheet" href="font.css"><style>*{box-sizing:border-box}body{margin:0}.logo{margin:0;white-space:nowrap}${style}</style></head><body>${body}<main><h1>A</h1></main></body></html>`;
const css = `@font-face{font-family:S;font-weight:400;src:url(s.woff2)}@font-face{font-family:S;font-weight:600 700;src:url(b.woff2)}body{font:400 1.0625rem/1.6 S,sans-serif}`;

let folder = '';
useBrowser();
beforeAll(() => {
  const pages = Object.entries(layouts).map(([name, [style, body]]) => [
    `${name.replaceAll(' ', '-')}.html`,
    page(style, body),
  ]);
  folder = folderWith({
    ...Object.fromEntries(pages),
    ...Object.fromEntries(
      ['index', 'a', 'b'].map(one => [`${one}.html`, page('', `<header>${slot}</header>`)]),
    ),
    'font.css': css,
    's.woff2': sans,
    'b.woff2': bold,
    'kamino.yaml': plan(),
  });
  expect(kamino(folder, 'build')).toMatchObject({ status: 0, err: '' });
});

/** What is wrong with the bar in the window as it is. */
function look() {
  const menu = document.querySelector('nav.kamino')!;
  const room = menu.querySelector('.kamino-room')!;
  const shown = (one: Element): boolean => one.getClientRects().length > 0;
  const isFolded = shown(menu.querySelector('.kamino-toggle')!);
  const boxes = [
    ...room.querySelectorAll(
      ':scope > .kamino-home, :scope > .kamino-list > .kamino-entry, :scope > .kamino-toggle',
    ),
  ]
    .filter(shown)
    .map(one => one.getBoundingClientRect());
  const wrong: string[] = [];
  const root = document.documentElement;
  if (root.scrollWidth > root.clientWidth)
    wrong.push(`scrolls sideways by ${root.scrollWidth - root.clientWidth}`);
  if (boxes.some(box => box.left < -0.5 || box.right > root.clientWidth + 0.5))
    wrong.push('leaves the window');
  boxes.forEach((box, at) => {
    for (const other of boxes.slice(at + 1)) {
      const isOver = Math.min(box.right, other.right) - Math.max(box.left, other.left) > 0.5;
      if (isOver && Math.min(box.bottom, other.bottom) - Math.max(box.top, other.top) > 0.5)
        wrong.push('overlap');
    }
  });
  const middles = boxes.map(box => Math.round((box.top + box.bottom) / 2));
  if (!isFolded && new Set(middles).size > 1) wrong.push('wraps');
  const clipped = [...room.querySelectorAll('.kamino-link')].filter(
    one => shown(one) && one.scrollWidth > one.clientWidth + 1,
  );
  if (clipped.length > 0) wrong.push('clips a label');
  return {
    wrong,
    isFolded,
    room: room.getBoundingClientRect().width,
    em: parseFloat(getComputedStyle(room).fontSize),
  };
}

const width = (): number =>
  Number(/inline-size >= ([\d.]+)em/.exec(readFileSync(join(folder, 'built/kamino/menu.css'), 'utf8'))![1]);

describe('a crowded bar folds exactly where its own room ends', () => {
  test.each(Object.keys(layouts))('in %s', async name => {
    const tab = await open(pathToFileURL(join(folder, 'built', `${name.replaceAll(' ', '-')}.html`)).href);
    await tab.evaluate(() => document.fonts.ready.then(() => undefined));
    const wrong: string[] = [];
    const states = new Map<number, boolean>();
    const at = async (window: number): Promise<void> => {
      await tab.setViewportSize({ width: window, height: 600 });
      const seen = await tab.evaluate(look);
      const fits = seen.room >= width() * seen.em - 0.02;
      if (seen.isFolded === fits)
        wrong.push(`${window}: ${seen.isFolded ? 'folded' : 'wide'} in ${seen.room} px`);
      wrong.push(...seen.wrong.map(one => `${window}: ${one}`));
      states.set(window, seen.isFolded);
    };
    for (let window = 320; window <= 1600; window += 32) await at(window);
    // Pixel by pixel around the place where it changes.
    const change = [...states].find(
      ([window, isFolded]) => isFolded && states.get(window + 32) === false,
    )?.[0];
    if (change !== undefined) for (let window = change; window <= change + 32; window += 1) await at(window);
    expect(wrong).toEqual([]);
    if (name === 'block') expect(change).toBeDefined();
    await tab.context().close();
  });

  test.each(['start', 'center', 'end', 'spread'])(
    'with the home in the middle, exactly there, beside what stays: %s',
    async align => {
      const folded = plan(`    align: ${align}\n`)
        .replace('label: Brackenfold', 'label: Brackenfold, at: middle')
        .replace('highlight: background', 'highlight: background, folds: false');
      put(folder, { 'middle.yaml': `${folded}output: middle\n` });
      expect(kamino(folder, 'build', 'middle.yaml')).toMatchObject({ status: 0 });
      const told = JSON.parse(kamino(folder, 'measure', 'middle.yaml', '--json').out) as {
        menus: { fitsFromPx: number; homeOffset: number }[];
      };
      const tab = await open(pathToFileURL(join(folder, 'middle/block.html')).href);
      await tab.evaluate(() => document.fonts.ready.then(() => undefined));
      const { fitsFromPx, homeOffset } = told.menus[0]!;
      const from = Math.ceil(fitsFromPx);
      for (const window of [from - 1, from, from + 40, 1280, 1600]) {
        await tab.setViewportSize({ width: window, height: 600 });
        const { wrong, isFolded } = await tab.evaluate(look);
        expect([window, wrong, isFolded]).toEqual([window, [], window < from]);
        if (isFolded || align === 'spread') continue;
        const { x, width } = (await tab.locator('.kamino-home').boundingBox())!;
        expect(Math.abs(x + width / 2 - window / 2)).toBeLessThan(0.6);
        if (window === from) expect(Math.abs(x - homeOffset)).toBeLessThan(1.5);
      }
      await tab.context().close();
    },
  );

  test('a designer’s larger padding makes entries wrap, and never overflow', async () => {
    const tab = await open(pathToFileURL(join(folder, 'built/block.html')).href);
    await tab.addStyleTag({ content: '.kamino { --kamino-padding: 1em 2em }' });
    for (let window = 320; window <= 1600; window += 64) {
      await tab.setViewportSize({ width: window, height: 600 });
      const { wrong } = await tab.evaluate(look);
      expect([window, wrong.filter(one => one !== 'wraps')]).toEqual([window, []]);
    }
    await tab.context().close();
  });
});

test('in a row a bar folds before the name of the site gets narrow, and its toggle stays whole', async () => {
  const site = (words: string): string => {
    const folder = folderWith(
      Object.fromEntries(
        ['index', 'rooms', 'prices', 'find-us'].map(one => [
          `${one}.html`,
          `<!doctype html><html lang="en"><head><meta name="viewport" content="width=device-width"><title>All of the ${one}</title><style>body{margin:0;font:16px sans-serif}header{display:flex;align-items:center;gap:16px;padding:0 16px}</style></head><body><header><b>${words}</b></header><main><h1>${one}</h1></main></body></html>`,
        ]),
      ),
    );
    put(folder, {
      'kamino.yaml':
        'kamino: 1\nmenus:\n  - menu: m\n    place: { last-in: header }\n    entries: [index.html, rooms.html, prices.html, find-us.html]\n',
    });
    expect(kamino(folder, 'build')).toMatchObject({ status: 0, err: '' });
    return pathToFileURL(join(folder, 'built/index.html')).href;
  };
  for (const [words, widths] of [
    ['Larch and Lodge', [330, 390, 560, 1280]],
    ['A long line of words about a small museum of lamps by the sea', [300, 700]],
  ] as const)
    for (const width of widths) {
      const tab = await open(site(words), { viewport: { width, height: 600 } });
      const seen = await tab.evaluate(() => {
        const toggle = document.querySelector('.kamino-toggle > *')!.getBoundingClientRect();
        return {
          lines: document.querySelector('b')!.getBoundingClientRect().height / 18,
          isFolded: toggle.width > 0,
          toggle: [toggle.height < 60, toggle.right <= innerWidth],
          beside: document.documentElement.scrollWidth - innerWidth,
        };
      });
      const isShort = words.length < 20;
      expect([width, isShort ? Math.round(seen.lines) : 0]).toEqual([width, isShort ? 1 : 0]);
      expect([width, seen.isFolded, ...seen.toggle]).toEqual([width, width < 1000, true, true]);
      expect(seen.beside).toBeLessThanOrEqual(0);
      await tab.context().close();
    }
});

test.each([
  ['lines', ''],
  ['drawings', '      toggle: { icon: lamp.svg }\n'],
])('in a room that is too narrow for its word a toggle of %s shows its picture alone', async (_, keys) => {
  const head = (title: string): string =>
    `<!doctype html><html lang="en"><head><meta name="viewport" content="width=device-width"><title>${title}</title><style>body{margin:0;font:16px sans-serif}header{display:grid;grid-template-columns:auto 1fr auto;gap:20px;padding:0 16px}b,i{white-space:nowrap}</style></head><body><header><b>Museum of old lamps</b><div data-kamino-slot="m"></div><i>Cymraeg</i></header><main><h1>${title}</h1></main></body></html>`;
  const folder = folderWith({
    'index.html': head('Home'),
    'rooms.html': head('Rooms'),
    'lamp.svg': '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 10 10"><path d="M0 0h10v10z"/></svg>',
    'kamino.yaml': `kamino: 1\nmenus:\n  - menu: m\n    fold:\n      when: crowded\n${keys}    entries: [index.html, { page: rooms.html, label: All the rooms of the museum of lamps by the sea }]\n`,
  });
  expect(kamino(folder, 'build')).toMatchObject({ status: 0 });
  const address = pathToFileURL(join(folder, 'built/index.html')).href;
  const seen = async (
    width: number,
  ): Promise<{ width: number; height: number; picture: number; beside: number }> => {
    const tab = await open(address, { viewport: { width, height: 600 } });
    expect(await tab.locator('.kamino-toggle > *').textContent()).toContain('Menu');
    const found = await tab.evaluate(() => {
      const toggle = document.querySelector('.kamino-toggle > *')!;
      const { width, height } = toggle.getBoundingClientRect();
      const drawn = [...toggle.querySelectorAll('svg')].find(one => one.clientWidth > 0);
      const picture = drawn ? drawn.clientWidth : parseFloat(getComputedStyle(toggle, '::before').width);
      return { width, height, picture, beside: document.documentElement.scrollWidth - innerWidth };
    });
    await tab.context().close();
    return found;
  };
  const tight = await seen(320);
  expect(tight.width).toBeLessThan(45);
  expect(tight.width).toBeGreaterThanOrEqual(24);
  expect(tight.height).toBeGreaterThanOrEqual(24);
  expect(tight.picture).toBeGreaterThan(12);
  expect((await seen(640)).width).toBeGreaterThan(60);
});
