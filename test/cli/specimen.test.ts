import { existsSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { expect, it, test } from '@jest/globals';
import { open, useBrowser } from '../helpers/browser.ts';
import { filesOf, folderWith, kamino, page, put } from '../helpers/site.ts';

const plan = `kamino: 1
look: { accent: "#8a3b12", background: "#ffffff", color: "#33261d" }
menus:
  - menu: m
    home: { label: Fold }
    fold: { when: crowded }
    entries:
      - index.html
      - { page: later.html, entries: [soon/index.html] }
      - { section: "later.html#prices", label: Prices }
      - { page: book.html, highlight: background }
`;
const plain = 'kamino: 1\nmenus: [{ menu: m, entries: [index.html] }]\n';
const site = (text = plan): string => folderWith({ 'index.html': page('Home'), 'kamino.yaml': text });

useBrowser();

it('shows every entry in six states, also those whose pages are not there yet, each as it is in a page', async () => {
  const folder = site();
  const { status, err, out } = kamino(folder, 'specimen');
  expect([status, err]).toEqual([0, '']);
  expect(out).toContain('Wrote specimen.html: 4 entries of 1 menu in six states.');
  // It is no page of the site that it lies in.
  expect(kamino(folder, 'inventory').out).toMatch(/^1 page and 0 other files/);
  const tab = await open(pathToFileURL(join(folder, 'specimen.html')).href);
  const light = await tab.evaluate(() =>
    [...document.querySelectorAll('.light .states tbody tr')].map(row => ({
      label: row.querySelector('th')!.textContent,
      grounds: [...row.querySelectorAll('a')].map(one => getComputedStyle(one).backgroundColor),
      ring: [...row.querySelectorAll('a')].map(one => getComputedStyle(one).outlineStyle),
      marks: [...row.querySelectorAll('a')].map(one => getComputedStyle(one, '::after').content !== 'none'),
    })),
  );
  expect(light.map(one => one.label)).toEqual(['Fold', 'Home', 'Later', 'Soon', 'Prices', 'Book']);
  const [home, ...entries] = light;
  // No page lies in the branch of the home.
  expect([new Set(home!.grounds.slice(0, 3)).size, home!.ring, home!.marks]).toEqual([
    3,
    ['none', 'none', 'none', 'solid', 'none'],
    [false, false, false, false, true],
  ]);
  for (const { grounds, ring, marks } of entries) {
    expect(new Set(grounds.slice(0, 3)).size).toBe(3);
    expect(ring.map(one => one === 'solid')).toEqual([false, false, false, true, false, false]);
    expect(marks).toEqual([false, false, false, false, true, true]);
  }
  // The figures are those of all that is in it, not of what is set apart alone.
  expect(
    await tab.evaluate(() =>
      [...document.querySelectorAll('.figures .first th')].map(one => one.textContent),
    ),
  ).toEqual(expect.arrayContaining(['menu', 'highlight: background']));
  // A light ground has its dark counterpart beside it, and nothing is fetched.
  expect(await tab.locator('.dark .states').count()).toBe(1);
  const html = readFileSync(join(folder, 'specimen.html'), 'utf8');
  expect(html).not.toMatch(/<(?:link|script|img)\b|url\((?!data:)|@import/);
  // Nothing of the site is touched.
  expect(existsSync(join(folder, 'built'))).toBe(false);
  await tab.context().close();
});

it('shows the whole menu at each width, folded where it does not fit', async () => {
  const folder = site(
    plan.replace('- index.html', '- { page: index.html, label: A label that is really very long indeed }'),
  );
  kamino(folder, 'specimen');
  const tab = await open(pathToFileURL(join(folder, 'specimen.html')).href, {
    viewport: { width: 1600, height: 900 },
  });
  const folded: [number, boolean][] = [];
  for (const frame of tab.frames().slice(1)) {
    const width = await frame.evaluate(() => innerWidth);
    folded.push([width, await frame.locator('.kamino-toggle').isVisible()]);
  }
  expect(folded).toEqual([
    [320, true],
    [390, true],
    [768, false],
    [1024, false],
    [1280, false],
  ]);
  await tab.context().close();
});

test('--png makes a picture by a real browser', () => {
  const folder = site();
  expect(kamino(folder, 'specimen', '--png', 'sheet.png').out).toContain('specimen.html and sheet.png');
  expect(readFileSync(join(folder, 'sheet.png')).subarray(1, 4).toString()).toBe('PNG');
  // Neither is published, wherever it lies, nor is another plan; a page that takes the sheet's name is.
  put(folder, { 'other.yml': `# Tried.\n${plan}`, 'list.yaml': 'prices: [1]\n' });
  kamino(folder, 'specimen', '--out', 'looks/new.html');
  const finished = (): string[] => {
    expect(kamino(folder, 'build').status).toBe(0);
    return filesOf(join(folder, 'built'));
  };
  put(folder, { 'kamino.yaml': plain, 'looks/a.html': page('A') });
  expect(finished()).toEqual(['index.html', 'kamino/menu.css', 'list.yaml', 'looks/a.html']);
  put(folder, { 'looks/new.html': page('New') });
  expect(finished()).toContain('looks/new.html');
});

it('shows the home, what a submenu has of its own, the plan’s style sheet, and all of each window', async () => {
  const folder = site(`kamino: 1
style: own/nav.css
look: { background: "#ffffff", color: "#33261d", parts: { home: { color: "#8a3b12" }, submenu: { background: "#f3e9df" } } }
menus:
  - menu: m
    home: { label: Fold, image: own/mark.svg, at: above }
    entries: [index.html, { label: More, entries: [{ page: index.html, label: Below, about: What it is }] }, { label: A rather long one, page: index.html }, { label: Another that is long, page: index.html }]
`);
  put(folder, {
    'own/nav.css':
      '@import "x.css"; .kamino .kamino-link { letter-spacing: 3px; background-image: url(mark.svg) }',
    'own/mark.svg':
      '<svg xmlns="http://www.w3.org/2000/svg" width="40" height="20"><path d="M0 0h9v9z"/></svg>',
  });
  expect(kamino(folder, 'specimen')).toMatchObject({ status: 0, err: '' });
  const html = readFileSync(join(folder, 'specimen.html'), 'utf8');
  expect(html).not.toMatch(/<(?:link|script)\b|url\((?!"?data:)|src="(?!data:)|@import/);
  const tab = await open(pathToFileURL(join(folder, 'specimen.html')).href);
  expect(
    await tab.evaluate(() => {
      const first = (selector: string): Element => document.querySelector(`.light ${selector}`)!;
      const picture = first('.kamino-mark') as HTMLImageElement;
      return {
        home: getComputedStyle(first('.kamino-home')).color,
        picture: [picture.naturalWidth, picture.width],
        below: getComputedStyle(first('.kamino-submenu')).backgroundColor,
        about: first('.kamino-submenu .kamino-about').textContent,
        spacing: getComputedStyle(first('.kamino-link')).letterSpacing,
        seen: [...document.querySelectorAll('.states .kamino-link')].every(one => one.checkVisibility()),
      };
    }),
  ).toEqual({
    home: 'rgb(138, 59, 18)',
    picture: [40, expect.any(Number)],
    below: 'rgb(243, 233, 223)',
    about: 'What it is',
    spacing: '3px',
    seen: true,
  });
  for (const frame of tab.frames().slice(1))
    expect(await frame.evaluate(() => document.documentElement.scrollHeight - innerHeight)).toBe(0);
  await tab.context().close();
});

test('a plan that is wrong is told, and nothing is written', () => {
  const folder = site(plan.replace('accent', 'acent'));
  expect(kamino(folder, 'specimen').status).toBe(2);
  expect(existsSync(join(folder, 'specimen.html'))).toBe(false);
});
