import { execFileSync } from 'node:child_process';
import { cpSync, mkdirSync, readFileSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { beforeAll, expect, it, test } from '@jest/globals';
import type { PackResult } from '../../src/jobs/pack.ts';
import { served } from '../helpers/served.ts';
import { contents, demoFolder, filesOf, folderWith, kamino, put } from '../helpers/site.ts';

let demo = '';
beforeAll(() => {
  demo = folderWith({});
  cpSync(demoFolder, demo, { recursive: true });
});

/** A copy of the demo whose plan says more. */
function moved(more: string): string {
  const folder = folderWith({});
  cpSync(demo, folder, { recursive: true });
  const text = readFileSync(join(folder, 'kamino.yaml'), 'utf8');
  put(folder, { 'kamino.yaml': `${text}\n${more}` });
  const { status, err } = kamino(folder, 'build');
  expect([status, err]).toEqual([0, '']);
  return folder;
}

const packed = (folder: string, ...args: string[]): PackResult =>
  JSON.parse(kamino(folder, 'pack', '--json', ...args).out) as PackResult;

/** All that links and files of finished pages name, as a browser asks for it. */
async function asked(address: string, base: string, pages: readonly string[]): Promise<Map<string, number>> {
  const waiting = new Set(pages.map(path => `${address}${base}${path}`));
  const answers = new Map<string, number>();
  for (const url of waiting) {
    const answer = await fetch(url);
    answers.set(url, answer.status);
    if (!/html|css/.test(answer.headers.get('content-type') ?? '')) continue;
    const text = await answer.text();
    for (const [, one] of text.matchAll(/(?:\b(?:href|src)="|url\("?)([^")#]+)/g)) {
      const found = new URL(one!.replaceAll('&amp;', '&'), url);
      if (found.origin === address) waiting.add(found.href.replace(/#.*/, ''));
    }
  }
  return answers;
}

test.each([
  ['as they are', '/', ''],
  ['by hashed names', '/', 'own-files: hashed'],
  ['from the root of a folder', '/observatory/', 'links: { from: root, base: /observatory/ }'],
  [
    'from the root, without index pages, by hashed names',
    '/observatory/',
    'own-files: hashed\nlinks: { from: root, index: hidden, base: /observatory/, host: "https://brackenfold.example" }',
  ],
])('lies on an ordinary server, with links %s', async (_, base, more) => {
  const folder = moved(more);
  expect(kamino(folder, 'check').status).toBe(0);
  const { status, created } = packed(folder, '--to', join(folder, 'upload'));
  expect(status).toBe(0);
  const address = await served(join(folder, 'upload'), base);
  const answers = await asked(address, base, created);
  expect([...answers].filter(([, answer]) => answer !== 200)).toEqual([]);
  expect(answers.size).toBeGreaterThanOrEqual(created.length);
});

it('tells the server only where whole addresses are needed', () => {
  const folder = moved('links: { base: /observatory/, index: hidden, host: "https://brackenfold.example" }');
  const text = readFileSync(join(folder, 'built/visit/getting-here.html'), 'utf8');
  const [, data] = /<script type="application\/ld\+json">(.*)<\/script>/.exec(text)!;
  const { itemListElement } = JSON.parse(data!) as { itemListElement: { item: string }[] };
  expect(itemListElement.map(one => one.item)).toEqual(
    ['', 'visit/', 'visit/getting-here.html'].map(path => `https://brackenfold.example/observatory/${path}`),
  );
  expect(text.replace(data!, '')).not.toContain('brackenfold.example/');
});

it('packs what two other programs open, and these find the built files', () => {
  const folder = moved('');
  packed(folder);
  const built = contents(join(folder, 'built'));
  const archive = join(folder, 'packed.zip');
  const names = execFileSync('unzip', ['-Z1', archive], { encoding: 'utf8' }).trim().split('\n').sort();
  expect(names).toEqual(Object.keys(built).sort());
  for (const [command, ...args] of [
    ['unzip', '-q', archive],
    ['bsdtar', '-xf', archive],
  ] as const) {
    const place = folderWith({});
    execFileSync(command, args, { cwd: place });
    expect(contents(place)).toEqual(built);
  }
});

it('lists exactly what a synchronising copy moves', () => {
  const folder = moved('');
  const server = join(folderWith({}), 'server');
  mkdirSync(server);
  const upload = join(folderWith({}), 'upload');
  const copied = (): string[] =>
    execFileSync('rsync', ['-a', '--itemize-changes', '--delete', `${upload}/`, `${server}/`], {
      encoding: 'utf8',
    })
      .split('\n')
      .filter(line => /^(?:>f|\*deleting {3}.*[^/]$)/.test(line))
      .map(line => line.replace(/^\S+ +/, ''))
      .sort();
  expect(packed(folder, '--to', upload).created).toEqual(copied());
  rmSync(join(folder, 'journal/owl.html'));
  put(folder, {
    'journal/comet.html': readFileSync(join(folder, 'journal/comet.html'), 'utf8').replace(
      '</h1>',
      ' again</h1>',
    ),
    'journal/frost.html': readFileSync(join(folder, 'journal/new-slit.html'), 'utf8'),
  });
  kamino(folder, 'build');
  const { created, changed, deleted } = packed(folder, '--to', upload, '--delete', '--despite-errors');
  expect(deleted).toEqual(['journal/owl.html']);
  expect(copied()).toEqual([...created, ...changed, ...deleted].sort());
  expect(filesOf(server)).toEqual(filesOf(join(folder, 'built')));
  expect(copied()).toEqual([]);
  // Packed again within a second, a file of the same size is seen too.
  const alone = folderWith({});
  for (const text of ['ab', 'cd', 'ef', 'gh']) {
    put(alone, { 'index.html': text });
    packed(alone, '.', '--to', upload, '--delete');
    expect(copied()).toContain('index.html');
  }
});
