// The menu's own box: in every form and fold what the plan says of it is what a browser shows.
import { readFileSync } from 'node:fs';
import { pathToFileURL } from 'node:url';
import { join } from 'node:path';
import { beforeAll, describe, expect, it } from '@jest/globals';
import { open, useBrowser } from '../helpers/browser.ts';
import { folderWith, kamino, page, put } from '../helpers/site.ts';

const forms: Record<string, string> = {
  bar: 'form: bar',
  column: 'form: column',
  tabs: 'form: tabs',
  plain: 'form: plain',
  contents: 'form: contents',
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
    const entries = /breadcrumb|contents|set:/.test(lines)
      ? ''
      : '    entries: [index.html, a.html, b.html, c.html]\n';
    const other = /breadcrumb|contents/.test(lines)
      ? '  - { menu: other, place: { last-in: body }, entries: [a.html] }\n'
      : '';
    const folder = folderWith({
      ...Object.fromEntries(
        ['index', 'a', 'b', 'c'].map(one => [
          `${one}.html`,
          page(`A page called ${one}`, '<h2>Here</h2><h2>There</h2>'),
        ]),
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
    [`{ picture: ${file}, color: "#ffffff", background: "#223344" }`, false, 'cover', '50% 50%', 'no-repeat'],
    [
      `{ picture: { file: ${file}, fill: repeat, at: top }, color: "#ffffff" }`,
      true,
      'auto',
      '50% 0%',
      'repeat',
    ],
  ] as const)('lies over the colour, in every page: %s', async (look, isUnsure, ...drawn) => {
    const folder = site(look);
    const { status, err } = kamino(folder, 'build');
    expect([status, err.includes('note unsure-contrast: a picture lies behind')]).toEqual([0, isUnsure]);
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

  const sky = (rest: string): string =>
    `<svg xmlns="http://www.w3.org/2000/svg" width="400" height="100"><rect width="400" height="100" fill="#14213a"/>${rest}</svg>`;
  it.each([
    ['a dark sky', sky(''), 'color: "#ffffff"', /^$/],
    ['a star in it', sky('<path d="M9 9h3v3h-3z" fill="#fff"/>'), 'color: "#ffffff"', /^$/],
    [
      'the moon in it',
      sky('<circle cx="200" cy="50" r="40" fill="#ccc"/>'),
      'color: "#ffffff"',
      /warning low-contrast: text in #ffffff on #c[bc]c[bc]c[bc], a part of what lies behind it, has a contrast of 1\.6/,
    ],
    ['a dark sky, and labels as they come', sky(''), 'radius: 0', /^$/],
    [
      'a dark sky beside a pale ground',
      sky(''),
      'color: "#ffffff", background: "#eeeeee", fill: once',
      /on #eeeeee, a part/,
    ],
    ['no picture at all', 'gone', 'color: "#ffffff"', /note unsure-contrast/],
  ])('is looked at: %s', (_, drawn, keys, told) => {
    const fill = keys.includes('fill: once') ? 'once' : 'cover';
    const folder = folderWith({
      'index.html': page('Home').replace(
        '<head>',
        '<head><meta name="viewport" content="width=device-width">',
      ),
      'sky.svg': drawn,
      'kamino.yaml': `kamino: 1\nlook: { picture: { file: sky.svg, fill: ${fill} }, ${keys.replace(', fill: once', '')} }\nmenus:\n  - { menu: m, entries: [index.html] }\n`,
    });
    expect(kamino(folder, 'build')).toMatchObject({ status: 0, err: expect.stringMatching(told) as unknown });
    const css = readFileSync(join(folder, 'built/kamino/menu.css'), 'utf8');
    if (keys === 'radius: 0') expect(css).toContain('--kamino-color: #ffffff;');
  });

  const moon = sky('<circle cx="200" cy="50" r="40" fill="#ccc"/>');
  /** What is told of white labels of a menu that lies over what a page begins with. */
  const toldOver = (start: string, style: string, more = ''): string => {
    const folder = folderWith({
      'a/index.html': `<!doctype html><html lang="en"><head><meta name="viewport" content="width=device-width"><title>A</title><link rel="stylesheet" href="../css/site.css"></head><body>${start}<main><h1>A</h1></main></body></html>`,
      'css/site.css': style,
      'img/sky.svg': sky(''),
      'img/moon.svg': moon,
      'kamino.yaml': `kamino: 1\nlook: { color: "#ffffff"${more} }\nmenus:\n  - { menu: m, over: true, place: { first-in: body }, entries: [a/index.html] }\n`,
    });
    const { status, err } = kamino(folder, 'build');
    expect(status).toBe(0);
    return /^[^ ]+ ((?:note|warning) [\w-]+)/.exec(err)?.[1] ?? err;
  };
  const hero = '<section class="hero"><h1>A</h1></section>';
  const isSky = '.hero { background: url("../img/sky.svg") center / cover }';
  const [unsure, low] = ['note unsure-contrast', 'warning low-contrast'];
  it.each([
    ['a dark one', hero, isSky, ''],
    ['one with a moon', hero, isSky.replace('sky', 'moon'), low],
    [
      'another one in the dark',
      hero,
      `${isSky} @media (width < 40em) { .hero { background-image: url(../img/moon.svg) } }`,
      low,
    ],
    ['one of the page', '<header><img src="../img/sky.svg" alt=""></header>', '', ''],
    ['one named in the page', '<div style="background:url(../img/moon.svg)"><p>A</p></div>', '', low],
    ['one that text stands before', '<header>A <img src="../img/sky.svg" alt=""></header>', '', unsure],
    [
      'one under a gradient',
      hero,
      '.hero { background: linear-gradient(red, blue), url(../img/sky.svg) }',
      unsure,
    ],
    ['one under a layer', hero, `${isSky} .hero::before { background: white }`, unsure],
    ['one seen through', hero, `${isSky} .hero { opacity: 0.5 }`, unsure],
    ['one of another site', hero, '.hero { background: url(https://site.example/a.png) }', unsure],
    ['one that is not there', hero, '.hero { background: url(gone.png) }', unsure],
    ['none', '<h1>A</h1>', '', unsure],
  ])('is looked at where a menu lies over it: %s', (_, start, style, told) => {
    expect(toldOver(start, style)).toBe(told);
  });

  it('is as dark as the remedy says', () => {
    expect(toldOver(hero, isSky.replace('sky', 'moon'), ', background: "rgb(0 0 0 / 30%)"')).toBe(low);
    expect(toldOver(hero, isSky.replace('sky', 'moon'), ', background: "rgb(0 0 0 / 45%)"')).toBe('');
  });

  it('lies under entries and parts too, each state with its own', async () => {
    const lit = sky('').replace('#14213a', '#ffffff');
    const folder = folderWith({
      'index.html': page('Home'),
      'a.html': page('A'),
      'img/sky.svg': sky(''),
      'img/lit.svg': lit,
      'kamino.yaml': `kamino: 1
looks:
  button: { picture: img/sky.svg, states: { hover: { picture: img/lit.svg, color: "#1b2430" }, pressed: { from: hover, darker: 10% }, current: { background: "#223344" } } }
look: { background: "#ffffff", parts: { submenu: { picture: { file: img/sky.svg, fill: repeat } } } }
menus:
  - { menu: m, place: { first-in: body }, entries: [{ page: a.html, look: button }, { page: index.html, look: button }, { label: More, entries: [a.html] }] }
`,
    });
    // Without a colour of their own labels can be read on the picture, and nothing has to be told.
    expect(kamino(folder, 'build')).toMatchObject({
      status: 0,
      err: expect.not.stringContaining('contrast') as unknown,
    });
    const tab = await open(pathToFileURL(join(folder, 'built/index.html')).href);
    const seen = (of: string): Promise<string> =>
      tab.locator(of).evaluate(element => {
        const { backgroundImage, backgroundColor, color } = getComputedStyle(element);
        const images = [...backgroundImage.matchAll(/gradient|[a-z]+(?=\.svg)/g)].join();
        return `${color} on ${images} ${backgroundColor}`;
      });
    const [first, here] = ['nav>div>ul>li:nth-child(1)>a', 'nav>div>ul>li:nth-child(2)>a'];
    await tab.addStyleTag({ content: '*{transition:none!important}' });
    expect(await seen(first)).toBe('rgb(255, 255, 255) on sky rgba(0, 0, 0, 0)');
    expect(await seen(here)).toBe('rgb(255, 255, 255) on  rgb(34, 51, 68)');
    await tab.hover(first);
    expect(await seen(first)).toBe('rgb(27, 36, 48) on lit rgba(0, 0, 0, 0)');
    await tab.mouse.down();
    expect(await seen(first)).toBe('rgb(27, 36, 48) on gradient,lit rgba(0, 0, 0, 0)');
    expect(await seen('nav ul ul')).toBe('rgb(255, 255, 255) on sky rgb(255, 255, 255)');
    await tab.context().close();
    const gone = readFileSync(join(folder, 'kamino.yaml'), 'utf8').replace(
      'hover: { picture: img/lit',
      '$&s',
    );
    put(folder, { 'kamino.yaml': gone });
    expect(kamino(folder, 'build').err).toContain('Did you mean `img/lit.svg`?');
  });

  it('is refused where the site does not have it, with the nearest', () => {
    const { status, err } = kamino(site('{ picture: "img/a hills top.svg" }'), 'build');
    expect([status, err]).toEqual([2, expect.stringContaining('Did you mean `img/a hill’s "top".svg`?')]);
    expect(kamino(site('{ picture: index.html }'), 'build').err).toContain('`index.html` is no picture');
  });
});
