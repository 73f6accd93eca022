// The menu's own box: in every form and fold what the plan says of it is what a browser shows.
import { readFileSync } from 'node:fs';
import { pathToFileURL } from 'node:url';
import { join } from 'node:path';
import { beforeAll, describe, expect, it } from '@jest/globals';
import { open, useBrowser } from '../helpers/browser.ts';
import { folderWith, kamino, page } from '../helpers/site.ts';

const forms: Record<string, string> = {
  bar: 'form: bar',
  column: 'form: column',
  tabs: 'form: tabs',
  plain: 'form: plain',
  breadcrumb: 'form: breadcrumb',
  neighbours: 'form: previous-next\n    set: "*.html"',
  stack: 'fold: { when: crowded, as: stack }',
  drawer: 'fold: { when: crowded, as: drawer }',
  'full-screen': 'fold: { when: below 40em, as: full-screen }',
  'a drawer at any width': 'fold: { when: any-width, as: drawer }',
  'a column that folds': 'form: column\n    fold: { when: below 40em, as: stack }',
};
const frame = 'look: { background: "#eeeeee", frame: { padding: 10px 30px 14px, row: 400px, width: 600px } }';
const folders = new Map<string, string>();
useBrowser();
beforeAll(() => {
  for (const [name, lines] of Object.entries(forms)) {
    const entries = /breadcrumb|set:/.test(lines)
      ? ''
      : '    entries: [index.html, a.html, b.html, c.html]\n';
    const other = lines.includes('breadcrumb')
      ? '  - { menu: other, place: { last-in: body }, entries: [a.html] }\n'
      : '';
    const folder = folderWith({
      ...Object.fromEntries(
        ['index', 'a', 'b', 'c'].map(one => [`${one}.html`, page(`A page called ${one}`)]),
      ),
      'kamino.yaml': `kamino: 1\nmenus:\n  - menu: m\n    place: { first-in: body }\n    ${lines}\n    ${frame}\n${entries}${other}`,
    });
    const { status, err } = kamino(folder, 'build');
    if (status !== 0) throw new Error(err);
    folders.set(name, folder);
  }
});

interface Seen {
  nav: number[];
  room: number[];
  page: number;
  folded: boolean;
}

describe.each(Object.keys(forms))('%s', name => {
  it.each([1280, 500, 320])('has its room, its row and its width at %i px', async width => {
    const url = pathToFileURL(join(folders.get(name)!, 'built/a.html')).href;
    const tab = await open(url, { viewport: { width, height: 700 } });
    const seen = await tab.evaluate((): Seen => {
      document.body.style.margin = '0';
      const nav = document.querySelector('nav.kamino-menu-m')!;
      const box = (one: Element): number[] => {
        const { left, right, top, bottom } = one.getBoundingClientRect();
        return [left, right, top, bottom];
      };
      const toggle = nav.querySelector('.kamino-toggle');
      return {
        nav: box(nav),
        room: box(nav.querySelector('.kamino-room')!),
        page: document.documentElement.scrollWidth,
        folded: toggle !== null && getComputedStyle(toggle).display !== 'none',
      };
    });
    await tab.context().close();
    const [left, right, top, bottom] = seen.nav as [number, number, number, number];
    const [inLeft, inRight, inTop, inBottom] = seen.room as [number, number, number, number];
    expect(seen.page).toBe(width);
    expect(right - left).toBeCloseTo(Math.min(width, 600), 0);
    expect(inRight - inLeft).toBeCloseTo(Math.min(Math.min(width, 600) - 60, 400), 0);
    expect([inTop - top, bottom - inBottom]).toEqual([10, 14]);
    // What is in it lies in its middle; a bar lies in the middle of the page, a column where it begins.
    expect(inLeft - left).toBeCloseTo(right - inRight, 0);
    expect(left).toBeCloseTo(/bar|tabs|stack|drawer|screen/.test(name) ? (width - (right - left)) / 2 : 0, 0);
    // The four entries need more than the row: what folds where it has no room goes by that.
    if (/^(?:stack|drawer)$/.test(name)) expect(seen.folded).toBe(true);
  });
});

it('is measured: what is in the menu has so much room, and no more than its row', () => {
  const folder = folders.get('stack')!;
  const { menus } = JSON.parse(kamino(folder, 'measure', '--json').out) as {
    menus: { fitsFromPx: number; widths: { width: number; fits: boolean; left: number }[] }[];
  };
  const [{ fitsFromPx, widths }] = menus as [(typeof menus)[number]];
  expect(widths.every(one => !one.fits)).toBe(true);
  const leftAt = (width: number): number => widths.find(one => one.width === width)!.left;
  expect(leftAt(1280)).toBeCloseTo(400 - fitsFromPx, 0);
  expect(leftAt(320)).toBeCloseTo(320 - 60 - fitsFromPx, 0);
});

describe('a picture as the ground', () => {
  const drawing =
    '<svg xmlns="http://www.w3.org/2000/svg" width="40" height="20"><path d="M0 0h9v9z"/></svg>';
  const site = (look: string): string =>
    folderWith({
      'index.html': page('Home'),
      'sub/a.html': page('A'),
      'img/a hill’s "top".svg': drawing,
      'kamino.yaml': `kamino: 1\nlook: ${look}\nmenus:\n  - { menu: m, entries: [index.html, { label: More, entries: [sub/a.html] }] }\n`,
    });
  const file = `'img/a hill’s "top".svg'`;

  it.each([
    [`{ picture: ${file}, color: "#ffffff", background: "#223344" }`, 'cover', '50% 50%', 'no-repeat'],
    [`{ picture: { file: ${file}, fill: repeat, at: top }, color: "#ffffff" }`, 'auto', '50% 0%', 'repeat'],
  ])('lies over the colour, in every page, and is told as not looked at: %s', async (look, ...drawn) => {
    const folder = site(look);
    const { status, err } = kamino(folder, 'build');
    expect([status, err.match(/note unsure-contrast: a picture lies behind/g)]).toEqual([
      0,
      [expect.any(String)],
    ]);
    const tab = await open(pathToFileURL(join(folder, 'built/sub/a.html')).href);
    const seen = await tab.evaluate(async () => {
      const style = getComputedStyle(document.querySelector('nav')!);
      const [own, ...others] = [...document.querySelectorAll('nav *')].map(
        one => getComputedStyle(one).backgroundImage,
      );
      const address = /url\("(.*?)"\)/.exec(style.backgroundImage)![1]!;
      const picture = new Image();
      picture.src = address;
      await picture.decode();
      return {
        natural: picture.naturalWidth,
        drawn: [style.backgroundSize, style.backgroundPosition, style.backgroundRepeat].map(
          one => one.split(',')[0],
        ),
        below: [own, ...others].filter(one => one !== 'none').length,
      };
    });
    expect(seen).toEqual({ natural: 40, drawn, below: 0 });
    await tab.context().close();
    kamino(folder, 'specimen');
    expect(readFileSync(join(folder, 'specimen.html'), 'utf8')).toContain('url("data:image/svg+xml;base64,');
  });

  it('is refused where the site does not have it, with the nearest', () => {
    const { status, err } = kamino(site('{ picture: "img/a hills top.svg" }'), 'build');
    expect([status, err]).toEqual([2, expect.stringContaining('Did you mean `img/a hill’s "top".svg`?')]);
    expect(kamino(site('{ picture: index.html }'), 'build').err).toContain('`index.html` is no picture');
  });
});
