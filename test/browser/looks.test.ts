import { pathToFileURL } from 'node:url';
import { join } from 'node:path';
import { readFileSync } from 'node:fs';
import { gzipSync } from 'node:zlib';
import { beforeAll, describe, expect, it, test } from '@jest/globals';
import type { Page } from 'playwright-core';
import { eventually, open, useBrowser } from '../helpers/browser.ts';
import { folderWith, kamino, page, put } from '../helpers/site.ts';
import { openSky, skySite } from '../helpers/sky.ts';

const lamp =
  '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 24 24"><script>1</script><path onclick="x()" style="fill:url(#a)" d="M4 4h16v16H4z"/><linearGradient id="a"><stop stop-color="red"/></linearGradient></svg>';
const entries = `    entries:
      - { page: index.html, label: Home }
      - { page: a.html, label: About us, icon: lamp.svg, entries: [b.html, index.html] }
      - { page: b.html, label: Below, icon: lamp.svg, icon-at: end }
      - { page: c.html, label: Contact, highlight: border, apart: true }
`;
const looks: Record<string, string> = {
  plain: 'look: { accent: "#3d5a80", background: "#ffffff", color: "#1d2733" }',
  bold: 'look: { accent: "#8a3b12", background: "#fffaf2", color: "#33261d", radius: 1rem, states: { hover: { tint: 14%, shadow: 0 1px 4px rgb(0 0 0 / 0.3) }, pressed: { from: hover, darker: 8% }, focus: { from: hover }, current: { background: "#8a3b12", color: "#ffffff", font: { weight: 800 } }, within: { marker: dot, font: { weight: 700 } } } }',
  bordered:
    'look: { background: "#14213a", border: 1px solid rgb(255 255 255 / 0.3), states: { hover: { border: 3px solid orange, icon-color: "#ffcc33" }, current: { border: 2px dashed white } } }',
  unsaid: '',
};
const forms = ['bar', 'tabs', 'column'];
const names = Object.keys(looks).flatMap(look => forms.map(form => [look, form] as const));

const built = new Map<string, string>();
useBrowser();
beforeAll(() => {
  for (const [look, form] of names) {
    const folder = folderWith({
      ...Object.fromEntries(['index', 'a', 'b', 'c'].map(one => [`${one}.html`, page(one)])),
      'lamp.svg': lamp,
      'kamino.yaml': `kamino: 1\n${looks[look]!}\nmenus:\n  - menu: m\n    form: ${form}\n    separators: line\n    home: { label: Fold }\n${entries}`,
    });
    const { status, err } = kamino(folder, 'build');
    if (status !== 0) throw new Error(err);
    built.set(`${look} ${form}`, folder);
  }
});
const address = (look: string, form: string, path = 'a.html'): string =>
  pathToFileURL(join(built.get(`${look} ${form}`)!, 'built', path)).href;

/** Where everything in the page is, but for the link that the pointer is at, and its opener: a wider border lets them grow. */
const boxes = (tab: Page, but: number): Promise<string> =>
  tab.evaluate(but => {
    const links = document.querySelectorAll(
      'nav .kamino-room > .kamino-home, nav [data-kamino-depth="1"] > .kamino-link',
    );
    return [...document.querySelectorAll('body *')]
      .filter(
        one =>
          !one.closest('.kamino-submenu') &&
          one !== links[but] &&
          one.parentElement?.previousElementSibling !== links[but],
      )
      .map(one => {
        const { x, y, width, height } = one.getBoundingClientRect();
        return `${one.className.toString()} ${x} ${y} ${width} ${height}`;
      })
      .join('\n');
  }, but);

