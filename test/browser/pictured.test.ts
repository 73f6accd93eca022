// Menus of pictures as visitors meet them: in every form and fold, where they have room and where not, and at the worst moment.
import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { beforeAll, describe, expect, it } from '@jest/globals';
import type { Page } from 'playwright-core';
import { eventually, open, together, useBrowser } from '../helpers/browser.ts';
import { button, buttonFiles, picturePage } from '../helpers/buttons.ts';
import { folderWith, kamino } from '../helpers/site.ts';

useBrowser();

const names = ['tonight', 'visit', 'telescopes', 'journal'];
const axe = readFileSync(createRequire(import.meta.url).resolve('axe-core/axe.min.js'), 'utf8');

/** What is seen of each entry of a menu: its words, or its picture with the size of that. */
const seen = (page: Page, menu: string): Promise<string[]> =>
  page.evaluate(
    name =>
      [
        ...document.querySelectorAll(
          ['a', 'details>summary.kamino-link']
            .map(one => `[data-kamino="${name}"] li[data-kamino-depth="1"]>${one}`)
            .join(),
        ),
      ].map(link => {
        const [picture, words] = ['img', '.kamino-words'].map(one => link.querySelector(one));
        const isSeen = (one: Element | null | undefined): boolean => one?.checkVisibility() === true;
        const { width, height } = picture?.getBoundingClientRect() ?? { width: 0, height: 0 };
        const text = isSeen(words) || !picture ? link.textContent.trim() : '';
        return [isSeen(picture) ? `${width} x ${height}` : '', isSeen(link) ? text : ''].join(' ').trim();
      }),
    menu,
  );

describe('in every form and fold', () => {
  const forms = ['bar', 'tabs', 'column', 'plain'] as const;
  const folds = [
    'when: never',
    'when: crowded, as: stack',
    'when: crowded, as: drawer',
    'when: below 40em, as: full-screen',
    'when: any-width, as: stack',
  ] as const;
  const all = forms.flatMap((form, at) =>
    folds.flatMap((fold, other) =>
      (['text', 'pictures'] as const).map((folded, third) => ({
        name: `m-${at}-${other}-${third}`,
        form,
        fold: form === 'column' || form === 'plain' ? fold.replace('crowded', 'below 40em') : fold,
        folded,
        widths: (at + other + third) % 2 === 0 ? 'natural' : 'equal',
        align: ['start', 'center', 'end', 'spread'][(at + other) % 4]!,
      })),
    ),
  );
  let folder: string;
  const sizes = [80, 100, 120, 140].map(width => `${width} x 40`);

  beforeAll(async () => {
    const pages = Object.fromEntries(names.map(name => [`${name}.html`, picturePage(name)]));
    const own = Object.fromEntries(all.map(({ name }) => [`${name}.html`, picturePage(name)]));
    const menus = all.map(
      ({ name, form, fold, widths, align }) =>
        `  - { menu: ${name}, form: ${form}, carried-by: ${name}.html, place: { first-in: header }, fold: { ${fold} }, ${form === 'column' ? '' : `widths: ${widths}, `}align: ${align}, entries: [${names.map(one => `${one}.html`).join(', ')}] }`,
    );
    const pictures = all.map(
      ({ name, folded }) => `  - { menu: ${name}, files: "buttons/{entry}-{state}.png", folded: ${folded} }`,
    );
    folder = folderWith({
      ...pages,
      ...own,
      ...(await buttonFiles(names)),
      'kamino.yaml': `kamino: 1\nmenus:\n${menus.join('\n')}\npictures:\n${pictures.join('\n')}\n`,
    });
    const { err, status } = kamino(folder, 'build');
    expect([status, /error/.test(err)]).toEqual([0, false]);
  }, 240_000);

  const walked = together(all, async one => {
    const address = pathToFileURL(join(folder, `built/${one.name}.html`)).href;
    const tab = await open(address, { viewport: { width: 1200, height: 700 } });
    const opened = (): Promise<void> => tab.locator('.kamino-toggle :is(summary,button)').click();
    const shows = (wanted: readonly string[]): Promise<string[]> =>
      eventually(
        () => seen(tab, one.name),
        found => {
          expect(found).toEqual(wanted);
        },
      );
    const whole = (): Promise<boolean> =>
      tab.evaluate(() => document.documentElement.scrollWidth <= innerWidth);
    if (one.fold.includes('any-width')) await opened();
    const isAlways = one.fold.includes('any-width') && one.folded === 'text';
    await shows(isAlways ? names : sizes);
    expect(await whole()).toBe(true);
    await tab.setViewportSize({ width: 340, height: 700 });
    await tab.reload();
    if (!one.fold.includes('never')) await opened();
    await shows(one.folded === 'pictures' || one.fold.includes('never') ? sizes : names);
    expect(await whole()).toBe(true);
    await tab.context().close();
  });

  it.each(all.map(one => [`${one.form}, ${one.fold}, ${one.folded}`, one] as const))('%s', async (_, one) => {
    await walked(one);
  });
});

