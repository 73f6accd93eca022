import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { describe, expect, it, test } from '@jest/globals';
import { folderWith, kamino, page, put } from '../helpers/site.ts';

const welsh = (title: string, body = ''): string => page(title, body).replace('lang="en"', 'lang="cy"');
const files = {
  'index.html': page('Home | Fold'),
  'sky.html': page('Sky | Fold', '<h2 id="moon">The Moon</h2><h2>Planets</h2>'),
  'book.html': page('Book | Fold'),
  'shop/index.html': page('Shop | Fold'),
  'shop/a.html': page('Apples | Fold'),
  'shop/b.html': page('Bees | Fold'),
  'list.pdf': 'x',
  'cy/index.html': welsh('Hafan | Plyg'),
  'cy/awyr.html': welsh('Awyr | Plyg', '<h2 id="lleuad">Y Lleuad</h2><h2>Planedau</h2>'),
  'cy/book.html': welsh('Archebu | Plyg'),
  'cy/shop/b.html': welsh('Gwenyn | Plyg'),
  'cy/list.pdf': 'y',
};
const words =
  'words: { skip: Neidio, menu: Dewislen, new-window: newydd, more: mwy, previous: Cynt, next: Nesaf }';
const languages = `languages:\n  en: { name: English }\n  cy: { name: Cymraeg, pages: cy/**, ${words} }\n`;
const planWith = (entries: string[], { menu = '', head = languages } = {}): string =>
  `kamino: 1\n${head}menus:\n  - menu: masthead\n${menu}    entries:\n${entries.map(one => `      - ${one}\n`).join('')}`;
const site = (plan: string): string => folderWith({ ...files, 'kamino.yaml': plan });
const built = (folder: string, path: string): string => readFileSync(join(folder, 'built', path), 'utf8');

/** Label, address and language of each link of the menu. */
const linksOn = (folder: string, path: string): string[] => {
  const [menu = ''] = /<nav [^]*?<\/nav>/.exec(built(folder, path)) ?? [];
  return [...menu.matchAll(/<a [^>]*href="([^"]*)"([^>]*)>([^<]*)/g)].map(
    ([, href, rest, label]) =>
      `${label!} ${href!}${rest!.replace(/ (?:rel|target)="[^"]*"/g, '').replaceAll('"', '')}`,
  );
};