describe.each(names)('the look %s in a %s', (look, form) => {
  it('moves nothing under the pointer, with the focus, or held down', async () => {
    const tab = await open(address(look, form));
    const links = tab.locator('nav .kamino-room > .kamino-home, nav [data-kamino-depth="1"] > .kamino-link');
    for (let at = 0; at < (await links.count()); at += 1) {
      const before = await boxes(tab, at);
      await links.nth(at).hover();
      expect(await boxes(tab, at)).toBe(before);
      await links.nth(at).focus();
      expect(await boxes(tab, at)).toBe(before);
      await tab.mouse.down();
      expect(await boxes(tab, at)).toBe(before);
      await tab.mouse.move(2, 790);
      await tab.mouse.up();
    }
    await tab.context().close();
  });

  it('answers 2 px inside each edge and inside the curve of each corner, and fills the whole box', async () => {
    const tab = await open(address(look, form));
    const link = tab.locator('[data-kamino-depth="1"][data-kamino-entry="b-2"] > .kamino-link');
    const { x, y, width, height } = (await link.boundingBox())!;
    const radius = await link.evaluate(one => parseFloat(getComputedStyle(one).borderTopLeftRadius) || 0);
    const bottom = await link.evaluate(one => parseFloat(getComputedStyle(one).borderBottomLeftRadius) || 0);
    const inset = (r: number): number => r * (1 - Math.SQRT1_2) + 2;
    const points = [
      [2, height / 2],
      [width - 2, height / 2],
      [width / 2, 2],
      [width / 2, height - 2],
      [inset(radius), inset(radius)],
      [width - inset(radius), inset(radius)],
      [inset(bottom), height - inset(bottom)],
      [width - inset(bottom), height - inset(bottom)],
    ] as const;
    const hits = await tab.evaluate(
      ({ points, x, y }) =>
        points.map(([dx, dy]) =>
          document
            .elementFromPoint(x + dx, y + dy)
            ?.closest('a')
            ?.textContent?.trim(),
        ),
      { points, x, y },
    );
    expect(hits).toEqual(points.map(() => 'Below'));
    const ground = (): Promise<string> =>
      link.evaluate(one => getComputedStyle(one).backgroundColor + getComputedStyle(one).borderTopColor);
    const atRest = await ground();
    await tab.mouse.move(x + 3, y + height / 2);
    await eventually(ground, now => expect(now).not.toBe(atRest));
    expect(await link.evaluate(one => getComputedStyle(one).backgroundClip)).toBe('border-box');
    await tab.context().close();
  });

  it('shows every entry at 320 px without sideways scrolling', async () => {
    const tab = await open(address(look, form), { viewport: { width: 320, height: 700 } });
    const { over, out } = await tab.evaluate(() => ({
      over: document.documentElement.scrollWidth - innerWidth,
      out: [...document.querySelectorAll('.kamino-link')].filter(one => {
        const { left, right, width } = one.getBoundingClientRect();
        return width > 0 && (left < 0 || right > innerWidth);
      }).length,
    }));
    expect([over, out]).toEqual([0, 0]);
    await tab.context().close();
  });
});

test('a click leaves no look behind: hover and focus do not mix', async () => {
  // A colour on its way may rest one step before its end where nothing else is drawn: without motion there is none.
  const tab = await open(address('bold', 'bar', 'index.html'), { reducedMotion: 'reduce' });
  const link = tab.locator('[data-kamino-depth="1"][data-kamino-entry="b-2"] > .kamino-link');
  const style = (): Promise<string> =>
    link.evaluate(one => {
      const { color, backgroundColor, boxShadow, outlineStyle } = getComputedStyle(one);
      return [color, backgroundColor, boxShadow, outlineStyle].join();
    });
  const atRest = await style();
  await tab.evaluate(() => {
    document.addEventListener('click', event => {
      event.preventDefault();
    });
  });
  await link.click();
  await tab.mouse.move(2, 790);
  await eventually(style, now => expect(now).toBe(atRest));
  await tab.context().close();
});

test.each(['', 'look: { color: "#33261d" }', 'look: { background: "rgb(189 54 77 / 47%)" }'])(
  'the submenu of a menu has the ground that the plan gives it there: %s',
  async look => {
    const folder = skySite('look: { parts: { submenu: { background: "#382cbe", color: "#ffffff" } } }', {
      plan: `${look}\n`,
    });
    const tab = await openSky(folder);
    const link = tab.locator('.kamino-submenu a').first();
    const ground = await link.evaluate(
      one => getComputedStyle(one.closest('.kamino-submenu')!).backgroundColor,
    );
    expect(ground).toBe('rgb(56, 44, 190)');
    await tab.context().close();
  },
);

