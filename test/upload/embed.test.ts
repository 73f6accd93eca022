import { cpSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { beforeAll, expect, it, test } from '@jest/globals';
import type { EmbedResult } from '../../src/jobs/embed.ts';
import type { WalkResult } from '../../src/jobs/walk.ts';
import { open, useBrowser } from '../helpers/browser.ts';
import { served } from '../helpers/served.ts';
import { styledPlan } from '../helpers/styled.ts';
import { contents, filesOf, folderWith, kamino, kaminoBeside, put } from '../helpers/site.ts';

const plan = styledPlan(
  '{ when: below 48em }',
  `    home: { label: Brackenfold }
    entries:
      - tonight.html
      - page: visit/index.html
        entries: [{ section: "visit/index.html#hours" }, visit/bus.html]
      - { page: journal.html, covers: "news/**" }
  - { menu: trail, form: breadcrumb, title: You are here, place: { first-in: main } }
  - { menu: foot, form: plain, title: Whole site, entries-of: masthead, place: { last-in: footer } }
look: { accent: "#884400", states: { current: { marker: below } } }
`,
);
const titles = {
  'index.html': 'Brackenfold',
  'tonight.html': 'Tonight',
  'visit/index.html': 'Visit',
  'visit/bus.html': 'By bus',
  'journal.html': 'Journal',
  'news/owl.html': 'An owl',
};
const paths = Object.keys(titles);
const page = (path: keyof typeof titles, head: string, header: string, footer: string): string =>
  `<!doctype html>\n<html lang="en"><head><meta charset="utf-8"><meta name="viewport" content="width=device-width"><title>${titles[path]}</title>${head}</head>
<body><header>${header}</header><main id="main"><h1>${titles[path]}</h1><h2 id="hours">Hours</h2>${path === 'journal.html' ? '<p><a href="news/owl.html">An owl</a></p>' : ''}</main><footer>${footer}</footer></body></html>\n`;

useBrowser();
let folder = '';
let address = '';
let builtAddress = '';

/** The three ways in which templates take in a file: a placeholder, an include, and one that the server follows. */
const kinds: ((file: string) => string)[] = [
  file => `[[${file}]]`,
  file => `{% include "menus/${file}" %}`,
  file => `<!--#include virtual="/menus/${file}" -->`,
];

/** What another program makes of a template before it is asked for. */
const filled = (template: string): string =>
  template.replace(/\[\[(.+?)\]\]|\{% include "menus\/(.+?)" %\}/g, (_, one?: string, other?: string) =>
    readFileSync(join(folder, 'embed', one ?? other!), 'utf8'),
  );

beforeAll(async () => {
  folder = folderWith({ 'kamino.yaml': plan });
  for (const path of paths) put(folder, { [path]: page(path as keyof typeof titles, '', '', '') });
  expect(kamino(folder, 'build').status).toBe(0);
  expect(kamino(folder, 'embed', '--pages').status).toBe(0);
  const root = folderWith({});
  cpSync(join(folder, 'embed/kamino'), join(root, 'kamino'), { recursive: true });
  cpSync(join(folder, 'embed'), join(root, 'menus'), { recursive: true });
  paths.forEach((path, at) => {
    const taken = kinds[at % kinds.length]!;
    put(root, {
      [path]: filled(
        page(path as keyof typeof titles, taken('head.html'), taken('masthead.html'), taken('foot.html')),
      ),
    });
  });
  [address, builtAddress] = await Promise.all([served(root), served(join(folder, 'built'))]);
});

interface Seen {
  links: string[];
  current: string[];
  within: string[];
}

/** What the menus of a page lead to, and which entries they mark. */
function seenIn(menus: NodeListOf<Element>): Seen {
  const all = [...menus].flatMap(menu => [...menu.querySelectorAll('a')]);
  const named = (link: HTMLAnchorElement): string => `${link.closest('nav')!.ariaLabel} ${link.textContent}`;
  return {
    links: all.map(one => one.pathname + one.hash),
    current: all.filter(one => one.ariaCurrent === 'page').map(named),
    within: all.filter(one => one.parentElement!.matches('.kamino-within')).map(named),
  };
}

const menus = '.kamino-menu-masthead, .kamino-menu-foot';
const told = async (at: string): Promise<Seen> => {
  const shown = await open(at);
  const seen = await shown.evaluate(
    `(${seenIn.toString()})(document.querySelectorAll(${JSON.stringify(menus)}))`,
  );
  await shown.context().close();
  return seen as Seen;
};

test.each(paths)('%s is marked by its address as a built page is', async path => {
  const [here, there] = await Promise.all([told(`${address}/${path}`), told(`${builtAddress}/${path}`)]);
  expect(here).toEqual(there);
  expect(here.links.length).toBeGreaterThan(8);
});

it('knows a page by its folder too, and one that only the server knows', async () => {
  const folderPage = await told(`${address}/visit/`);
  expect(folderPage.current).toEqual(['Main Visit', 'Whole site Visit']);
});

it('gets visitors to the same places, in wide windows and narrow ones', async () => {
  const answered = folderWith({});
  await Promise.all(
    [...paths, ...filesOf(join(folder, 'embed/kamino')).map(file => `kamino/${file}`)].map(async path => {
      const answer = await fetch(`${address}/${path}`);
      put(answered, { [path]: new Uint8Array(await answer.arrayBuffer()) });
    }),
  );
  const walk = async (site: string): Promise<WalkResult> =>
    JSON.parse(
      (
        await kaminoBeside(
          site,
          'walk',
          '.',
          '--json',
          '--visitor',
          'mouse',
          'touch',
          '--page',
          'index.html',
          'tonight.html',
          'visit/index.html',
        )
      ).out,
    ) as WalkResult;
  const [here, there] = await Promise.all([walk(answered), walk(join(folder, 'built'))]);
  const rows = ({ matrix }: WalkResult): unknown =>
    matrix!.rows
      // The skip link of a built page leads there.
      .filter(({ target }) => target.id !== 'main')
      .map(({ target, actions }) => [target.page, target.id, actions]);
  expect(here.findings).toEqual([]);
  expect(rows(here)).toEqual(rows(there));
});

it('shows without a script what a template says', async () => {
  const embedded = readFileSync(join(folder, 'embed/masthead.html'), 'utf8');
  const text = page('visit/index.html', readFileSync(join(folder, 'embed/head.html'), 'utf8'), embedded, '');
  writeFileSync(join(folder, 'embed/said.html'), text.replace('<body', '<body data-kamino-at="visit"'));
  const at = await served(join(folder, 'embed'));
  // On a machine that stands still a page may be asked for its colours while they are still coming.
  const settled = { javaScriptEnabled: false, reducedMotion: 'reduce' } as const;
  const [said, built] = await Promise.all([
    open(`${at}/said.html`, settled),
    open(`${builtAddress}/visit/index.html`, settled),
  ]);
  const look = `(name => { const link = document.querySelector('.kamino-menu-masthead [data-kamino-entry="' + name + '"] > a');
    const { color, backgroundColor } = getComputedStyle(link); const mark = getComputedStyle(link, '::after');
    return [color, backgroundColor, mark.content, mark.backgroundColor]; })`;
  for (const name of ['visit', 'tonight'])
    expect(await said.evaluate(`${look}('${name}')`)).toEqual(await built.evaluate(`${look}('${name}')`));
  expect(await said.evaluate(`${look}('visit')`)).not.toEqual(await said.evaluate(`${look}('tonight')`));
});

it('writes what differs on each page for single pages, and takes away what nobody needs', () => {
  const own = folderWith({});
  cpSync(folder, own, { recursive: true });
  const run = (...args: string[]): EmbedResult =>
    JSON.parse(kamino(own, 'embed', '--to', 'menus', '--json', ...args).out) as EmbedResult;
  const all = run('--pages');
  expect([all.status, all.menus, all.left, all.pages]).toEqual([
    0,
    ['masthead.html', 'foot.html'],
    ['trail'],
    6,
  ]);
  expect(readFileSync(join(own, 'menus/pages/visit/bus/trail.html'), 'utf8')).toContain(
    'aria-current="page"',
  );
  const before = contents(join(own, 'menus'));
  run('--pages');
  expect(contents(join(own, 'menus'))).toEqual(before);
  run();
  expect(filesOf(join(own, 'menus'))).toEqual([
    'foot.html',
    'head.html',
    'kamino/menu.css',
    'kamino/menu.js',
    'masthead.html',
  ]);
  put(own, { 'menus/mine.html': 'mine' });
  expect(run('--pages').findings.map(one => one.rule)).toEqual(['foreign-output']);
  expect(kamino(own, 'build', '--dry-run').out).not.toContain('menus');
});