describe('a plan of two languages', () => {
  test.each([
    ['page: { en: sky.html, cy: cy/awyr.html }', 'Sky sky.html', 'Awyr awyr.html'],
    ['book.html', 'Book book.html', 'Archebu book.html'],
    ['{ page: book.html, label: { en: Now, cy: Nawr } }', 'Now book.html', 'Nawr book.html'],
    ['page: { en: shop/a.html }', 'Apples shop/a.html', null],
    [
      'section: { en: sky.html#moon, cy: cy/awyr.html#lleuad }',
      'The Moon sky.html#moon',
      'Y Lleuad awyr.html#lleuad',
    ],
    [
      '{ page: { en: sky.html, cy: cy/awyr.html }, heading: { en: Planets, cy: Planedau } }',
      'Planets sky.html#planets',
      'Planedau awyr.html#planedau',
    ],
    ['{ file: list.pdf, label: { en: List, cy: Rhestr } }', 'List list.pdf', 'Rhestr list.pdf'],
    [
      '{ url: { en: "https://a.example/", cy: "https://b.example/" }, label: { en: A, cy: B } }',
      'A https://a.example/',
      'B https://b.example/',
    ],
    [
      '{ mail: a@b.example, subject: { en: Hello, cy: Helo }, label: { en: Write, cy: Gair } }',
      'Write mailto:a@b.example?subject=Hello',
      'Gair mailto:a@b.example?subject=Helo',
    ],
    ['pages: shop/*.html', 'Apples shop/a.html|Bees shop/b.html|Shop shop/index.html', 'Gwenyn shop/b.html'],
    [
      '{ language: { en: cy, cy: en }, if-missing: front }',
      'Cymraeg cy/index.html lang=cy hreflang=cy',
      'English ../index.html lang=en hreflang=en',
    ],
  ])('%s', (entry, english, other) => {
    const folder = site(
      planWith([entry, '{ url: "https://x.example/", label: X }'], {
        menu: '    except: [shop/**, sky.html]\n',
      }),
    );
    expect(kamino(folder, 'build')).toMatchObject({ status: 0, err: '' });
    const own = (path: string): string => linksOn(folder, path).slice(0, -1).join('|');
    expect(own('index.html')).toBe(english);
    expect(own('cy/index.html')).toBe(other ?? '');
  });

  it('has its own front page, titles and words in each', () => {
    const folder = site(
      planWith(
        [
          '{ page: { en: shop/index.html, cy: cy/index.html }, entries: [book.html] }',
          '{ url: "https://x.example/", label: X, new-window: true }',
        ],
        {
          menu: '    title: { en: Main, cy: Prif }\n    home: { label: { en: Fold, cy: Plyg } }\n    fold: { when: below 40em }\n',
        },
      ),
    );
    expect(kamino(folder, 'build')).toMatchObject({ status: 0, err: expect.not.stringContaining('error') });
    const [english, other] = [built(folder, 'shop/b.html'), built(folder, 'cy/shop/b.html')];
    expect(other).toContain('aria-label="Prif"');
    expect(other).toContain('class="kamino-home" href="../index.html">Plyg</a>');
    expect(other).toContain('<summary>Dewislen</summary>');
    expect(other).toContain('>Neidio</a>');
    expect(other).toContain('X<span class="kamino-unseen"> (newydd)</span>');
    expect(other).toContain('aria-label="Hafan: mwy"');
    expect(english).toContain('aria-label="Main"');
    expect(english).toContain('class="kamino-home" href="../index.html">Fold</a>');
    expect(english).toContain('<summary>Menu</summary>');
    // The front page of a language covers nothing.
    expect(other).not.toContain('kamino-within');
    expect(english).toContain('kamino-within');
  });

  it('leads from each page to its counterpart, marks the language of the page, and tells which pages have none', () => {
    const folder = site(
      planWith(['page: { en: sky.html, cy: cy/awyr.html }', 'language: en', 'language: cy']),
    );
    const { status, err } = kamino(folder, 'build');
    expect(status).toBe(0);
    expect(err).toContain(
      'kamino.yaml:10:9: note no-counterpart: 2 pages have no counterpart in Cymraeg (shop/a.html and shop/index.html)',
    );
    expect(linksOn(folder, 'sky.html').slice(1)).toEqual([
      'English sky.html aria-current=true',
      'Cymraeg cy/awyr.html lang=cy hreflang=cy',
    ]);
    expect(linksOn(folder, 'cy/shop/b.html').slice(1)).toEqual([
      'English ../../shop/b.html lang=en hreflang=en',
      'Cymraeg b.html aria-current=true',
    ]);
    expect(linksOn(folder, 'shop/a.html').at(-1)).toBe('Cymraeg ../cy/index.html lang=cy hreflang=cy');
    expect(kamino(folder, 'check', 'built')).toMatchObject({ status: 0 });
  });

  it('lifts to the sources', () => {
    const folder = site(
      planWith(['page: { en: sky.html, cy: cy/awyr.html }', 'language: { en: cy, cy: en }']).replace(
        'kamino: 1',
        'kamino: 1\noutput: in-place',
      ),
    );
    expect(kamino(folder, 'build').status).toBe(0);
    expect(readFileSync(join(folder, 'cy/awyr.html'), 'utf8')).toContain('>English</a>');
    expect(kamino(folder, 'lift').status).toBe(0);
    for (const [path, text] of Object.entries(files))
      expect(readFileSync(join(folder, path), 'utf8')).toBe(text);
  });

  test.each([
    ['{ page: book.html, label: Book }', 'note same-label', 'the label “Book” is the same in Cymraeg'],
    ['shop/a.html', 'note no-counterpart', '`shop/a.html` has no counterpart in Cymraeg'],
    [
      '{ page: book.html, label: { en: A, fr: B } }',
      'error unknown-language',
      '`fr` is no language of this plan',
    ],
    ['{ page: book.html, label: { en: A, "1": B } }', 'error unknown-key', '`1` is no tag of a language'],
    ['language: de', 'error unknown-language', 'Languages of the plan: en, cy'],
    [
      '{ page: { en: sky.html, cy: cy/awyr.html }, heading: Planets }',
      'error missing-section',
      '`cy/awyr.html` has no heading “Planets”',
    ],
    [
      'section: { en: sky.html#moon, cy: cy/awyr.html#moon }',
      'error missing-section',
      'there is no `#moon` in cy/awyr.html',
    ],
  ])('tells of %s', (entry, rule, message) => {
    const { err } = kamino(site(planWith([entry])), 'build');
    expect(err).toMatch(new RegExp(`kamino\\.yaml:8:\\d+: ${rule}`));
    expect(err).toContain(message);
  });

  it('tells which of its own words are missing, and where', () => {
    const head =
      'languages:\n  en: { name: English }\n  cy: { name: Cymraeg, pages: cy/**, words: { skip: Neidio } }\n';
    const folder = site(planWith(['book.html'], { head, menu: '    fold: { when: below 40em }\n' }));
    const { status, err } = kamino(folder, 'build');
    expect(status).toBe(0);
    expect(err).toMatch(/kamino\.yaml:4:7: warning missing-word/);
    expect(err).toContain('menu: …   (Menu)');
    expect(err).not.toContain('skip: …');
  });

  it('knows the language of pages by their own `lang` where it has no patterns', () => {
    const head = `languages:\n  en: { name: English }\n  cy: { name: Cymraeg, ${words} }\n`;
    const folder = site(planWith(['page: { en: sky.html, cy: cy/awyr.html }'], { head }));
    put(folder, {
      'cy/book.html': files['cy/book.html'].replace('"cy"', '"cy-GB"'),
      'old.html': page('Old').replace(' lang="en"', ''),
    });
    expect(kamino(folder, 'build')).toMatchObject({ status: 0, err: '' });
    expect(linksOn(folder, 'cy/book.html')).toEqual(['Awyr awyr.html']);
    expect(linksOn(folder, 'old.html')).toEqual(['Sky sky.html']);
    // A page that changes its language gets the other menu.
    put(folder, { 'old.html': welsh('Old') });
    expect(kamino(folder, 'build')).toMatchObject({ status: 0, err: '' });
    expect(linksOn(folder, 'old.html')).toEqual(['Awyr cy/awyr.html']);
  });

  it('tells of pages that say they are in another language than they lie in', () => {
    const folder = site(planWith(['book.html']));
    put(folder, { 'cy/shop/b.html': page('Bees') });
    expect(kamino(folder, 'build').err).toMatch(/cy\/shop\/b\.html: warning page-language/);
  });
});

