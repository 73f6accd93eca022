import { describe, expect, it, test } from '@jest/globals';
import { type DefaultTreeAdapterMap, parse } from 'parse5';
import { readFrame } from '../../../src/core/page/frame.ts';
import { nothingWanted } from '../../../src/core/page/wanted.ts';
import { readFull } from '../../../src/core/page/full.ts';
import { sectionHeadings, sectionLabels } from '../../../src/core/page/sections.ts';
import { awkward } from '../../helpers/awkward.ts';

type Node = DefaultTreeAdapterMap['node'];
type Element = DefaultTreeAdapterMap['element'];

/** Every element of parse5's tree in the order of its start tag; a template's content is not looked into. */
function elementsOf(raw: string): Element[] {
  const found: Element[] = [];
  const visit = (node: Node): void => {
    if ('tagName' in node && node.sourceCodeLocation) found.push(node);
    if ('childNodes' in node) node.childNodes.forEach(visit);
  };
  visit(parse(raw, { sourceCodeLocationInfo: true, scriptingEnabled: false }));
  return found.sort((one, other) => startOf(one) - startOf(other));
}

const startOf = (element: Element): number => element.sourceCodeLocation!.startOffset;
const valueOf = (element: Element, name: string): string | undefined =>
  element.attrs.find(one => one.name === name)?.value;

/** Template code means nothing to parse5. A body tag's second attributes have no place of their own. */
const readAlike = awkward.filter(([title]) => !/PHP|braces|template code|angle/.test(title));
const hostile: [string, string][] = [
  [
    'anchors in tables',
    '<table><a name=x>y</a><tr><td><a href=1>a</a><a href=2>b<a href=3>c</table><a href=4>d</a>',
  ],
  ['links in links', '<a href=1 id=p>a<div><a href=2 id=q>b</a></div></a>'],
  ['image maps', '<map name=m><area href=1 alt=x><area href="2"></map>'],
  ['null attribute names', '<p =id=x id==y><p "id"=z id=\'w\'>'],
  ['entities in addresses', '<a href="?a=1&amp;b=2&copy=3&copy;">x</a>'],
  ['headings with markup', '<h1 id=a>One <b>two</b><br>three &amp; <img alt=four></h1><h2>five<h3>six</h3>'],
  [
    'math and svg ids',
    '<math><mi id=a>x</mi><mtext><b id=b>y</b></mtext></math><svg id=c><a id=d href=x /><g id=e /></svg>',
  ],
  [
    'scripts with ids',
    '<script id=s>"<p id=no>"</script><style id=t><p id=no></style><xmp id=u><p id=no></xmp><iframe id=v><p id=no></iframe>',
  ],
  ['noscript', '<noscript><p id=a><a href=b>c</a></p></noscript><noscript id=d></noscript>'],
  ['ids with white space and empty', '<p id=""><p id=" a "><p id="a\nb"><p ID=C>'],
  [
    'unclosed everything',
    '<div id=a><p id=b><ul id=c><li id=d><a href=x id=e><table id=f><tr id=g><td id=h>',
  ],
];

describe('a page read whole agrees with the tree of parse5', () => {
  test.each([...readAlike, ...hostile])('%s', (_, raw) => {
    // Not decoded here: parse5 is given the bytes as they are, and so is the charset.
    const page = readFull(
      'p.html',
      /charset/.test(raw) ? raw.replace(/charset=[\w-]+/i, 'charset=x-none') : raw,
    );
    const text = page.frame.raw.startsWith('\xef\xbb\xbf') ? raw.slice(3) : page.frame.raw;
    const shift = page.frame.raw.length - text.length;
    const elements = elementsOf(text);
    const ascii = (value: string | undefined): string => (value ?? '').replace(/[^\0-\x7f]/g, '?');
    const ids = elements
      .filter(one => valueOf(one, 'id'))
      .map(one => [startOf(one) + shift, ascii(valueOf(one, 'id'))]);
    expect(
      page.ids.filter(one => valueAt(text, one.start - shift, 'id')).map(one => [one.start, ascii(one.id)]),
    ).toEqual(ids);
    const links = elements.filter(
      one => /^(a|area)$/.test(one.tagName) && valueOf(one, 'href') !== undefined,
    );
    expect(page.links.map(one => [one.start, ascii(one.href)])).toEqual(
      links.map(one => [startOf(one) + shift, ascii(valueOf(one, 'href'))]),
    );
    const headings = elements.filter(one => /^h[1-6]$/.test(one.tagName));
    expect(page.headings.map(one => [one.start, one.level])).toEqual(
      headings.map(one => [startOf(one) + shift, Number(one.tagName[1])]),
    );
  });
});