test('icons are drawings alone: no script, no style, ids of their own, the size of the label', async () => {
  const tab = await open(address('plain', 'bar', 'index.html'));
  const icons = await tab.evaluate(() =>
    [...document.querySelectorAll('svg.kamino-icon')].map(one => [
      one.querySelector('script, style, [style], [onclick]'),
      one.getAttribute('aria-hidden'),
      one.querySelector('path')!.getAttribute('fill'),
      Math.round(one.getBoundingClientRect().width),
      Math.round(one.getBoundingClientRect().height),
    ]),
  );
  expect(icons).toEqual([
    [null, 'true', 'url(#m-a-a)', 20, 20],
    [null, 'true', 'url(#m-b-2-a)', 20, 20],
  ]);
  await tab.context().close();
});

test('a separator stands between entries and never after the last', async () => {
  const tab = await open(address('plain', 'bar'));
  const lines = await tab.evaluate(() =>
    [...document.querySelectorAll('.kamino-room > .kamino-list > .kamino-entry')].map(
      one =>
        getComputedStyle(one, '::before').content !== 'none' &&
        getComputedStyle(one, '::after').content === 'none',
    ),
  );
  expect(lines).toEqual([false, true, true, true]);
  await tab.context().close();
});

test('the style sheet of a bar with everything is under 2.5 kB gzip', () => {
  const folder = folderWith({
    ...Object.fromEntries(['index', 'a', 'b', 'c'].map(one => [`${one}.html`, page(one)])),
    'lamp.svg': lamp,
    'kamino.yaml': `kamino: 1
look: { accent: "#8a3b12", background: "#fffaf2", color: "#33261d", dark: auto, radius: 1rem, font: { family: Arial }, border: 1px solid gray, shadow: 0 1px 2px rgb(0 0 0 / 0.2), states: { hover: { tint: 14%, border: 2px solid orange, shadow: 0 1px 4px rgb(0 0 0 / 0.3), icon-color: "#aa0000" }, pressed: { from: hover, darker: 8% }, focus: { from: hover }, current: { background: "#8a3b12", color: "#ffffff", font: { weight: 800 } }, within: { marker: dot, font: { weight: 700 } } } }
menus:
  - menu: m
    widths: equal
    separators: line
    stays: top
    fold: { when: crowded }
    home: { label: Fold, image: lamp.svg }
    entries:
      - { page: index.html, label: Home }
      - { page: a.html, label: About us, icon: lamp.svg }
      - { page: b.html, label: Below, icon: lamp.svg, icon-at: end }
      - { page: c.html, label: Contact, highlight: border, apart: true }
`,
  });
  expect(kamino(folder, 'build').status).toBe(0);
  const css = readFileSync(join(folder, 'built/kamino/menu.css'), 'utf8');
  for (const used of [
    'light-dark(',
    '@container',
    'sticky',
    'grid-auto-flow',
    '::before',
    'kamino-mark',
    'kamino-apart',
  ])
    expect(css).toContain(used);
  expect(gzipSync(css).length).toBeLessThan(2560);
});

