// A check of a large site is told again as long as nothing has changed, and made anew where anything may have.
import {
  appendFileSync,
  chmodSync,
  cpSync,
  existsSync,
  mkdirSync,
  readFileSync,
  renameSync,
  rmSync,
  statSync,
  symlinkSync,
  truncateSync,
  utimesSync,
  writeFileSync,
} from 'node:fs';
import { join } from 'node:path';
import { expect, it, test } from '@jest/globals';
import { filesOf, folderWith, kamino, page, put } from '../helpers/site.ts';

const prose = '<p>Words about the moor, its birds and its weather.</p>\n'.repeat(8000);
const large = Object.fromEntries(
  Array.from({ length: 16 }, (_, at) => [
    `part-${at}.html`,
    page(
      `Part ${at} — Moor`,
      `<main><a href="gone-${at}.html">Gone</a><img src="stone.svg" alt="A stone">${prose}</main>`,
    ),
  ]),
);
const plan = (more = ''): string =>
  `kamino: 1\nmenus:\n  - menu: m\n    place: { first-in: body }\n    entries: [index.html, part-1.html]\n${more}`;
const stone = '<svg xmlns="http://www.w3.org/2000/svg" width="4" height="4"/>';
const site = {
  'index.html': page('Home — Moor', '<main><h1>Home</h1></main>'),
  ...large,
  'stone.svg': stone,
  'kamino.yaml': plan(),
};

/** So long ago that the next change of a file is surely seen. */
function age(folder: string): void {
  for (const path of filesOf(folder)) utimesSync(join(folder, path), 1_700_000_000, 1_700_000_000);
}

/** A built site whose check is kept, and what that tells. */
function checked(): { folder: string; told: string; kept: string } {
  const folder = folderWith(site);
  kamino(folder, 'build');
  age(folder);
  const told = kamino(folder, 'check', '--json').out;
  const kept = join(folder, '.kamino/checked');
  // What is told again is what was kept, as here nobody else would say it.
  writeFileSync(kept, readFileSync(kept, 'utf8').replaceAll('gone-3.html', 'kept-3.html'));
  return { folder, told, kept };
}

const again = (folder: string): string => kamino(folder, 'check', '--json').out;
const isAgain = (told: string): boolean => told.includes('kept-3.html') && !told.includes('gone-3.html');

it('is told again word for word, as often as it is asked for', () => {
  const { folder, told } = checked();
  expect(told).toContain('gone-3.html');
  expect(again(folder)).toBe(told.replaceAll('gone-3.html', 'kept-3.html'));
  expect(again(folder)).toBe(again(folder));
  // What the plan says of rules, and which folder it is asked from, is seen each time.
  put(folder, { 'kamino.yaml': plan() });
  expect(kamino(join(folder, 'built'), 'check', '..').err).toContain('kept-3.html');
});

const changes: Record<string, (folder: string) => void> = {
  'a page': folder => appendFileSync(join(folder, 'built/part-2.html'), '<p>More'),
  'a page, as long as it was and with its old time': folder => {
    const file = join(folder, 'built/part-2.html');
    writeFileSync(file, readFileSync(file, 'utf8').replace('moor', 'Moor'));
    utimesSync(file, 1_700_000_000, 1_700_000_000);
  },
  'a page that is gone': folder => {
    rmSync(join(folder, 'built/part-2.html'));
  },
  'a page that has come': folder => {
    writeFileSync(join(folder, 'built/gone-2.html'), page('Come — Moor', '<main></main>'));
  },
  'a page with another name': folder => {
    renameSync(join(folder, 'built/part-9.html'), join(folder, 'built/part-99.html'));
  },
  'a picture': folder => {
    writeFileSync(join(folder, 'built/stone.svg'), stone.replace('width="4"', 'width="5"'));
  },
  'the plan': folder => {
    writeFileSync(join(folder, 'kamino.yaml'), plan('rules: { depth: 3 }\n'));
  },
  'a source, and a build': folder => {
    appendFileSync(join(folder, 'part-2.html'), '<p>More');
    expect(kamino(folder, 'build', '--overwrite').status).toBe(0);
  },
  'all of it, copied elsewhere with its times': folder => {
    cpSync(folder, `${folder}-copy`, { recursive: true, preserveTimestamps: true });
    rmSync(folder, { recursive: true });
    cpSync(`${folder}-copy`, folder, { recursive: true, preserveTimestamps: true });
    rmSync(`${folder}-copy`, { recursive: true });
  },
  'what was kept, cut off': folder => {
    truncateSync(join(folder, '.kamino/checked'), 300);
  },
  'what was kept, in another form': folder => {
    const kept = join(folder, '.kamino/checked');
    const { sum } = JSON.parse(readFileSync(kept, 'utf8')) as { sum: string };
    writeFileSync(kept, JSON.stringify({ sum, findings: [{ message: 'kept-3.html' }], pages: 1 }));
  },
  'what was kept, a folder': folder => {
    rmSync(join(folder, '.kamino/checked'));
    mkdirSync(join(folder, '.kamino/checked'));
  },
  'what was kept, a link': folder => {
    const kept = join(folder, '.kamino/checked');
    renameSync(kept, join(folder, 'elsewhere'));
    symlinkSync('../elsewhere', kept);
  },
};

test.each(Object.entries(changes))('is made anew where something has changed: %s', (_, change) => {
  const { folder } = checked();
  change(folder);
  const told = again(folder);
  expect(isAgain(told)).toBe(false);
  expect(told).toContain('gone-3.html');
  rmSync(join(folder, '.kamino/checked'), { force: true, recursive: true });
  expect(again(folder)).toBe(told);
  if (existsSync(join(folder, 'elsewhere')))
    expect(readFileSync(join(folder, 'elsewhere'), 'utf8')).toContain('kept-3.html');
});

it('keeps nothing of what may still change unseen, of small sites, and of folders without a plan', () => {
  const folder = folderWith(site);
  kamino(folder, 'build');
  age(folder);
  const tomorrow = Date.now() / 1000 + 86_400;
  utimesSync(join(folder, 'built/part-2.html'), tomorrow, tomorrow);
  kamino(folder, 'check');
  expect(existsSync(join(folder, '.kamino/checked'))).toBe(false);
  const { 'index.html': front, 'kamino.yaml': lines } = site;
  const small = folderWith({ 'index.html': front, 'part-1.html': front, 'kamino.yaml': lines });
  kamino(small, 'build');
  age(small);
  const before = statSync(join(small, '.kamino')).mtimeMs;
  kamino(small, 'check');
  expect(statSync(join(small, '.kamino')).mtimeMs).toBe(before);
  age(folder);
  kamino(folder, 'check', 'built');
  expect(filesOf(join(folder, 'built'))).not.toContain('.kamino/checked');
  expect(existsSync(join(folder, '.kamino/checked'))).toBe(false);
});

it('goes on where what was found cannot be kept', () => {
  const { folder, told, kept } = checked();
  rmSync(kept);
  chmodSync(join(folder, '.kamino'), 0o555);
  expect(again(folder)).toBe(told);
  chmodSync(join(folder, '.kamino'), 0o755);
});
