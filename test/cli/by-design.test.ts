// What differs from page to page by design, and what a large site is shown as.
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { describe, expect, it } from '@jest/globals';
import { contents, folderWith, kamino, page, plainly } from '../helpers/site.ts';
import { grownSite } from '../helpers/grown-sites.ts';

plainly['KAMINO_BROWSER'] = 'none';

const nav =
  '<div class="nav"><a href="index.html">Home</a> <a href="a1.html">First</a> <a href="a9.html">Last</a></div>';
const names = ['a1', 'a2', 'a9', 'a10', 'a11'];
/** Pages that are turned from the newest to the oldest, with a date each. */
const journal = Object.fromEntries(
  names.map((name, at) => {
    const turn = [names[at - 1], names[at + 1]].map(
      (one, way) => one && `<a href="${one}.html">${way ? 'Older' : 'Newer'}</a>`,
    );
    const body = `${nav}<p class="trail"><a href="index.html">Home</a> » <a href="a1.html">All</a> » ${name}</p><ul class="toc"><li><a href="#x">X</a><li><a href="#y">Y</a></ul><time datetime="20${20 - at}-01-01">x</time><p id="x">x<p id="y">y<p class="turn">${turn.filter(Boolean).join(' | ')}</p>`;
    return [`${name}.html`, page(`Page ${name}`, body)];
  }),
);
const site = {
  'index.html': page('Home', `${nav}${names.map(name => `<a href="${name}.html">${name}</a>`).join(' ')}`),
  ...journal,
};

describe('links that differ by design', () => {
  it('are named for what they are, and no mistakes', () => {
    const { out, status } = kamino(folderWith(site), 'inventory');
    expect(status).toBe(0);
    expect(out).toContain('1 menu written by hand');
    expect(out).toMatch(/"p\.trail" +the way to the page, on 5 of 6 pages/);
    expect(out).toMatch(/"ul\.toc" +a page’s own contents, on 5 of 6 pages/);
    expect(out).toMatch(/"p\.turn" +the page before and behind, on 3 of 6 pages/);
    expect(out).toMatch(/Go on with {2}kamino draft --from "div\.nav" /);
  });

  it('may be one to the page itself in each copy of a menu, whose address says nothing', () => {
    const own = Object.entries(site).map(([path, text]) => [
      path,
      text.replace('Last</a>', `Last</a> <a href="">This is ${path.replace('.html', '')}</a>`),
    ]);
    const { out } = kamino(
      folderWith(Object.fromEntries(own) as Record<string, string>),
      'inventory',
      '--json',
    );
    const { findings } = JSON.parse(out) as { findings: { rule: string }[] };
    expect(findings.map(one => one.rule)).not.toContain('menu-differs');
  });

  it('as a breadcrumb take its place where that says no more than the links and the page', () => {
    const trail = (more: string): Record<string, string> =>
      Object.fromEntries(
        Object.entries(site).map(([path, text]) => [
          path,
          text.replace(
            /(<p class="trail">.*?» )[a-z0-9]+<\/p>/,
            `$1${more}Page ${path.replace('.html', '')}</p>`,
          ),
        ]),
      );
    const folder = folderWith(trail(''));
    expect(kamino(folder, 'draft', '--from', 'div.nav', '--from', 'p.trail').status).toBe(0);
    expect(readFileSync(join(folder, 'kamino.yaml'), 'utf8')).toMatch(
      /menu: trail\n.*\n.*form: breadcrumb\n.*except: index\.html\n.*instead-of: p\.trail/,
    );
    expect(kamino(folder, 'build')).toMatchObject({ status: 0, err: expect.not.stringContaining('error') });
    expect(contents(folder)['a2.html']).toMatch(/data-kamino="trail"[^]*Page a2/);
    expect(contents(folder)['a2.html']).not.toContain('class="trail"');
    const other = folderWith(trail('At '));
    kamino(other, 'draft', '--from', 'div.nav', '--from', 'p.trail');
    expect(readFileSync(join(other, 'kamino.yaml'), 'utf8')).toMatch(
      /stays: on 5 pages it says more[^]*before: p\.trail/,
    );
  });

  it('are drafted in their own form, with the pages and the order that they have', () => {
    const folder = folderWith(site);
    expect(kamino(folder, 'draft', '--from', 'div.nav', '--from', 'p.turn').status).toBe(0);
    const plan = readFileSync(join(folder, 'kamino.yaml'), 'utf8');
    expect(plan).toMatch(
      /form: previous-next\n.*except: index\.html\n.*instead-of: p\.turn.*\n.*set: .*\n.*order: oldest/,
    );
    expect(kamino(folder, 'build').status).toBe(0);
    const made = contents(folder);
    const around = (path: string): string[] =>
      [...made[path]!.matchAll(/href="([^"]*)" rel="(prev|next)"/g)].map(
        match => `${match[2]!} ${match[1]!}`,
      );
    expect([around('a1.html'), around('a9.html'), around('a11.html')]).toEqual([
      ['prev a2.html'],
      ['prev a10.html', 'next a2.html'],
      ['next a10.html'],
    ]);
    for (const path of Object.keys(journal)) expect(made[path]).not.toContain('class="turn"');
  });
});

