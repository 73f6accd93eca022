import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { describe, expect, it } from '@jest/globals';
import { open, useBrowser } from '../helpers/browser.ts';
import { demoFolder, folderWith, kamino, page, toldPlaces } from '../helpers/site.ts';

interface Json {
  status: number;
  otherFiles: number;
  pages: {
    path: string;
    title: string | null;
    ids: string[];
    sections: { text: string; level: number; id: string | null }[];
    words: number;
    linkedFrom: number;
    links: Record<string, number>;
  }[];
  findings: Parameters<typeof toldPlaces>[0];
}

const read = (folder: string): Json => JSON.parse(kamino(folder, 'inventory', '--json').out) as Json;

describe('an inventory', () => {
  it('names every planted mistake with its place, and no other', () => {
    const body = `
<a href="about.html">ok</a> <a href="sub/">ok</a> <a href="sub/index.html#there">ok</a> <a href="#here">ok</a> <a href="#">nowhere</a>
<a href="About.html">case</a>
<a href="abuot.html">dead</a>
<a href="about.html#nope">no place</a>
<a href="here">no hash</a>
<a href="C:\\site\\x.html">drive</a>
<a href="file:///site/x.html">file</a>
<a href="../other/x.html">outside</a>
<a href="/other/x.html">another project</a>
<a href="">empty</a>
<p id="here">x</p><p id="here">twice</p>
<a href="mailto:a@b.example">ok</a> <a href="https://a.example/">ok</a> <a href="list.pdf">ok</a> <a href="/about.html">ok</a>
<p id="two words">x</p></ul>`;
    const deep = `${'<div>'.repeat(600)}<ul><li>x</li></ul>${'</div>'.repeat(600)}`;
    const folder = folderWith({
      'index.html': page('Home', body),
      'about.html': page('About', deep),
      'sub/index.html': page('Sub', '<h2 id="there">There</h2><a href="../about.html">ok</a>'),
      'lost.html': page('About'),
      'bare.html': '<p>x<a href=index.html>home</a>',
      'list.pdf': 'x',
    });
    const { findings, otherFiles } = read(folder);
    expect(toldPlaces(findings.filter(({ rule }) => rule !== 'no-viewport')).sort()).toEqual([
      'about.html:- same-title',
      'bare.html:- orphan',
      'bare.html:- untitled',
      'index.html:10 empty-link',
      'index.html:11 letter-case',
      'index.html:12 dead-link',
      'index.html:13 dead-link',
      'index.html:14 missing-hash',
      'index.html:15 foreign-path',
      'index.html:16 foreign-path',
      'index.html:17 foreign-path',
      'index.html:18 foreign-path',
      'index.html:19 empty-link',
      'index.html:20 same-id',
      'index.html:22 bad-id',
      'index.html:22 surplus-end',
      'lost.html:- orphan',
    ]);
    expect(otherFiles).toBe(1);
    const { status, err, out } = kamino(folder, 'inventory');
    expect(status).toBe(1);
    expect(err).toContain('Did you mean `about.html`?');
    expect(Math.max(...out.split('\n').map(line => line.length))).toBeLessThanOrEqual(100);
  });

  it('does not count what Kamino put in', () => {
    const folder = folderWith({
      'kamino.yaml':
        'kamino: 1\noutput: in-place\nmenus:\n  - menu: top\n    entries: [index.html, a.html]\n',
      'index.html': page('Home', '<a href=a.html>a</a>'),
      'a.html': page('A'),
    });
    const before = read(folder);
    kamino(folder, 'build');
    expect(read(folder)).toEqual(before);
  });

  it('says what to do where there is no folder', () => {
    expect(kamino(folderWith({}), 'inventory', 'nowhere')).toMatchObject({
      status: 2,
      out: '',
      err: expect.stringContaining('nowhere: error cannot-read'),
    });
  });
});

