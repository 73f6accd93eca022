import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { describe, expect, it, test } from '@jest/globals';
import fc from 'fast-check';
import { lift } from '../../../src/core/inlay/lift.ts';
import { readFrame } from '../../../src/core/page/frame.ts';
import { nothingWanted } from '../../../src/core/page/wanted.ts';
import { seekIn } from '../../../src/core/page/select.ts';
import { awkward } from '../../helpers/awkward.ts';
import { treeOf } from '../../helpers/tree.ts';
import { holds, inlayer, kept, menu, places, spots } from '../../helpers/inlaying.ts';
import { runs } from '../../helpers/runs.ts';

describe.each(places)('a menu %s', (_, place) => {
  test.each(awkward)('comes and goes in %s', (_title, page) => {
    const went = holds(page, [menu(place), menu(spots('last-in', ['body']), 'foot')]);
    const isCutOff = /<[^>]*$|<plaintext>|<\?php(?![^]*\?>)/.test(page);
    if (place === null) expect(went).toBe(!isCutOff);
  });
});

function sought(
  page: string,
  selector: string,
): ReturnType<typeof seekIn> extends Map<string, infer One> ? One | undefined : never {
  const charset = { name: 'windows-1252', declared: true };
  const { bodyPoint } = readFrame('page.html', page, nothingWanted);
  return seekIn({ raw: page, charset, scripting: true, bodyPoint }, [selector]).get(selector);
}

/** The page with a mark on the elements that a menu would stand instead of. */
function marked(page: string, selector: string): string {
  const found = sought(page, selector);
  if (!found) return page;
  const [from, to] = found.cells ? [found.cells.start, found.cells.end] : [found.start, found.start + 1];
  const tags = [...page.slice(from, to).matchAll(found.cells ? /<(?:td|th)\b/gi : /</g)];
  const starts = found.cells
    ? tags.map(tag => from + tag.index + tag[0].length)
    : [found.start + 1 + found.name.length];
  return starts.reduceRight((text, at) => `${text.slice(0, at)} data-kamino=""${text.slice(at)}`, page);
}

const elements = [
  'p',
  'ul',
  'table',
  'td',
  'tr',
  'div',
  'header',
  'body > *',
  'div div, li > a',
  ':not(b) > b',
];

/** What must hold for a menu that stands instead of an element. */
function holdsInstead(page: string, selector: string): boolean {
  const maker = inlayer([menu(spots('instead-of', [selector]))]);
  const { raw, menus: count } = maker.page('sub/page.html', page);
  expect(lift(raw, hash => kept.get(hash) ?? null)).toBe(page);
  const again = maker.page('sub/page.html', raw).raw;
  const bare = (text: string): string => text.replace(/ data-kamino-(?:was|sum)="\w+"/g, '');
  expect(bare(again)).toBe(bare(raw));
  // Formatting that goes out of the element, text in tables and slots are told of by other tests; in an SVG `desc`
  // parse5 knows no CDATA.
  // A list that is never closed holds all behind it, and lets go of that with its menu.
  const isOpen = (sought(page, selector)?.listEnd ?? -1) >= 0;
  if (count > 0 && !isOpen && !/<(?:b|i|a|nobr|font|table|em|strong)\b|kamino-slot|CDATA/i.test(page))
    for (const scripting of [false, true])
      expect(treeOf(raw, scripting, true)).toBe(treeOf(marked(page, selector), scripting, true));
  return count > 0;
}

test.each(awkward)('a menu instead of an element comes and goes in %s', (_title, page) => {
  for (const selector of elements) holdsInstead(page, selector);
});

/** Inputs of the tests of html5lib, which go through every state of the standard's tokenizer and tree builder. */
const odd = JSON.parse(
  readFileSync(join(import.meta.dirname, '../../material/odd-pages.json'), 'utf8'),
) as string[];
const around: ((text: string) => string)[] = [
  text => text,
  text => `<!doctype html><meta charset=utf-8><title>t</title><body><header>h</header><p>a${text}`,
  text => `<!doctype html><meta charset=utf-8><body><div data-kamino-slot=masthead></div>${text}</body>\n`,
];

