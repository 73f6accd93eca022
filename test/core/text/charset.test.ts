import { expect, test } from '@jest/globals';
import { charsetOf, decode, encodeMarkup, unreadable } from '../../../src/core/text/charset.ts';
import { placeInRaw } from '../../../src/core/text/place.ts';
import { listed, nearest } from '../../../src/core/text/nearest.ts';

test.each([
  ['latin1', '\x93caf\xe9\x94 \x80', '“café” €'],
  ['iso-8859-1', '\x96', '–'],
  ['utf-8', '\xc3\xa9', 'é'],
  ['windows-1251', '\xcf\xf0\xe8', 'При'],
  ['shift_jis', '\x93\xfa\x96\x7b', '日本'],
  ['euc-kr', '\xc7\xd1', '한'],
  ['koi8-r', '\xf0', 'П'],
  ['iso-8859-2', '\xb9', 'š'],
])('%s is read', (label, raw, text) => {
  expect(decode(raw, charsetOf(raw, label))).toBe(text);
});

test.each([
  ['utf-16', 'utf-8'],
  [' UTF8 ', 'utf-8'],
  ['ascii', 'windows-1252'],
  ['x-nonsense', 'utf-8'],
])('the label %j means %s', (label, name) => {
  expect(charsetOf('<p>', label).name).toBe(name);
});

test.each([
  ['\xff\xfea\0', /UTF-16LE/],
  ['\xfe\xff\0a', /UTF-16BE/],
  ['a\0b\0c\0d\0', /UTF-16/],
  ['a\0b', /null bytes/],
])('%j is refused', (raw, why) => {
  expect(unreadable(raw, charsetOf(raw, null))).toMatch(why);
});

test('markup is written so that the page can hold it', () => {
  expect(encodeMarkup('é 🌙', { name: 'utf-8', declared: true })).toBe('\xc3\xa9 \xf0\x9f\x8c\x99');
  expect(encodeMarkup('é 🌙', { name: 'utf-8', declared: false })).toBe('&#xE9; &#x1F319;');
  expect(encodeMarkup('é', { name: 'koi8-r', declared: true })).toBe('&#xE9;');
});

test('a place in bytes has the columns of its text', () => {
  const raw = 'one\r\n\xc3\xa9\xc3\xa9 <b>x';
  expect(placeInRaw({ path: 'p', raw, charset: { name: 'utf-8', declared: true } }, 10, 13)).toEqual({
    file: 'p',
    position: { line: 2, column: 4 },
    excerpt: { text: 'éé <b>x', from: 3, to: 6 },
  });
});

test.each([
  ['pgae', ['page', 'label'], 'page'],
  ['Visit.html', ['visit.html', 'about.html'], 'visit.html'],
  ['zzz', ['page', 'label'], null],
])('nearest to %s', (word, candidates, found) => {
  expect(nearest(word, candidates)).toBe(found);
});

test('lists', () => {
  expect([listed(['a']), listed(['a', 'b']), listed(['a', 'b', 'c'], 'and')]).toEqual([
    'a',
    'a or b',
    'a, b and c',
  ]);
});
