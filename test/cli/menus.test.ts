import { readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { describe, expect, it, test } from '@jest/globals';
import { contents, folderWith, kamino, page, put, unsealedIn } from '../helpers/site.ts';

const files = {
  'index.html': page('Home | Fold', '<h2>Getting here</h2>'),
  'visit/index.html': page(
    'Visit | Fold',
    '<h2>Getting here</h2><section id="open"><h2>Opening times</h2></section><h3>By bus</h3><h2 id="end">The end</h2>',
  ),
  'visit/cafe.html': page('Café | Fold'),
  'journal/index.html': page('Journal | Fold'),
  'journal/a.html': page('Äpfel | Fold', '<time datetime="2020-01-02">x</time>'),
  'journal/b.html': page('Beta | Fold', '<time datetime="2021-01-02">x</time>'),
  'journal/c.html': page('Alpha | Fold', '<time datetime="2019-01-02">x</time>'),
  'scopes/index.html': page('Telescopes | Fold'),
  'scopes/great.html': page('Great | Fold'),
  'scopes/old-x.html': page('Oldie | Fold'),
  'scopes/10.html': page('Number 10 | Fold'),
  'scopes/9.html': page('Number 9 | Fold'),
  'list.pdf': 'x'.repeat(1_234_000),
};
const planWith = (menu: string): string => `kamino: 1\nmenus:\n  - menu: masthead\n${menu}`;
const entries = (...lines: string[]): string =>
  `    entries:\n${lines.map(line => `      - ${line}\n`).join('')}`;

const piece = {
  'parts/search.html': '<form role="search"><label>Suche “hier” <input name="q"></label></form>\n',
};
const site = (plan: string): string =>
  folderWith({ ...files, ...(plan.includes('insert') ? piece : {}), 'kamino.yaml': plan });
const built = (folder: string, path: string): string => readFileSync(join(folder, 'built', path), 'utf8');

/** The lines of a menu on a page: depth, label, address, and how it is marked. */
function menuOn(folder: string, path: string, name = 'masthead'): string[] {
  const [, menu = ''] =
    new RegExp(`<nav [^>]*data-kamino="${name}"[^>]*>([^]*?)</nav>`).exec(built(folder, path)) ?? [];
  const items = menu
    .replace(/<span class="kamino-note">(.*?)<\/span>/g, '$1')
    .matchAll(
      /<li class="([^"]*)"[^>]*data-kamino-depth="(\d)"[^>]*>(?:<a [^>]*href="([^"]*)"([^>]*)>|<span[^>]*?( aria-current="page")?>|<details[^>]*><summary[^>]*>)(.*?)<\/(?:a|span|summary)>/g,
    );
  return [...items].map(([, classes, depth, href, rest, current, label]) => {
    const mark =
      (rest ?? '').includes('aria-current') || current
        ? ' current'
        : classes!.includes('within')
          ? ' within'
          : '';
    return `${depth!} ${label!.replace(/<[^>]*>/g, '')}${href === undefined ? '' : ` ${href}`}${mark}`;
  });
}

