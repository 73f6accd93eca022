import { describe, expect, it, test } from '@jest/globals';
import { readFrame } from '../../../src/core/page/frame.ts';
import { seekIn } from '../../../src/core/page/select.ts';
import { nothingWanted } from '../../../src/core/page/wanted.ts';
import { type Selector, readSelector } from '../../../src/core/text/selector.ts';

const selectorOf = (text: string): Selector => readSelector(text)!;
const start = '<!doctype html><html lang="en"><head><meta charset="utf-8"><title>T</title></head><body>';
const end = `<p>${'More. '.repeat(2000)}</p></body></html>`;

function frameOf(raw: string, selector: string, isWhole = false) {
  const whole = new Set(isWhole ? [selector] : []);
  return readFrame('p.html', raw, { ...nothingWanted, selectors: [selectorOf(selector)], whole });
}

describe('a place is found as it would be in the whole tree', () => {
  const pages: Record<string, string> = {
    'an id with a reference in it': '<div id="c&#111;ntent">x</div><div id="content">y</div>',
    'a class with a reference in it': '<p class="a con&#x74;ent b">x</p><p class="content">y</p>',
    'words that are no tags':
      '<!-- <div id="content"> --><script>"<div id=content class=content>"</script><div id="content" class="content">y</div>',
    'another letter case': '<DIV ID="content" CLASS=content>x</DIV><div id="Content">y</div>',
    'single quotes and none': "<div id='content'>x</div><div class=content>y</div>",
    'the word inside of another':
      '<p class="contents">x</p><p id="contents">z</p><div id="content" class="content">y</div>',
    'an element inside a noscript':
      '<noscript><div id="content" class="content">x</div></noscript><i id="content" class="content">y</i>',
    'nothing at all': '<p>content</p>',
  };
  const selectors = ['#content', '.content', '[id=content]', 'div.content', '[class~="content"]'];
  test.each(
    Object.entries(pages).flatMap(([name, body]) => selectors.map(one => [name, one, body] as const)),
  )('%s, %s', (_, selector, body) => {
    const raw = `${start}${body}<main id="m">z</main>${end}`;
    const frame = frameOf(raw, selector);
    const { charset, bodyPoint } = frame;
    const there = seekIn({ raw, charset, scripting: true, bodyPoint }, [selector]).get(selector);
    expect(frame.found.get(selector)?.start).toBe(there?.start);
  });
});

it('is read no further than something can still come', () => {
  const far = (raw: string, selector: string, isWhole = false): boolean =>
    frameOf(raw, selector, isWhole).readTo > start.length + 200;
  const menu = '<div id="content"><a href="x">A</a></div>';
  expect(far(`${start}${menu}${end}`, '#content')).toBe(false);
  expect(far(`${start}${menu}${end}`, '#nowhere')).toBe(false);
  expect(far(`${start}<div id="content"><a href="x">A</a>${end}`, '#content')).toBe(false);
  expect(far(`${start}<div id="content"><a href="x">A</a>${end}`, '#content', true)).toBe(true);
  // What may be the main content is waited for, and so is a first link, which may be a skip link.
  expect(far(`${start}${menu}${end}<main></main>`, '#content')).toBe(true);
  expect(far(`${start}<div id="content">A</div>${end}<a href="#x">skip</a>`, '#content')).toBe(true);
});

it('takes a sentence in a noscript for what it is', () => {
  const doubtful = (inside: string, around = ''): boolean =>
    frameOf(`${start}${around}<noscript>${inside}</noscript><main></main>${end}`, '#content').isDoubtful;
  expect(doubtful('<div>Scripts are <b>off</b>.</div>')).toBe(false);
  expect(doubtful('')).toBe(false);
  for (const one of [
    '<div>',
    '</div>',
    '<p><div>a</div></p>',
    '<div class="a">a</div>',
    '<img src="a">',
    'a {{ b }}',
  ])
    expect([one, doubtful(one)]).toEqual([one, true]);
  expect(doubtful('<div>a</div>', '<p>')).toBe(true);
});
