// Where a command stands: in a folder without pages, without a plan, below a plan, in an output.
import { mkdirSync } from 'node:fs';
import { join } from 'node:path';
import { expect, test } from '@jest/globals';
import { contents, folderWith, kamino, page, plan, put } from '../helpers/site.ts';

const files = { 'index.html': page('Home'), 'about.html': page('About'), 'sub/x.html': page('X') };

/** A site with a plan, its finished pages, a folder with nothing and one with a page alone. */
function places(): string {
  const folder = folderWith({ ...files, 'kamino.yaml': plan(), '../alone/index.html': page('Alone') });
  mkdirSync(join(folder, 'empty'));
  expect(kamino(folder, 'build').status).toBe(0);
  return folder;
}

test.each<[string, string, number, RegExp]>([
  [
    '.',
    'build sub',
    2,
    /^sub\/kamino.yaml: error no-plan: .*, and one above: kamino.yaml\n {2}Name no folder/,
  ],
  ['.', 'measure masthead', 2, /^masthead: error no-plan: there is no such plan, and kamino\.yaml is one\n/],
  ['sub', 'build', 2, /no-plan: .*, and one above: \.\.\/kamino\.yaml\n {2}Go to its folder: {2}cd \.\.\n/],
  ['sub', 'map', 2, /one above: \.\.\/kamino\.yaml/],
  ['sub', 'check', 0, /note plan-above: .*: \.\.\/kamino\.yaml[^]*\nChecked 1 page /],
  ['sub', 'inventory', 0, /note plan-above[^]*\n1 page /],
  ['sub', 'lift', 2, /lift-output: .* above, .*\n.*kamino lift \.\.\n[^]*\nNothing was taken out/],
  ['.', 'lift built', 2, /^built: error lift-output: .* of kamino\.yaml: [^]*\nNothing was taken out/],
  [
    'built',
    'lift',
    2,
    /the pages as they were are in \.\., and never had a menu\n[^]*\nNothing was taken out/,
  ],
  ['built/sub', 'lift', 2, /this is the output of \.\.\/\.\.\/kamino\.yaml/],
  ['empty', 'check', 1, /error no-pages[^]*\nChecked 0 pages/],
  ['empty', 'inventory', 1, /error no-pages[^]*\n0 pages/],
  ['../alone', 'build', 2, /no plan here\n {2}Let one be drafted from your pages: {2}kamino draft\n/],
])('in %s  kamino %s', (where, line, status, told) => {
  const folder = places();
  const before = contents(folder);
  const ran = kamino(join(folder, where), ...line.split(' '));
  expect([ran.status, `${ran.err}\n${ran.out}`]).toEqual([status, expect.stringMatching(told)]);
  expect(contents(folder)).toEqual(before);
});

test('a copy of the output is lifted, and tells no lie where nothing is there', () => {
  const folder = places();
  const { 'built/index.html': built, 'built/kamino/menu.css': style } = contents(folder);
  const copy = folderWith({ 'index.html': built!, 'kamino/menu.css': style! });
  expect(kamino(copy, 'lift')).toEqual({
    status: 0,
    err: '',
    out: '1 page is as it was. 1 file of Kamino’s is gone.\n',
  });
  expect(contents(copy)).toEqual({ 'index.html': files['index.html'] });
  expect(kamino(copy, 'lift').out).toBe('No page in this folder has a menu of Kamino’s to take out.\n');
  expect(kamino(folderWith({}), 'lift')).toMatchObject({ status: 1, out: 'Nothing was taken out.\n' });
});

test.each(['inplace', 'In-Place', 'in_place', '"in place"'])('output: %s is a slip', output => {
  const folder = folderWith({ ...files, 'kamino.yaml': plan(`output: ${output}\n`) });
  expect(kamino(folder, 'build')).toMatchObject({
    status: 2,
    err: expect.stringMatching(
      /^kamino\.yaml:\d+:9: error wrong-value: .*slip.*\n[^]*Write {2}output: in-place/,
    ),
  });
  put(folder, {
    'kamino.yaml': plan(`output: ./${output.replaceAll('"', '')}\n`).replace(/: (\.\/.* .*)/, ': "$1"'),
  });
  expect(kamino(folder, 'build').status).toBe(0);
});

test('an entry that stands in its list twice is told, in each list', () => {
  const lines = `    entries:
      - index.html
      - { page: about.html, entries: [sub/x.html, index.html, sub/x.html] }
      - { label: Front, page: index.html }
      - pages: "*.html"
      - index.html
`;
  const folder = folderWith({ ...files, 'kamino.yaml': `kamino: 1\nmenus:\n  - menu: masthead\n${lines}` });
  const { err } = kamino(folder, 'build');
  expect(err.match(/^kamino\.yaml:\d+:\d+: warning duplicate-entry: `\w+`/gm)).toEqual([
    'kamino.yaml:6:63: warning duplicate-entry: `X`',
    'kamino.yaml:8:9: warning duplicate-entry: `About`',
    'kamino.yaml:8:9: warning duplicate-entry: `Home`',
  ]);
  expect(err).toMatch(/8:9: warning duplicate-entry: `Home`(?:.*\n)*? {2}The same at kamino\.yaml:9:9/);
});
