import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { expect, it, test } from '@jest/globals';
import { folderWith, kamino, page, plan, put, unsealedIn } from '../helpers/site.ts';

const built = (planText: string, files: Record<string, string> = {}): Record<string, string> => {
  const folder = folderWith({
    'kamino.yaml': planText,
    'index.html': page('Home — Fold', '<p id="p">x</p>').replace(
      '</head>',
      '  <link rel="stylesheet" href="own.css">\n</head>',
    ),
    'about-us.html': page('About — Fold').replace('<h1>About — Fold', '<h1>All <em>about</em> us'),
    'print/a.html': page('A — Fold'),
    'own.css': 'x',
    'css/nav.css': 'x',
    ...files,
  });
  expect(kamino(folder, 'build')).toMatchObject({ status: 0, err: '' });
  const read = (path: string): string => readFileSync(join(folder, 'built', path), 'utf8');
  return Object.fromEntries(['index.html', 'about-us.html', 'print/a.html'].map(path => [path, read(path)]));
};
const labels = (text: string): string[] =>
  [...text.matchAll(/kamino-link"[^>]*>([^<]*)</g)].map(match => match[1]!);

test.each([
  ['', 'About'],
  ['labels: { from: heading }\n', 'All about us'],
  ['labels: { from: file }\n', 'About us'],
  ['labels: { from: title, cut: "bout — Fold" }\n', 'A'],
])('labels by %j', (lines, label) => {
  expect(labels(built(plan(lines, ['about-us.html']))['index.html']!)).toEqual([label]);
});

test.each([
  ['{ first-in: main }', /<main data-kamino-id="main" id="main"><nav /],
  ['{ last-in: [.nowhere, main] }', /<\/nav><\/main>/],
  ['{ before: h1 }', /<nav [^]*<\/nav><h1>/],
  ['{ after: "h1" }', /<\/h1><nav /],
  ['{ first-in: body }', /<body><a class="kamino-skip"[^>]*>[^<]*<\/a><nav /],
  ['{ last-in: body }', /<\/nav><\/body>/],
])('a place %s', (place, expected) => {
  expect(built(plan(`    place: ${place}\n`, ['index.html']))['index.html']).toMatch(expected);
});

it('is carried by the pages that the plan names, and not by the others', () => {
  const pages = built(plan('    carried-by: ["*.html", "print/**"]\n    except: print/*\n', ['index.html']));
  expect(Object.values(pages).map(text => text.includes('<nav'))).toEqual([true, true, false]);
});

it('links its style sheet before the page’s own, and the designer’s after it', () => {
  const text = built(plan('style: css/nav.css\n', ['index.html']))['index.html']!;
  const order = ['kamino/menu.css', 'css/nav.css', 'own.css'].map(file => text.indexOf(`href="${file}"`));
  expect([...order].sort((one, other) => one - other)).toEqual(order);
  expect(order[0]).toBeGreaterThan(text.indexOf('<meta charset'));
});

it('leads past the menu to what the plan names where there is no main', () => {
  const bare = '<meta charset=utf-8><title>Bare</title><body><div class="text">x</div>';
  const folder = folderWith({
    'kamino.yaml': plan('skip-to: [".no", .text]\n', ['index.html']),
    'index.html': bare,
  });
  expect(kamino(folder, 'build').err).toBe('');
  const text = readFileSync(join(folder, 'built/index.html'), 'utf8');
  expect(text).toContain('<div data-kamino-id="main" id="main" class="text">');
  expect(unsealedIn(text)).toContain('data-kamino="skip" href="#main"');
});

test.each([
  ['about: Here', 'entries: [{ page: index.html, about: Here }]', 'form: column'],
  [
    'folds: false',
    'fold: { when: never }, entries: [{ page: index.html, folds: false }]',
    'fold: { when: crowded }',
  ],
  ['widths: equal', 'form: column, widths: equal, entries: [index.html]', 'form: bar'],
  ['at: middle', 'form: column, home: { label: A, at: middle }, entries: [index.html]', 'form: tabs'],
  [
    'width: 9em',
    'form: column, opens: { width: 9em }, entries: [index.html]',
    'opens: { by: hover, width: 9em }',
  ],
  [
    'side: end',
    'fold: { when: crowded, side: end }, entries: [index.html]',
    'fold: { when: crowded, as: drawer, side: end }',
  ],
  [
    'behind: as-fits',
    'fold: { when: below 40em, as: drawer, behind: as-fits }, entries: [index.html]',
    'fold: { when: any-width, as: drawer, behind: as-fits }',
  ],
  [
    'by: hover',
    'fold: { when: never, by: hover }, entries: [index.html]',
    'fold: { when: any-width, by: hover }',
  ],
  ['after: 200ms', 'opens: { by: click, after: 200ms }, entries: [index.html]', 'opens: { after: 200ms }'],
  ['columns: 2', 'form: column, opens: { columns: 2 }, entries: [index.html]', 'form: bar'],
  ['depth: 1', 'depth: 1, entries: [index.html]', 'entries-of: other'],
  ['order: date', 'order: date, entries: [index.html]', 'set: "*.html"'],
  ['data: json-ld', 'data: json-ld, entries: [index.html]', 'form: breadcrumb'],
  [
    'scrolled',
    'over: true, look: { parts: { scrolled: { background: "#ffffff" } } }, entries: [index.html]',
    'stays: top',
  ],
  [
    'icon-size',
    'look: { icon-size: 2em }, entries: [index.html]',
    'entries: [{ page: index.html, icon: a.svg }]',
  ],
  [
    'submenu',
    'look: { parts: { submenu: { gap: 1em } } }, entries: [index.html]',
    'entries: [{ label: B, entries: [index.html] }]',
  ],
  [
    'toggle',
    'look: { parts: { toggle: { gap: 1em } } }, fold: { when: never }, entries: [index.html]',
    'fold: { when: crowded }',
  ],
])('`%s` is told where it has no effect, and not where it has one', (key, lines, needed) => {
  const folder = folderWith({
    'index.html': page('A'),
    'a.svg': '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 9 9"><path d="M0 0h9v9z"/></svg>',
  });
  const told = (menu: string): string => {
    put(folder, { 'kamino.yaml': `kamino: 1\nmenus:\n  - { menu: m, ${menu} }\n` });
    return kamino(folder, 'build').err;
  };
  expect(told(lines)).toMatch(new RegExp(`warning no-effect: [^]*${key}[^]*\\^`));
  const changed = needed.split(':')[0]!;
  const without = lines.replace(new RegExp(`(^|, )${changed}: (\\{[^}]*\\}|\\[[^\\]]*\\]|\\w+)`), '');
  expect(told([needed, without.replace(/^, /, '')].join(', '))).not.toContain('no-effect');
});

it('tells nothing of what has an effect in another menu that takes the entry over', () => {
  const folder = folderWith({
    'index.html': page('A'),
    'kamino.yaml': `kamino: 1
menus:
  - { menu: m, entries: [{ page: index.html, about: Here, folds: false }] }
  - { menu: side, form: column, entries-of: m, fold: { when: crowded } }
`,
  });
  expect(kamino(folder, 'build').err).not.toContain('no-effect');
});