test('pages in another language than English are told, with the words to write', () => {
  const folder = folderWith({
    'index.html': page('Haus').replace('"en"', '"de-AT"'),
    'about.html': page('About'),
    'kamino.yaml': planWith(['index.html'], { head: '' }),
  });
  const { status, err } = kamino(folder, 'build');
  expect(status).toBe(0);
  expect(err).toMatch(/index\.html: warning missing-word/);
  expect(err).toContain('de-AT: { name: …, words: { skip: … } }');
});

test('an entry is edited by its name in any language', () => {
  const folder = site(
    planWith([
      'page: { en: sky.html, cy: cy/awyr.html }',
      '{ page: book.html, label: { en: Night, cy: Noson } }',
    ]),
  );
  expect(kamino(folder, 'entry', 'move', 'Noson', '--before', 'Awyr').status).toBe(0);
  expect(kamino(folder, 'entry', 'rename', 'cy/awyr.html', 'Stars').status).toBe(0);
  const { status, err } = kamino(folder, 'entry', 'rename', 'Night', 'Nacht');
  expect(status).toBe(2);
  expect(err).toContain('the label of this entry differs by language');
  expect(readFileSync(join(folder, 'kamino.yaml'), 'utf8')).toContain(
    '      - { page: book.html, label: { en: Night, cy: Noson } }\n      - page: { en: sky.html, cy: cy/awyr.html }\n        label: Stars\n',
  );
});