test('the style sheet of a bar with every key at once is under 4.5 kB gzip', () => {
  const folder = folderWith({
    ...Object.fromEntries(['index', 'a', 'b', 'c'].map(one => [`${one}.html`, page(one)])),
    'lamp.svg': lamp,
    'kamino.yaml': `kamino: 1
look: { accent: "#8a3b12", background: "rgb(255 250 242 / 90%)", color: "#33261d", dark: auto, radius: 1rem, font: { family: Arial, transform: uppercase, spacing: 0.05em, style: italic, line: 1.2 }, frame: { padding: 1rem, row: 70rem, border: "1px solid #886644", edges: bottom, shadow: 0 1px 2px gray, blur: 8px }, motion: 200ms, border: 1px solid gray, shadow: 0 1px 2px rgb(0 0 0 / 0.2), states: { hover: { tint: 14%, border: 2px solid orange, shadow: 0 1px 4px rgb(0 0 0 / 0.3), icon-color: "#aa0000", marker: { at: below, comes: grow, length: entry } }, pressed: { from: hover, darker: 8% }, focus: { from: hover }, current: { background: "#8a3b12", color: "#ffffff", font: { weight: 800 } }, within: { marker: dot, font: { weight: 700 } } }, parts: { submenu: { background: "#ffffff" }, fold: { background: "#eeeeee" }, scrolled: { background: "#fffaf2" } } }
menus:
  - menu: m
    widths: equal
    separators: { color: "#8a3b12", inset: 0 }
    stays: top
    over: true
    fold: { when: crowded, as: drawer }
    opens: { columns: 3, width: menu }
    home: { label: Fold, image: lamp.svg, at: middle }
    entries:
      - { page: index.html, label: Home }
      - { page: a.html, label: About us, icon: lamp.svg, entries: [{ page: b.html, about: More of it }] }
      - { page: b.html, label: Below, icon: lamp.svg, icon-at: above }
      - { page: c.html, label: Contact, highlight: border, apart: true, folds: false }
`,
  });
  expect(kamino(folder, 'build')).toMatchObject({ status: 0 });
  const css = readFileSync(join(folder, 'built/kamino/menu.css'), 'utf8');
  for (const used of [
    'light-dark(',
    '@container',
    'fixed',
    'grid-auto-flow',
    '::before',
    'kamino-mark',
    'kamino-apart',
  ])
    expect(css).toContain(used);
  expect(gzipSync(css).length).toBeLessThan(4500);
  const told = kamino(folder, 'explain', 'css').out;
  const own = /^(icon-now|away|behind|(hover|pressed|focus|current|within)-(margin|.*color|.*background))$/;
  const declared = new Set([...css.matchAll(/--kamino-([a-z-]+):/g)].map(([, name]) => name!));
  expect(
    [...declared].filter(one => {
      const [, state = '', name] = /^((?:hover|pressed|focus|current|within)-)?(.*)$/.exec(one)!;
      const plain = name!
        .replace(/^weight$/, 'font-weight')
        .replace(/^frame-(bottom|start|end)$/, 'frame-top');
      return (
        !own.test(one) && !told.includes(`--kamino-${state}${plain}`) && !told.includes(`--kamino-${plain}`)
      );
    }),
  ).toEqual([]);
});

test('a menu that stays remains at the top while the page scrolls, but not in a low window', async () => {
  const tall = page('A', '<div style="height:4000px"></div>').replace('<body>', '<body><header></header>');
  const folder = folderWith({
    'index.html': tall,
    'kamino.yaml':
      'kamino: 1\nlook: { background: "#ffffff" }\nmenus:\n  - menu: m\n    stays: { top: header }\n    entries: [{ page: index.html, label: A }]\n',
  });
  expect(kamino(folder, 'build')).toMatchObject({ status: 0, err: '' });
  const file = pathToFileURL(join(folder, 'built/index.html')).href;
  for (const [height, top] of [
    [600, 0],
    [300, -1000],
  ] as const) {
    const tab = await open(file, { viewport: { width: 800, height } });
    await tab.evaluate(() => {
      scrollTo(0, 1000);
    });
    expect(
      await tab.evaluate(() => document.querySelector('header')!.getBoundingClientRect().top),
    ).toBeCloseTo(top, -1.3);
    await tab.context().close();
  }
  const short = kamino(
    folderWith({
      'index.html': tall,
      'kamino.yaml': readFileSync(join(folder, 'kamino.yaml'), 'utf8').replace('{ top: header }', 'top'),
    }),
    'build',
  );
  expect(short.err).toContain('warning stays-short');
  expect(short.err).toContain('stays: { top: header }');
  // An element around it that clips is told by the build, and by a browser.
  const clipped = folderWith({
    'index.html': tall.replace('<header>', '<div class="wrap"><header>').replace('</main>', '</main></div>'),
    'own.css': '.wrap { overflow: hidden }',
    'kamino.yaml': readFileSync(join(folder, 'kamino.yaml'), 'utf8'),
  });
  put(clipped, {
    'index.html': readFileSync(join(clipped, 'index.html'), 'utf8').replace(
      '</head>',
      '<link rel="stylesheet" href="own.css"></head>',
    ),
  });
  expect(kamino(clipped, 'build').err).toContain('own.css:1:1: warning stays-clipped');
  expect(kamino(clipped, 'measure', '--browser').err).toContain('`div.wrap` around it clips');
  put(clipped, { 'own.css': '.wrap { overflow: clip }' });
  expect(kamino(clipped, 'build')).toMatchObject({ status: 0, err: '' });
});