it('holds for odd pages', () => {
  odd.forEach((text, at) => {
    const page = Buffer.from(around[at % 3]!(text)).toString('latin1');
    holds(page, [menu(places[at % 5]![1]), menu(spots('last-in', ['body']), 'foot')]);
  });
});

const piece = (): fc.Arbitrary<string> =>
  fc.constantFrom(
    ...'<p>|</p>|<div>|</div>|<b>|</b>|<a href=x>|</a>|<ul><li>|</ul>|<table><tr><td>|</table>|<td>|<header>|</header>|<main>'.split(
      '|',
    ),
    ...'</main>|<body>|</body>|</html>|<head>|</head>|<title>t</title>|<!-- c -->|text| \n|<br>|<svg>|</svg>|<h1>|</h2>'.split(
      '|',
    ),
    ...'<form>|</form>|<style>a{}</style>|<meta charset=utf-8>|<base href=y>|<dl><dt>|<dd>|<option>|<i>|</i>|<article>'.split(
      '|',
    ),
    ...'<div data-kamino-slot=masthead>|<button>|</button>|<template>|</template>|<noscript>|</noscript>|<pre>|</pre>|&amp;|<nobr>'.split(
      '|',
    ),
  );

it('holds for pages put together at random', () => {
  const pages = fc.array(piece(), { maxLength: 14 }).map(parts => parts.join(''));
  fc.assert(
    fc.property(pages, fc.constantFrom(...places), fc.nat(40), (page, [, place], cut) => {
      holds(page.slice(0, page.length - (cut % 2) * cut), [menu(place)]);
    }),
    { numRuns: runs(3000) },
  );
});

it('holds for menus instead of elements of such pages', () => {
  const pages = fc.array(piece(), { maxLength: 14 }).map(parts => parts.join(''));
  fc.assert(
    fc.property(pages, fc.constantFrom(...elements), (page, selector) => {
      holdsInstead(page, selector);
    }),
    { numRuns: runs(3000) },
  );
});

it('makes the same of a long page as of a short one', () => {
  const start = '<!doctype html>\n<meta charset=utf-8><title>T</title>\n<header></header>\n<main id=m>\n';
  const long = `${start}${'<p>More text, and more.</p>\n'.repeat(2000)}`;
  const maker = inlayer([menu(null)]);
  const [short, whole] = [maker.page('a.html', start).raw, maker.page('a.html', long).raw];
  expect(whole).toBe(short + long.slice(start.length));
  expect(maker.page('a.html', whole).raw).toBe(whole);
  const late = `${long}<div Data-Kamino-Slot="masthead"></div>`;
  expect(maker.page('a.html', late).raw.indexOf('<nav')).toBeGreaterThan(long.length);
  expect(maker.page('a.html', `${long}\0`).findings.map(one => one.rule)).toEqual(['unreadable-page']);
});

