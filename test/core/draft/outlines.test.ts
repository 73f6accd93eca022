import { describe, expect, it, test } from '@jest/globals';
import fc from 'fast-check';
import { type OutlineName, outlineFormats } from '../../../src/core/draft/outlines/index.ts';
import { sitemapPaths } from '../../../src/core/draft/outlines/sitemap.ts';
import { type OutlineEntry, OutlineError, type OutlineMenu } from '../../../src/core/draft/outlines/types.ts';
import { runs } from '../../helpers/runs.ts';

const names = Object.keys(outlineFormats) as OutlineName[];
const words = fc
  .stringMatching(/^[ -~éß“”🌙*_[\]()<>#|,;"'`\\&!]{1,20}$/u)
  .map(text => text.replace(/\s+/g, ' ').trim())
  .filter(text => text !== '');
const targets = fc.constantFrom(
  'a.html',
  'b c/d.html',
  'x.html#y',
  '#z',
  'https://a.example/?b=1&c=2',
  'mailto:a@b.example',
  'tel:+441632960014',
  'list (2).pdf',
  '100%.html',
  'a<b>.html',
  "it's.html",
);
const { entries } = fc.letrec<{ entries: OutlineEntry[]; entry: OutlineEntry }>(tie => ({
  entries: fc.array(tie('entry'), { minLength: 1, maxLength: 3 }),
  entry: fc.oneof(
    { maxDepth: 2, withCrossShrink: true },
    fc.record({
      label: words,
      target: targets,
      highlight: fc.boolean(),
      entries: fc.constant<OutlineEntry[]>([]),
    }),
    fc.record({ label: words, target: fc.option(targets), highlight: fc.boolean(), entries: tie('entries') }),
  ),
}));

describe.each(names)('an outline in %s', name => {
  const { read, write } = outlineFormats[name];
  const menus = (lists: OutlineEntry[][]): OutlineMenu[] =>
    lists.map((list, at) => ({
      name: ['masthead', 'foot', 'side'][at]!,
      title: ['Main', 'Whole site', 'Here'][at]!,
      entries: list,
    }));

  it('is read back as it was written', () => {
    fc.assert(
      fc.property(fc.array(entries, { minLength: 1, maxLength: 3 }), lists => {
        expect(read(write(menus(lists)))).toEqual(menus(lists));
      }),
      { numRuns: runs(500) },
    );
  });
});

describe('outlines that people write', () => {
  const tree = (list: readonly OutlineEntry[]): unknown[] =>
    list.map(one => [one.label, one.target, ...tree(one.entries)]);
  const cases: [string, OutlineName, string, unknown[]][] = [
    [
      'a list with stars and plain links',
      'markdown',
      'Our site\n\n* [Home](index.html)\n* Telescopes\n    * <https://a.example/>\n',
      [
        ['Home', 'index.html'],
        ['Telescopes', null, ['https://a.example/', 'https://a.example/']],
      ],
    ],
    [
      'a csv with parents',
      'csv',
      'label,target,parent\nVisit,visit.html,\nPrices,prices.html,Visit\n',
      [['Visit', 'visit.html', ['Prices', 'prices.html']]],
    ],
    [
      'a csv with semicolons and a byte-order mark',
      'csv',
      '\ufefflevel;label;target\n1;Visit;visit.html\n2;"Prices; all";prices.html\n',
      [['Visit', 'visit.html', ['Prices; all', 'prices.html']]],
    ],
    [
      'an outline of links',
      'opml',
      '<opml><body><outline text="A &amp; B" url="a.html"><outline title="C"/></outline></body></opml>',
      [['A & B', 'a.html', ['C', null]]],
    ],
    [
      'a bare list',
      'json',
      '["index.html", { "label": "More", "entries": ["a.html"] }]',
      [
        [null, 'index.html'],
        ['More', null, [null, 'a.html']],
      ],
    ],
  ];
  test.each(cases)('%s', (_, format, text, expected) => {
    expect(tree(outlineFormats[format].read(text).flatMap(menu => menu.entries))).toEqual(expected);
  });

  const wrong: [string, () => unknown, number | null][] = [
    ['no list', () => outlineFormats.markdown.read('# Only a heading'), null],
    ['an empty item', () => outlineFormats.markdown.read('- a\n-\n'), 2],
    ['a level too deep', () => outlineFormats.csv.read('level,label\n1,a\n3,b\n'), 3],
    ['an unknown parent', () => outlineFormats.csv.read('label,parent\na,\nb,c\n'), 3],
    ['a row without anything', () => outlineFormats.csv.read('level,label,target,highlight\n1,,,yes\n'), 2],
    ['broken xml', () => outlineFormats.opml.read('<opml>\n<body>\n</opml>'), 3],
    ['broken json', () => outlineFormats.json.read('{'), null],
    ['json of something else', () => outlineFormats.json.read('{ "pages": [] }'), null],
    ['an empty sitemap', () => sitemapPaths('<urlset></urlset>'), null],
  ];
  test.each(wrong)('%s is told', (_, act, line) => {
    let caught: unknown;
    try {
      act();
    } catch (error) {
      caught = error;
    }
    expect(caught).toBeInstanceOf(OutlineError);
    expect((caught as OutlineError).line).toBe(line);
    expect((caught as OutlineError).remedy).not.toBe('');
  });

  it('a sitemap names pages from the folder that all share', () => {
    const urls = [
      'https://a.example/site/',
      'https://a.example/site/b%20c.html',
      'https://a.example/site/d/',
    ];
    const text = `<?xml version="1.0"?><urlset xmlns="http://www.sitemaps.org/schemas/sitemap/0.9">${urls.map(url => `<url><loc> ${url} </loc><lastmod>2001</lastmod></url>`).join('')}</urlset>`;
    expect(sitemapPaths(text)).toEqual(['index.html', 'b c.html', 'd/index.html']);
  });
});
