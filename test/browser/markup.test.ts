import { spawnSync } from 'node:child_process';
import { createRequire } from 'node:module';
import { dirname, join } from 'node:path';
import { expect, test } from '@jest/globals';
import { demoFolder, filesOf, folderWith, kamino } from '../helpers/site.ts';

const jar = join(
  dirname(createRequire(import.meta.url).resolve('vnu-jar/package.json')),
  'build/dist/vnu.jar',
);
interface Message {
  type: string;
  url: string;
  message: string;
}

/** What the Nu Html Checker says of pages of a folder: `page: message`. */
function messages(folder: string, pages: readonly string[]): string[] {
  const files = pages.map(path => join(folder, path));
  const flags = ['-XX:TieredStopAtLevel=1', '-XX:+UseSerialGC', '-Xss2m'];
  const { stderr } = spawnSync(
    'java',
    [...flags, '-jar', jar, '--format', 'json', '--exit-zero-always', ...files],
    {
      encoding: 'utf8',
      maxBuffer: 64 * 1024 * 1024,
    },
  );
  const { messages: all } = JSON.parse(stderr) as { messages: Message[] };
  return all
    .filter(one => one.type === 'error')
    .map(({ url, message }) => `${url.slice(url.indexOf(folder) + folder.length + 1)}: ${message}`);
}

test('no page of the demo has an error in its markup that its source does not have', () => {
  const folder = folderWith({});
  expect(kamino(folder, 'demo').status).toBe(0);
  const pages = filesOf(demoFolder).filter(path => path.endsWith('.html'));
  const before = messages(demoFolder, pages);
  expect(messages(join(folder, 'brackenfold/built'), pages).filter(one => !before.includes(one))).toEqual([]);
  for (const fold of ['drawer', 'full-screen']) {
    expect(kamino(join(folder, 'brackenfold'), 'build', `kamino-${fold}.yaml`).status).toBe(0);
    const out = join(folder, `brackenfold/built-${fold}`);
    const own = filesOf(out).filter(path => path.endsWith('.html'));
    expect(own.length).toBeGreaterThan(15);
    expect(messages(out, own).filter(one => !before.includes(one))).toEqual([]);
  }
  // The checker does check: a nav in a heading is told.
  const broken = folderWith({
    'a.html': '<!doctype html><html lang="en"><title>A</title><h1><nav></nav></h1></html>',
  });
  expect(messages(broken, ['a.html'])).toHaveLength(1);
});
