import { describe, expect, it, test } from '@jest/globals';
import { readFrame } from '../../../src/core/page/frame.ts';
import { seekIn } from '../../../src/core/page/select.ts';
import { nothingWanted } from '../../../src/core/page/wanted.ts';

const page = `<html lang=en><head><title>T</title></head>
<body class="home">
<div id="top"><a id="a1" href="x">Logo</a>
  <ul id="u1"><li id="l1">One<li id="l2" class="here now">Two</ul></div>
<table id="t1"><tr id="r1"><td id="c1" class="n">A<td id="c2" class="n">B<td id="c3">C</tr></table>
<div id="foot"><ul id="u2"><li id="l3">Three</li></ul><p id="p1"></p><p id="p2">x</p></div>
</body></html>`;

function first(selector: string, raw = page): string | null {
  const charset = { name: 'utf-8', declared: true };
  const { bodyPoint } = readFrame('p.html', raw, nothingWanted);
  return seekIn({ raw, charset, scripting: true, bodyPoint }, [selector]).get(selector)?.id ?? null;
}

describe('a selector of CSS finds its first element', () => {
  const cases: [string, string | null][] = [
    ['#foot ul', 'u2'],
    ['body > div', 'top'],
    ['body.home > div', 'top'],
    ['body.away > div', null],
    ['head > *', null],
    ['html[lang=en] > body > table', 't1'],
    ['li + li', 'l2'],
    ['li.here', 'l2'],
    ['[class~=now]', 'l2'],
    ['ul > li:nth-of-type(2)', 'l2'],
    ['div:nth-of-type(2) > ul', 'u2'],
    ['table > tr > td', 'c1'],
    ['td:not(.n)', 'c3'],
    ['div:has(> p) li', 'l3'],
    ['p:empty', 'p1'],
    ['#foot p:last-child', 'p2'],
    ['p, ul', 'u1'],
  ];
  test.each(cases)('%s', (selector, id) => {
    expect(first(selector)).toBe(id);
  });
});

describe('cells of a table go together', () => {
  const cells = (selector: string): string | undefined => {
    const charset = { name: 'utf-8', declared: true };
    const found = seekIn({ raw: page, charset, scripting: true, bodyPoint: 0 }, [selector]).get(selector)!;
    return found.cells
      ? `${page.slice(found.cells.start, found.cells.end)} ${found.cells.attributes}`
      : undefined;
  };

  it('all of a row, with their number and what they share', () => {
    expect(cells('#r1')).toBe('<td id="c1" class="n">A<td id="c2" class="n">B<td id="c3">C  colspan="3"');
  });

  it('a cell and those after it that the selector matches too', () => {
    expect(cells('td.n')).toBe('<td id="c1" class="n">A<td id="c2" class="n">B  colspan="2" class="n"');
    expect(cells('#u1')).toBeUndefined();
  });
});
