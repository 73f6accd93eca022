import { describe, expect, it, test } from '@jest/globals';
import fc from 'fast-check';
import { AlikeMarks } from '../../../src/core/inlay/alike-marks.ts';
import { marksIn } from '../../../src/core/inlay/find.ts';
import { inlayer, menu, spots } from '../../helpers/inlaying.ts';
import { runs } from '../../helpers/runs.ts';

const part = (...texts: string[]): fc.Arbitrary<string> => fc.constantFrom(...texts);
/** Texts and values, most of which may stand for one another. */
const said = part(
  ...[
    'One',
    'Two words',
    'Ä &amp; B',
    'x > y',
    '&nbsp;',
    'more ',
    ' more',
    '',
    ' ',
    'two\nlines',
    '#top',
    '../a.html',
  ],
  ...[
    '{',
    '{{ name }}',
    '{% if %}',
    "it's",
    'data-kamino-slot',
    'data-kamino-slot="masthead"',
    'skip',
    '&#32;',
    '&lt;',
  ],
);
const address = part(
  'a.html',
  '../b.html',
  '#m',
  '&#35;m',
  '',
  'c.html?d=e#f',
  'g h.html',
  'x<y',
  '{{ url }}',
  'A\nB',
);
const quoted = fc
  .tuple(address, part('"', '"', '"', "'"))
  .map(([value, quote]) => `${quote}${value}${quote}`);

const link = fc
  .tuple(quoted, said, part('', ' title="One"', ' title="Two"', ' class=skip', ' id=m', ' title=A'))
  .map(([href, text, more]) => `<a href=${href}${more}>${text}</a>`);
const item = fc
  .tuple(link, part('', ' class=on', ' id=content'))
  .map(([one, more]) => `<li${more}>${one}</li>`);
const list = fc
  .tuple(fc.array(item, { maxLength: 5 }), part('', '\n', '\n  ', '\r\n'))
  .map(([all, between]) => `<ul>${all.map(one => between + one).join('')}${between}</ul>`);
const words = fc
  .tuple(fc.array(said, { maxLength: 5 }), part('p', 'li', 'span', 'td', 'option', 'b'))
  .map(([all, name]) => all.map(one => `<${name}>${one}</${name}>`).join(''));
const open = fc
  .tuple(fc.array(said, { maxLength: 4 }), part('p', 'li', 'a', 'b', 'i href="a"'))
  .map(([all, name]) => all.map(one => `<${name}>${one}`).join(''));
const piece = fc.oneof(
  ...[link, link, list, list, words, open],
  said,
  said.map(text => `<!-- ${text} -->`),
  fc
    .tuple(
      said,
      quoted,
      part('', '\n', '\r\n', '\n  ', ' '),
      part('script', 'script', 'SCRIPT', 'svg><script'),
    )
    .map(([text, src, end, name]) => `<${name} src=${src}>${text}</${name.slice(-6)}>${end}`),
  fc
    .tuple(fc.array(said, { maxLength: 4 }), part('\n', '\r\n', '\n '))
    .map(([all, end]) => all.map(one => `<script>${one}</script>${end}`).join('')),
  said.map(text => `<noscript>${text}</noscript>`),
  said.map(text => `<textarea>${text}</textarea>`),
  said.map(text => `<svg><title>${text}</title><a href="#m">${text}</a><style>${text}</style></svg>`),
  said.map(text => `<h1>${text}</h1>`),
  quoted.map(src => `<img src=${src} alt="">`),
  part(
    '<div>',
    '</div>',
    '<table><tr><td>',
    '</table>',
    '<div data-kamino-slot=masthead></div>',
    '<p class=place>',
  ),
);
const meta = fc
  .tuple(part('name="keywords"', 'name="description"', 'name=viewport', 'http-equiv="content-type"'), quoted)
  .map(([name, content]) => `<meta ${name} content=${content}>`);
const inHead = fc.oneof(
  meta,
  fc
    .array(quoted, { maxLength: 4 })
    .map(all => all.map(one => `<meta name="keywords" content=${one}>\n`).join('')),
  fc
    .tuple(part('stylesheet', 'next', 'icon'), quoted)
    .map(([rel, href]) => `<link rel="${rel}" href=${href}>`),
  said.map(text => `<title>${text}</title>`),
  part('<style>p {}</style>', '<base href="../">', '<script>var root = "../";</script>'),
  fc
    .tuple(said, part('\n', '\r\n', '', '\n  '))
    .map(([text, end]) => `<script>let a = "${text}";\nrun(a);</script>${end}`),
  quoted.map(src => `<script src=${src}></script>\n`),
);

