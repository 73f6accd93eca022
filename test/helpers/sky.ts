import type { Page } from 'playwright-core';
import { open } from './browser.ts';
import { folderWith, kamino, page } from './site.ts';

/** The entries of a plan on three levels: page, label, and what lies below; null for an entry that only opens. */
export interface SkyEntry {
  label: string;
  page: string | null;
  below?: SkyEntry[];
}

const entry = (label: string, below?: SkyEntry[]): SkyEntry => ({
  label,
  page: `${label.toLowerCase().replaceAll(' ', '-')}.html`,
  ...(below ? { below } : {}),
});
const opener = (label: string, below: SkyEntry[]): SkyEntry => ({ label, page: null, below });

/** 20 entries that lead to pages, and 3 that only open. */
export const sky: readonly SkyEntry[] = [
  entry('Tonight'),
  entry('Planets', [
    entry('Inner', [entry('Mercury'), entry('Venus'), entry('Mars')]),
    entry('Outer', [entry('Jupiter'), entry('Saturn')]),
    entry('Small bodies'),
  ]),
  opener('Stars', [
    entry('Names'),
    opener('Kinds', [entry('Giants'), entry('Dwarfs')]),
    opener('Maps', [entry('North'), entry('South')]),
  ]),
  entry('Moon', [entry('Phases'), entry('Seas')]),
  entry('Visit'),
  entry('Book'),
];

/** Every entry that leads to a page, with those above it. */
export function pathsOf(entries: readonly SkyEntry[], above: readonly SkyEntry[] = []): SkyEntry[][] {
  return entries.flatMap(one => [
    ...(one.page === null ? [] : [[...above, one]]),
    ...pathsOf(one.below ?? [], [...above, one]),
  ]);
}

const written = (entries: readonly SkyEntry[], indent: string): string =>
  entries
    .map(({ label, page: path, below }) => {
      const head = `${indent}- ${path === null ? '' : `page: ${path}\n${indent}  `}label: ${label}\n`;
      return below ? `${head}${indent}  entries:\n${written(below, `${indent}    `)}` : head;
    })
    .join('');

export const skyStyle =
  'body{margin:0;font:16px/1.5 sans-serif}header,main{padding:0 16px}main{min-height:1500px}h1{overflow-wrap:anywhere}';

/** A built site of these pages: the folder of the output. @param menu lines of the menu beside its entries */
export function skySite(
  menu: string,
  {
    plan = '',
    style = '',
    body = '',
    more = '',
    files = {},
  }: Partial<Record<'plan' | 'style' | 'body' | 'more', string>> & {
    files?: Record<string, string>;
  } = {},
): string {
  const paths = [...new Set(pathsOf(sky).map(path => path.at(-1)!.page!))];
  const pages = paths.map(path => {
    const html = page(path, `\n    <section id="end"><h2>End of it</h2></section>${body}`)
      .replace('<body>', '<body>\n  <header></header>')
      .replace(
        '</head>',
        '  <meta name="viewport" content="width=device-width">\n  <link rel="stylesheet" href="page.css">\n</head>',
      );
    return [path, html] as const;
  });
  const lines = menu
    .split('\n')
    .map(line => `    ${line}\n`)
    .join('');
  const folder = folderWith({
    ...Object.fromEntries(pages),
    'index.html': page('Front'),
    'page.css': skyStyle + style,
    ...files,
    'kamino.yaml': `kamino: 1\n${plan}menus:\n  - menu: sky\n    title: Sky\n${lines}    entries:\n${written(sky, '      ')}${more}`,
  });
  const { status, err } = kamino(folder, 'build');
  if (status !== 0) throw new Error(err);
  return `${folder}/built`;
}

export const skyAddress = 'http://sky.example/';

/** Answers for a server: a page may load nothing from elsewhere, and no script or style that stands in it. */
export async function serve(tab: Page, folder: string): Promise<void> {
  await tab.route(`${skyAddress}**`, route => {
    const path = `${folder}${new URL(route.request().url()).pathname}`;
    const headers = path.endsWith('.html') ? { 'Content-Security-Policy': "default-src 'self'" } : {};
    return route.fulfill({ path, headers });
  });
}

/** A page of a built site, in a window of its own. */
export async function openSky(
  folder: string,
  options: Parameters<typeof open>[1] = {},
  path = 'visit.html',
): Promise<Page> {
  const tab = await open('about:blank', options);
  await serve(tab, folder);
  await tab.goto(skyAddress + path);
  return tab;
}

/** A page whose time stands still: its timers run by `clock.runFor` alone, however busy the machine is. */
export async function openTimed(folder: string): Promise<Page> {
  const tab = await open('about:blank');
  await serve(tab, folder);
  await tab.clock.install({ time: 0 });
  await tab.goto(`${skyAddress}visit.html`);
  await tab.clock.pauseAt(3_600_000);
  return tab;
}