it('words that say which entry is the current one are no part of its label', () => {
  const menu = (current: string): string =>
    `<nav>${['index', 'visit', 'sky'].map(one => `<a href="${one}.html">${one}${one === current ? ' <span>(current)</span>' : ''}</a> `).join('')}</nav>`;
  const files = ['index', 'visit', 'sky'].map(one => [`${one}.html`, page(one, menu(one))] as const);
  const { out, err } = kamino(folderWith(Object.fromEntries(files)), 'inventory');
  expect(out).not.toContain('(current)');
  expect(err).not.toContain('menu-differs');
});

it('a menu that leads into the part of the site that it stands in is one of each part', () => {
  const menu =
    '<p class="menu"><a href="index.html">Start</a> | <a href="list.html">List</a> | <a href="words.html">Words</a> | <a href="https://faq.example/">Questions</a></p>';
  const files = ['en', 'fr', 'de'].flatMap(area =>
    ['index', 'list', 'words', 'more'].map(
      one => [`${area}/${one}.html`, page(`${one} ${area}`, menu)] as const,
    ),
  );
  const { out, err } = kamino(folderWith(Object.fromEntries(files)), 'inventory');
  expect(out).toContain('3 menus written by hand');
  for (const area of ['en', 'fr', 'de']) expect(out).toMatch(new RegExp(`List +${area}/list\\.html`));
  expect(err).not.toMatch(/menu-(?:differs|missing)/);
});

describe('pages one after the other', () => {
  const row = ['start', 'way', 'dome', 'hill', 'sky', 'end'];
  const turn = (at: number): string =>
    `<table class="turn"><tr><td>${[row[at - 1], row[at + 1]].map((one, way) => (one ? `<a href="${one}.html">${way ? 'Next' : 'Prev'}</a>` : '')).join('</td><td>')}</td></tr></table>`;
  const pages = (turns: (at: number) => string): Record<string, string> =>
    Object.fromEntries(row.map((one, at) => [`${one}.html`, page(`Page ${at % 2} ${one}`, turns(at))]));
  const around = (text: string): string[] =>
    [...text.matchAll(/href="([^"]*)" rel="(prev|next)"/g)].map(match => `${match[2]!} ${match[1]!}`);

  it('in an order of their own are drafted in that', () => {
    const folder = folderWith(pages(turn));
    expect(kamino(folder, 'draft', '--from', 'table.turn').status).toBe(0);
    expect(readFileSync(join(folder, 'kamino.yaml'), 'utf8')).toMatch(
      /set: \[ start\.html, way\.html, dome\.html, hill\.html, sky\.html, end\.html \]\n +order: listed/,
    );
    expect(kamino(folder, 'build').status).toBe(0);
    const made = contents(folder);
    expect(row.map(one => around(made[`${one}.html`]!))).toEqual([
      ['next way.html'],
      ['prev start.html', 'next dome.html'],
      ['prev way.html', 'next hill.html'],
      ['prev dome.html', 'next sky.html'],
      ['prev hill.html', 'next end.html'],
      ['prev sky.html'],
    ]);
    expect(Object.values(made).join('')).not.toContain('class="turn"');
  });

  it('in no order at all stay as they are', () => {
    const folder = folderWith(pages(at => turn([3, 1, 4, 1, 4, 2][at]!)));
    const { err, status } = kamino(folder, 'draft', '--from', 'table.turn');
    expect([status, err]).toEqual([
      2,
      expect.stringContaining('follow no order by title, file name or date'),
    ]);
  });
});

