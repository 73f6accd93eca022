// The menu's own box: in every form and fold what the plan says of it is what a browser shows.
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
