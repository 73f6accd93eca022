// Old menus that a page has laid out beside its content: what is drafted from them stands where they stood.
import { existsSync, mkdirSync, readFileSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { expect, it } from '@jest/globals';
import { open, useBrowser } from '../helpers/browser.ts';
import { folderWith, kamino, page, put } from '../helpers/site.ts';

useBrowser();
const names = ['index', 'tonight', 'visit', 'journal', 'rooms', 'paths'];
const link = (name: string): string => `<a href="${name}.html">Page ${name}</a>`;
const items = (all: readonly string[]): string => all.map(one => `<li>${link(one)}</li>`).join('\n');
const nested = `<ul>\n${items(names.slice(0, 3))}\n<li>\n<ul>${items(names.slice(3, 5))}</ul>\n</li>\n${items(names.slice(5))}\n</ul>`;

/** An old site with its menu beside its content. */
const site = (menu: string, css: string): string =>
  folderWith({
    ...Object.fromEntries(
      names.map(name => [
        `${name}.html`,
        page(
          name,
          `${menu}<main id="main"><h1>${name}</h1><p>${'Words of it. '.repeat(40)}</p></main>`,
        ).replace(
          '</head>',
          '<meta name="viewport" content="width=device-width"><link rel="stylesheet" href="old.css"></head>',
        ),
      ]),
    ),
    'old.css': `ul{margin:0;padding:0;list-style:none}${css}`,
  });

const seen = async (
  folder: string,
  menu: string,
): Promise<{ main: number[]; side: number; first: number; free: number }> => {
  const tab = await open(pathToFileURL(join(folder, 'visit.html')).href);
  const found = await tab.evaluate(old => {
    const boxOf = (of: string): DOMRect => document.querySelector(of)!.getBoundingClientRect();
    const { left, top, width } = boxOf('#main');
    const own = document.querySelector('.kamino [aria-current]');
    const mark = own && getComputedStyle(own, '::after');
    const words = document.createRange();
    if (own) words.selectNodeContents(own);
    // Between the mark and the words.
    const free = own
      ? words.getBoundingClientRect().left -
        own.getBoundingClientRect().left -
        parseFloat(mark!.insetInlineStart) -
        parseFloat(mark!.inlineSize)
      : 0;
    const side = boxOf(old);
    return {
      main: [left, top, width].map(Math.round),
      side: Math.round(side.right),
      first: boxOf(`${old} a`).left,
      free,
    };
  }, menu);
  await tab.context().close();
  return found;
};

const aside = `<div id="side"><h3>Rooms</h3>${nested}</div>`;
const floats = '#side{float:left;width:12em}#main{margin-left:13em}';
it.each([
  ['floats', floats],
  ['stays in the window', '#side{position:fixed;top:0;left:0;width:12em}#main{margin-left:13em}'],
  ['lies over it', '#side{position:absolute;width:12em}#main{margin-left:13em}'],
  [
    'has an area of a grid',
    'body>main{display:grid;grid-template-columns:12em 1fr}h1{grid-column:1/-1}#side{grid-area:2/1}#main{grid-area:2/2}',
  ],
  ['is laid out in wide windows alone', `@media (min-width:50em){${floats}}`],
  ['has rules of its own inside', `${floats}#side a{color:red;padding:3px}`],
])('a menu that %s', async (name, css) => {
  const folder = site(aside, css);
  const before = await seen(folder, '#side');
  expect(kamino(folder, 'draft', '--from', '#side', '--yes').status).toBe(0);
  const plan = readFileSync(join(folder, 'kamino.yaml'), 'utf8');
  // What an id says of what is in it would go on holding: then the new menu alone is laid out so.
  const isWhole = name.includes('inside');
  expect(plan).toMatch(isWhole ? /style: menus\.css[^]*instead-of: "#side"/ : /instead-of: "#side ul"/);
  // What stands in an item of its own lies below the item before.
  expect(plan).toMatch(/page: visit\.html\n[^]*?entries:\n {10}- .*journal\.html[^]*\n {10}- .*rooms\.html/);
  expect(kamino(folder, 'build')).toMatchObject({ status: 0, err: '' });
  const after = await seen(folder, isWhole ? '.kamino' : '#side');
  expect([after.main, after.side]).toEqual([before.main, before.side]);
  expect(after.first).toBeLessThan(after.side);
  expect(after.free).toBeGreaterThan(0);
  expect(kamino(folder, 'lift').status).toBe(0);
});

it('a list that was laid out itself', async () => {
  const folder = site(
    `<ul id="side">${items(names)}</ul>`,
    '#side{width:12em}@layer site{@media screen and (min-width:30em){@supports (float:left){#side{float:left}}}}@media print{#side{float:none}}#main{margin-left:13em}',
  );
  const before = await seen(folder, '#side');
  expect(kamino(folder, 'draft', '--from', '#side', '--yes').status).toBe(0);
  expect(kamino(folder, 'build')).toMatchObject({ status: 0, err: '' });
  const after = await seen(folder, '.kamino');
  expect([after.main, after.side]).toEqual([before.main, before.side]);
  const sheet = readFileSync(join(folder, 'menus.css'), 'utf8');
  expect(sheet).toMatch(/@media screen and \(min-width:30em\) \{\n@supports/);
  expect(sheet).not.toMatch(/@layer|print/);
  // Where the sheet cannot be written there is no plan that names it.
  expect(kamino(folder, 'lift').status).toBe(0);
  rmSync(join(folder, 'kamino.yaml'));
  rmSync(join(folder, 'menus.css'));
  mkdirSync(join(folder, 'menus.css'));
  expect(kamino(folder, 'draft', '--from', '#side', '--yes').err).toContain('menus.css: error cannot-write');
  expect(existsSync(join(folder, 'kamino.yaml'))).toBe(false);
  rmSync(join(folder, 'menus.css'), { recursive: true });
  // Drafted once more, what is there stays.
  put(folder, { 'menus.css': sheet });
  expect(kamino(folder, 'draft', '--from', '#side', '--yes').status).toBe(0);
  expect(readFileSync(join(folder, 'menus-2.css'), 'utf8')).toBe(sheet);
  expect(readFileSync(join(folder, 'kamino.yaml'), 'utf8')).toContain('style: menus-2.css');
});

it('a bar that sticks, with room at its sides', async () => {
  const folder = site(
    `<nav id="top" class="bar"><ul>${items(names.slice(0, 4))}</ul></nav>`,
    '.bar{position:sticky;top:0;background:#123a5a;padding:0 1rem}.bar ul{display:flex;gap:1rem}.bar a{display:block;color:#fff;padding:.8rem .6rem}',
  );
  const before = await seen(folder, '#top');
  expect(kamino(folder, 'draft', '--from', '.bar', '--yes').status).toBe(0);
  expect(readFileSync(join(folder, 'kamino.yaml'), 'utf8')).toMatch(/instead-of: "?\.bar ul/);
  expect(kamino(folder, 'build')).toMatchObject({ status: 0, err: '' });
  const after = await seen(folder, '#top');
  // Its room is there once.
  expect(after.first).toBe(before.first);
  expect(Math.abs(after.main[1]! - before.main[1]!)).toBeLessThan(6);
});

/** From the first to the last link of a menu, and the top of the name beside it, in px. */
const extent = async (folder: string, menu: string): Promise<Record<'middle' | 'end' | 'below', number>> => {
  const tab = await open(pathToFileURL(join(folder, 'visit.html')).href);
  const found = await tab.evaluate(old => {
    const boxes = [...document.querySelectorAll(`${old} a`)].map(one => one.getBoundingClientRect());
    const [first, last] = [boxes[0]!, boxes.at(-1)!];
    const name = document.querySelector('#name')!.getBoundingClientRect();
    return {
      middle: (first.left + last.right) / 2,
      end: last.right,
      below: Number(first.top >= name.bottom),
    };
  }, menu);
  await tab.context().close();
  return found;
};

const head = (css: string, last = ''): string =>
  site(
    `<div id="head"><b id="name">Name</b><nav id="top"><ul>${items(names.slice(0, 3))}${last}</ul></nav></div>`,
    `body{font-family:DejaVu Sans}#head{display:flex;align-items:center;padding:1rem}#top ul{display:flex;gap:1rem}${css}`,
  );

it.each([
  ['at the end', '#top{margin-left:auto}'],
  ['in all the room that is left', '#top{flex:1}#top ul{justify-content:flex-end}'],
  ['in a line of its own', '#head{flex-wrap:wrap}#top{width:100%}'],
  [
    'in the middle of a line of its own',
    '#head{flex-wrap:wrap}#top{flex-basis:100%}#top ul{justify-content:center}',
  ],
  ['before what it follows', '#top{order:-1}'],
  [
    'in the middle of a part of a grid',
    '#head{display:grid;grid-template-columns:10rem 1fr}#top{justify-self:center}',
  ],
])('a bar in a row that stands %s', async (_, css) => {
  const folder = head(css);
  const before = await extent(folder, '#top');
  expect(kamino(folder, 'draft', '--yes').status).toBe(0);
  expect(kamino(folder, 'build')).toMatchObject({ status: 0, err: '' });
  const after = await extent(folder, '.kamino-list');
  expect(after.below).toBe(before.below);
  // Its entries have room of their own.
  expect(Math.abs(after.middle - before.middle)).toBeLessThan(60);
  expect(readFileSync(join(folder, 'menus.css'), 'utf8')).not.toMatch(/shrink|flex:/);
});

it('a button at the other end of a row, beside the page one is on', async () => {
  const folder = head(
    '#head{flex-wrap:wrap;background:#0b3d5c}#top{width:100%;border-top:1px solid #2c6288;padding-top:10px}#top a{color:#fff;padding:8px 14px;border-radius:4px}' +
      'a[href="index.html"]{background:#fff;color:#0b3d5c}#top .cta{margin-left:auto}#top .cta a{background:#e8792b}',
    `<li class="cta">${link('rooms')}</li>`,
  );
  const before = await extent(folder, '#top');
  expect(kamino(folder, 'draft', '--yes').status).toBe(0);
  const plan = readFileSync(join(folder, 'kamino.yaml'), 'utf8');
  expect(plan).toMatch(/page: rooms\.html, .*apart: true/);
  expect(plan).toMatch(/accent: "#e8792b"[^]*padding: 0\.5rem 0\.88rem[^]*frame: \{ padding: 0\.63rem 0 0,/);
  expect(plan).not.toContain('align: spread');
  expect(kamino(folder, 'build').status).toBe(0);
  expect(Math.abs((await extent(folder, '.kamino-list')).end - before.end)).toBeLessThan(2);
});

it('tabs', () => {
  const folder = site(
    `<ul id="tabs">${items(names)}</ul>`,
    '#tabs{display:flex;gap:4px}#tabs a{display:block;padding:10px 20px;background:#56789a;color:#fff;border-radius:8px 8px 0 0}',
  );
  expect(kamino(folder, 'draft', '--yes').status).toBe(0);
  expect(readFileSync(join(folder, 'kamino.yaml'), 'utf8')).toMatch(/form: tabs\n[^]*radius: 0\.5rem/);
  expect(kamino(folder, 'build').status).toBe(0);
});

it('links of one cell, in the middle of it, of which the page itself is none', () => {
  const row = (here: string): string =>
    names.map(name => (name === here ? `<b>Page ${name}</b>` : link(name))).join(' |\n');
  const folder = folderWith(
    Object.fromEntries(
      names.map(name => [
        `${name}.html`,
        page(
          name,
          `<center><table width="960" cellpadding="8"><tr><td>Name</td></tr><tr><td align="center">${row(name)}</td></tr><tr><td><h1>${name}</h1></td></tr></table></center>`,
        ),
      ]),
    ),
  );
  expect(kamino(folder, 'draft', '--yes').status).toBe(0);
  const plan = readFileSync(join(folder, 'kamino.yaml'), 'utf8');
  expect(plan).toContain('align: center');
  expect(plan).not.toMatch(/widths:|padding:/);
});

it('a column whose front page does not show where one is', () => {
  const folder = site(
    `<div id="side"><ul>${items(names)}</ul></div>`,
    `${floats}#side a{display:block;padding:6px 12px;border-bottom:1px solid #ccc}#side a.on{background:#254;color:#fff}`,
  );
  for (const name of names.slice(1)) {
    const file = join(folder, `${name}.html`);
    put(folder, {
      [`${name}.html`]: readFileSync(file, 'utf8').replace(`<a href="${name}.html"`, '$& class="on"'),
    });
  }
  expect(kamino(folder, 'draft', '--yes').status).toBe(0);
  const plan = readFileSync(join(folder, 'kamino.yaml'), 'utf8');
  expect(plan).toMatch(/separators: \{ color: "#cccccc", inset: 0 \}/);
  expect(plan).toMatch(/radius: 0\n[^]*current: \{ color: "#ffffff", background: "#225544"/);
});

it.each([
  ['words', '<a class="mark" href="index.html">Saltmarsh</a>', 'label: Saltmarsh, at'],
  [
    'a picture',
    '<a href="index.html"><img src="logo.svg" alt="Saltmarsh" width="120" height="40"></a>',
    'image: logo.svg, show: image, at',
  ],
])('the name of a site in the middle of a row: %s', async (what, name, says) => {
  const folder = site(
    `<nav id="top"><ul>${items(names.slice(1, 3))}<li>${name}</li>${items(names.slice(3, 5))}</ul></nav>`,
    'body{font-family:DejaVu Sans}#top ul{display:flex;gap:2rem;justify-content:center;align-items:center;padding:20px 0}.mark{font-size:26px;letter-spacing:5.2px;color:#4a5d4f}',
  );
  put(folder, { 'logo.svg': '<svg xmlns="http://www.w3.org/2000/svg" width="120" height="40"></svg>' });
  const boxOf = async (): Promise<number[]> => {
    const tab = await open(pathToFileURL(join(folder, 'visit.html')).href);
    const found = await tab.evaluate(isPicture => {
      const link = [...document.querySelectorAll('a[href="index.html"]')].find(
        one => one.getClientRects().length > 0,
      )!;
      const { left, width } = link.getBoundingClientRect();
      const size = isPicture
        ? link.querySelector('img')!.getBoundingClientRect().height
        : parseFloat(getComputedStyle(link).fontSize);
      return [left + width / 2, size];
    }, what === 'a picture');
    await tab.context().close();
    return found;
  };
  const before = await boxOf();
  expect(kamino(folder, 'draft', '--yes').status).toBe(0);
  const plan = readFileSync(join(folder, 'kamino.yaml'), 'utf8');
  expect(plan).toContain(says);
  expect(plan).not.toMatch(/- .*index\.html/);
  // How a name always looks tells nothing of where one is.
  expect(plan.replace(/parts:[^]*/, '')).not.toContain('current:');
  expect(/home: \{ color: "#4a5d4f"/.test(plan)).toBe(what === 'words');
  expect(kamino(folder, 'build')).toMatchObject({ status: 0, err: '' });
  const after = await boxOf();
  expect(Math.abs(after[0]! - before[0]!)).toBeLessThan(80);
  expect(Math.abs(after[1]! - before[1]!)).toBeLessThan(0.5);
});

it('a header in one element: its name, its entries, and a button of its own', async () => {
  const folder = site(
    `<b id="name"></b><nav id="top"><a href="index.html"><img src="logo.svg" alt="Fennel" width="140" height="36"></a><ul>${items(names.slice(0, 3))}</ul><a class="btn" href="rooms.html">Rooms</a></nav>`,
    'body{font-family:DejaVu Sans}#top{display:flex;align-items:center;gap:24px;padding:12px 32px}#top ul{display:flex;gap:8px;margin:0 0 0 auto}#top li a{display:block;padding:8px 14px;color:#2c2a26}#top li a:hover{background:#f1ead9}#top li .on{color:#5c7a2d;font-weight:700}.btn{background:#5c7a2d;color:#fff;padding:10px 20px;border-radius:999px}',
  );
  put(folder, { 'logo.svg': '<svg xmlns="http://www.w3.org/2000/svg" width="140" height="36"></svg>' });
  const marked = readFileSync(join(folder, 'visit.html'), 'utf8').replace(
    '<a href="visit.html"',
    '$& class="on"',
  );
  put(folder, { 'visit.html': marked });
  const before = await extent(folder, '#top');
  expect(kamino(folder, 'draft', '--yes').status).toBe(0);
  const plan = readFileSync(join(folder, 'kamino.yaml'), 'utf8');
  expect(plan).toMatch(/align: end\n +home: \{ label: Fennel, image: logo\.svg, show: image \}/);
  expect(plan).toMatch(/- \{ page: index\.html, label: Page index \}\n/);
  expect(plan).toMatch(/current: \{ color: "#5c7a2d"/);
  // The words of the button are read in every state, whatever its neighbours have there.
  const built = kamino(folder, 'build');
  expect([built.status, built.err.includes('low-contrast')]).toEqual([0, false]);
  expect(Math.abs((await extent(folder, '.kamino-list')).end - before.end)).toBeLessThan(4);
});

it('a list in a strip of its own, below the name of the site, with words beside that', async () => {
  const folder = site(
    `<header><div class="hd"><p id="name"><a href="index.html">Marram</a></p><p>01632 960 555<br>Mon to Sat, 9 to 5</p></div><div class="strip"><ul class="menu">${items(names)}</ul></div></header>`,
    'body{margin:0}.strip{background:#153243}.menu{width:1000px;max-width:94%;margin:0 auto;display:flex}.menu a{display:block;padding:12px 22px;color:#fff}',
  );
  expect(kamino(folder, 'inventory').out).toContain('"div.strip"  on 6 of 6 pages');
  expect(kamino(folder, 'draft', '--yes').status).toBe(0);
  const plan = readFileSync(join(folder, 'kamino.yaml'), 'utf8');
  expect(plan).toMatch(/instead-of: div\.strip[^]*frame: \{ row: 62\.5rem \}/);
  expect(kamino(folder, 'build').status).toBe(0);
  const tab = await open(pathToFileURL(join(folder, 'visit.html')).href);
  const ground = await tab.evaluate(() => document.querySelector('.kamino')!.getBoundingClientRect().width);
  await tab.context().close();
  expect(ground).toBe(1280);
});

it.each([
  [
    'a line below the words',
    'a.on{border-bottom:3px solid #b3261e}',
    '{ at: below, thickness: 3px, color: "#b3261e" }',
  ],
  [
    'a line that others have in no colour',
    '#top a{border-top:2px solid transparent;padding:4px 12px}#top a.on{border-color:#b3261e}',
    '{ at: above, thickness: 2px, color: "#b3261e", length: entry, offset: 0 }',
  ],
  [
    'a shadow inside',
    '#top a{padding:6px 9px}#top a.on{box-shadow:inset 0 -4px #5c8a3a}',
    '{ at: below, thickness: 4px, color: "#5c8a3a", length: entry, offset: 0 }',
  ],
  ['a box around it', '#top a{padding:6px 9px}#top a.on{border:1px solid #5c8a3a}', null],
  ['a line that all have', '#top a{border-bottom:1px solid #888}', null],
])('where one is, told by %s', (_, css, marker) => {
  const folder = site(`<nav id="top"><ul>${items(names)}</ul></nav>`, `#top ul{display:flex;gap:1rem}${css}`);
  for (const name of names) {
    const text = readFileSync(join(folder, `${name}.html`), 'utf8');
    put(folder, { [`${name}.html`]: text.replace(`<a href="${name}.html"`, '$& class="on"') });
  }
  expect(kamino(folder, 'draft', '--yes').status).toBe(0);
  const plan = readFileSync(join(folder, 'kamino.yaml'), 'utf8');
  if (marker === null) expect(plan).not.toContain('marker: {');
  else expect(plan).toContain(`current: { marker: ${marker} }`);
  expect(kamino(folder, 'build').err).not.toMatch(/error|contrast/);
});

const bar = `<ul id="bar">${items(names)}</ul>`;
const ofBar =
  '#bar{background:#334}#bar li{display:inline-block}#bar a{display:block;padding:8px;color:#fff}';
it.each([
  ['lengths', 'margin:12px 20px 40px', 'margin: 12px 20px 40px', [20, 1260]],
  ['its middle', 'margin:1em auto 0;width:50em', 'margin: 16px 240px 0px', [240, 1040]],
  ['none', 'margin:0', 'margin: 0px', [0, 1280]],
])('gives a bar in the flow the room that the old one had around it: %s', async (_, css, margin, sides) => {
  const folder = site(bar, `body{margin:0}main{display:block}${ofBar}#bar{${css}}`);
  expect(kamino(folder, 'draft', '--from', '#bar', '--yes').status).toBe(0);
  expect(existsSync(join(folder, 'menus.css'))).toBe(margin !== 'margin: 0px');
  expect(kamino(folder, 'build').status).toBe(0);
  const tab = await open(pathToFileURL(join(folder, 'visit.html')).href);
  const found = await tab.locator('.kamino-bar').evaluate(menu => {
    const { left, right } = menu.getBoundingClientRect();
    return { margin: `margin: ${getComputedStyle(menu).margin}`, sides: [left, right].map(Math.round) };
  });
  expect(found).toEqual({ margin, sides });
  await tab.context().close();
});

it('keeps the room that is another on phones as it is written', async () => {
  const phone = '@media (max-width: 40em) { #bar { margin: 0 } }';
  const folder = site(bar, `body{margin:0}${ofBar}#bar{margin:12px 0 0 200px}${phone}`);
  kamino(folder, 'draft', '--from', '#bar', '--yes');
  expect(kamino(folder, 'build').status).toBe(0);
  const tab = await open(pathToFileURL(join(folder, 'visit.html')).href);
  const left = (): Promise<number> =>
    tab.locator('.kamino-bar').evaluate(menu => menu.getBoundingClientRect().left);
  expect(await left()).toBe(200);
  await tab.setViewportSize({ width: 390, height: 844 });
  expect(await left()).toBe(0);
  await tab.context().close();
});

it('keeps a row with a field in its middle there', () => {
  const folder = site(
    bar.replace('</ul>', '<li><form action="find"><input name="q"></form></li></ul>'),
    `${ofBar}#bar{text-align:center}#bar :is(a,form){display:inline}`,
  );
  kamino(folder, 'draft', '--from', '#bar', '--yes');
  expect(readFileSync(join(folder, 'kamino.yaml'), 'utf8')).toMatch(/\n {4}align: center\n/);
});
