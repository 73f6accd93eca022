// What a check says of finished pages that are not what they ought to be.
import { rmSync } from 'node:fs';
import { join } from 'node:path';
import { expect, it, test } from '@jest/globals';
import { contents, folderWith, kamino, page, plan, put, toldFiles } from '../helpers/site.ts';

const files = {
  'index.html': page('Home', '<p class="here">x</p>'),
  'about.html': page('About', '<p class="here">x</p>'),
  'a.css': 'p {}',
};

test.each(['built', 'in-place'])(
  'pages that are older than their sources or the plan are told, once, with the command (%s)',
  output => {
    const folder = folderWith({ ...files, 'kamino.yaml': `output: ${output}\n${plan()}` });
    expect(kamino(folder, 'build').status).toBe(0);
    expect(kamino(folder, 'check').err).not.toContain('stale-output');
    const before = contents(folder);
    put(folder, { 'kamino.yaml': `output: ${output}\n${plan('    title: Other\n')}` });
    const { err, status } = kamino(folder, 'check');
    expect(err.match(/warning stale-output: \d finished files are not as the plan/g)).toHaveLength(1);
    expect(err).toMatch(/Build before you upload: {2}kamino build\n/);
    expect(status).toBe(0);
    // A check writes nothing.
    expect(contents(folder)).toEqual({ ...before, 'kamino.yaml': expect.anything() });
    expect(kamino(join(folder, '..'), 'check', folder).err).toMatch(/kamino build \S+/);
    expect(kamino(folder, 'build', '--check').err).not.toContain('stale-output');
    expect(kamino(folder, 'check').err).not.toContain('stale-output');
  },
);

it('a source that has changed, come or gone is told too', () => {
  const folder = folderWith({ ...files, 'kamino.yaml': plan() });
  kamino(folder, 'build');
  put(folder, { 'index.html': page('Home', 'another'), 'new.html': page('New') });
  rmSync(join(folder, 'a.css'));
  expect(kamino(folder, 'check').err).toContain(
    '3 finished files are not as the plan and the pages would have them now: a.css, index.html and new.html',
  );
});

it('a page that ought to carry a menu and does not is an error before an upload, and its remedy works', () => {
  const folder = folderWith({
    ...files,
    'bare.html': page('Bare'),
    'other.html': page('Other'),
    'kamino.yaml': plan('    place: { after: .here }\n'),
  });
  expect(kamino(folder, 'build').status).toBe(0);
  const { err, status } = kamino(folder, 'check');
  expect([status, toldFiles(err, 'lacks-menu')]).toEqual([1, ['bare.html', 'other.html']]);
  const place = /place: (\[.*\])/.exec(err)![1]!;
  put(folder, { 'kamino.yaml': plan(`    place: ${place}\n`) });
  expect(kamino(folder, 'build', '--check').err).not.toMatch(/lacks-menu|no-place/);
  expect(kamino(folder, 'check').err).not.toMatch(/lacks-menu|stale-output/);
});
