import { spawnSync } from 'node:child_process';
import { existsSync, mkdirSync, readFileSync } from 'node:fs';
import { hostname } from 'node:os';
import { join } from 'node:path';
import { describe, expect, it, test } from '@jest/globals';
import { contents, folderWith, kamino, kaminoBeside, page, plainly, put } from '../helpers/site.ts';

const program = join(import.meta.dirname, '../../dist/kamino.cjs');
const plan = (more = '', entries = '[index.html]'): string =>
  `kamino: 1\noutput: in-place\n${more}menus:\n  - menu: m\n    place: { first-in: body }\n    entries: ${entries}\n`;
const many = (count: number, make: (at: number) => string): string =>
  Array.from({ length: count }, (_, at) => make(at)).join('');

// Input that grows work out of all measure where something is done once too often: each of these ends, and is told.
describe('a plan that is too much', () => {
  test.each([
    [
      'stars in a part of a path',
      plan(`leave-out: ["${'*a'.repeat(60)}b"]\n`),
      /wrong-value: this pattern has too many stars/,
    ],
    [
      'any folders many times',
      plan(`leave-out: ["${'**/'.repeat(60)}b"]\n`),
      /wrong-value: this pattern has too many stars/,
    ],
    ['stars in a pattern of entries', plan('', `[{ pages: "${'*a'.repeat(60)}b" }]`), /too many stars/],
    ['a pattern of 70,000 letters', plan(`leave-out: ["${'a'.repeat(70_000)}"]\n`), /wrong-value/],
    [
      '19,000 entries',
      plan(
        '',
        many(19_000, at => `\n      - { url: "https://away.example/${at}", label: L${at} }`),
      ),
      /more than 20000 values/,
    ],
    ['100,000 quotes', `kamino: 1\nmenus: ${'"'.repeat(100_000)}\n`, /yaml-syntax/],
    [
      'aliases of aliases',
      `a: &a [x,x,x,x,x,x,x,x,x]\n${many(9, at => `${'bcdefghij'[at]}: &${'bcdefghij'[at]} [${Array(9).fill(`*${'abcdefghij'[at]}`).join(',')}]\n`)}kamino: 1\n`,
      /yaml-alias: aliases/,
    ],
    ['20,000 brackets', `kamino: 1\nmenus: ${'['.repeat(20_000)}\n`, /nested more than 60 deep|yaml-syntax/],
    [
      'entries in entries',
      plan('', `${'[{label: a, entries: '.repeat(2000)}[]${'}]'.repeat(2000)}`),
      /error/,
    ],
  ])('is told: %s', (_, text, told) => {
    const folder = folderWith({
      'index.html': page('Home'),
      [`${'a'.repeat(200)}.html`]: page('A'),
      'kamino.yaml': text,
    });
    const { status, err } = kamino(folder, 'build');
    expect([status, err]).toEqual([2, expect.stringMatching(told)]);
    expect(err).not.toMatch(/\n\s+at |RangeError/);
    expect(err.length).toBeLessThan(40_000);
  });
});

describe('a page that is too much', () => {
  test.each([
    ['30,000 units of template code in an attribute', `<p title="${'{{ x }}'.repeat(30_000)}">x</p>`],
    ['50,000 attributes', `<p ${many(50_000, at => `a${at}="1" `)}>x</p>`],
    ['1 MB of braces', '{{ '.repeat(350_000)],
    ['1 MB of openers of template code', '<% '.repeat(350_000)],
    ['PHP that is never closed', '<?php '.repeat(200_000)],
    ['50,000 nested elements', '<div>'.repeat(50_000)],
    ['50,000 nested letters', '<b>'.repeat(50_000)],
    ['lists that are never closed', '<ul><li><a href="x">y</a>'.repeat(1500)],
    ['tables in tables', '<table><tr><td>'.repeat(20_000)],
    ['comments in comments', '<!--'.repeat(200_000)],
    ['a million brackets', '<'.repeat(1_000_000)],
    ['tags that are never closed', '<a '.repeat(200_000)],
    ['scripts in scripts', '<script><!--<script>'.repeat(50_000)],
    ['1,000 dead links on one line', many(1000, at => `<a href="nope${at}.html">x</a>`)],
    ['1,000 times the same id', '<p id=x>'.repeat(1000)],
  ])('is gone through: %s', (_, body) => {
    const html = page('Home', body);
    const folder = folderWith({ 'index.html': html, 'kamino.yaml': plan() });
    for (const args of [['build'], ['check'], ['inventory'], ['lift']]) {
      const { status, err } = kamino(folder, ...args);
      expect([args, [0, 1].includes(status!), /\n\s+at |RangeError/.test(err)]).toEqual([args, true, false]);
    }
    expect(readFileSync(join(folder, 'index.html'), 'utf8')).toBe(html);
  });

  it('also with the longest name that a file may have', () => {
    const name = `${'n'.repeat(250)}.html`;
    const folder = folderWith({ 'index.html': page('Home'), [name]: page('N'), 'kamino.yaml': plan() });
    expect(kamino(folder, 'build').status).toBe(0);
    expect(readFileSync(join(folder, name), 'utf8')).toContain('<nav');
    expect(kamino(folder, 'lift').status).toBe(0);
    expect(readFileSync(join(folder, name), 'utf8')).toBe(page('N'));
  });
});

