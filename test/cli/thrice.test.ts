// Every build done thrice gives the same bytes and no link that leads nowhere, in place and into a folder; and a lift
// gives back what was there.
import { cpSync, readFileSync, readdirSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { expect, test } from '@jest/globals';
import { contents, demoFolder, folderWith, kamino, page, put } from '../helpers/site.ts';

const demoPlans = readdirSync(demoFolder).filter(name => name.endsWith('.yaml'));

/** Builds thrice; gives the finished files. */
function builtThrice(folder: string, plan: string): void {
  let last: Record<string, string> = {};
  for (const time of [1, 2, 3]) {
    const { status, out, err } = kamino(folder, 'build', plan);
    expect([time, status, err]).toEqual([time, expect.any(Number), expect.not.stringMatching(/error/)]);
    const now = contents(folder);
    if (time > 1) expect([time, out, now]).toEqual([time, expect.stringContaining('Nothing to do'), last]);
    last = now;
  }
  const { err } = kamino(folder, 'check', plan);
  expect(err).not.toMatch(/dead-link|missing-section/);
}

test.each(demoPlans.flatMap(plan => ['built', 'in-place'].map(output => [plan, output] as const)))(
  'the demo by %s, %s',
  (plan, output) => {
    const folder = folderWith({});
    cpSync(demoFolder, folder, { recursive: true });
    for (const name of ['built', '.kamino']) expect(readdirSync(folder)).not.toContain(name);
    const text = readFileSync(join(folder, plan), 'utf8').replace(/^output: \S+/m, `output: ${output}`);
    writeFileSync(join(folder, plan), text);
    const before = contents(folder);
    builtThrice(folder, plan);
    if (output === 'built') return;
    expect(kamino(folder, 'lift', plan)).toMatchObject({ status: 0, err: '' });
    expect(contents(folder)).toEqual(before);
  },
);

const old = '<ul class="old"><li><a href="index.html">Home</a></ul>';
const body = (more: string, from = ''): string =>
  `${old.replace('index.html', `${from}index.html`)}\n<h2>First words</h2><p>a</p>${more}<h2>Second words</h2><p>b</p>\n`;
const site = {
  'index.html': page('Home', body('')),
  'about.html': page('About', body(old)),
  'sub/deep.html': page('Deep', body('<h2 id="own">Third</h2>', '../')),
};
const targets = {
  heading: '{ page: about.html, heading: Second words }',
  'a heading of each page': '{ heading: First words }',
  sections: '{ sections: about.html }',
  'sections of a page': '{ page: about.html, label: A, entries: [{ sections: about.html }] }',
};
const menus = {
  'instead-of': 'place: { instead-of: .old }',
  'first-in': 'place: { first-in: main }',
  'last-in': 'place: { last-in: main }',
  'instead-of, once more': `place: { instead-of: .old }\n  - menu: foot\n    place: { last-in: body }\n    entries: [index.html]\n  - menu: side\n    place: { before: main }`,
};

test.each(
  Object.keys(targets).flatMap(target =>
    Object.keys(menus).flatMap(place =>
      ['built', 'in-place'].map(output => [target, place, output] as const),
    ),
  ),
)('%s, %s, %s', (target, place, output) => {
  const entries = `    entries: [index.html, ${targets[target as keyof typeof targets]}]\n`;
  const menu = menus[place as keyof typeof menus].replace('\n  - menu: foot', `\n${entries}  - menu: foot`);
  const plan = `kamino: 1\noutput: ${output}\nmenus:\n  - menu: m\n    ${menu}\n${entries}`;
  const folder = folderWith({ ...site, 'kamino.yaml': plan });
  const before = contents(folder);
  builtThrice(folder, '.');
  if (output === 'built') return;
  // Without the record, too, as far as nothing was taken out.
  if (!place.startsWith('instead-of')) put(folder, { '.kamino/record.json': '' });
  builtThrice(folder, '.');
  expect(kamino(folder, 'lift')).toMatchObject({ status: 0, err: '' });
  expect(contents(folder)).toEqual(before);
});