describe('beside a real browser', () => {
  useBrowser();

  it('finds the same titles, ids, headings, links and words on every demo page', async () => {
    const { pages } = read(demoFolder);
    expect(pages).toHaveLength(24);
    const tab = await open('about:blank');
    for (const { path, ...found } of pages) {
      await tab.goto(pathToFileURL(join(demoFolder, path)).href);
      const seen = await tab.evaluate(() => ({
        title: document.title,
        ids: [...document.querySelectorAll('[id]')].map(one => one.id),
        headings: [...document.querySelectorAll('h1,h2,h3,h4,h5,h6')].map(one => [
          Number(one.tagName[1]),
          one.textContent?.replace(/\s+/g, ' ').trim(),
        ]),
        links: document.querySelectorAll('a[href]').length,
        words: document.body.innerText.split(/\s+/).filter(Boolean).length,
      }));
      expect([path, found.title, found.ids]).toEqual([path, seen.title, seen.ids]);
      expect(found.sections.map(one => [one.level, one.text])).toEqual(seen.headings);
      expect(Object.values(found.links).reduce((sum, one) => sum + one, 0)).toBe(seen.links);
      expect(Math.abs(found.words - seen.words)).toBeLessThanOrEqual(seen.words * 0.1);
    }
    await tab.context().close();
  });
});

it('takes the row that leads to the sections of one page for one menu on all', () => {
  const ids = ['courses', 'prices', 'answers'];
  const row = (to: string): string =>
    `<nav><ul>${ids.map(id => `<li><a href="${to}#${id}">The ${id}</a></li>`).join('')}</ul></nav>`;
  const sections = ids.map(id => `<h2 id="${id}">The ${id}</h2>`).join('');
  const folder = folderWith({
    'index.html': page('Front', `${row('')}<main>${sections}</main>`),
    'terms.html': page('Terms', `${row('index.html')}<main><h1>Terms</h1></main>`),
    'imprint.html': page('Imprint', `${row('index.html')}<main><h1>Imprint</h1></main>`),
  });
  expect(kamino(folder, 'inventory').out).toContain('"nav"  on 3 of 3 pages');
  expect(kamino(folder, 'draft', '--yes').status).toBe(0);
  expect(readFileSync(join(folder, 'kamino.yaml'), 'utf8')).not.toContain('except');
  expect(kamino(folder, 'build').status).toBe(0);
  expect(readFileSync(join(folder, 'index.html'), 'utf8')).toMatch(/class="kamino-link" href="#prices"/);
});

it('calls entries by what is read out, not by signs that are only seen', () => {
  const row =
    '<nav><a href="index.html"><span aria-hidden="true">★</span> Start</a> <a href="map.html" aria-label="The map"><i class="m"></i></a> <a href="mail.html"><b aria-hidden="true">✉</b></a></nav>';
  const files = ['index', 'map', 'mail'].map(name => [`${name}.html`, page(name, row)] as const);
  const { out } = kamino(folderWith(Object.fromEntries(files)), 'inventory');
  expect(out).toMatch(/^ {2}Start +index\.html$/m);
  expect(out).toMatch(/^ {2}The map +map\.html$/m);
  // Where nothing else is said it is what there is.
  expect(out).toMatch(/^ {2}✉ +mail\.html$/m);
});

it('drafts whole addresses of the site’s own server as the pages that are here, and those of others as they are', () => {
  const names = ['index', 'services', 'groups', 'hall'];
  const made = (host: (name: string) => string): string => {
    const row = `<nav>${names.map(name => `<a href="${host(name)}">The ${name}</a>`).join(' ')}</nav>`;
    const folder = folderWith(Object.fromEntries(names.map(name => [`${name}.html`, page(name, row)])));
    expect(kamino(folder, 'draft', '--yes').status).toBe(0);
    return readFileSync(join(folder, 'kamino.yaml'), 'utf8');
  };
  const own = made(name => `https://oswin.example/${name === 'index' ? '' : `${name}.html`}`);
  expect(own).toMatch(/page: index\.html,[^]*page: hall\.html,[^]*# Led to pages of oswin\.example/);
  expect(own).not.toContain('url:');
  const others = made(name => (name === 'index' ? 'index.html' : `https://other.example/${name}/1.html`));
  expect(others.match(/url: /g)).toHaveLength(3);
});