it('makes of pages that begin alike what it makes of each alone', () => {
  const part = (...texts: string[]): fc.Arbitrary<string> => fc.constantFrom(...texts);
  const filler = '<p>More text, and more.</p>\n'.repeat(60);
  const start = fc
    .tuple(
      part('', '', '<!-- <title>no</title> -->', '<base href="../">', '<link rel=stylesheet href=a.css>'),
      part('One', 'Two pages', 'A {{ name }}', 'x > y', '', 'Ä &amp; B', 'T</title><title>U', 'A <b>'),
      part('', '<link rel=stylesheet href=b.css>', '<style>p{}</style>'),
      part(
        '<header>',
        '<header class=x>',
        '<header><div data-kamino-slot=masthead></div>',
        '<header><a href=#m>Skip</a>',
      ),
      part('', '<div data-kamino-slot=masthead></div>', '<div data-kamino-slot=other></div>'),
      part(
        '<main id=m>',
        '<main id=content>',
        '<main id=content><h2>One</h2>',
        '<main id=content><h2>Another</h2>',
      ),
    )
    .map(
      ([first, title, sheet, header, late, main]) =>
        `<!doctype html>\n<meta charset=utf-8>${first}<title>${title}</title>${sheet}\n${header}</header>\n${main}\n${filler}${late}</main>\n`,
    );
  const placed = fc.tuple(
    start,
    part(
      'p.html',
      'b.html',
      'index.html',
      'a/one.html',
      'a/two.html',
      'a/b/three.html',
      'c/d.html',
      'c/e/f.html',
      'css/g.html',
    ),
  );
  fc.assert(
    fc.property(
      fc.array(placed, { minLength: 2, maxLength: 12 }),
      fc.nat(3),
      fc.nat(2),
      (pages, at, more) => {
        // What is found in the whole page alone does not lie where it lay in another one.
        const selectors = [['main > p'], ['header ~ main p'], ['header .nothing', 'main p']];
        const own = menu(at === 3 ? null : spots('before', selectors[at]!));
        const leadsTo = { kind: 'section', path: 'b.html', id: 'm' } as const;
        const section = { ...own.entries[0]!, leadsTo, hook: 'section' };
        const menus = [more === 1 ? { ...own, entries: [...own.entries, section] } : own];
        if (more === 2) menus.push(menu(spots('after', ['header']), 'second'));
        const shared = inlayer(menus);
        for (const [page, path] of pages) {
          const [one, alone] = [shared, inlayer(menus)].map(maker => maker.page(path, page));
          expect(one!.raw).toBe(alone!.raw);
          expect(one).toEqual(alone);
          expect(lift(one!.raw)).toBe(page);
        }
      },
    ),
    { numRuns: runs(400) },
  );
});

it.each(['instead-of', 'before', 'first-in'] as const)(
  'finds what only the whole page shows on each page anew, whatever stands before it: %s',
  side => {
    const page = (name: string): string =>
      `<!doctype html>\n<meta charset=utf-8><title>${name}</title>\n<body><main><h1>${name}</h1><div id=side><h3>Rooms</h3><nav><ul><li><a href=a.html>A</a></li></ul></nav></div>${'<p>More</p>'.repeat(9)}</main>\n`;
    const menus = [menu(spots(side, ['#side nav']))];
    const shared = inlayer(menus);
    for (const name of ['index', 'journal', 'a', 'rooms']) {
      const [one, alone] = [shared, inlayer(menus)].map(maker => maker.page(`${name}.html`, page(name)));
      const plain = (raw: string): string => raw.replace(/ data-kamino-(?:sum|was)="[^"]*"/g, '');
      expect([one!.findings, plain(one!.raw)]).toEqual([[], plain(alone!.raw)]);
    }
  },
);

describe('the markup', () => {
  const page =
    '<!doctype html>\n<meta charset=utf-8>\n<body>\n  <header>\n  </header>\n  <main>x</main>\n</body>\n';
  const { raw } = inlayer([menu(null)]).page('a/one.html', page);

  it('marks this page and links from where it lies', () => {
    const text = Buffer.from(raw, 'latin1').toString('utf8');
    expect(text).toContain(
      '<a class="kamino-link" href="one.html" aria-current="page">A &amp; &lt;b&gt;</a>',
    );
    expect(text).toContain('<a class="kamino-link" href="../b.html">Zwei &quot;2&quot;</a>');
    expect(text).toContain('Home “é” 🌙');
  });

  it('is indented as the page is, an entry a line', () => {
    expect(raw).toMatch(/\n {2}<header><nav [^>]*>\n {4}<div class="kamino-room">/);
    expect(raw).toMatch(/\n {2}<\/nav>\n {2}<\/header>/);
  });

  it('gives the main content an id, and takes it out again', () => {
    expect(raw).toContain('<main data-kamino-id="main" id="main">');
    expect(raw).toContain('href="#main"');
  });

  it('writes one reference for a letter outside the basic plane where the page is not UTF-8', () => {
    const other = inlayer([menu(null)]).page('x.html', page.replace('utf-8', 'iso-8859-1')).raw;
    expect(other).toContain('Home &#x201C;&#xE9;&#x201D; &#x1F319;');
  });

  it('names its own page before # where the page has a base', () => {
    const based = inlayer([menu(null)]).page('a/one.html', page.replace('<meta', '<base href="/"><meta')).raw;
    expect(based).toContain('href="a/one.html#main"');
    expect(based).toContain('href="b.html"');
  });
});