describe('an entry', () => {
  test.each([
    ['{ page: visit/index.html, heading: Opening times }', '1 Opening times visit/index.html#open'],
    ['{ page: visit/index.html, heading: getting  HERE }', '1 Getting here visit/index.html#getting-here'],
    ['{ page: visit/index.html, heading: The end, label: End }', '1 End visit/index.html#end'],
    [
      '{ mail: a@b.example, subject: A visit & more, label: Write }',
      '1 Write mailto:a@b.example?subject=A%20visit%20%26%20more',
    ],
    ['{ file: list.pdf, label: List, details: true }', '1 List (PDF, 1.2 MB) list.pdf'],
  ])('%s', (entry, line) => {
    const folder = site(planWith(entries(entry)));
    expect(kamino(folder, 'build')).toMatchObject({ status: 0, err: '' });
    expect(menuOn(folder, 'index.html')).toEqual([line]);
  });

  it('opens a window of its own only when asked, and says so; saves a file when asked', () => {
    const folder = site(
      planWith(
        entries(
          '{ url: "https://a.example/", label: A, new-window: true, outside-mark: true }',
          '{ file: list.pdf, save: true, label: L }',
        ),
      ),
    );
    expect(kamino(folder, 'build')).toMatchObject({ status: 0, err: '' });
    const menu = built(folder, 'index.html');
    expect(menu).toContain(
      'href="https://a.example/" target="_blank" rel="noopener">A<span class="kamino-unseen"> (new window)</span></a>',
    );
    expect(menu).toContain('<a class="kamino-link" href="list.pdf" download>L</a>');
    expect(menu).toContain('class="kamino-entry kamino-outside"');
  });

  it('holds a piece of the designer’s own HTML, which is no page and no part of the output', () => {
    const folder = site(planWith(entries('index.html', '{ insert: parts/search.html, label: Search }')));
    expect(kamino(folder, 'build')).toMatchObject({ status: 0, err: '' });
    expect(built(folder, 'visit/cafe.html')).toContain(
      '<form role="search"><label>Suche “hier” <input name="q"></label></form></li>',
    );
    expect(Object.keys(contents(join(folder, 'built')))).not.toContain('parts/search.html');
  });

  test.each([
    ['{ page: visit/index.html, heading: Geting here }', 'missing-section', 'Did you mean “Getting here”?'],
    ['{ heading: Opening times }', 'missing-section', 'has no heading'],
    ['{ page: visit/indx.html, heading: x }', 'missing-page', 'visit/index.html'],
    ['{ insert: parts/serch.html, label: x }', 'missing-file', 'parts/search.html'],
    ['{ insert: list.pdf, most: 3 }', 'clashing-keys', '`most` goes with `pages` only'],
    ['{ pages: "*.html", heading: x }', 'clashing-keys', 'do not go together'],
    ['{ pages: "nothing/*.html" }', 'empty-pattern', 'no page matches'],
    ['{ pages: "*.html", most: many }', 'wrong-value', 'most: 12'],
    ['{ sections: nowhere.html }', 'missing-page', 'nowhere.html'],
  ])('%s is told', (entry, rule, remedy) => {
    const { err } = kamino(site(planWith(entries(entry))), 'build');
    expect(err).toContain(` ${rule}: `);
    expect(err).toContain(remedy);
  });

  it('gives a heading its id, the same on every build, and lift takes it away', () => {
    const folder = site(
      `${planWith(entries('{ page: visit/index.html, heading: By bus }', '{ heading: Getting here }'))}    carried-by: ["index.html", "visit/index.html"]\noutput: in-place\n`,
    );
    expect(kamino(folder, 'build')).toMatchObject({ status: 0, err: '' });
    const first = contents(folder);
    expect(first['visit/index.html']).toContain('<h3 data-kamino-id="by-bus" id="by-bus">By bus</h3>');
    expect(first['index.html']).toContain('<h2 data-kamino-id="getting-here" id="getting-here">');
    expect(kamino(folder, 'build').out).toContain('Nothing to do');
    put(folder, { 'visit/cafe.html': page('New') });
    kamino(folder, 'build');
    expect(contents(folder)['visit/index.html']).toBe(first['visit/index.html']);
    put(folder, { 'visit/cafe.html': page('New', '<a href="index.html#by-bus">by bus</a>') });
    const { status, err } = kamino(folder, 'lift');
    expect([status, err]).toEqual([
      0,
      expect.stringMatching(/visit\/cafe\.html:\d+:\d+: warning lost-id: .*#by-bus/),
    ]);
    expect(contents(folder)['visit/index.html']).toBe(files['visit/index.html']);
  });

  test.each([2, 12])(
    'tells of links to any of %i such ids that are gone, whichever page lift meets first',
    count => {
      const numbers = Array.from({ length: count }, (_, at) => at + 1);
      const half = count / 2;
      const links = numbers.map(number => `<a href="m.html#way-${number}">x</a>`);
      const before = {
        'a.html': page('A', links.slice(0, half).join('\n')),
        'm.html': page('M', numbers.map(number => `<h2>Way ${number}</h2>`).join('\n')),
        'n.html': page('N'),
        'z.html': page('Z', links.slice(half).join('\n')),
      };
      const all = numbers.map(number => `{ page: m.html, heading: Way ${number} }`).join(', ');
      const folder = folderWith({
        ...before,
        'kamino.yaml': `kamino: 1\noutput: in-place\nmenus:\n  - { menu: main, place: { first-in: body }, entries: [${all}] }\n`,
      });
      expect(kamino(folder, 'build').status).toBe(0);
      for (const args of [['--dry-run'], []]) {
        const { findings } = JSON.parse(kamino(folder, 'lift', '--json', ...args).out) as {
          findings: { rule: string; message: string; place: { file: string } }[];
        };
        const told = findings.map(one => `${one.place.file} ${one.rule} ${/#[\w-]+/.exec(one.message)?.[0]}`);
        const expected = numbers.map(number => `${number <= half ? 'a' : 'z'}.html lost-id #way-${number}`);
        expect(told.sort()).toEqual(expected.sort());
      }
      expect(contents(folder)).toMatchObject(before);
    },
  );
});

describe('a pattern', () => {
  const below = (entry: string): string[] => {
    const folder = site(planWith(entries(`{ page: scopes/index.html, entries: [${entry}] }`)));
    expect(kamino(folder, 'build')).toMatchObject({ status: 0, err: '' });
    return menuOn(folder, 'index.html')
      .slice(1)
      .map(line => line.slice(2).replace(/ \S*$/, ''));
  };
  test.each([
    [
      'by title, figures by their value',
      '{ pages: "scopes/*.html" }',
      ['Great', 'Number 9', 'Number 10', 'Oldie'],
    ],
    [
      'by title, letters as people sort them',
      '{ pages: "journal/*.html", except: journal/index.html }',
      ['Alpha', 'Äpfel', 'Beta'],
    ],
    ['by file', '{ pages: "scopes/*.html", order: file }', ['Number 10', 'Number 9', 'Great', 'Oldie']],
    ['by date, the latest first', '{ pages: "journal/?.html", order: date }', ['Beta', 'Äpfel', 'Alpha']],
    [
      'listed ones ahead',
      '{ pages: "scopes/*.html", first: ["scopes/old-*.html", scopes/9.html] }',
      ['Oldie', 'Number 9', 'Great', 'Number 10'],
    ],
    ['without some', '{ pages: "scopes/*.html", except: scopes/old-* }', ['Great', 'Number 9', 'Number 10']],
    ['no more than so many', '{ pages: "scopes/*.html", most: 2 }', ['Great', 'Number 9']],
    [
      'folders as submenus',
      '{ pages: "{journal,visit}/*.html", depth: 2, order: file }',
      ['Journal', 'Äpfel', 'Beta', 'Alpha', 'Visit', 'Café'],
    ],
    [
      'the headings of a page',
      '{ sections: visit/index.html }',
      ['Getting here', 'Opening times', 'The end'],
    ],
    [
      'its deeper ones below',
      '{ sections: visit/index.html, levels: [2, 3], except: ["#open", The end] }',
      ['Getting here', 'By bus'],
    ],
  ])('%s', (_, entry, labels) => {
    expect(below(entry)).toEqual(labels);
  });
});

describe('marks', () => {
  const plan = planWith(
    `    current-entry: text\n${entries('index.html', '{ page: visit/index.html, covers: ["visit/**", scopes/9.html] }', '{ page: scopes/index.html, entries: [scopes/great.html] }', 'journal/index.html')}`,
  );
  const folder = site(plan);
  kamino(folder, 'build');
  test.each([
    ['index.html', ['Home current']],
    ['visit/cafe.html', ['Visit within']],
    ['scopes/9.html', ['Visit within']],
    ['scopes/10.html', ['Telescopes within']],
    ['scopes/great.html', ['Telescopes within', 'Great current']],
    ['journal/c.html', ['Journal within']],
  ])('on %s', (path, marks) => {
    const lines = menuOn(folder, path).filter(line => /current$|within$/.test(line));
    expect(lines.map(line => `${line.split(' ')[1]!} ${line.split(' ').at(-1)!}`)).toEqual(marks);
  });

  it('are on an entry that leads to a section, where it is the only one of its page', () => {
    const only = site(
      planWith(`    current-entry: text\n${entries('index.html', '{ section: "visit/index.html#end" }')}`),
    );
    kamino(only, 'build');
    expect(menuOn(only, 'visit/index.html')).toEqual(['1 Home ../index.html', '1 The end #end current']);
    const two = site(planWith(entries('{ section: "visit/index.html#end" }', 'visit/index.html')));
    kamino(two, 'build');
    expect(menuOn(two, 'visit/index.html')).toEqual(['1 The end #end', '1 Visit index.html current']);
  });

  it('are on text where the current entry shall be none', () => {
    expect(built(folder, 'index.html')).toContain(
      '<span class="kamino-link" aria-current="page">Home</span>',
    );
  });
});

describe('menus', () => {
  const plan = `${planWith(
    entries(
      '{ page: visit/index.html, entries: [visit/cafe.html, { section: "visit/index.html#end" }] }',
      '{ page: scopes/index.html, entries: [{ pages: "scopes/*.html", except: scopes/old-* }] }',
      'journal/index.html',
    ),
  )}  - { menu: side, title: Here, form: column, carried-by: "*/**", branch: masthead, place: { first-in: main } }
  - { menu: trail, form: breadcrumb, place: { first-in: main }, data: json-ld }
  - { menu: leaf, form: previous-next, set: journal/*.html, order: date, place: { last-in: main } }
  - { menu: foot, form: plain, entries-of: masthead, depth: 1, place: { last-in: body } }
`;
  const folder = site(plan);
  const run = kamino(folder, 'build');

  it('are built without a word', () => {
    expect([run.status, run.err]).toEqual([0, '']);
    expect(kamino(folder, 'check').err).not.toMatch(/dead-link|menu-/);
  });

  it('a branch shows what lies below the top entry that the page is in, and is not there without one', () => {
    expect(menuOn(folder, 'visit/cafe.html', 'side')).toEqual([
      '1 Café cafe.html current',
      '1 The end index.html#end',
    ]);
    expect(menuOn(folder, 'scopes/old-x.html', 'side').map(line => line.split(' ')[1])).toEqual([
      'Great',
      'Number',
      'Number',
    ]);
    expect(built(folder, 'journal/a.html')).not.toContain('data-kamino="side"');
    expect(built(folder, 'index.html')).not.toContain('data-kamino="side"');
  });

  it('a breadcrumb leads from the front page to the page, also where no entry names it', () => {
    expect(menuOn(folder, 'scopes/great.html', 'trail')).toEqual([
      '1 Home ../index.html',
      '1 Telescopes index.html',
      '2 Great great.html current',
    ]);
    expect(menuOn(folder, 'journal/c.html', 'trail')).toEqual([
      '1 Home ../index.html',
      '1 Journal index.html',
      '1 Alpha c.html current',
    ]);
    expect(built(folder, 'index.html')).not.toContain('data-kamino="trail"');
    const [, data] = /<script type="application\/ld\+json">(.*?)<\/script>/.exec(
      built(folder, 'journal/a.html'),
    )!;
    expect(JSON.parse(data!)).toMatchObject({
      '@type': 'BreadcrumbList',
      itemListElement: [
        { position: 1, name: 'Home', item: '../index.html' },
        { name: 'Journal' },
        { name: 'Äpfel', item: 'a.html' },
      ],
    });
  });

  it('neighbours in a set lead to each other, by date', () => {
    const around = (path: string): string[] => menuOn(folder, path, 'leaf').map(line => line.slice(2));
    expect(around('journal/a.html')).toEqual(['Previous Alpha c.html', 'Next Beta b.html']);
    expect(built(folder, 'journal/a.html')).toMatch(/href="c\.html" rel="prev"[^]*href="b\.html" rel="next"/);
    expect(around('journal/c.html')).toEqual(['Next Äpfel a.html']);
    // The index is no neighbour, but where the plan names it.
    expect(built(folder, 'journal/index.html')).not.toContain('data-kamino="leaf"');
  });

  test.each([
    ['latest', 'journal/*.html', ['Previous Beta b.html', 'Next Alpha c.html']],
    ['oldest', '[journal/*.html, journal/index.html]', ['Previous Alpha c.html', 'Next Beta b.html']],
    ['file', '[journal/index.html, journal/a.html]', ['Previous Journal index.html']],
  ])('neighbours may go round by %s', (order, set, around) => {
    const turned = site(
      plan.replace('set: journal/*.html, order: date', `set: ${set.replace('[', '[ ')}, order: ${order}`),
    );
    expect(kamino(turned, 'build').status).toBe(0);
    expect(menuOn(turned, 'journal/a.html', 'leaf').map(line => line.slice(2))).toEqual(around);
    expect(built(folder, 'visit/index.html')).not.toContain('data-kamino="leaf"');
  });

  it('contents are the headings of the page that one is on, each with its own id or a given one', () => {
    const text = page(
      'Guide',
      '<main><h1>Guide</h1><aside><h2>Beside</h2></aside><h2>Coming ¶</h2><h3>By bus</h3><h2 id="b">Going</h2><h3>By bus</h3><h4>Late</h4></main>',
    ).replace('</body>', '<h2>Outside</h2></body>');
    const guide = folderWith({
      'guide.html': text,
      'index.html': page('Home', '<h2>One alone</h2>'),
      'kamino.yaml': `kamino: 1\noutput: built\nmenus:\n  - { menu: here, title: On this page, form: contents, levels: [2, 3], place: { last-in: body } }\n`,
    });
    for (const changed of [1, 0, 0]) {
      const { out, status } = kamino(guide, 'build');
      expect([status, out]).toEqual([0, expect.stringMatching(/here \(1 page\)/)]);
      expect(out).toMatch(changed ? /^Built/ : /^Nothing to do/);
    }
    expect(menuOn(guide, 'guide.html', 'here')).toEqual([
      '1 Coming #coming',
      '2 By bus #by-bus',
      '1 Going #b',
      '2 By bus #by-bus-2',
    ]);
    expect(built(guide, 'index.html')).not.toContain('data-kamino="here"');
    expect(kamino(guide, 'check').status).toBe(0);
    // A heading that is called otherwise is so in the menu.
    writeFileSync(join(guide, 'guide.html'), text.replace('Going', 'Away'));
    expect(kamino(guide, 'build').out).toMatch(/changed +guide\.html/);
    expect(menuOn(guide, 'guide.html', 'here')).toContain('1 Away #b');
  });

  it('another menu’s entries, as deep as wanted', () => {
    expect(menuOn(folder, 'index.html', 'foot').map(line => line.slice(0, 8))).toEqual([
      '1 Visit ',
      '1 Telesc',
      '1 Journa',
    ]);
  });

  test.each([
    ['{ menu: x, form: contents, entries: [index.html] }', 'form: plain'],
    ['{ menu: x, form: plain, entries: [index.html], levels: 3 }', 'form: contents'],
  ])('%s has a key without an effect', (menu, remedy) => {
    const { err } = kamino(site(`${planWith(entries('index.html'))}  - ${menu}\n`), 'build');
    expect(err).toMatch(/ no-effect: /);
    expect(err).toContain(remedy);
  });

  it('sections of the same words are gone to each', () => {
    const folder = folderWith({
      'index.html': page('Home', '<h2>Moon</h2><h2>Planets</h2><h2>Moon</h2>'),
      'kamino.yaml': planWith(entries('{ sections: index.html }')),
    });
    expect(kamino(folder, 'build')).toMatchObject({ status: 0, err: '' });
    expect(menuOn(folder, 'index.html', 'masthead').map(line => line.split(' ')[2])).toEqual([
      '#moon',
      '#planets',
      '#moon-2',
    ]);
  });

  test.each([
    ['{ menu: x, form: previous-next, set: [indx.html, visit/cafe.html] }', 'missing-page', '`index.html`'],
    ['{ menu: x, branch: masthed }', 'unknown-menu', 'Did you mean `masthead`?'],
    ['{ menu: x, form: previous-next }', 'missing-key', 'set: journal/*.html'],
    ['{ menu: x, form: column }', 'missing-key', 'entries-of: masthead'],
    ['{ menu: x, branch: masthead, entries-of: masthead }', 'clashing-keys', 'Keep one'],
  ])('%s is told', (menu, rule, remedy) => {
    const { err, status } = kamino(site(`${planWith(entries('index.html'))}  - ${menu}\n`), 'build');
    expect([status, err]).toEqual([2, expect.stringContaining(` ${rule}: `)]);
    expect(err).toContain(remedy);
  });
});

describe('addresses', () => {
  const plan = (links: string): string =>
    `${planWith(entries('index.html', 'visit/index.html', '{ page: scopes/index.html, entries: [scopes/great.html] }', '{ section: "visit/index.html#end", label: End }'))}${links}`;
  test.each([
    [
      'links: { index: hidden }',
      ['../', '../visit/', './', 'great.html', '../visit/#end'],
      '../kamino/menu.css',
    ],
    [
      'links: { from: root }',
      [
        '/index.html',
        '/visit/index.html',
        '/scopes/index.html',
        '/scopes/great.html',
        '/visit/index.html#end',
      ],
      '/kamino/menu.css',
    ],
    [
      'links: { from: root, index: hidden, base: /fold/new/ }',
      [
        '/fold/new/',
        '/fold/new/visit/',
        '/fold/new/scopes/',
        '/fold/new/scopes/great.html',
        '/fold/new/visit/#end',
      ],
      '/fold/new/kamino/menu.css',
    ],
  ])('%s', (links, addresses, style) => {
    const folder = site(plan(`${links}\n`));
    expect(kamino(folder, 'build')).toMatchObject({ status: 0, err: '' });
    const raw = built(folder, 'scopes/great.html');
    expect([...raw.matchAll(/kamino-link" href="([^"]*)"/g)].map(match => match[1])).toEqual(addresses);
    expect(unsealedIn(raw)).toContain(`<link data-kamino="style" rel="stylesheet" href="${style}">`);
    expect(kamino(folder, 'check').err).not.toMatch(/dead-link|foreign-path/);
  });

  it('take a base only with / at both ends', () => {
    const { status, err } = kamino(site(plan('links: { base: fold }\n')), 'build');
    expect([status, err]).toEqual([2, expect.stringContaining('base: /observatory/')]);
  });
});