describe('two runs at once', () => {
  const site = (): string =>
    folderWith({
      'kamino.yaml': plan(),
      ...Object.fromEntries(
        Array.from({ length: 300 }, (_, at) => [at === 0 ? 'index.html' : `p${at}.html`, page(`P ${at}`)]),
      ),
    });
  // Somebody at work is waited for a while: meanwhile the others are looked at.
  const here = site();
  const held = (id: number): string => JSON.stringify({ process: id, host: hostname(), since: Date.now() });
  put(here, { '.kamino/lock': held(process.pid) });
  const waiting = kaminoBeside(here, 'build');

  it('wait for one another, and leave no lock', async () => {
    const folder = site();
    const before = contents(folder);
    const ends = await Promise.all([
      kaminoBeside(folder, 'build'),
      kaminoBeside(folder, 'build'),
      kaminoBeside(folder, 'build'),
    ]);
    expect(ends.map(one => [one.status, one.err])).toEqual([
      [0, ''],
      [0, ''],
      [0, ''],
    ]);
    expect(existsSync(join(folder, '.kamino/lock'))).toBe(false);
    await Promise.all([kaminoBeside(folder, 'lift'), kaminoBeside(folder, 'lift')]);
    expect(contents(folder)).toEqual(before);
  });

  // What the other run does in the moment between this one's look and its step.
  it.each([
    ['makes the folder', 'build', 'mkdirSync', 'fs.mkdirSync(path)'],
    ['takes the folder away', 'build', 'openSync', 'fs.rmdirSync(path.slice(0, -5))'],
    ['begins in it', 'lift', 'rmdirSync', 'fs.writeFileSync(path + "/other", "")'],
  ])('go on where the other one %s', (_, command, step, meanwhile) => {
    const folder = site();
    // A lift is alone only where something was built.
    if (command === 'lift') mkdirSync(join(folder, '.kamino'));
    const helper = `data:text/javascript,${encodeURIComponent(`
      import fs from 'node:fs';
      import { syncBuiltinESMExports } from 'node:module';
      const own = fs.${step};
      fs.${step} = (path, ...how) => {
        if (/\\.kamino(?:\\/lock)?$/.test(String(path))) {
          fs.${step} = own;
          syncBuiltinESMExports();
          ${meanwhile};
          process.stderr.write('meanwhile');
        }
        return own(path, ...how);
      };
      syncBuiltinESMExports();`)}`;
    const run = spawnSync(process.execPath, ['--import', helper, program, command], {
      cwd: folder,
      encoding: 'utf8',
      env: plainly,
    });
    expect([run.status, run.stderr]).toEqual([0, 'meanwhile']);
    expect(existsSync(join(folder, '.kamino/lock'))).toBe(false);
  });

  it('are told who is at work, and a lock of a run that is gone holds nobody up', async () => {
    const folder = here;
    const { status, err } = await waiting;
    expect([status, err]).toEqual([
      2,
      expect.stringContaining(`error at-work: process ${process.pid} is at work`),
    ]);
    expect(readFileSync(join(folder, 'index.html'), 'utf8')).not.toContain('<nav');
    const { pid } = spawnSync(process.execPath, ['-e', '0']);
    put(folder, { '.kamino/lock': held(pid) });
    expect((await kaminoBeside(folder, 'build')).status).toBe(0);
    put(folder, { '.kamino/lock': 'x' });
    expect(kamino(folder, 'check').status).toBe(0);
  });
});

test('what the file system refuses is told in a line, from every command', () => {
  const folder = folderWith({ 'index.html': page('Home'), 'kamino.yaml': plan('site: ""\n') });
  for (const args of [
    ['build'],
    ['check'],
    ['lift'],
    ['map'],
    ['measure'],
    ['specimen'],
    ['entry', 'add', 'index.html'],
  ])
    expect([args, kamino(folder, ...args).err]).toEqual([args, expect.not.stringMatching(/\n\s+at /)]);
  const { status, stderr } = spawnSync(
    'sh',
    ['-c', `mkdir gone && cd gone && rmdir ../gone && exec ${process.execPath} ${program} build`],
    { cwd: folder, encoding: 'utf8', env: plainly },
  );
  expect([status, stderr]).toEqual([
    2,
    expect.stringMatching(/^error cannot-read: the folder where you stand is gone|cannot-read/),
  ]);
  const full = spawnSync('sh', ['-c', `exec ${process.execPath} ${program} --help > /dev/full`], {
    cwd: folder,
    encoding: 'utf8',
    env: plainly,
  });
  expect([full.status, full.stderr]).toEqual([2, expect.stringContaining('cannot be written (ENOSPC)')]);
});
