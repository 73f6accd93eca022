import { readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { expect, it, test } from '@jest/globals';
import { Ajv } from 'ajv';
import { folderWith, kamino } from '../helpers/site.ts';

const nav =
  '<nav><ul><li><a href="index.html">Home</a></li><li><a href="visit.html">Visit</a></li><li><a href="book.html">Book</a></li></ul></nav>';
const page = (title: string, main: string, menu = nav): string =>
  `<!doctype html>\n<html lang="en"><head><meta charset="utf-8"><title>${title}</title></head>\n<body>${menu}<main><h1>${title}</h1>${main}</main></body></html>\n`;
const site = {
  'index.html': page('Observatory', '<p>Welcome.</p>'),
  'visit.html': page('Visit', '<h2 id="hours">Hours</h2><p>At eight.</p>'),
  'book.html': page('Book', '<p>Write to us.</p>'),
};

/** The same menu on every page. */
const everywhere = (menu: string): Record<string, string> => ({
  'book.html': page('Book', '', menu),
  'visit.html': page('Visit', '', menu),
  'index.html': page('Observatory', '', menu),
});

interface Checked {
  status: number;
  findings: { rule: string; severity: string; place: { file: string; position?: { line: number } } }[];
}
const checked = (files: Record<string, string>, ...args: string[]): Checked =>
  JSON.parse(kamino(folderWith(files), 'check', '.', '--json', ...args).out) as Checked;

it('finds nothing in a site where nothing is wrong', () => {
  expect(checked(site).findings).toEqual([]);
});

it('takes no index in the text of a page for a menu, and no way to the next page for an entry', () => {
  const [words, pages] = [
    ['Dome', 'Hill', 'Dome', 'Hill'],
    ['book.html', 'visit.html', 'visit.html', 'book.html'],
  ];
  const index = words.map((word, at) => `<li><a href="${pages[at]}">${word}</a></li>`).join('');
  const files = {
    'index.html': page('Observatory', `<ul class="index">${index}</ul>`),
    'book.html': page(
      'Book',
      '',
      nav.replace('</ul>', '<li><a rel="next" href="visit.html">Next</a></li></ul>'),
    ),
  };
  expect(checked({ ...site, ...files }).findings.map(one => one.rule)).not.toContain('same-words');
  expect(checked({ ...site, ...files }).findings.map(one => one.rule)).not.toContain('other-words');
});

it('takes nothing for part of a header that is never closed, nor an old name beside its id for a second place', () => {
  const row = (one: string, other: string): string =>
    `<p><a href="${one}">Dome</a>, <a href="${other}">Hill</a> | <a href="index.html">Top of all</a></p>`;
  const told = (text: string): string[] =>
    checked({ ...site, 'index.html': page('Observatory', text, `<div class="header">${nav}`) }).findings.map(
      ({ rule, place }) => `${rule}:${place.position?.line ?? ''}`,
    );
  expect(
    told(row('book.html', 'visit.html') + row('visit.html', 'book.html') + '<p>Words</p>'.repeat(40)),
  ).toEqual([]);
  const double = '<a name="way"></a><a name="way"></a>\n<h2 id="way">The way</h2>';
  expect(told(`${double}<p><a href="#way">Way</a></p>`)).toEqual([]);
  expect(told(`${double}<p>A word</p>\n<a name="way">Here</a>`)).toEqual([
    expect.stringMatching(/^same-id:/),
  ]);
});

it('takes a page and a place in it for one, and no long list for a copy of a short row', () => {
  const side =
    '<aside><ul><li><a href="visit.html#hours">Visit</a></li><li><a href="book.html">Book</a></li></ul></aside>';
  expect(checked({ ...site, 'index.html': page('Observatory', '', nav + side) }).findings).toEqual([]);
  const letters = [...'abcdefgh'];
  const row = `<div class="letters">${letters.map(one => `<a href="${one}.html">${one}</a> `).join('')}</div>`;
  const keys = [
    ...letters.map(one => one.toUpperCase()),
    ...Array.from({ length: 40 }, (_, at) => `Key ${at}`),
  ];
  const list = `<table class="keys">${keys.map(one => `<tr><td><a href="#k">${one}</a></td></tr>`).join('')}</table>`;
  const files = Object.fromEntries(letters.map(one => [`${one}.html`, page(`Letter ${one}`, row)]));
  const told = checked({ ...site, ...files, '0.html': page('Keys', `<h2 id="k">All</h2>${list}`) }).findings;
  expect(told.map(one => one.rule)).not.toContain('menu-differs');
});

const plants: [rule: string, severity: string, of: Record<string, string>][] = [
  ['same-words', 'warning', everywhere(nav.replace('Book', 'Visit'))],
  [
    'other-words',
    'note',
    everywhere(nav.replace('</ul>', '<li><a href="visit.html">Come and see</a></li></ul>')),
  ],
  [
    'insecure-file',
    'warning',
    { 'index.html': page('Observatory', '<p><img src="http://far.example/a.png" alt="">') },
  ],
  [
    'sent-on',
    'warning',
    {
      'index.html': page('Observatory', '').replace(
        '<title>',
        '<meta http-equiv="Refresh" content="3; URL=visit.html"><title>',
      ),
    },
  ],
  [
    'new-window',
    'note',
    { 'index.html': page('Observatory', '<p><a href="visit.html" target=_blank>Map</a>') },
  ],
  ['dead-link', 'error', { 'index.html': page('Observatory', '<p><a href="vist.html">Map</a>') }],
  ['orphan', 'warning', { 'left.html': page('Left', '<p>Alone.</p>') }],
];

test.each(plants)('%s is found, and weighed as %s', (rule, severity, files) => {
  const { findings } = checked({ ...site, ...files });
  expect(findings.map(one => [one.rule, one.severity, one.place.file])).toContainEqual([
    rule,
    severity,
    Object.keys(files)[0],
  ]);
});

test.each(['(new window)', '<span class="unseen">opens elsewhere</span>', '<img src="new.svg" alt="">'])(
  'a link that says %s announces its window',
  said => {
    const text = page('Observatory', `<p><a href="visit.html" target="_blank">Map ${said}</a>`);
    expect(checked({ ...site, 'index.html': text }).findings.map(one => one.rule)).not.toContain(
      'new-window',
    );
  },
);

const plan = (more: string): string =>
  `kamino: 1\noutput: built\nmenus:\n  - menu: masthead\n    place: { instead-of: nav }\n    entries: [index.html, visit.html, book.html]\n${more}`;

it('weighs rules as the plan says, and leaves out what it excuses', () => {
  const broken = {
    ...site,
    'left.html': page('Left', '<p><a href="gone.html">Gone</a>'),
    'book.html': page('Book', '<p><a href="far.html">Far</a>'),
  };
  const rules =
    'rules:\n  orphan: "off"\n  dead-link: note\n  excuse:\n    - { rule: dead-link, at: left.html, because: kept as it was }\n';
  const folder = folderWith({ ...broken, 'kamino.yaml': plan(rules) });
  kamino(folder, 'build');
  const { status, findings } = JSON.parse(kamino(folder, 'check', '--json').out) as Checked;
  expect(findings.map(one => [one.rule, one.severity, one.place.file])).toEqual([
    ['dead-link', 'note', 'built/book.html'],
  ]);
  expect(status).toBe(0);
});

it('says which rule was meant', () => {
  const folder = folderWith({ ...site, 'kamino.yaml': plan('rules: { dead-links: note }\n') });
  kamino(folder, 'build');
  const { status, err } = kamino(folder, 'check');
  expect([status, err]).toEqual([1, expect.stringContaining('Did you mean `dead-link`?')]);
});

it('writes findings as SARIF that holds against its schema', () => {
  const schema = JSON.parse(
    readFileSync(join(import.meta.dirname, '../material/sarif.json'), 'utf8'),
  ) as object;
  const isRight = new Ajv({ strict: false, validateFormats: false, unicodeRegExp: false }).compile(schema);
  const files = Object.assign({ ...site }, ...plants.map(([, , own]) => own)) as Record<string, string>;
  const { status, out } = kamino(
    folderWith({ ...files, 'my page é.html': page('Visit', '<a href="x.html">x</a>') }),
    'check',
    '.',
    '--sarif',
  );
  const log = JSON.parse(out) as {
    runs: {
      results: { ruleId: string; locations: { physicalLocation: { artifactLocation: { uri: string } } }[] }[];
    }[];
  };
  expect([isRight(log), isRight.errors]).toEqual([true, null]);
  expect(status).toBe(1);
  const places = log.runs[0]!.results.map(one => one.locations[0]!.physicalLocation.artifactLocation.uri);
  expect(places).toContain('my%20page%20%C3%A9.html');
  expect(isRight({ ...log, version: 2 })).toBe(false);
});

const deep = {
  'index.html': page('Observatory', '<p><a href="far.html">Far</a>'),
  'visit.html': page('Visit', '<h2 id="hours">Hours</h2>'),
  'book.html': page('Book', ''),
  'far.html': page('Far', '<p><a href="farther.html">On</a>', ''),
  'farther.html': page('Farther', '', ''),
  'lost.html': page('Lost "dome" & <hill>', '', ''),
};

it('tells how many links lead to each page, and which have none', () => {
  const folder = folderWith(deep);
  const { pages, menus } = JSON.parse(kamino(folder, 'map', '.', '--reach', '--format', 'json').out) as {
    pages: { page: string; depth: number | null; from: string | null }[];
    menus: { leadsTo: number; alone: string[] }[];
  };
  expect(Object.fromEntries(pages.map(one => [one.page, one.depth]))).toEqual({
    'index.html': 0,
    'visit.html': 1,
    'book.html': 1,
    'far.html': 1,
    'farther.html': 2,
    'lost.html': null,
  });
  expect(pages.find(one => one.page === 'farther.html')!.from).toBe('far.html');
  expect(menus).toEqual([
    { menu: null, leadsTo: 5, alone: ['visit.html', 'book.html', 'far.html', 'farther.html'] },
  ]);
  const { out: text } = kamino(folder, 'map', '.', '--reach');
  expect(text).toContain('    Farther  farther.html  in the text');
  expect(text).toContain('No link leads to 1 page:\n  Lost "dome" & <hill>  lost.html');
});

it('draws the same as SVG and as Mermaid, whatever the titles', () => {
  const folder = folderWith(deep);
  const svg = kamino(folder, 'map', '.', '--format', 'svg').out;
  expect(svg).toMatch(/^<svg [^>]*>[^]*<\/svg>\n$/);
  for (const words of [
    '1 link away',
    '2 links away',
    'No link leads here',
    'Lost &quot;dome&quot; &amp; &lt;hill&gt;',
  ])
    expect(svg).toContain(words);
  const mermaid = kamino(folder, 'map', '.', '--format', 'mermaid').out;
  expect(mermaid).toContain('["Lost #quot;dome#quot; & <hill>"]');
  expect(mermaid.split('\n').filter(line => line.includes('-->'))).toHaveLength(4);
});

it('refuses a format that draws nothing', () => {
  const { status, err } = kamino(folderWith(deep), 'map', '.', '--reach', '--format', 'opml');
  expect([status, err]).toEqual([2, expect.stringContaining('text, svg, mermaid or json')]);
});

const planned = (more: string): string => `kamino: 1
output: built
menus:
  - menu: masthead
    title: Main
    place: { first-in: header }
    entries: [index.html, visit.html]
${more}`;
const bare = (title: string, main = ''): string => page(title, main, '<header></header>');

it('tells before an upload what the look of the plan gives, as the plan weighs it', () => {
  const look = `look:
  background: "#fff"
  color: "#888"
  padding: 0
  font: { size: 12px }
  states: { hover: { color: "#888" }, current: { marker: none, background: "#fff" } }
`;
  const files = { 'index.html': bare('Observatory'), 'visit.html': bare('Visit') };
  const folder = folderWith({ ...files, 'kamino.yaml': planned(look) });
  const rulesIn = (text: string): [string, string][] =>
    (JSON.parse(text) as Checked).findings.map(one => [one.rule, one.severity]);
  const all = ['low-contrast', 'low-rows', 'same-state', 'same-but-hue'];
  expect(rulesIn(kamino(folder, 'build', '--json').out).map(([rule]) => rule)).toEqual(all);
  expect(rulesIn(kamino(folder, 'check', '--json').out).map(([rule]) => rule)).toEqual(all);
  const weights = 'rules: { low-contrast: off, low-rows: note, same-state: error }\n';
  writeFileSync(join(folder, 'kamino.yaml'), planned(look + weights));
  const weighed = [
    ['low-rows', 'note'],
    ['same-state', 'error'],
    ['same-but-hue', 'warning'],
  ];
  const built = kamino(folder, 'build', '--json');
  expect([built.status, rulesIn(built.out)]).toEqual([1, weighed]);
  expect(rulesIn(kamino(folder, 'check', '--json').out)).toEqual(weighed);
});

it('finds nothing in a look of usual lengths, and none where lengths are known in a browser only', () => {
  for (const look of [
    'look: { padding: 0.5rem 1rem, states: { hover: { tint: 20% } } }\n',
    'look: { padding: 1vw, font: { size: 10px } }\n',
    'look: { padding: 2px, gap: 8px, font: { size: 0.8rem } }\n',
  ]) {
    const files = { 'index.html': bare('Observatory'), 'visit.html': bare('Visit') };
    const { out } = kamino(folderWith({ ...files, 'kamino.yaml': planned(look) }), 'build', '--json');
    expect((JSON.parse(out) as Checked).findings).toEqual([]);
  }
});

it('tells pages that are further from the front page than the plan wishes', () => {
  const far = {
    'index.html': bare('Observatory'),
    'visit.html': bare('Visit', '<p><a href="rooms.html">Rooms</a>'),
    'rooms.html': bare('Rooms', '<p><a href="keys.html">Keys</a>').replace('<header></header>', ''),
    'keys.html': bare('Keys').replace('<header></header>', ''),
  };
  const plan = (depth: string): string =>
    planned(`rules: {${depth}}\n`).replace(
      '    entries',
      '    carried-by: [index.html, visit.html]\n    entries',
    );
  const found = (depth: string): string[] => {
    const folder = folderWith({ ...far, 'kamino.yaml': plan(depth) });
    kamino(folder, 'build');
    const { findings } = JSON.parse(kamino(folder, 'check', '--json').out) as Checked;
    return findings.filter(one => one.rule === 'too-deep').map(one => one.place.file);
  };
  expect([found(''), found('depth: 3'), found('depth: 2'), found('depth: 1')]).toEqual([
    [],
    [],
    ['built/keys.html'],
    ['built/keys.html', 'built/rooms.html'],
  ]);
});