describe('a bar of pictures', () => {
  let address: (page: string) => string;

  beforeAll(async () => {
    const pages = Object.fromEntries(names.map(name => [`${name}.html`, picturePage(name)]));
    const welsh = Object.fromEntries(
      names
        .slice(0, 2)
        .map(name => [
          `cy/${name}.html`,
          picturePage(`${name} cy`).replace('lang="en"', 'lang="cy" dir="rtl"'),
        ]),
    );
    const files = await buttonFiles(['en-tonight', 'en-visit', 'en-telescopes', 'en-more'], {
      scales: [1, 2],
    });
    const ofWelsh = await Promise.all(
      ['tonight', 'visit'].map(
        async (name, at) =>
          [`buttons/cy-${name}-base.png`, await button(60 + at * 30, 40, ['#225522', '#ffffff'])] as const,
      ),
    );
    const folder = folderWith({
      ...pages,
      ...welsh,
      ...files,
      ...Object.fromEntries(ofWelsh),
      'kamino.yaml': `kamino: 1
languages: { en: { name: English }, cy: { name: Cymraeg, pages: cy/**, words: { skip: Neidio, menu: Dewislen, more: rhagor, top: I fyny, new-window: ffenestr } } }
menus:
  - menu: masthead
    place: { first-in: header }
    fold: { when: crowded, as: stack }
    entries:
      - page: { en: tonight.html, cy: cy/tonight.html }
      - page: { en: visit.html, cy: cy/visit.html }
        entries: [{ page: { en: journal.html } }]
      - label: { en: More }
        entries: [{ page: { en: journal.html }, label: { en: Words } }]
      - page: { en: telescopes.html }
      - page: { en: journal.html }
        label: { en: Journal }
pictures:
  - { menu: masthead, files: "buttons/{language}-{entry}-{state}.png", current-hover: stays }
look: { color: "#1b2430", background: "#ffffff" }
`,
    });
    const { err, status } = kamino(folder, 'build');
    expect([status, /error/.test(err)]).toEqual([0, false]);
    address = page => pathToFileURL(join(folder, 'built', page)).href;
  });

  const offset = (tab: Page, entry: string): Promise<string> =>
    tab.evaluate(
      name => getComputedStyle(document.querySelector(`[data-kamino-entry="${name}"] img`)!).objectPosition,
      entry,
    );

  it('asks for nothing under the pointer, and moves nothing', async () => {
    const tab = await open('about:blank');
    const asked: string[] = [];
    tab.on('request', request => asked.push(request.url()));
    await tab.addInitScript(() => {
      const shifts: number[] = [];
      Object.assign(window, { shifts });
      new PerformanceObserver(list => {
        for (const one of list.getEntries()) shifts.push((one as unknown as { value: number }).value);
      }).observe({ type: 'layout-shift', buffered: true });
    });
    await tab.goto(address('tonight.html'));
    await tab.waitForLoadState('networkidle');
    const before = asked.length;
    expect(asked.filter(one => /kamino\/masthead/.test(one))).toHaveLength(1);
    for (const name of ['visit', 'telescopes', 'tonight', 'visit'])
      await tab.hover(`li[data-kamino-entry="${name}"] img`);
    await tab.mouse.down();
    await tab.waitForTimeout(300);
    await tab.mouse.move(5, 600);
    await tab.mouse.up();
    expect([asked.length >= before, asked.slice(before).filter(one => !one.endsWith('.html'))]).toEqual([
      true,
      [],
    ]);
    expect(await tab.evaluate(() => (window as unknown as { shifts: number[] }).shifts)).toEqual([]);
    await tab.context().close();
  });

  it('shows the current one as it is under the pointer, where that is to stay, and what has the focus as what is pointed at', async () => {
    const tab = await open(address('tonight.html'));
    const [current, rest] = [await offset(tab, 'tonight'), await offset(tab, 'telescopes')];
    await tab.hover('[data-kamino-entry="tonight"] img');
    expect(await offset(tab, 'tonight')).toBe(current);
    const more = await offset(tab, 'more');
    await tab.hover('[data-kamino-entry="more"] img');
    expect(await offset(tab, 'more')).not.toBe(more);
    await tab.hover('[data-kamino-entry="telescopes"] img');
    const hover = await offset(tab, 'telescopes');
    expect(new Set([current.split(' ')[1], rest.split(' ')[1], hover.split(' ')[1]]).size).toBe(3);
    await tab.mouse.move(5, 600);
    await tab.keyboard.press('Tab');
    await tab.keyboard.press('Tab');
    await tab.keyboard.press('Tab');
    expect((await offset(tab, 'visit')).split(' ')[1]).toBe(hover.split(' ')[1]);
    const ring = await tab.evaluate(() => {
      const { outlineStyle, outlineWidth, outlineOffset } = getComputedStyle(document.activeElement!);
      return [outlineStyle, outlineWidth, outlineOffset];
    });
    expect(ring).toEqual(['solid', '2px', '2px']);
    await tab.context().close();
  });

  it('keeps its words for who hears them, and breaks no rule of axe', async () => {
    const tab = await open(address('visit.html'));
    expect(await tab.getByRole('link', { name: 'tonight', exact: true }).count()).toBe(1);
    expect(
      await tab.evaluate(() => document.querySelector('nav')!.textContent.replace(/\s+/g, ' ')),
    ).toContain('tonight');
    await tab.evaluate(axe);
    const broken = await tab.evaluate(async () => {
      const { axe: run } = window as unknown as {
        axe: { run: () => Promise<{ violations: { id: string }[] }> };
      };
      return (await run.run()).violations.map(one => one.id);
    });
    expect(broken).toEqual([]);
    await tab.context().close();
  });

  it('says its words in chosen colours, without the style sheet, and where pictures do not come', async () => {
    const tab = await open(address('visit.html'));
    const words = ['tonight', 'visit', 'More', 'telescopes', 'Journal'];
    const pictures = ['80 x 40', '100 x 40', '140 x 40', '120 x 40', 'Journal'];
    expect(await seen(tab, 'masthead')).toEqual(pictures);
    await tab.emulateMedia({ forcedColors: 'active' });
    expect(await seen(tab, 'masthead')).toEqual(words);
    await tab.emulateMedia({ forcedColors: 'none' });
    expect(await seen(tab, 'masthead')).toEqual(pictures);
    await tab.route('**/menu.css', route => route.abort());
    await tab.reload();
    expect((await seen(tab, 'masthead')).map(one => one.trim())).toEqual(words);
    await tab.unroute('**/menu.css');
    // Blocked pictures: each says its words in its place.
    await tab.route('**/kamino/masthead*', route => route.abort());
    await tab.reload();
    const said = await tab.evaluate(() =>
      [...document.querySelectorAll('nav img')].map(one => {
        const { alt, naturalWidth, clientWidth } = one as HTMLImageElement;
        return [alt, naturalWidth, clientWidth > 40] as const;
      }),
    );
    expect(said).toEqual(words.slice(0, 4).map(word => [word, 0, true]));
    await tab.context().close();
  });

  it('has pictures of its own in another language, in a page that is written from the right', async () => {
    const tab = await open(address('cy/visit.html'));
    expect(await seen(tab, 'masthead')).toEqual(['60 x 40', '90 x 40']);
    const [first, second] = await tab.evaluate(() =>
      [...document.querySelectorAll('nav img')].map(one => one.getBoundingClientRect().right),
    );
    expect(first!).toBeGreaterThan(second!);
    expect(await offset(tab, 'visit')).toMatch(/^-62px/);
    await tab.context().close();
  });

  it('is sharp on dense screens', async () => {
    const tab = await open('about:blank', { deviceScaleFactor: 2 });
    const asked: string[] = [];
    tab.on('request', request => asked.push(request.url()));
    await tab.goto(address('tonight.html'));
    await tab.waitForLoadState('networkidle');
    expect(asked.filter(one => one.includes('masthead')).map(one => one.includes('@2x'))).toEqual([true]);
    expect(await seen(tab, 'masthead')).toContain('100 x 40');
    await tab.context().close();
  });
});
