import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { describe, expect, it, test } from '@jest/globals';
import { folderWith, kamino, page, plan } from '../helpers/site.ts';

const site = (entries: string[], lines = ''): string =>
  folderWith({
    'kamino.yaml': plan(lines, entries),
    'index.html': page('Home', '<h2 id="news">What is new</h2>'),
    'sub/page.html': page(
      'Page',
      '<h2 id="a b">Two words</h2><section id="inner"><h3>Inside</h3></section><h2 id="news">Also new</h2>',
    ),
    'files/list.pdf': 'x',
  });

const links = (folder: string, path: string): string[] =>
  [
    ...readFileSync(join(folder, 'built', path), 'utf8').matchAll(
      /kamino-link" href="([^"]*)"[^>]*>([^<]*)</g,
    ),
  ].map(match => `${match[1]!} ${match[2]!}`);

describe('targets', () => {
  test.each([
    ['sub/page.html', '../sub/page.html Page'],
    ['{ page: sub/page.html, label: X }', 'page.html X'],
    ['{ section: "sub/page.html#inner" }', '#inner Inside'],
    ['"sub/page.html#a%20b"', '#a%20b Two words'],
    ['{ section: "index.html#news" }', '../index.html#news What is new'],
    ['{ section: news, label: News }', '#news News'],
    ['{ section: "#news" }', '#news News'],
    ['{ file: files/list.pdf }', '../files/list.pdf list.pdf'],
    ['files/list.pdf', '../files/list.pdf list.pdf'],
    ['{ mail: hello@example.org }', 'mailto:hello@example.org hello@example.org'],
    ['"mailto:a@b.example"', 'mailto:a@b.example a@b.example'],
    ['{ phone: 01970 123456, label: Call }', 'tel:01970123456 Call'],
    ['"tel:+441970123"', 'tel:+441970123 +441970123'],
    ['{ url: "https://www.a.example/?a=1&b=2", label: A }', 'https://www.a.example/?a=1&amp;b=2 A'],
  ])('%s', (entry, link) => {
    const folder = site([entry]);
    expect(kamino(folder, 'build')).toMatchObject({ status: 0, err: '' });
    expect(links(folder, 'sub/page.html')).toEqual([link.replace('../sub/page.html Page', 'page.html Page')]);
  });

  test.each([
    ['{ section: "sub/page.html#innr" }', 'missing-section', 'Did you mean `#inner`?'],
    ['{ section: inner }', 'missing-section', 'there is no `#inner` in index.html'],
    ['{ section: sub/page.html }', 'missing-section', 'page: sub/page.html'],
    ['"#"', 'missing-section', 'leads nowhere'],
    ['{ file: files/List.pdf }', 'missing-file', 'Did you mean `files/list.pdf`?'],
    ['{ mail: hello }', 'wrong-value', 'mail address'],
    ['{ phone: call us }', 'wrong-value', 'telephone number'],
    ['{ entries: [index.html] }', 'missing-key', 'label'],
    ['{ page: /index.html }', 'outside-site', 'Did you mean `index.html`?'],
    ['"file:///c:/x.html"', 'bad-address', 'file:'],
    ['"C:/x.html"', 'bad-address', 'c:'],
  ])('refuses %s', (entry, rule, hint) => {
    const { status, err } = kamino(site([entry]), 'build');
    expect([status, err]).toEqual([2, expect.stringContaining(`error ${rule}:`)]);
    expect(err).toContain(hint);
  });

  it('leaves out what may be missing, says so, and builds the rest', () => {
    const folder = site(['index.html', '{ page: soon.html, label: Soon, if-missing: warn }']);
    expect(kamino(folder, 'build')).toMatchObject({
      status: 0,
      err: expect.stringContaining('warning left-out'),
    });
    expect(links(folder, 'index.html')).toEqual(['index.html Home']);
  });
});

describe('submenus and forms', () => {
  const nested = ['{ page: index.html, entries: [{ label: Deeper, entries: [sub/page.html] }] }'];

  it('nests to three levels and no further', () => {
    const folder = site(nested);
    expect(kamino(folder, 'build').status).toBe(0);
    const text = readFileSync(join(folder, 'built/sub/page.html'), 'utf8');
    expect(text).toMatch(
      /<summary aria-controls="kamino-masthead-index" aria-label="Home: more pages"><\/summary>/,
    );
    expect(text).toMatch(
      /<summary class="kamino-link" aria-controls="kamino-masthead-deeper">Deeper<\/summary>/,
    );
    expect([...text.matchAll(/data-kamino-depth="(\d)"/g)].map(match => match[1])).toEqual(['1', '2', '3']);
    const deep = site([
      '{ label: A, entries: [{ label: B, entries: [{ label: C, entries: [index.html] }] }] }',
    ]);
    expect(kamino(deep, 'build')).toMatchObject({
      status: 2,
      err: expect.stringContaining('at most three levels'),
    });
  });

  it('lays the branch of the page open in a column, and everything in a plain menu', () => {
    const column = site(nested, '    form: column\n');
    kamino(column, 'build');
    expect(
      readFileSync(join(column, 'built/sub/page.html'), 'utf8').match(/<details[^>]* open>/g),
    ).toHaveLength(2);
    const plainMenu = site(nested, '    form: plain\n');
    kamino(plainMenu, 'build');
    expect(readFileSync(join(plainMenu, 'built/index.html'), 'utf8')).not.toContain('<details');
  });

  test.each([
    [
      'look: { font: { size: 1rem, weight: 600, family: "Inter, sans-serif", spacing: 0.02em }, padding: 1rem 2rem, radius: 0 }',
      0,
      '--kamino-padding: 1rem 2rem;',
    ],
    ['look: { padding: "1rem; } body { display: none" }', 2, ''],
    ['look: { font: { family: "x; } * { color: red" } }', 2, ''],
    [
      'look: { accent: "#abc", background: papayawhip, color: hsl(210 40% 20%) }',
      0,
      '--kamino-background: papayawhip;',
    ],
    ['look: { accent: nocolour }', 2, ''],
  ])('takes %s', (look, status, rule) => {
    const folder = site(['index.html'], `${look}\n`);
    expect(kamino(folder, 'build').status).toBe(status);
    if (status === 0) expect(readFileSync(join(folder, 'built/kamino/menu.css'), 'latin1')).toContain(rule);
  });

  it('tells text that stands out too little, with the nearest colour that passes', () => {
    const { status, err } = kamino(
      site(['index.html'], 'look: { background: white, color: "#999" }\n'),
      'build',
    );
    expect([status, err]).toEqual([0, expect.stringContaining('warning low-contrast')]);
    expect(err).toMatch(/contrast of 2\.85; 4\.5 is needed[^]*color: "#7[0-9a-f]{5}"/);
  });
});