function valueAt(text: string, start: number, name: string): boolean {
  return elementsOf(text).some(one => startOf(one) === start && valueOf(one, name));
}

it('reads texts as people see them', () => {
  const page = readFull(
    'p.html',
    '<meta charset=windows-1252><h1 id=a>caf\xe9 \x80<br>two &amp; <img alt="a &quot;dog&quot;"></h1><a href=x>y<b> z</b></a>',
  );
  expect(page.headings).toMatchObject([{ level: 1, id: 'a', text: 'café € two & a "dog"' }]);
  expect(page.links).toMatchObject([{ href: 'x', menu: null }]);
});

describe('the frame of a page', () => {
  const frame = (raw: string) => readFrame('p.html', raw, { ...nothingWanted, heading: true, end: true });
  const cases: [string, string, object][] = [
    [
      'charset by meta',
      '<meta charset="ISO-8859-1"><title>\x93caf\xe9\x94</title>',
      { charset: { name: 'windows-1252', declared: true }, title: '“café”' },
    ],
    [
      'charset by http-equiv',
      "<meta http-equiv=content-type content='text/html;charset = utf-8'>",
      { charset: { name: 'utf-8', declared: true } },
    ],
    [
      'charset by its mark',
      '\xef\xbb\xbf<meta charset=latin1>',
      { charset: { name: 'utf-8', declared: true } },
    ],
    ['UTF-8 unsaid', '<title>\xc3\xa9</title>', { charset: { name: 'utf-8', declared: false }, title: 'é' }],
    [
      'neither said nor UTF-8',
      '<title>\xe9</title>',
      { charset: { name: 'windows-1252', declared: false }, title: 'é' },
    ],
    ['the reference for the euro', '<title>&#128; &eacute;</title>', { title: '€ é' }],
    [
      'language, base, title',
      '<html lang=cy><base href="../x/"><title> A\n B </title>',
      { language: 'cy', base: '../x/', title: 'A B' },
    ],
    ['the first heading', '<body><h1>One <i>two</i></h1><h1>Three</h1>', { heading: 'One two' }],
    ['no title in SVG', '<body><svg><title>no</title></svg>', { title: null }],
    ['where the head ends', '<head><title>T</title></head><body>x', { headPoint: 22 }],
    [
      'before the first style sheet',
      '<head><title>T</title><link rel="x stylesheet" href=a></head><body>x',
      { headPoint: 22 },
    ],
    [
      'after a late charset',
      '<head><link rel=stylesheet href=a><meta charset=utf-8><title>T</title></head>',
      { headPoint: 54 },
    ],
    ['in an implied head before text', '<title>T</title>\n\n x', { headPoint: 19, bodyPoint: 19 }],
    ['the end of the body', '<body>x</body></html>', { bodyPoint: 6, bodyEnd: 7 }],
    [
      'a skip link',
      '<body><a href="#c">To the text</a><div id=c></div><main id=c>x</main>',
      { hasSkipLink: true },
    ],
    [
      'a first link that is none',
      '<body><a href="#prices">Prices</a><main id=c>x</main>',
      { hasSkipLink: false },
    ],
  ];
  test.each(cases)('%s', (_, raw, expected) => {
    expect(frame(raw)).toMatchObject(expected);
  });

  it('names its slots', () => {
    expect(frame('<div data-kamino-slot="a&amp;b"><i></i></div>').slots).toMatchObject([
      { name: 'a&b', element: { start: 0, open: 32, close: 39, end: 45 } },
    ]);
  });
});

describe('a section', () => {
  const raw = `<body><h2><a name=x1>Winter</a></h2><p>a
<a name=x2></a><h2>Spring</h2>
<section id=x3><h2><span id=x4>Summer</span> nights</h2></section>
<h2 id=x5>Autumn <a name=x6></a></h2><p><a name=x7></a>text<p>more
<h2>Late</h2>`;
  const page = readFull('a.html', raw);

  it('is called by the heading that has its id, that holds it, or that follows it', () => {
    expect(Object.fromEntries(sectionLabels(page))).toEqual({
      x1: 'Winter',
      x2: 'Spring',
      x3: 'Summer nights',
      x4: 'Summer nights',
      x5: 'Autumn',
      x6: 'Autumn',
      x7: 'Late',
    });
  });

  it('has its own id, else the one that stands in it, else that of the section around it', () => {
    expect(sectionHeadings(page).map(({ text, id }) => [text, id])).toEqual([
      ['Winter', 'x1'],
      ['Spring', 'x2'],
      ['Summer nights', 'x4'],
      ['Autumn', 'x5'],
      ['Late', 'x7'],
    ]);
  });
});
