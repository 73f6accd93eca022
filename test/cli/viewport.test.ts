import { expect, it } from '@jest/globals';
import { contents, folderWith, kamino, page, put, unsealedIn } from '../helpers/site.ts';

const line = '<meta name="viewport" content="width=device-width">';
const withLine = page('With').replace('<title>', `${line}<title>`);
const files = { 'index.html': page('Home'), 'sub/a.html': page('A'), 'with.html': withLine };
const plan = (lines = '', fold = '    fold: { when: below 40em }\n'): string =>
  `kamino: 1\n${lines}menus:\n  - menu: m\n${fold}    entries: [index.html, sub/a.html, with.html]\n`;
const added = '<meta data-kamino="viewport" name="viewport" content="width=device-width, initial-scale=1">';

it('is told where a menu folds and pages have none, with both ways to mend it', () => {
  const folder = folderWith({ ...files, 'kamino.yaml': plan() });
  const { status, err } = kamino(folder, 'build');
  expect([status, err]).toEqual([
    0,
    expect.stringMatching(
      /^warning no-viewport: 2 pages without .*: index\.html and sub\/a\.html\n[^]*viewport: add/,
    ),
  ]);
  expect(kamino(folder, 'measure').err).toContain('warning no-viewport: 2 pages');
  put(folder, { 'kamino.yaml': plan('viewport: add\n') });
  expect(kamino(folder, 'measure').err).not.toContain('viewport');
  put(folder, { 'kamino.yaml': plan('', '') });
  expect(kamino(folder, 'build').err).not.toContain('viewport');
  expect(kamino(folder, 'measure').err).not.toContain('viewport');
  expect(kamino(folder, 'inventory').err).toContain('warning no-viewport: 2 pages');
});

it('is put in where the plan says so and none is there, and lifted out again', () => {
  for (const output of ['', 'output: in-place\n']) {
    const folder = folderWith({ ...files, 'kamino.yaml': plan(`${output}viewport: add\n`) });
    const before = contents(folder);
    for (const time of [1, 2])
      expect([time, kamino(folder, 'build')]).toEqual([
        time,
        expect.objectContaining({ status: 0, err: '' }),
      ]);
    const made = contents(folder);
    const at = output === '' ? 'built/' : '';
    for (const path of ['index.html', 'sub/a.html'])
      expect(unsealedIn(made[at + path]!).split(added)).toHaveLength(2);
    expect(made[`${at}with.html`]!.match(/viewport/g)).toHaveLength(1);
    if (output === '') continue;
    expect(kamino(folder, 'lift').status).toBe(0);
    expect(contents(folder)).toEqual(before);
  }
});

it('is told by a draft whose menu folds, and left to the designer', () => {
  const folder = folderWith(files);
  const { status, err } = kamino(folder, 'draft');
  expect([status, err]).toEqual([
    0,
    expect.stringMatching(/warning no-viewport: 2 pages[^]*viewport: add[^]*390 px/),
  ]);
  expect(contents(folder)['kamino.yaml']).toContain('fold:');
  expect(contents(folder)['kamino.yaml']).not.toContain('viewport');
  expect(kamino(folderWith({ 'with.html': withLine }), 'draft').err).not.toContain('viewport');
});
