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
