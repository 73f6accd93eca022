import { spawn, spawnSync } from 'node:child_process';
import { existsSync, readFileSync, readdirSync } from 'node:fs';
import { join } from 'node:path';
import { describe, expect, it, test } from '@jest/globals';
import { findInlaid } from '../../src/core/inlay/find.ts';
import { splice } from '../../src/core/text/bytes.ts';
import { type OldSite, oldSites, plant } from '../helpers/old-sites.ts';
import { contents, folderWith, kamino, page, plainly, put } from '../helpers/site.ts';

// A browser is asked for the old look only where that is what is tested.
plainly['KAMINO_BROWSER'] = 'none';

const bytes = (files: Record<string, string>): Record<string, Uint8Array> =>
  Object.fromEntries(Object.entries(files).map(([path, text]) => [path, Buffer.from(text, 'latin1')]));
const planted = ({ files, mistakes }: OldSite): Record<string, string> => {
  const made = { ...files };
  for (const mistake of mistakes) made[mistake.file] = plant(made[mistake.file]!, mistake);
  return made;
};
const planOf = (folder: string): string => readFileSync(join(folder, 'kamino.yaml'), 'utf8');
/** The plan that is drafted with a browser; `none` for without one. */
function draftedWith(browser: string, folder: string, ...from: readonly string[]): string {
  const program = join(import.meta.dirname, '../../dist/kamino.cjs');
  const env = { ...process.env, KAMINO_BROWSER: browser };
  spawnSync(process.execPath, [program, 'draft', '--force', ...from.flatMap(one => ['--from', one])], {
    cwd: folder,
    env,
  });
  return planOf(folder);
}

/** The entries of Kamino's menu on a page: labels with where their links lead, seen from the site's folder. */
function menuOn(raw: string, path: string): string[] {
  const [part] = findInlaid(raw).filter(one => one.name === 'masthead');
  if (!part) return [];
  const links = raw
    .slice(part.start, part.end)
    .matchAll(/<a class="kamino-link" href="([^"]*)"[^>]*>(?:<span[^>]*>)?([^<]*)(?:<\/span>)?<\/a>/g);
  return [...links].map(([, href, label]) => {
    const url = new URL(href!, `https://site.example/${path}`);
    return `${label!} ${url.pathname.slice(1)}${url.hash}`;
  });
}

describe.each(oldSites.map(site => [site.name, site] as const))('%s, with every mistake in it', (_, site) => {
  const before = planted(site);
  const folder = folderWith(bytes(before));
  const drafted = kamino(folder, 'draft');
  const built = kamino(folder, 'build');
  const after = contents(folder);
  const pages = Object.keys(before).filter(path => path.endsWith('.html'));

  it('gets a plan by its own menu, which builds at once', () => {
    expect([drafted.status, built.status]).toEqual([0, 0]);
    expect(planOf(folder)).toContain('instead-of');
    expect(kamino(folder, 'draft', '--from', site.from, '--dry-run').out).toBe(planOf(folder));
  });

  it('has one right menu on all pages that had one', () => {
    const lacking = site.mistakes.filter(one => one.rule === 'menu-missing').map(one => one.file);
    const menus = pages.filter(path => !lacking.includes(path)).map(path => menuOn(after[path]!, path));
    for (const menu of menus) expect(menu).toEqual(menus[0]);
    // What the right site says, whatever was planted.
    const right = folderWith(bytes(site.files));
    kamino(right, 'draft');
    kamino(right, 'build');
    expect(menus[0]).toEqual(menuOn(contents(right)['index.html']!, 'index.html'));
    expect(menus[0]!.length).toBeGreaterThan(5);
    for (const path of lacking) expect(menuOn(after[path]!, path)).toEqual([]);
  });

  it('has changed in nothing else, and comes back byte for byte', () => {
    for (const path of pages) {
      const raw = after[path]!;
      const parts = findInlaid(raw);
      const without = splice(
        raw,
        parts.map(({ start, end }) => ({ at: start, drop: end - start, text: '' })),
      );
      const taken = parts.flatMap(one =>
        one.was === null ? [] : readFileSync(join(folder, '.kamino/taken', one.was), 'latin1'),
      );
      expect(taken.reduce((text, part) => text.replace(part, ''), before[path]!)).toBe(without);
    }
    expect(kamino(folder, 'lift').status).toBe(0);
    const { 'kamino.yaml': plan, ...lifted } = contents(folder);
    expect(plan).toBeDefined();
    expect(lifted).toEqual(before);
  });
});

const toldOnlyOfPhones: unknown = expect.stringMatching(/^warning no-viewport: [^]*\n1 warning\n$/);