interface Pieces {
  start: string;
  head: readonly string[];
  body: string;
  all: readonly string[];
  main: string;
  end: string;
}
const pieces: fc.Arbitrary<Pieces> = fc.record({
  start: part(
    '<!doctype html>\n',
    '<!doctype html>\r\n',
    '<!doctype html>',
    '\xef\xbb\xbf<!doctype html>\n<html lang=de>',
  ),
  head: fc.array(inHead, { maxLength: 4 }),
  body: part('<body>\n', '<body>', '<body class=x>\n  ', '', '</head><frameset>'),
  all: fc.array(piece, { maxLength: 8 }),
  main: part(
    '<main id=m>',
    '<main>',
    '<div id=content>',
    '',
    '<header>Head</header>',
    '<p class=place>Here</p>',
  ),
  end: part(
    '<p>More</p>\n',
    '</main>',
    '<a href="z.html">Z</a><main id=m>late</main>',
    '<div id=content></div>\n',
    '',
  ),
});
const page = ({ start, head, body, all, main, end }: Pieces): string =>
  `${start}<meta charset=utf-8>${head.join('')}${body}${all.join('')}${main}${end}`;

/** Pages of which each has much in common with the first. */
const alike = fc
  .tuple(pieces, fc.array(fc.tuple(pieces, fc.nat(63)), { minLength: 1, maxLength: 7 }))
  .map(([first, others]) => {
    const mixed = others.map(([other, which]): Pieces => {
      const at = which % 8;
      const near = <Part>(mine: readonly Part[], theirs: readonly Part[]): Part[] =>
        mine.map((one, number) => (number === at ? (theirs[number] ?? one) : one));
      return {
        ...first,
        head: near(first.head, other.head),
        all: near(first.all, other.all),
        ...((which & 8) > 0 ? { end: other.end } : {}),
        ...((which & 48) === 48 ? { main: other.main } : {}),
      };
    });
    return [first, ...mixed].map(page);
  });

/** Each text and value of a page is another, but for those that must be as they are. */
const varied = (given: string, word: string): string =>
  given.replace(
    /(?<=>)[A-Z][\w ]*(?=<)|(?<= (?:href|title|alt)=")[a-z.]+(?=")/g,
    was => `${word}${was.slice(1)}`,
  );

/** A finished page in which somebody has changed something of the menu, or around it. */
function edited(raw: string, how: number): string {
  const edits: (() => string)[] = [
    () => raw.replace('</nav>', ''),
    () => raw.replace('Zwei', 'Drei'),
    () => raw.replace(/ data-kamino-sum="\w+"/, ''),
    () => raw.replace('<nav', '<template><nav'),
    () => raw.replace('<ul class="kamino-list">', '<ul class="kamino-list"><li>More</li>'),
    () => raw.replace('<body>', '<body><p data-kamino="none">'),
    () => raw.replace(/<a class="kamino-link"[^]*?<\/a>/, ''),
  ];
  return edits[how % edits.length]!();
}

const paths = [
  'a.html',
  'b.html',
  'sub/c.html',
  'sub/d.html',
  'css/e.html',
  'index.html',
  'a/one.html',
  'sub/f/g.html',
];

describe('pages that have more or less in common', () => {
  test.each([
    ['by themselves', null],
    ['first in the body', spots('first-in', ['body'])],
    ['before an element', spots('before', ['.place', 'header'])],
    ['in an element', spots('last-in', ['ul', '.place'])],
    ['instead of an element', spots('instead-of', ['.place', 'ul'])],
    ['by an address', spots('before', ['[href="a.html"]', '[title]'])],
  ])('are made as each alone: menus %s', (_, place) => {
    fc.assert(
      fc.property(alike, fc.nat(1), (given, second) => {
        const menus = [menu(place), ...(second === 1 ? [menu(spots('after', ['header']), 'second')] : [])];
        const shared = inlayer(menus);
        const known = new AlikeMarks();
        const all = given.flatMap(one => [one, varied(one, 'Other '), varied(one, 'X')]);
        for (const [at, one] of all.entries()) {
          const path = paths[at % paths.length]!;
          const [made, alone] = [shared, inlayer(menus)].map(maker => maker.page(path, one));
          expect(made!.raw).toBe(alone!.raw);
          const whole = ({ spans, ...rest }: NonNullable<typeof made>) => ({
            ...rest,
            spans: spans.map(({ drop = 0, ...span }) => ({ ...span, drop })),
          });
          expect(whole(made!)).toEqual(whole(alone!));
          for (const cut of [made!.raw, edited(made!.raw, at)])
            expect(marksIn(cut, known)).toEqual(marksIn(cut, new AlikeMarks()));
        }
      }),
      { numRuns: runs(40) },
    );
  });
});

