import { createServer } from 'node:http';
import type { AddressInfo } from 'node:net';
import { existsSync, readFileSync, statSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath, pathToFileURL } from 'node:url';
import { describe, expect, it, test } from '@jest/globals';
import { filesOf, folderWith, kamino, page } from '../helpers/site.ts';

const names = [
  'plain.html',
  'two words.html',
  'Grüße.html',
  'décomposé.html'.normalize('NFD'),
  'émile/pâté.html'.normalize('NFD'),
  '100%.html',
  '50%25.html',
  'a#b.html',
  'why?.html',
  'a&b.html',
  'a=b+c.html',
  "it's.html",
  '"quoted".html',
  'semi;colon.html',
  'comma, here.html',
  'at@home.html',
  'colon:one.html',
  'tilde~.html',
  'star*.html',
  'paren(1).html',
  'bracket[2].html',
  'brace{3}.html',
  'pipe|bar.html',
  'caret^.html',
  'back`tick.html',
  'dollar$.html',
  'excl!.html',
  '日本語.html',
  '🌙 moon.html',
  'deep folder/index.html',
  'deep folder/sub#dir/100% sure?.html',
  'UPPER.HTML',
];
const quoted = (name: string): string => JSON.stringify(name);
const folder = folderWith({
  ...Object.fromEntries(['index.html', ...names].map((name, at) => [name, page(`Page ${at}`)])),
  'kamino.yaml': `kamino: 1\nmenus:\n  - menu: masthead\n    entries:\n      - index.html\n${names.map(name => `      - { page: ${quoted(name)}, label: ${quoted(name)} }\n`).join('')}`,
});
const run = kamino(folder, 'build');
const built = join(folder, 'built');
const pages = filesOf(built).filter(path => /\.html$/i.test(path));

/** Every link of a page with its mark, as an address seen from that page’s own. */
function linksIn(path: string, address: string): { url: URL; isCurrent: boolean }[] {
  const raw = readFileSync(join(built, path), 'utf8');
  return [...raw.matchAll(/kamino-link" href="([^"]*)"([^>]*)>/g)].map(([, href, rest]) => ({
    url: new URL(href!.replaceAll('&amp;', '&').replaceAll('&quot;', '"'), address),
    isCurrent: rest!.includes('aria-current'),
  }));
}

describe('names that are hard to write', () => {
  it('are built without a word', () => {
    expect([run.status, run.err]).toEqual([0, '']);
    expect(pages.length).toBe(names.length + 1);
    expect(names.length).toBeGreaterThanOrEqual(30);
  });

  test.each(pages)('%s has only links that open from the file system, and marks itself', path => {
    const links = linksIn(path, pathToFileURL(join(built, path)).href);
    expect(links.length).toBe(names.length + 1);
    for (const { url } of links)
      expect([url.href, url.search, existsSync(fileURLToPath(url))]).toEqual([url.href, '', true]);
    expect(links.filter(one => one.isCurrent).map(one => fileURLToPath(one.url))).toEqual([
      join(built, path),
    ]);
  });

  it('are all served by an ordinary web server', async () => {
    const server = createServer((request, response) => {
      const file = join(built, decodeURIComponent(new URL(request.url!, 'http://x').pathname));
      const isThere = existsSync(file) && statSync(file).isFile() && file.startsWith(built);
      response.statusCode = isThere ? 200 : 404;
      response.end(isThere ? readFileSync(file) : '');
    });
    await new Promise<void>(resolve => server.listen(0, () => resolve()));
    const origin = `http://localhost:${(server.address() as AddressInfo).port}/`;
    const dead: string[] = [];
    const seen = new Set<string>();
    for (const path of pages) {
      const own = path.split('/').map(encodeURIComponent).join('/');
      for (const { url } of linksIn(path, origin + own)) {
        if (seen.has(url.href)) continue;
        seen.add(url.href);
        const { status } = await fetch(url);
        if (status !== 200) dead.push(`${path} ${url.href}`);
      }
    }
    server.close();
    expect(dead).toEqual([]);
    expect(seen.size).toBe(names.length + 1);
    expect(dirname(built)).toBe(folder);
  });

  it('are found again by a check', () => {
    expect(kamino(folder, 'check')).toMatchObject({ status: 0, err: '' });
  });
});
