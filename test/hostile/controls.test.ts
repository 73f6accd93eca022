// Names of files and texts of pages that would move the cursor, change the terminal or turn the reading round.
import { afterAll, expect, test } from '@jest/globals';
import { visible, visibleName } from '../../src/core/text/visible.ts';
import { folderWith, kamino, kaminoBeside, page, plainly } from '../helpers/site.ts';

const mean = '\x1b]0;owned\x07\x1b[2J\x1b[31m\x9b31m\x08\x7f\u202etxt\u2066';
const name = `a${mean}\nb`;
const menu = `<ul class="nav${mean}"><li><a href="index.html">${mean}</a><li><a href="gone${mean}.html">G</a></ul>`;
const files = {
  'index.html': page(`Home ${mean}`, menu),
  [`${name}.html`]: page('Other', menu),
  [`${name}/x.html`]: page(mean, menu),
};
const plan = (text: string): string => `kamino: 1\nmenus:\n  - menu: m\n    entries: [${text}]\n`;
const raw = /[\0-\x08\x0b-\x1f\x7f-\x9f\u202a-\u202e\u2066-\u2069]/;

const lines: [string, string][] = [
  ['inventory', plan('index.html')],
  ['draft --dry-run', ''],
  ['build --dry-run', plan('index.html, { pages: "**/*.html" }')],
  ['build', plan('index.html, "nope\\x1b[2J.html"')],
  ['build', plan('index.html, { page: index.html, label: "\\x1b[2J" }')],
  ['build', plan('{ pages: "**/*.html" }')],
  ['check', plan('index.html')],
  ['map', plan('{ pages: "**/*.html" }')],
  ['measure', plan('{ pages: "**/*.html" }')],
  ['lift --dry-run', plan('index.html').replace('menus:', 'output: in-place\nmenus:')],
  [`build no${mean}where`, ''],
  [`${mean}`, ''],
  [`explain ${mean}`, ''],
];

const forced = plainly['FORCE_COLOR'];
afterAll(() => {
  plainly['FORCE_COLOR'] = forced;
});

test.each(lines)('kamino %j shows them', (line, text) => {
  const folder = folderWith({ ...files, ...(text === '' ? {} : { 'kamino.yaml': text }) });
  const { out, err } = kamino(folder, ...line.split(' '));
  expect(out + err).not.toMatch(raw);
  expect((out + err).length).toBeGreaterThan(20);
});

test('and in colour lets its own colours through, and nothing else', async () => {
  const folder = folderWith({ ...files, 'kamino.yaml': plan('index.html') });
  Object.assign(plainly, { FORCE_COLOR: '1', NO_COLOR: '' });
  for (const command of ['inventory', 'build', 'check']) {
    const { out, err } = await kaminoBeside(folder, command);
    expect(out + err).toContain('\x1b[1m');
    expect((out + err).replace(/\x1b\[(?:1|2|22|31|33|36|39)m/g, '')).not.toMatch(raw);
    expect(out + err).not.toMatch(/\x1b\[31m(?!error|\^)/);
  }
  Object.assign(plainly, { FORCE_COLOR: undefined, NO_COLOR: '1' });
});

test('and JSON names them as JSON does', () => {
  const folder = folderWith(files);
  for (const command of ['inventory', 'check']) {
    const { out } = kamino(folder, command, '--json');
    expect(out).not.toMatch(raw);
    expect(JSON.stringify(JSON.parse(out))).toContain(JSON.stringify(`${name}/x.html`).slice(1, -1));
  }
});

test('each sign has a form of its own', () => {
  expect(visible('a\x1b[0m\x7f\x9b\u202e\n\tb')).toBe('a␛[0m␡\\u009b\\u202e\n\tb');
  expect(visibleName('a\n\tb')).toBe('a␊␉b');
});