describe('pages that cannot carry a menu', () => {
  const cases: [string, string, string, string][] = [
    ['UTF-16', 'a.html', '\xff\xfe<\0p\0>\0', 'unreadable-page'],
    ['null bytes', 'a.html', '<p>a\0b', 'unreadable-page'],
    ['ISO-2022-JP', 'a.html', '<meta charset=iso-2022-jp><p>x', 'unreadable-page'],
    ['XML', 'a.xhtml', '<p>x</p>', 'xml-page'],
    ['a frameset', 'a.html', '<html><frameset cols="*"><frame src=x></frameset></html>', 'frameset-page'],
    ['a page that ends in a comment', 'a.html', '<!-- never closed', 'bad-place'],
  ];
  test.each(cases)('%s', (_, path, page, rule) => {
    const made = inlayer([menu(null)]).page(path, page);
    expect(made.raw).toBe(page);
    expect(made.findings.map(one => one.rule)).toEqual([rule]);
  });

  const bad = 'p pre a h2 ul ol dl span address button select svg math textarea noscript em label dt'.split(
    ' ',
  );
  test.each([...bad, 'tr', 'table'])('a slot in %s', name => {
    const inner =
      name === 'tr'
        ? '<table><tr data-kamino-slot=masthead><td>x</tr></table>'
        : `<${name} data-kamino-slot=masthead></${name}>`;
    const made = inlayer([menu(null)]).page('a.html', `<body>${inner}</body>`);
    expect(made.findings.map(one => one.rule)).toEqual(['bad-place']);
    expect(made.findings[0]!.place?.position).toEqual({
      line: 1,
      column: inner.indexOf('<', name === 'tr' ? 1 : 0) + 7,
    });
  });

  it('a slot behind a link that was never closed', () => {
    const made = inlayer([menu(null)]).page(
      'a.html',
      '<body><p><a name=top>x</p><div data-kamino-slot=masthead></div>',
    );
    expect(made.findings.map(one => one.rule)).toEqual(['bad-place']);
  });

  it('tells second and unknown slots, and a place that is not there', () => {
    const slots =
      '<body><i data-kamino-slot=foot></i><div data-kamino-slot=masthead></div><div data-kamino-slot=masthead></div>';
    expect(
      inlayer([menu(null)])
        .page('a.html', slots)
        .findings.map(one => one.rule),
    ).toEqual(['unknown-slot', 'second-slot']);
    const none = inlayer([menu(spots('after', ['#nowhere']))]).page('a.html', '<body>x');
    expect(none.findings.map(one => one.rule)).toEqual(['no-place']);
    expect(none.raw).toBe('<body>x');
  });
});

it('tells folders apart as the disk has them, whatever form of Unicode that is', () => {
  const [composed, onDisk] = ['é', 'é'.normalize('NFD')];
  const own = menu(null);
  const leadsTo = { kind: 'page', path: `${composed}/b.html` } as const;
  const menus = [{ ...own, home: null, entries: [{ ...own.entries[0]!, leadsTo }] }];
  const decomposed = new Map(['a', 'b'].map(name => [`${composed}/${name}.html`, `${onDisk}/${name}.html`]));
  const page =
    '<!doctype html>\n<meta charset=utf-8><title>T</title>\n<header></header>\n<main id=content>\n<p>x</p></main>\n';
  const shared = inlayer(menus, decomposed);
  for (const path of [`${onDisk}/a.html`, 'z/c.html', 'y/d.html', `${onDisk}/e.html`])
    expect(shared.page(path, page).raw).toBe(inlayer(menus, decomposed).page(path, page).raw);
});