const start = '<!doctype html>\n<meta charset=utf-8>\n<title>A</title>\n';
const behind = '<p class=place>Here</p>\n<main id=m>\n<h1>A</h1>\n</main>\n';
it.each([
  ['a first link to the main content', '<a href="', ['a.html', '#m', '#n', 'b.html', '#m'], '">A</a>\n'],
  ['a first link that says so', '<a href="', ['a.html">Skip', '#n">Skip', '#n">Go', 'c.html">A'], '</a>\n'],
  ['a second one', '<a href="a.html">A</a>\n<a href="', ['b.html', '#m', '#n'], '">Skip</a>\n'],
  ['one behind a link without an address', '<a>A</a>\n<a href="', ['b.html', '#m', 'c.html'], '">A</a>\n'],
  [
    'one behind a link of a drawing',
    '<svg><a href="x">A</a></svg>\n<a href="',
    ['b.html', '#m'],
    '">A</a>\n',
  ],
  ['a script', '<script>', ['a', 'a;\n  b', ' a;\r\n', '', 'if (a) {\n}\n', 'a < b', 'a<p>'], '</script>\n'],
  [
    'a script before more',
    '<script>',
    ['a', 'a;\n  b', '  ', '\n\n    a'],
    '</script><p class=place>A</p>\n',
  ],
  ['what follows a script', '<script>a</script>', ['\n', '\n  ', '\r\n', '', ' '], '<p class=place>A</p>\n'],
  ['scripts', '', [1, 2, 5, 0].map(count => '<script src="a.js"></script>\n'.repeat(count)), '<p>B</p>\n'],
  [
    'scripts that say something',
    '',
    ['a', 'b', 'c;\nd'].map(one => `<script>${one}</script>\n`.repeat(3)),
    '',
  ],
])('what has a say is told apart in %s', (_, before, parts, after) => {
  for (const place of [
    null,
    spots('before', ['.place']),
    spots('first-in', ['body']),
    spots('after', ['script']),
  ])
    for (const first of parts) {
      const shared = inlayer([menu(place)]);
      for (const one of [first, ...parts, ...parts]) {
        const given = `${start}<body>\n${before}${one}${after}${behind}`;
        expect(shared.page('a.html', given).raw).toBe(inlayer([menu(place)]).page('a.html', given).raw);
      }
    }
});

it('pages with thousands of links before their content are made too', () => {
  const shared = inlayer([menu(null)]);
  const links = (name: string): string =>
    Array.from({ length: 20_000 }, (_, at) => `<li id=i${at}><a href="${name}">${name}</a></li>`).join('');
  for (const name of ['One', 'Two', 'Three']) {
    const given = `<!doctype html>\n<meta charset=utf-8><title>A</title><body><ul>${links(name)}</ul><main id=m></main>\n`;
    expect(shared.page('a.html', given).raw).toBe(inlayer([menu(null)]).page('a.html', given).raw);
  }
});

it('elements nested deeper than browsers nest them are counted', () => {
  const deep = (more: number): string =>
    `<!doctype html>\n<meta charset=utf-8><title>A</title><body>${'<div>'.repeat(600)}${'<div>Deep'.repeat(more)}${'</div>'.repeat(603)}<main id=m></main>\n`;
  const shared = inlayer([menu(spots('last-in', ['div']))]);
  for (const more of [3, 4, 5, 9]) {
    const made = inlayer([menu(spots('last-in', ['div']))]).page('a.html', deep(more));
    expect(shared.page('a.html', deep(more)).raw).toBe(made.raw);
  }
});