describe('a draft from folders and titles', () => {
  const folder = folderWith({
    'index.html': page('Home | Fold', '<a href="visit/">v</a> <a href="b.html">b</a>'),
    'a.html': page('Aa | Fold'),
    'b.html': page('Bb | Fold'),
    'visit/index.html': page('Visit | Fold'),
    'visit/here.html': page('Getting here | Fold'),
    'deep/one/two/three.html': page('Deep'),
    'deep/one/four.html': page('Four | Fold'),
    'deep/five.html': page('Five | Fold'),
    '404.html': page('Gone'),
    'hidden.html': page('Hidden').replace('<title>', '<meta name="robots" content="noindex"><title>'),
    ...Object.fromEntries(
      Array.from({ length: 14 }, (_, at) => [`log/${String(at).padStart(2, '0')}.html`, page(`Log ${at}`)]),
    ),
    'log/index.html': page('Log | Fold'),
  });

  it('has the front page first, then what it links to, then the rest by name', () => {
    expect(kamino(folder, 'draft')).toMatchObject({ status: 0, err: toldOnlyOfPhones });
    const entries = planOf(folder)
      .split('\n')
      .filter(line => /^ +- |^ +#/.test(line))
      .map(line => line.trim());
    expect(entries).toEqual([
      '- menu: masthead',
      '- index.html',
      '- page: visit/index.html',
      '- visit/here.html',
      '- b.html',
      '- a.html',
      '- label: Deep',
      '- deep/five.html',
      '- label: One',
      '- deep/one/four.html',
      '- deep/one/two/three.html',
      '- log/index.html',
      '# Left out, since they say noindex, send on or tell of an error: 404.html and hidden.html',
      '# Left out: 14 pages in log/',
    ]);
    expect(kamino(folder, 'build').status).toBe(0);
    expect(kamino(folder, 'build').out).toContain('Nothing to do');
  });

  it('has of a large folder without an index page the one that its pages link to', () => {
    const pages = Array.from({ length: 14 }, (_, at) => [
      `log/p${at + 10}.html`,
      page(`Log ${at}`, '<a href="p11.html">Other</a> <a href="contents.html">Log</a>'),
    ]);
    const site = folderWith({
      ...Object.fromEntries(pages),
      'log/contents.html': page('All of the log'),
      'sky/a.html': page('Sky'),
    });
    expect(kamino(site, 'draft').status).toBe(0);
    expect(planOf(site).match(/(?<=^ +- )\S+\.html/gm)).toEqual(['log/contents.html', 'sky/a.html']);
    expect(planOf(site)).toContain('# Left out: 14 pages in log/; most of them link to contents.html');
  });

  const drafted = (menu: string, { css = '', pages = {}, from = '#m' } = {}): string => {
    const [one, two, three] = ['index', 'a', 'b'].map(name =>
      page(name).replace('<body>', `<body>\n${menu}`),
    );
    const files = { 'index.html': one!, 'a.html': two!, 'b.html': three!, 'c.css': css, ...pages };
    const linked = Object.fromEntries(
      Object.entries(files).map(([path, text]) => [
        path,
        text.replace('</head>', '<link rel="stylesheet" href="c.css"></head>'),
      ]),
    );
    const site = folderWith(linked);
    expect(kamino(site, 'draft', '--from', from).status).toBe(0);
    return planOf(site);
  };
  const links = (item: string): string =>
    ['index', 'a', 'b'].map(name => item.replace('$', `<a href="${name}.html">${name}!</a>`)).join('');

  const narrow = '<table><tr><td width="160"><div id="m">$</div></td></tr></table>';
  it.each([
    ['a narrow fixed element', '#m{position:fixed;width:180px}', '<div id="m">$</div>', 'column'],
    ['a narrow cell', 'p{color:red}', narrow, 'column'],
    ['a narrow element, in a line', '#m{width:300px} #m div{float:left}', '<div id="m">$</div>', 'bar'],
    ['a narrow element, as a row', '#m{width:20em;display:flex}', '<div id="m">$</div>', 'bar'],
    ['a wide element', '#m{width:960px}', '<div id="m">$</div>', 'bar'],
  ])('makes a column of entries below each other beside the content: %s', (...[, css, around, form]) => {
    const plan = drafted(around.replace('$', links('<div>$</div>')), { css });
    expect(/form: (\w+)/.exec(plan)?.[1] ?? 'bar').toBe(form);
  });

  it('takes over what only opens as one entry, though it is called as a page in it, and without its sign', () => {
    const plan = drafted(
      '<ul id="m"><li><a href="index.html">Start</a></li><li><a href="#">\u25ba A! \u25bc</a><ul><li><a href="a.html">A!</a></li><li><a href="b.html">B!</a></li></ul></li></ul>',
    );
    expect(plan).toMatch(/- label: A!\n +entries:\n +- \{ page: a\.html, label: A! \}\n +- \{ page: b/);
    expect(plan).not.toMatch(/[\u25ba\u25bc]/);
  });

  it('says which entry leads where none can', () => {
    const plan = drafted(
      `<ul id="m">${links('<li>$</li>')}<li><a href="ftp://files.example/">Files</a></li></ul>`,
    );
    expect(plan).toContain('# `Files` led to ftp://files.example/, where no entry can lead');
    expect(plan).not.toContain('page: ftp');
  });

  it('takes rows that are called menus out of what only holds them, and names their pages by few patterns', () => {
    const row = (name: string, pages: readonly string[]): string =>
      `<div id="${name}" class="tabs"><ul>${pages.map(one => `<li><a href="${one}.html">${one}</a></li>`).join('')}</ul></div>`;
    const of = (name: string, second: string): [string, string] => [
      `${name}.html`,
      page(name).replace(
        '<body>',
        `<body><div id="top">${row('row1', ['index', 'a', 'x-1'])}${second}</div>`,
      ),
    ];
    const own = row('row2', ['x-1', 'x-2', 'x-3']);
    const site = folderWith(
      Object.fromEntries([
        ...['index', 'a', 'b', 'c', 'd', 'e'].map(name => of(name, '')),
        ...['x-1', 'x-2', 'x-3', 'x-4', 'x-5'].map(name => of(name, own)),
      ]),
    );
    expect(kamino(site, 'inventory').out).toMatch(/"#row1" +on 11 of 11 pages[^]*"#row2" +on 5 of 11/);
    expect(kamino(site, 'draft', '--from', '#row1', '--from', 'more=#row2').status).toBe(0);
    expect(planOf(site)).toContain('carried-by: x-*');
  });

  const many = (folder: string): Record<string, string> =>
    Object.fromEntries(
      Array.from({ length: 30 }, (_, at) => [
        `${folder}p${String(at).padStart(2, '0')}.html`,
        page(`Page ${at}`),
      ]),
    );
  const entriesIn = (files: Record<string, string>): string[] => {
    const site = folderWith(files);
    expect(kamino(site, 'draft').status).toBe(0);
    expect(kamino(site, 'build').status).toBe(0);
    return planOf(site).match(/(?<=^ +- )\S+\.html/gm)!;
  };

  it.each([30, 18, 10])('takes of %i pages with long titles those that a bar has room for', all => {
    const named = Object.fromEntries(
      Array.from({ length: all }, (_, at) => [
        `p${at + 10}.html`,
        page(`What one sees of the sky in the ${at + 10}th week`),
      ]),
    );
    const gone = Object.fromEntries(
      Array.from({ length: 20 }, (_, at) => [
        `gone${at + 10}.html`,
        page('Gone').replace('<title>', '<meta name="robots" content="noindex"><title>'),
      ]),
    );
    const links = Object.keys(named).map(path => `<a href="${path}">${path}</a>`);
    const site = folderWith({ 'index.html': page('Home', links.join(' ')), ...named, ...gone });
    expect(kamino(site, 'draft').status).toBe(0);
    const entries = planOf(site).match(/(?<=^ +- )\S+\.html/gm)!;
    expect(entries.slice(0, 2)).toEqual(['index.html', 'p10.html']);
    // Few pages are all there; of many, no more than one line.
    if (all <= 12) expect(entries.length).toBe(all + 1);
    else expect(entries.length).toBeLessThan(6);
    expect(planOf(site)).toContain('gone16.html, gone17.html and 12 more');
    expect(kamino(site, 'build').err).not.toContain(all > 12 ? 'late-fold' : 'error');
  });

  it('takes a heading that leads somewhere over as an entry, and one without a link as the title', () => {
    const side = (heading: string): string =>
      `<div class="side"><h3>${heading}</h3><ul><li><a href="a.html">Aa</a></li><li><a href="b.html">Bb</a></li><li><a href="c.html">Cc</a></li></ul></div>`;
    const drafted = (heading: string): string => {
      const names = ['index', 'a', 'b', 'c'];
      const site = folderWith(
        Object.fromEntries(names.map(name => [`${name}.html`, page(name, side(heading))])),
      );
      expect(kamino(site, 'draft', '--from', '.side', '--yes').status).toBe(0);
      expect(kamino(site, 'build').status).toBe(0);
      return planOf(site);
    };
    expect(drafted('<a href="index.html">The house</a>')).toMatch(
      /title: Main[^]*- \{ page: index\.html, label: The house \}\n +- /,
    );
    const titled = drafted('In the house');
    expect(titled).toContain('title: In the house');
    expect(titled).not.toContain('index.html');
  });

  it('takes a folder that all pages lie in for the site, and an index page in a language for its front page', () => {
    const front = page('Guide', '<a href="p07.html">7</a>');
    expect(entriesIn({ ...many('help/en/'), 'help/en/index.html': front })).toEqual([
      'help/en/index.html',
      'help/en/p07.html',
    ]);
    const files = {
      'a.html': page('A'),
      'c.html': page('C'),
      'index.cy.html': page('Front', '<a href="c.html">c</a>'),
    };
    expect(entriesIn(files)).toEqual(['index.cy.html', 'c.html', 'a.html']);
  });

  it('has entries where nothing says which pages matter, and where every page asks not to be listed', () => {
    expect(entriesIn({ ...many('one/'), ...many('two/') })).toHaveLength(12);
    expect(entriesIn(many('html/'))).toHaveLength(12);
    const hidden = page('Hidden').replace('<title>', '<meta name="robots" content="noindex"><title>');
    expect(entriesIn({ 'index.html': hidden, 'b.html': hidden.replaceAll('Hidden', 'Other') })).toEqual([
      'index.html',
      'b.html',
    ]);
  });

  it('tells pages with the same title apart, and takes the name of the site in brackets off', () => {
    const headed = (title: string, heading: string): string =>
      page(title).replace(/<h1>[^<]*/, `<h1>${heading}`);
    const same = folderWith({
      'index.html': page('The Fold'),
      'visit.html': headed('The Fold', 'Visit us'),
      'long-way.html': headed('The Fold', 'All that has ever been said of the long way up to the fold'),
    });
    kamino(same, 'draft');
    expect(planOf(same)).toMatch(
      /- index\.html\n.*long-way\.html, label: Long way.*\n.*visit\.html, label: Visit us/,
    );
    const names = ['Home', 'Visit', 'Open'];
    const bracketed = folderWith(
      Object.fromEntries(
        names.map((name, at) => [
          at === 0 ? 'index.html' : `${name}.html`,
          page(`${name} (Fold: on the hill)`),
        ]),
      ),
    );
    kamino(bracketed, 'draft');
    kamino(bracketed, 'build');
    const menu = menuOn(readFileSync(join(bracketed, 'built/index.html'), 'latin1'), 'index.html');
    expect(menu).toEqual(['Home index.html', 'Open Open.html', 'Visit Visit.html']);
  });

  it('has no entry for each page that a program has put into many folders', () => {
    const hexes = Array.from({ length: 60 }, (_, at) => `d${at % 3}/x${at % 20}/p${at}.html`);
    const folder = folderWith(
      Object.fromEntries(['index.html', 'aa.html', ...hexes].map(path => [path, page(`The ${path}`)])),
    );
    expect(kamino(folder, 'draft').status).toBe(0);
    expect(planOf(folder)).toMatch(
      /entries:\n +- index\.html\n +- aa\.html\n +# Left out: 20 pages in d0\/\n.*d1\/\n.*d2\/\n$/,
    );
  });

  it('folds where its room ends, and one of very many words on phones alone', () => {
    const foldOf = (words: string): string => {
      const site = folderWith(
        Object.fromEntries(Array.from({ length: 6 }, (_, at) => [`p${at}.html`, page(`${words} ${at}`)])),
      );
      kamino(site, 'draft');
      return /fold: .*/.exec(planOf(site))![0];
    };
    expect(foldOf('Dome')).toBe('fold: { when: crowded }');
    expect(foldOf('Observing from the hill with your own telescope')).toBe('fold: { when: below 48em }');
  });

  it('names the content of pages by what says so, else by an id that many have, else by its headings', () => {
    const skip = (bodies: string[]): string => {
      const site = folderWith(
        Object.fromEntries(
          bodies.map((body, at) => [`p${at}.html`, `<!doctype html><title>P</title>${body}`]),
        ),
      );
      kamino(site, 'draft');
      return /^skip-to: .*/m.exec(planOf(site))![0];
    };
    const text = (tag: string, id = ''): string => `<div ${id}><${tag}>Words</${tag}><p>of it</div>`;
    expect(skip([text('h1', 'role="main"'), text('h1', 'role="main"')])).toBe('skip-to: "[role=main]"');
    expect(skip([text('h1', 'id="text"'), text('h1', 'id="text"'), text('h1', 'id="own"')])).toBe(
      'skip-to: [ "#text", h1 ]',
    );
    expect(skip([text('h2'), text('h3'), `<nav><h2>Menu</h2></nav>${text('h3')}`])).toBe(
      'skip-to: [ h2, h3 ]',
    );
  });

  it('never writes over a plan unasked', () => {
    const plan = planOf(folder);
    expect(kamino(folder, 'draft')).toMatchObject({ status: 2 });
    expect(planOf(folder)).toBe(plan);
    put(folder, { 'kamino.yaml': 'mine' });
    expect(kamino(folder, 'draft', '--force').status).toBe(0);
    expect(planOf(folder)).toBe(plan);
  });
});

describe('a draft from a menu', () => {
  const menu = (links: string, name = 'top'): string => `\n<div class="${name}">${links}</div>`;
  const links =
    '<a href="index.html">Home</a> | <a href="a.html">The As</a> | <a class="button" href="b.html">Book</a>';
  const files = {
    'index.html': page('Home', menu(links)),
    'a.html': page('A', menu(links)),
    'b.html': page('B', menu(links, 'tpo')),
    'c.html': page('C', menu(`${links} | <a href="c.html">Cs</a>`)),
    'd.html': page('D', '\n<p>Without</p>'),
  };

  it('says from how many pages it is, covers misspelt copies, keeps highlights, tells what is rare', () => {
    const folder = folderWith(files);
    expect(kamino(folder, 'inventory').out).toContain(
      'kamino draft --from "div.top"   (3 of 5 pages; 1 page: "div.tpo"; none on d.html)',
    );
    const { status, out } = kamino(folder, 'draft', '--from', 'div.top');
    expect([status, out]).toEqual([
      0,
      expect.stringMatching(/3 entries, from 4 copies\n.*no menu, on d\.html/),
    ]);
    expect(planOf(folder)).toContain('place: { instead-of: [ div.top, div.tpo ] }');
    expect(planOf(folder)).toContain('{ page: b.html, label: Book, highlight: background }');
    expect(planOf(folder)).toContain('# Only on c.html: Cs (c.html)');
    const built = kamino(folder, 'build');
    expect(built.err).toContain('d.html: warning no-place');
    expect(contents(folder)['d.html']).toBe(files['d.html']);
  });

  it('takes names, and tells a selector that finds nothing', () => {
    const folder = folderWith(files);
    expect(kamino(folder, 'draft', '--from', 'above=.top').status).toBe(0);
    expect(planOf(folder)).toContain('- menu: above');
    const wrong = kamino(folder, 'draft', '--from', 'div.topp', '--force');
    expect([wrong.status, wrong.err]).toEqual([
      2,
      expect.stringContaining('Did you mean  --from "div.top"?'),
    ]);
    expect(kamino(folder, 'draft', '--from', 'p:::', '--force').err).toContain('no selector, and no file');
  });

  it('has labels for pictures, also in cells of a table', () => {
    const cells = (own: number): string =>
      `<table><tr class="bar">${[
        ['index.html', '<img src=h.gif alt="Home">'],
        ['a.html', '<img src=a.gif title="The As">'],
        ['b.html', '<img src=b.gif>'],
      ]
        .map(([href, image], at) =>
          at === own ? `<td class=on>${image!}</td>` : `<td><a href="${href!}">${image!}</a></td>`,
        )
        .join('')}</tr><tr><td colspan=3>A long text about nothing at all, and more of it.</td></tr></table>`;
    const folder = folderWith({
      'index.html': page('Home', cells(9)),
      'a.html': page('Aa', cells(9)),
      'b.html': page('The Bs', cells(9)),
    });
    expect(kamino(folder, 'draft').status).toBe(0);
    expect(planOf(folder)).toMatch(
      /instead-of: tr\.bar[^]*- index\.html\n +- \{ page: a\.html, label: The As \}\n +- b\.html/,
    );
    kamino(folder, 'build');
    expect(contents(folder)['a.html']).toMatch(
      /<tr class="bar"><td data-kamino="masthead" data-kamino-sum="\w+" data-kamino-was="\w+" colspan="3"><nav [^]*<\/nav><\/td><\/tr>/,
    );
  });

  it('has the whole of a menu whose copies open the part that one is in', () => {
    const parts: Record<string, string[]> = {
      'guide.html': ['a', 'b', 'c'],
      'use.html': ['d', 'e'],
      'index.html': [],
      'about.html': [],
    };
    const all = Object.entries(parts).flatMap(([head, below]) => [head, ...below.map(one => `${one}.html`)]);
    const link = (path: string): string => `<a href="${path}">The ${path.replace('.html', '')}</a>`;
    const list = (items: string[]): string => `<ul>${items.map(one => `<li>${one}</li>`).join('')}</ul>`;
    const copyOn = (path: string): string => {
      const heads = Object.entries(parts).map(([head, below]) => {
        const isHere = head === path || below.some(one => `${one}.html` === path);
        return link(head) + (isHere && below.length > 0 ? list(below.map(one => link(`${one}.html`))) : '');
      });
      return `<div id="menu">${list(heads)}</div>`;
    };
    const folder = folderWith(Object.fromEntries(all.map(path => [path, page(path, copyOn(path))])));
    const { status, out } = kamino(folder, 'draft', '--from', '#menu');
    expect([status, out]).toEqual([0, expect.stringContaining('9 entries, from 9 copies')]);
    expect(planOf(folder)).toMatch(
      /instead-of: "#menu"[^]*page: guide\.html\n +label: The guide\n +entries:\n.*a\.html.*\n.*b\.html.*\n.*c\.html[^]*page: use\.html\n.*\n +entries:\n.*d\.html.*\n.*e\.html/,
    );
    expect(planOf(folder)).not.toContain('Only on');
    expect([kamino(folder, 'build').status, kamino(folder, 'check').out]).toEqual([
      0,
      expect.stringContaining('nothing is wrong'),
    ]);
    for (const path of all) expect(menuOn(contents(folder)[path]!, path)).toHaveLength(9);
  });

  it('calls what opens by the words of its button or label', () => {
    const below = (...names: string[]): string =>
      `<ul>${names.map(one => `<li><a href="${one}.html">The ${one}</a></li>`).join('')}</ul>`;
    const menu = `<nav class="top"><ul><li><a href="index.html">Home</a></li><li><button type="button">Ways <svg></svg></button>${below('a', 'b')}</li><li><input type="checkbox" id="x"><label for="x">Things <span></span></label><nav aria-label="Things"><label for="x">Things</label>${below('c', 'd')}</nav></li></ul></nav>`;
    const folder = folderWith(
      Object.fromEntries(['index', 'a', 'b', 'c', 'd'].map(one => [`${one}.html`, page(one, menu)])),
    );
    expect(kamino(folder, 'draft').status).toBe(0);
    expect(planOf(folder)).toMatch(
      /- label: Ways\n +entries:\n.*a\.html.*\n.*b\.html.*\n +- label: Things\n +entries:\n.*c\.html.*\n.*d\.html/,
    );
  });

  const link = (name: string): string => `<a href="${name.toLowerCase()}.html">${name}</a>`;
  const below = (...names: string[]): string => names.map(link).join('');
  test.each([
    [
      'buttons over boxes',
      `<nav class="top">${link('Home')}<div class="has"><button type="button">Bread &#9662;</button><div class="in">${below('Loaf', 'Roll')}</div></div>${link('Order')}</nav>`,
    ],
    [
      'links over boxes that are called so',
      `<div class="top">${link('Home')}<div class="drop"><a href="#">Bread <i></i></a><div class="drop-in">${below('Loaf', 'Roll')}</div></div>${link('Order')}</div>`,
    ],
    [
      'items with boxes',
      `<ul class="top"><li>${link('Home')}<li><a href="javascript:void(0)">Bread</a><div>${below('Loaf', 'Roll')}</div><li>${link('Order')}</ul>`,
    ],
    [
      'items with a link, and a button of its own',
      `<ul class="top"><li>${link('Home')}<li><a href="#">Bread</a> <button aria-label="Open">+</button><div>${below('Loaf', 'Roll')}</div><li>${link('Order')}</ul>`,
    ],
    [
      'disclosures',
      `<nav class="top">${link('Home')}<details><summary>Bread</summary>${below('Loaf', 'Roll')}</details>${link('Order')}</nav>`,
    ],
    [
      'disclosures in items',
      `<ul class="top"><li>${link('Home')}<li><details><summary>Bread</summary><p>${below('Loaf', 'Roll')}</p></details><li>${link('Order')}</ul>`,
    ],
    [
      'all of it behind a button',
      `<nav class="top"><a href="home.html">Home</a><div class="has"><button>Open menu</button><div class="in"><div class="drop"><button>Bread</button><p>${below('Loaf', 'Roll')}</p></div>${link('Order')}</div></div></nav>`,
    ],
  ])('keeps what lies below an entry without a list: %s', (_, menu) => {
    const folder = folderWith(
      Object.fromEntries(
        ['home', 'loaf', 'roll', 'order'].map(one => [`${one}.html`, page(`The ${one}`, menu)]),
      ),
    );
    expect(kamino(folder, 'draft', '--from', '.top').status).toBe(0);
    expect(planOf(folder)).toMatch(
      /home\.html, label: Home.*\n +- label: Bread\n +entries:\n {10}- .*Loaf.*\n {10}- .*Roll.*\n {6}- .*Order/,
    );
  });

  it('leaves the columns at the foot of pages alone, and finds each of them', () => {
    const column = (title: string, ...names: string[]): string =>
      `<div><h2>${title}</h2><ul>${names.map(one => `<li>${link(one)}`).join('')}</ul></div>`;
    const menu = `<nav>${below('Home', 'Loaf', 'Roll')}</nav>`;
    const foot = `<footer><div class="cols">${column('Buy', 'Loaf', 'Roll')}${column('Go', 'Home', 'Map')}</div></footer>`;
    const names = ['home', 'loaf', 'roll', 'map'];
    const folder = folderWith(Object.fromEntries(names.map(one => [`${one}.html`, page(one, menu + foot)])));
    const { out } = kamino(folder, 'inventory');
    expect(out).toContain('"div.cols > div:nth-of-type(2) > ul"  on 4 of 4 pages');
    expect(out).toContain('Go on with  kamino draft --from "nav"   (4 of 4 pages)');
    expect(kamino(folder, 'draft', '--from', 'div.cols > div:nth-of-type(2) > ul').status).toBe(0);
    expect(planOf(folder)).toMatch(/home\.html[^]*map\.html/);
  });

  it('tells what names a class of the old menu outside of it', () => {
    const menu = `<button onclick="document.querySelector('.top > ul').hidden = false">Menu</button><nav class="top" id="all"><ul><li>${link('Home')}<li>${link('Order')}</ul></nav>`;
    const folder = folderWith({
      'home.html': page(
        'Home',
        `${menu}<script>document.querySelector("#all a").focus();\nlet top = 1;</script>`,
      ),
      'order.html': page('Order', menu),
    });
    const { err } = kamino(folder, 'draft', '--from', '.top');
    expect(
      [...err.matchAll(/^(\S+?:\d+):\d+: warning left-call: `([^`]+)`/gm)].map(one => one.slice(1)),
    ).toEqual([
      ['home.html:9', 'top'],
      ['home.html:9', 'all'],
    ]);
  });

  it('lists what it leaves behind, and what would beat the new menu, each with its place', () => {
    const folder = folderWith({
      ...Object.fromEntries(
        ['index.html', 'a.html', 'b.html'].map(path => [
          path,
          page(
            path,
            `<script src="nav.js"></script><div id="old"><ul class="nav"><li><a href="index.html" onmouseover="swap('n1')"><img name="n1" alt="Home"></a><li><a href="a.html">A</a><li><a href="b.html">B</a></ul><script>function preload() {}</script></div>`,
          )
            .replace('<title>', '<link rel="stylesheet" href="site.css"><title>')
            .replace('<body>', '<body onload="preload()">'),
        ]),
      ),
      'site.css':
        '#old .nav { margin: 0 }\nul li { padding: 9px }\nmain div ul li a { color: red !important }\np { margin: 1em }\n',
      'nav.js': 'function swap(n) {}\nfunction later() { document.images["n1"].src = "x"; }\nlater();\n',
    });
    const { status, err } = kamino(folder, 'draft', '--from', '.nav');
    expect(status).toBe(0);
    const told = [...err.matchAll(/^(\S+?:\d+):\d+: \w+ ([\w-]+): `([^`]+)`/gm)].map(match =>
      match.slice(1).join(' '),
    );
    expect(told).toEqual([
      'nav.js:1 left-script swap',
      'nav.js:2 left-call n1',
      'site.css:1 left-rule #old .nav',
      'site.css:3 outranked main div ul li a',
    ]);
    kamino(folder, 'build');
    const checked = kamino(folder, 'check');
    expect([checked.status, checked.err]).toEqual([
      0,
      expect.stringMatching(/site\.css:3:1: warning outranked: `main div ul li a`[^]*color/),
    ]);
    const whole = kamino(folder, 'draft', '--force', '--from', '#old');
    // The script in it would go with it: so the list alone does.
    expect(whole.status).toBe(0);
    expect(planOf(folder)).toContain('instead-of: "#old ul.nav"');
  });
});

describe('the look of an old menu', () => {
  const files = Object.fromEntries(
    ['index.html', 'a.html', 'b.html'].map(path => [
      path,
      page(
        path,
        '<div class="nav"><a href="index.html">Home</a> <a href="a.html">A</a> <a href="b.html">B</a></div>',
      ).replace('<title>', '<link rel="stylesheet" href="site.css"><title>'),
    ]),
  );
  const look = 'look:\n  accent: "#ffeecc"\n  background: "#224466"\n  color: "#ffeecc"\n';

  test.each([
    [
      'by a browser',
      '',
      '  font: { family: Georgia, serif, weight: 700 }\n  padding: 0.5rem 1rem\n  radius: 0.25rem\n',
    ],
    ['by its style sheet', 'none', '  padding: 8px 16px\n  radius: 4px\n'],
  ])('is read %s', (_, browser, rest) => {
    const folder = folderWith({
      ...files,
      'site.css':
        '.nav { background: #246 url(x.png); font-family: Georgia, serif; font-weight: bold } .nav a { color: #fec; padding: 8px 16px; border-radius: 4px } .nav a:hover { color: red }',
    });
    const { status } = spawnSync(
      process.execPath,
      [join(import.meta.dirname, '../../dist/kamino.cjs'), 'draft'],
      {
        cwd: folder,
        env: { ...process.env, KAMINO_BROWSER: browser },
      },
    );
    expect(status).toBe(0);
    const written = planOf(folder)
      .replace('"Georgia, serif"', 'Georgia, serif')
      .replace('weight: bold', 'weight: 700');
    expect(written).toContain(look);
    for (const line of rest.split('\n')) if (!line.includes('font')) expect(written).toContain(line);
    expect(written).toMatch(/font: \{ family: Georgia, serif, weight: 700 \}/);
    expect(kamino(folder, 'build').status).toBe(0);
  });

  it('has a black ground where the old one had', () => {
    const black = '.nav { background: #000 } .nav a { color: #fff; padding: 8px 16px }';
    const folder = folderWith({ ...files, 'site.css': black });
    const environment = { ...process.env, KAMINO_BROWSER: '' };
    const program = join(import.meta.dirname, '../../dist/kamino.cjs');
    expect(spawnSync(process.execPath, [program, 'draft'], { cwd: folder, env: environment }).status).toBe(0);
    expect(planOf(folder)).toContain('background: "#000000"');
  });
});

it('keeps the width of an old bar in the middle of the page, its room, its rows, and how it shows the pointer and the page', () => {
  const bar = (here: string): string =>
    `<div class="nav">${['index', 'a', 'b'].map(one => `<a${one === here ? ' class="on"' : ''} href="${one}.html">${one}</a> `).join('')}</div>`;
  const css =
    '.nav { width: 600px; margin: 0 auto; padding: 4px 12px; background: #123456 } .nav a { color: #fff; padding: 6px 10px } .nav a:hover { background: #f0d040; color: #000000 } .nav a.on { background: #ffffff; color: #123456 }';
  const folder = folderWith({
    ...Object.fromEntries(
      ['index', 'a', 'b'].map(one => [
        `${one}.html`,
        page(one, bar(one)).replace('<title>', '<link rel="stylesheet" href="s.css"><title>'),
      ]),
    ),
    's.css': css,
  });
  const seen = draftedWith('', folder, '.nav');
  expect(seen).toContain('frame: { padding: 0 0.75rem, width: 39rem }');
  for (const plan of [seen, draftedWith('none', folder, '.nav')]) {
    expect(plan).toContain('hover: { color: "#000000", background: "#f0d040" }');
    expect(plan).toContain('current: { color: "#123456", background: "#ffffff", marker: none }');
  }
  expect(kamino(folder, 'build')).toMatchObject({ status: 0 });
});

it('takes over how letters are written, what lies between entries, and a ground that needs other words on it', () => {
  const item = (name: string, more = ''): string => `<a${more} href="${name}.html">${name}</a>`;
  const menu = (here: string): string =>
    `<nav class="nav"><div class="has">${['index', 'a', 'b'].map(one => item(one, one === here ? ' class="on"' : '')).join('')}<div><button>More</button><div class="in">${item('c')}${item('d')}</div></div>${item('e', ' class="cta"')}</div></nav>`;
  const css =
    '.has { display: flex; gap: 60px } .nav a { color: #222222; letter-spacing: 2px; text-transform: uppercase; font-size: 20px } .nav a.on { background: #c98f2b; color: #ffffff } .nav a.cta { background: #8b1e3f; color: #fff; padding: 9px } .in { display: none } .in a { padding: 30px }';
  const folder = folderWith({
    ...Object.fromEntries(
      ['index', 'a', 'b', 'c', 'd', 'e'].map(one => [
        `${one}.html`,
        page(one, menu(one)).replace('<title>', '<link rel="stylesheet" href="s.css"><title>'),
      ]),
    ),
    's.css': css,
  });
  const plan = draftedWith('', folder, '.nav');
  expect(plan).toContain('font: { size: 1.25rem, transform: uppercase, spacing: 0.1em }');
  // Between the words there were 60 px; each has 19 px beside it now.
  expect(plan).toMatch(/color: "#222222"[^]*\n {2}gap: 1\.38rem\n/);
  expect(plan).toContain('current: { color: "#000000", background: "#c98f2b" }');
  expect(plan).toMatch(/e\.html.*highlight: background/);
});

it('takes over entries of one width that meet, the lines between them, and how it shows what the page lies below', () => {
  const item = (name: string, more = ''): string =>
    `<li class="${name}"><a href="${name}.html">${name.toUpperCase()}</a>${more}</li>`;
  const menu = `<ul id="m">${item('index')}${item('boats', `<ul>${item('rowing')}</ul>`)}${item('prices')}</ul>`;
  const css = `#m { list-style: none; padding: 0; height: 36px; background: #1b3c4d; font-size: 14px } #m > li { float: left } #m a { display: block; width: 110px; line-height: 36px; text-align: center; color: #fff; border-right: 1px solid #31607a } #m ul { display: none } ${['index', 'boats', 'prices'].map(one => `#p-${one} #m .${one} > a`).join(', ')} { background: #e0a030; color: #1b3c4d }`;
  const folder = folderWith(
    Object.fromEntries(
      ['index', 'boats', 'rowing', 'prices'].map(one => [
        `${one}.html`,
        `<!doctype html><html lang="en"><head><title>${one}</title><style>${css}</style></head><body id="p-${one === 'rowing' ? 'boats' : one}">${menu}<main><h1>${one}</h1></main></body></html>`,
      ]),
    ),
  );
  const plan = draftedWith('', folder, '#m');
  expect(plan).toContain('separators: { color: "#31607a" }');
  expect(plan).toMatch(
    /font: \{ size: 0\.88rem \}\n {2}padding: 0\.53rem [12]\.\d+rem\n {2}gap: 0\n {2}radius: 0\n/,
  );
  for (const state of ['current', 'within'])
    expect(plan).toContain(`${state}: { color: "#1b3c4d", background: "#e0a030", marker: none }`);
});

it('shares the room of a row as the old one did, below what floats, with its corners; a copy for phones gets no menu', () => {
  const items = (class_: string): string =>
    `<nav class="${class_}"><ul><li><a href="index.html">Home</a><li><a href="book.html">Opening hours</a><li><a href="map.html">Map</a></ul></nav>`;
  const html = (title: string): string =>
    page(
      title,
      `<div class="logo">The Inn</div>${items('wide')}<a class="burger" onclick="document.querySelector('.small').classList.toggle('on')">Menu</a>${items('small')}<p>Words.</p><div id="row">${['index', 'book', 'map'].map(one => `<a href="${one}.html">${one}</a>`).join('')}</div>`,
    ).replace('</head>', '<link rel="stylesheet" href="site.css"></head>');
  const folder = folderWith({
    'index.html': html('Home'),
    'book.html': html('Opening hours'),
    'map.html': html('Map'),
    'site.css': `body { margin: 0 } .logo { float: left } ul { margin: 0; padding: 0; list-style: none; overflow: hidden }
.wide::before { content: ""; display: block; clear: both }
.wide ul { background: #123; border-radius: 8px; box-shadow: 0 2px 4px #999 }
.wide li { float: left; width: 33.33%; text-align: center } .wide a { color: #fff }
.small, .burger { display: none } .small.on { display: block }
#row { background: #eee } #row a { display: inline-block; width: 110px; text-align: center; color: #123 }
@media (max-width: 600px) { .wide { display: none } .burger { display: block } }`,
  });
  const sources = ['nav.wide', 'more=nav.small', 'last=#row'];
  for (const more of ['--dry-run', '--yes']) {
    const { status, out, err } = kamino(folder, 'draft', ...sources.flatMap(one => ['--from', one]), more);
    expect([status, out.includes('menu: more')]).toEqual([0, false]);
    expect(err).toMatch(/^index\.html:\d+:\d+: warning left-copy: `nav\.small` is `nav\.wide` once more/m);
    // What is told does not hang on whether the files that the plan names are there.
    expect(err).toContain('left-rule: `.wide li`');
    expect(err).not.toContain('left-call');
  }
  const [, main, last] = draftedWith('', folder, ...sources).split('- menu: ');
  expect(main).toMatch(/^masthead\n {4}title: Main\n {4}align: spread\n {4}widths: equal\n/);
  expect(main).toMatch(/frame: \{ radius: 0\.5rem, shadow: "#?[^"]*0px 2px 4px/);
  expect(last).toMatch(/^last\n {4}title: Last\n {4}widths: equal\n/);
  expect(readFileSync(join(folder, 'menus.css'), 'utf8')).toBe(
    '/* Menus stand where the old ones stood. */\n.kamino.kamino-menu-masthead {\n  clear: both;\n}\n',
  );
  expect(kamino(folder, 'build')).toMatchObject({ status: 0 });
});

it('stands in the place of what a check box opened on phones, as a drawer in a row, and tells what opened it', () => {
  const html = (title: string): string =>
    `<!doctype html><html lang="en"><head><meta name="viewport" content="width=device-width"><title>${title}</title><link rel="stylesheet" href="site.css"></head><body><header><b>Larch</b><input type="checkbox" id="open"><label for="open" class="mark">=</label><nav class="primary"><ul class="menu"><li><a href="index.html">Home</a></li><li><a href="a.html">Prices</a></li></ul></nav></header><main><h1>${title}</h1></main></body></html>`;
  const drafted = (css: string): { plan: string; err: string } => {
    const folder = folderWith({ 'index.html': html('Home'), 'a.html': html('Prices'), 'site.css': css });
    const { status, err } = kamino(folder, 'draft', '--from', 'nav.primary');
    expect([status, existsSync(join(folder, 'menus.css'))]).toEqual([0, false]);
    return { plan: planOf(folder), err };
  };
  const phone = `@media (max-width: 700px) { .primary { display: none; position: absolute; top: 4rem } #open:checked ~ .primary { display: block } .mark::before { content: "" } #open:checked + .mark { color: red } }`;
  const { plan, err } = drafted(`header { display: flex } ${phone}`);
  expect(plan).toContain('place: { instead-of: nav.primary }\n    fold: { when: crowded, as: drawer }');
  expect(err).toMatch(/^a\.html:\d+:\d+: warning left-control: [^]*<label for="open"/m);
  // What opens other things too stays.
  const other = drafted(
    `header { display: flex; flex-direction: column } ${phone} header:has(#open:checked) { opacity: 0.5 }`,
  );
  expect(other.plan).toContain('fold: { when: crowded }');
  expect(other.err).not.toContain('left-control');
});

it('keeps the drawings beside the words of entries as files, also of what copies open in their part alone', () => {
  const icon = (x: number): string =>
    `<svg viewBox="0 0 16 16" width=16><circle cx="${x}" cy="8" r="6"/></svg>`;
  const drawing = (x: number): string => icon(x).replace('=16', '="16"');
  const item = (path: string, label: string, html: string, more = ''): string =>
    `<li><a href="${path}.html">${html} <span>${label}</span></a>${more}</li>`;
  const nav = (below: string): string =>
    `<ul class="side">${item('index', 'Home', drawing(1))}${item('rooms', 'Rooms', drawing(2), below)}${item('hire', 'Hire', drawing(1))}${item('map', 'Map', '<i class="x"></i>')}${item('odd', 'Odd', icon(9))}</ul>`;
  const part = `<ul>${item('hall', 'Hall', drawing(4))}${item('studio', 'Studio', drawing(5))}</ul>`;
  const folder = folderWith(
    Object.fromEntries(
      ['index', 'rooms', 'hire', 'map', 'odd', 'hall', 'studio'].map(one => [
        `${one}.html`,
        page(one, nav(['rooms', 'hall', 'studio'].includes(one) ? part : '')),
      ]),
    ),
  );
  for (const more of ['--dry-run', '--yes'])
    expect(kamino(folder, 'draft', '--from', 'ul.side', more)).toMatchObject({ status: 0, err: '' });
  const plan = planOf(folder);
  expect(plan).toMatch(
    /\{ page: index\.html, .*icon: parts\/masthead-home\.svg \}\n[^]*page: rooms\.html\n.*label: Rooms\n.*icon: parts\/masthead-rooms\.svg\n +entries:\n.*hall\.html, .*icon: parts\/masthead-hall\.svg/,
  );
  expect(plan).toMatch(/hire\.html, .*icon: parts\/masthead-home\.svg/);
  expect(plan).toContain('# Had a picture beside their words, as  icon: img/name.svg  gives: Map and Odd');
  expect(readdirSync(join(folder, 'parts'))).toHaveLength(4);
  expect(kamino(folder, 'build')).toMatchObject({ status: 0, err: '' });
  expect(readFileSync(join(folder, 'hire.html'), 'utf8')).toMatch(/kamino-icon[^]*<circle cx="1"/);
});

it('folds a column where its page hides it, and tells what opened it', () => {
  const links = ['index', 'a', 'b'].map(one => `<li><a href="${one}.html">The ${one}</a></li>`).join('');
  const menu = `<aside class="side"><button onclick="document.body.classList.toggle('open')">+</button><nav class="main"><ul>${links}</ul></nav></aside>`;
  const drafted = (css: string): { plan: string; told: string } => {
    const pages = ['index', 'a', 'b'].map(one => [
      `${one}.html`,
      page(one, menu).replace(
        '<title>',
        `<style>.side { float: left; width: 200px } ${css} .open .main { display: block }</style><title>`,
      ),
    ]);
    const folder = folderWith(Object.fromEntries(pages) as Record<string, string>);
    const { err } = kamino(folder, 'draft', '--from', '.main');
    return { plan: planOf(folder), told: err };
  };
  const { plan, told } = drafted('@media (max-width: 700px) { .main { display: none } }');
  expect(plan).toContain('fold: { when: below 43.81em }');
  expect(told).toMatch(/left-call: `open` goes with the old menu[^]*classList\.toggle/);
  expect(
    drafted('.main { display: none } @media (min-width: 40em) { .main { display: block } }').plan,
  ).toContain('fold: { when: below 40em }');
  expect(drafted('').plan).not.toContain('fold:');
});

it('takes over how a menu at the foot stands and looks, and takes no line that says whose the page is for one', () => {
  const row = (foot: string, more = ''): string =>
    `<div id="foot">${more}${['index', 'a', 'b'].map(one => `<a href="${one}.html">The ${one}</a>`).join(foot)}</div>`;
  const drafted = (foot: string): { next: string; plan: string } => {
    const menu = `<nav class="main">${['index', 'a', 'b'].map(one => `<a href="${one}.html">The ${one}</a> `).join('')}</nav>`;
    const css =
      '#foot { border-top: 1px solid #99aabb; padding: 10px 20px; font-size: 12px; text-align: center }';
    const folder = folderWith(
      Object.fromEntries(
        ['index', 'a', 'b'].map(one => [
          `${one}.html`,
          page(one, `${menu}<main><h1>${one}</h1></main><footer>${foot}</footer>`).replace(
            '<title>',
            `<style>${css}</style><title>`,
          ),
        ]),
      ),
    );
    const next = kamino(folder, 'inventory').out;
    return { next, plan: draftedWith('', folder, '.main', 'foot=#foot') };
  };
  const { next, plan } = drafted(row(' | '));
  expect(next).toMatch(/Go on with .*--from foot=/);
  expect(plan).toMatch(
    /menu: foot\n[^]*align: center\n[^]*look:\n {6}color: "#0000ee"\n {6}font: \{ size: 0\.75rem \}\n {6}frame: \{ padding: 0\.63rem 1\.25rem, border: "1px solid #99aabb", edges: top \}/,
  );
  const notice = drafted(row(' · ', '© The Hill · '));
  expect(notice.next).not.toMatch(/Go on with .*#foot/);
  expect(notice.plan).not.toMatch(/title: .*Hill/);
});

it('cuts titles at signs beyond ASCII, in the program as it is built', () => {
  const titles = { index: 'Home', a: 'Our boats', b: 'Prices' };
  const folder = folderWith(
    Object.fromEntries(
      Object.entries(titles).map(([name, title]) => [
        `${name}.html`,
        page(`${title} — Merrow Boats`, '<p>x</p>'),
      ]),
    ),
  );
  expect(kamino(folder, 'draft').status).toBe(0);
  expect(kamino(folder, 'build').status).toBe(0);
  expect(readFileSync(join(folder, 'built/index.html'), 'utf8')).toMatch(/>Our boats<[^]*>Prices</);
  // The starter reads each byte as a letter.
  const program = readFileSync(join(import.meta.dirname, '../../dist/program.cjs'));
  expect(program.every(byte => byte < 128)).toBe(true);
});

it('gives each of two menus the look that it had, with the room around its row', () => {
  const links = (names: readonly string[]): string =>
    `<ul>${names.map(one => `<li><a href="${one}.html">The ${one}</a></li>`).join('')}</ul>`;
  const menus = `<div class="top">${links(['e', 'd'])}</div><nav class="main">${links(['index', 'a', 'b', 'c'])}</nav>`;
  const drafted = (css: string): string => {
    const pages = ['index', 'a', 'b', 'c', 'd', 'e'].map(one => [
      `${one}.html`,
      page(one, menus).replace(
        '<title>',
        `<meta name=viewport content="width=device-width"><style>ul { display: flex; list-style: none } ${css}</style><title>`,
      ),
    ]);
    const folder = folderWith(Object.fromEntries(pages) as Record<string, string>);
    const plan = draftedWith('', folder, '.main', '.top');
    expect(kamino(folder, 'build')).toMatchObject({ status: 0, err: '' });
    return plan;
  };
  const own = '.main a { color: #123456; padding: 8px 16px } .main ul { padding: 0 }';
  expect(
    drafted(
      `${own} .top { background: #222 } .top ul { justify-content: end; gap: 40px; padding: 6px 32px } .top a { color: #fff }`,
    ),
  ).toMatch(
    /menu: masthead\n[^]* {4}look:\n {6}color: "#123456"\n {6}padding: 0\.5rem 1rem\n[^]*menu: more\n[^]* {4}align: end\n[^]* {4}look:\n {6}accent: "#ffffff"\n {6}background: "#222222"\n {6}color: "#ffffff"\n {6}padding: 0\.38rem 0\.45rem\n {6}gap: 1\.6rem\n {6}frame: \{ padding: 0 1\.55rem \}\n$/,
  );
  // Where both look alike it is said once.
  expect(drafted('a { color: #123456; padding: 8px 16px } ul { padding: 0 }')).toMatch(
    /\nlook:\n {2}color: "#123456"\n {2}padding: 0\.5rem 1rem\n {2}gap: 0\n$/,
  );
});

it('reads style sheets at the root of the server, headings in what opens, and where a row stands', () => {
  const item = (name: string, more = ''): string => `<li><a href="/in/${name}.html">${name}</a>${more}</li>`;
  const column = `<div id="side"><ul>${item('index')}${item('a', `<ul>${item('b')}</ul>`)}${item('c')}</ul></div>`;
  const row = `<nav class="row"><ul>${item('index')}${item('a', `<div><h3>Here</h3><ul>${item('b')}</ul><h3>There</h3><ul>${item('c')}</ul></div>`)}</ul></nav>`;
  const sheet =
    '#side { float: left; width: 180px } #side li { display: block } .row > ul { display: flex; justify-content: center; padding: 0 } .row div { display: none } .row a { color: #123456 }';
  const drafted = (menu: string, from: string): string => {
    const folder = folderWith({
      ...Object.fromEntries(
        ['index', 'a', 'b', 'c'].map(one => [
          `in/${one}.html`,
          page(one, menu).replace('<title>', '<link rel="stylesheet" href="/look/s.css"><title>'),
        ]),
      ),
      'look/s.css': sheet,
    });
    return draftedWith('', folder, from);
  };
  expect(drafted(column, '#side')).toMatch(/form: column/);
  expect(drafted(row, '.row')).toMatch(
    /align: center[^]*label: Here\n +entries:\n.*in\/b\.html\n +- label: There\n +entries:\n.*in\/c\.html[^]*color: "#123456"/,
  );
});

it('makes a drawer of a menu that a script brings from a side', () => {
  const links = ['index', 'a', 'b'].map(one => `<a href="${one}.html">The ${one}</a>`).join('');
  const menu = `<div id="side"><a href="javascript:void(0)" onclick="shut()">&times;</a>${links}</div>`;
  const hidden = ['width: 0', 'left: -250px', 'transform: translateX(-100%)', 'display: none'];
  for (const [at, way] of hidden.entries()) {
    const css = `#side { position: fixed; top: 0; height: 100%; ${way}; overflow-x: hidden } #side a { display: block }`;
    const files = Object.fromEntries(
      ['index', 'a', 'b'].map(one => [
        `${one}.html`,
        page(one, menu).replace('<title>', `<style>${css}</style><title>`),
      ]),
    );
    const folder = folderWith(files);
    kamino(folder, 'draft', '--from', '#side');
    expect(planOf(folder)).toContain('fold: { when: any-width, as: drawer }');
    expect([existsSync(join(folder, 'menus.css')), kamino(folder, 'build').status]).toEqual([false, 0]);
    if (at > 0) continue;
    // One that is there in wide windows is no drawer.
    const wide = folderWith(
      Object.fromEntries(
        Object.entries(files).map(([path, text]) => [
          path,
          text.replace('</style>', '@media (min-width: 700px) { #side { width: 200px } }</style>'),
        ]),
      ),
    );
    kamino(wide, 'draft', '--from', '#side');
    expect(planOf(wide)).toMatch(/form: column/);
  }
});

describe('an outline', () => {
  const plan = `kamino: 1
menus:
  - menu: masthead
    title: 'Main, and "more"'
    entries:
      - { page: index.html, label: 'Ho|me, [sweet] *home*' }
      - page: a.html
        label: '# A'
        highlight: background
        entries:
          - { section: 'a.html#x y', label: X, entries: [{ file: 'list (1).pdf', label: 'L;i"st' }] }
      - { label: Only opens, entries: [{ url: 'https://a.example/?b=1&c=2' }, { phone: '+44 1632 960014' }] }
      - { mail: a@b.example, label: 'Write — 🌙' }
  - { menu: foot, entries: [a.html, { section: '#here' }] }
`;
  const id = '<p id="here">h</p><p id="x y">x</p>';
  const folder = folderWith({
    'kamino.yaml': plan,
    'index.html': page('Home', id),
    'a.html': page('A', id),
    'list (1).pdf': 'x',
  });
  const json = kamino(folder, 'map', '--format', 'json').out;

  it.each([
    ['markdown', 'md'],
    ['opml', 'opml'],
    ['csv', 'csv'],
    ['json', 'json'],
  ])('in %s, drawn from a plan, gives a plan with the same entries', (format, ending) => {
    const { status, out } = kamino(folder, 'map', '--format', format);
    expect(status).toBe(0);
    put(folder, { [`outline.${ending}`]: out });
    expect(kamino(folder, 'draft', '--from', `outline.${ending}`, '--force')).toMatchObject({
      status: 0,
      err: toldOnlyOfPhones,
    });
    expect(JSON.parse(kamino(folder, 'map', '--format', 'json').out)).toEqual(JSON.parse(json));
  });

  it('is shown as text, where nothing else is asked for', () => {
    const { status, out } = kamino(folder, 'map');
    expect([status, out]).toEqual([
      0,
      expect.stringMatching(/^Main, and "more" \(masthead\)\n {2}Ho\|me, \[sweet\] \*home\* +index\.html\n/),
    ]);
  });

  it('may name pages that are still to come', () => {
    const site = folderWith({
      'index.html': page('Home'),
      'plan.md': '- [Home](index.html)\n- [News](news.html)\n- Prices\n',
      'map.xml':
        '<urlset><url><loc>https://a.example/index.html</loc></url><url><loc>https://a.example/new.html</loc></url></urlset>',
    });
    expect(kamino(site, 'draft', '--from', 'plan.md').status).toBe(0);
    expect(planOf(site)).toContain('{ page: news.html, label: News, if-missing: warn }');
    expect(planOf(site)).toContain('{ page: prices.html, label: Prices, if-missing: warn }');
    const built = kamino(site, 'build');
    expect([built.status, built.err.match(/left-out/g)?.length]).toEqual([0, 2]);
    expect(kamino(site, 'draft', '--from', 'map.xml', '--force').status).toBe(0);
    expect(planOf(site)).toContain('{ page: new.html, label: New, if-missing: warn }');
  });

  it('that cannot be read is told with its line, and nothing is written', () => {
    const site = folderWith({
      'index.html': page('Home'),
      'bad.csv': 'level,label\n1,a\n3,b\n',
      'x.odt': 'x',
    });
    expect(kamino(site, 'draft', '--from', 'bad.csv').err).toContain('bad.csv:3:1: error bad-outline');
    expect(kamino(site, 'draft', '--from', 'x.odt').status).toBe(2);
    expect(kamino(site, 'draft', '--from', 'gone.md').err).toContain('there is no file `gone.md`');
    expect(existsSync(join(site, 'kamino.yaml'))).toBe(false);
    expect(kamino(folderWith({}), 'draft').err).toContain('no-pages');
    expect(readdirSync(site).sort()).toEqual(['bad.csv', 'index.html', 'x.odt']);
  });
});

it('asks on a terminal, and Enter takes the defaults', async () => {
  const menu =
    '<div class="top"><a href="index.html">Home</a> | <a href="a.html">Aa</a> | <a href="b.html">Bb</a></div>';
  const folder = folderWith({
    'index.html': page('Home', menu),
    'a.html': page('Aa', menu),
    'b.html': page('Bb', menu),
  });
  const program = join(import.meta.dirname, '../../dist/kamino.cjs');
  // Each answer when it is asked for: what is typed before a program listens may be lost.
  const terminal = (answers: readonly string[], ...args: string[]): Promise<string> =>
    new Promise(done => {
      const line = [process.execPath, program, 'draft', ...args].join(' ');
      const env = { ...process.env, TERM: 'dumb' };
      const started = spawn('script', ['-qec', line, '/dev/null'], { cwd: folder, env, timeout: 50_000 });
      let [text, said] = ['', 0];
      started.stdout.on('data', (more: Buffer) => {
        text += more.toString();
        for (; text.split('Enter for 1: ').length - 1 > said; said += 1)
          started.stdin.write(answers[said] ?? '\r');
      });
      started.on('close', () => {
        done(text);
      });
    });
  const shown = await terminal([]);
  expect(shown).toMatch(/Which menu shall the new one replace\?[^]*What may Kamino change\?[^]*set apart/);
  expect(planOf(folder)).toMatch(/output: in-place[^]*instead-of: div\.top/);
  await terminal(['2\r', '9\r', '1\r', '2\r', '2\r'], '--force');
  expect(planOf(folder)).toMatch(/output: built[^]*place: \{ first-in: body \}[^]*highlight: background/);
  expect(await terminal([], '--force', '--yes')).not.toContain('Which menu');
});

it('takes over words on a picture, a button as it is and a column that is one on a desk alone, and tells of buttons that opened the old menu', () => {
  const names = ['index', 'camping', 'faq', 'map'];
  const link = (name: string): string => `<a href="${name}.html">${name}</a>`;
  const site = (nav: string, css: string): string =>
    folderWith({
      ...Object.fromEntries(
        names.map(name => [
          `${name}.html`,
          `<!doctype html><html lang="en"><head><meta charset="utf-8"><meta name="viewport" content="width=device-width"><title>${name}</title><link rel="stylesheet" href="site.css"></head><body>${nav}<main><section class="hero"><h1>${name}</h1></section></main></body></html>`,
        ]),
      ),
      'site.css': css,
    });
  const list = `<ul id="list">${names.map(name => `<li>${link(name)}</li>`).join('')}<li><a class="btn" href="https://tickets.example/">Tickets</a></li></ul>`;
  const over = site(
    `<header><b>Fenlight</b><button id="opens" aria-controls="list">=</button><span class="mark burger">=</span><button class="find">Find</button>${list}</header>`,
    'header{position:absolute;inset:0 0 auto;display:flex}#list{display:flex;list-style:none}#list a{color:#fff;padding:8px}#list .btn{background:#ffd166;color:#20302b;border-radius:99px;font-weight:700}.hero{min-height:300px;background:linear-gradient(#1c3d3a,#4d8a72)}.burger{display:none}@media(max-width:700px){#list{display:none}.burger{display:block}}',
  );
  const { err } = kamino(over, 'draft', '--from', '#list', '--dry-run');
  expect(draftedWith('', over, '#list')).toMatch(
    /label: Tickets, highlight: \{ background: "#ffd166", color: "#20302b", radius: 999px, font: \{ weight: 700 \} \}/,
  );
  expect(planOf(over)).toContain('  color: "#ffffff"\n');
  expect(err).toMatch(
    /left-control: [^]*<button id="opens"[^]*\n {2}The same at camping\.html:1:\d+\n {2}Take it out/,
  );
  expect(kamino(over, 'build')).toMatchObject({ status: 0 });

  const column = site(
    `<aside class="side"><nav><p>${link('index')}</p><details><summary>Places</summary><p>${link('camping')}</p><p>${link('map')}</p></details><p>${link('faq')}</p></nav><p class="social"><a href="https://pictures.example/">Pictures</a> <a href="mailto:a@b.example">Mail</a></p></aside>`,
    '.side{width:220px;position:fixed}nav a{display:block}@media(max-width:700px){.side{width:auto;position:static}}',
  );
  kamino(column, 'draft', '--from', 'nav', '--from', 'social=p.social');
  expect(planOf(column)).toMatch(/menu: masthead\n.*\n {4}form: column[^]*menu: social\n.*\n {4}form: plain/);
});

it('does not throw away what a row says, nor suggest rows that say more, nor columns at the foot', () => {
  const files = Object.fromEntries(
    ['index', 'fees', 'news'].map(name => [
      `${name}.html`,
      `<!doctype html><html lang="en"><head><title>${name}</title><style>nav a{font-weight:600}</style></head><body><div class="top"><span>01632 960 233</span> <a href="mailto:a@b.example">Mail</a> <a href="https://cy.example/">Cymraeg</a></div><nav><a href="index.html">Home</a> <a href="fees.html">Fees</a> <a href="news.html">News</a></nav><main><h1>${name}</h1></main><footer><div><h3>Visit</h3><p>Corn Street 4</p></div><div><h3>School</h3><ul><li><a href="fees.html">Fees</a></li><li><a href="news.html">News</a></li></ul></div></footer></body></html>`,
    ]),
  );
  const folder = folderWith(files);
  expect(kamino(folder, 'inventory').out).toMatch(/Go on with {2}kamino draft --from "nav" {3}/);
  expect(
    kamino(folder, 'draft', '--from', 'nav', '--from', 'above=div.top', '--from', 'foot=footer ul').status,
  ).toBe(0);
  expect(planOf(folder)).toMatch(
    /# `div\.top` stays: it holds more than links, on 3 pages: the words “01632 960 233”\./,
  );
  // The letters of one menu are not those of a row on the page's own ground.
  expect(planOf(folder)).toMatch(
    /menu: masthead\n[^]* {4}look:\n {6}font: \{ weight: 600 \}\n[^]*menu: above/,
  );
  expect(kamino(folder, 'build').status).toBe(0);
  expect(contents(folder)['fees.html']).toContain('<span>01632 960 233</span>');
});

it('takes over how a row shows what lies in the folder of an entry, and a mark only where no ground is one', () => {
  const html = (up: string, here: string): string => {
    const link = (path: string): string =>
      `<a class="tab${path === here ? ' on' : ''}" href="${up}${path}">${path.replace(/\W.*/, '')}</a>`;
    return `<!doctype html><html lang="en"><head><meta name="viewport" content="width=device-width"><title>${here}</title><style>.tab{color:#14365d}.on{background:#14365d;color:#fff}</style></head><body><div class="tabs">${['index.html', 'visit/index.html', 'news/index.html'].map(link).join('')}</div><main><h1>${here}</h1></main></body></html>`;
  };
  const folder = folderWith({
    'index.html': html('', 'index.html'),
    'visit/index.html': html('../', 'visit/index.html'),
    'visit/hours.html': html('../', 'visit/index.html'),
    'news/index.html': html('../', 'news/index.html'),
  });
  kamino(folder, 'draft', '--from', 'div.tabs');
  const filled = '{ color: "#ffffff", background: "#14365d", marker: none }';
  expect(planOf(folder)).toContain(`current: ${filled}\n    within: ${filled}\n`);
  expect(kamino(folder, 'build')).toMatchObject({ status: 0, err: '' });
});

test('takes a picture or two at the head of a page for no menu, unless it is named', () => {
  const head =
    '<p id="title"><a href="a.html"><img src="a.png" alt="The hill"></a><a href="index.html"><img src="b.png" alt="The dome"></a></p>';
  const names = ['index', 'a', 'b'];
  const folder = folderWith({
    ...Object.fromEntries(names.map(name => [`${name}.html`, page(`Page ${name}`, head)])),
    'a.png': 'a',
    'b.png': 'b',
  });
  expect(draftedWith('none', folder)).not.toContain('#title');
  expect(draftedWith('none', folder, '#title')).toContain('place: { instead-of: "#title" }');
});