describe('contents by hand', () => {
  const guide = (at: number, link = '#b'): string =>
    page(
      `Guide ${at}`,
      `${nav}<main><h1>G</h1><div class="toc"><b>Here</b><ul><li><a href="#a">A</a><li><a href="${link}">B</a></ul></div><h2 id="a">A ${at}</h2><section id="b"><span id="x"></span><h2>B</h2></section></main>`,
    );
  const pages = {
    'index.html': page('Home', nav),
    'a1.html': guide(1),
    'a2.html': guide(2),
    'a9.html': guide(9),
  };

  it('are drafted as those of Kamino, but where they say something else', () => {
    const other = guide(3).replace('<li><a href="#a">', '<li><a href="a1.html">More</a><li><a href="#a">');
    const folder = folderWith({ ...pages, 'a3.html': other });
    expect(kamino(folder, 'draft', '--from', 'div.toc').status).toBe(0);
    const plan = readFileSync(join(folder, 'kamino.yaml'), 'utf8');
    expect(plan).toMatch(/title: Here\n +form: contents\n[^]*instead-of: div\.toc[^]*levels: 2/);
    expect(plan).toContain('1 page says something else in it than their headings, and keep it: a3.html');
    expect(kamino(folder, 'build').status).toBe(0);
    const made = contents(folder);
    expect(made['a9.html']).toMatch(/data-kamino="contents"[^]*href="#a"[^>]*>A 9<[^]*href="#b"[^>]*>B</);
    expect(made['a9.html']).not.toContain('class="toc"');
    expect(made['a3.html']).toContain('class="toc"');
    expect(kamino(folder, 'lift').status).toBe(0);
    expect(contents(folder)['a9.html']).toBe(pages['a9.html']);
  });

  it('that lead to other places than headings stay', () => {
    const folder = folderWith(site);
    const { err, status } = kamino(folder, 'draft', '--from', 'ul.toc');
    expect([status, err]).toEqual([2, expect.stringContaining('on 5 of 5 pages')]);
    expect(contents(folder)).not.toHaveProperty(['kamino.yaml']);
  });
});

it('an old copy of a menu is one mistake, however many entries it lacks', () => {
  const links = 'one two three four five six'.split(' ');
  const menu = (some: readonly string[]): string =>
    `<ul class="nav">${some.map(one => `<li><a href="${one}.html">${one}</a>`).join('')}</ul>`;
  const files = Object.fromEntries(
    links.map((one, at) => [`${one}.html`, page(one, menu(at === 5 ? links.slice(0, 3) : links))]),
  );
  const { err } = kamino(folderWith({ ...files, 'index.html': page('Front', menu(links)) }), 'inventory');
  expect(err.match(/menu-differs/g)).toHaveLength(1);
  expect(err).toContain('3 entries of most copies are missing here: `four`, `five` and `six`');
});

describe('a large site', () => {
  const many = Object.fromEntries(
    Array.from({ length: 120 }, (_, at) => [
      `p${at % 3 === 0 ? 'x/' : ''}${at}.html`,
      page(`Page ${at}`, '<a href="gone.html">gone</a><img src="gone.png">'),
    ]),
  );
  const front = page(
    'Front',
    `<a href="p1.html">one</a> ${Object.keys(many)
      .map(path => `<a href="${path}">${path}</a>`)
      .join(' ')}`,
  );
  const folder = folderWith({ ...many, 'index.html': front });

  it('is shown on a screen or two, and whole where that is asked for', () => {
    const short = kamino(folder, 'inventory');
    const whole = kamino(folder, 'inventory', '--all');
    const lines = (ran: typeof short): number => (ran.out + ran.err).split('\n').length;
    expect(lines(short)).toBeLessThanOrEqual(120);
    expect(short.out).toMatch(/and \d+ pages more; {2}--all {2}shows them/);
    expect(lines(whole)).toBeGreaterThan(125);
    for (const path of Object.keys(many)) expect(whole.out).toContain(path.split('/').at(-1)!);
  });

  it('has its causes told once, each with its places', () => {
    const { findings } = JSON.parse(kamino(folder, 'inventory', '--json').out) as {
      findings: { rule: string; place: { file: string }; also?: { file: string }[] }[];
    };
    const told = (rule: string): number[] =>
      findings.filter(one => one.rule === rule).map(one => 1 + (one.also?.length ?? 0));
    expect([told('dead-link'), told('missing-file')]).toEqual([
      [80, 40],
      [80, 40],
    ]);
    const { err } = kamino(folder, 'inventory');
    expect(err).toMatch(/The same at .*, .*, .*, .* and 75 other places/);
  });

  it('gets a plan that a person can read', () => {
    const { out } = kamino(folder, 'draft', '--dry-run');
    expect(out.split('\n').length).toBeLessThan(40);
    expect(out).toContain('what the front page links to first');
    expect(out).toContain('- p1.html');
  });
});

it('several menus that one selector finds get names of their own', () => {
  const { files } = grownSite(6);
  const folder = folderWith(files);
  const { status, err } = kamino(folder, 'draft', '--from', 'shop=div.nav ul', '--from', 'div.nav');
  expect([status, err]).toEqual([0, expect.not.stringContaining('error')]);
  const plan = readFileSync(join(folder, 'kamino.yaml'), 'utf8');
  const menus = [...plan.matchAll(/menu: (.*)/g)].map(match => match[1]);
  expect(new Set(menus).size).toBe(menus.length);
});
