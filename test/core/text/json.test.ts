import { expect, it } from '@jest/globals';
import { jsonPieces } from '../../../src/core/text/json.ts';
import { NumberReader, NumberWriter } from '../../../src/core/text/numbers.ts';
import { Texts } from '../../../src/core/text/texts.ts';

it('gives in pieces what it would give at once, however long a list is', () => {
  const row = { name: 'a "b"\n', none: undefined, deep: [[], {}, [{ one: [1, null, undefined] }]] };
  const small = { kamino: 1, left: undefined, row, date: new Date(0) };
  const large = { ...small, rows: Array.from({ length: 4000 }, (_, at) => ({ at, ...row })) };
  for (const value of [small, large, { rows: [row, () => 1, undefined] }, {}])
    expect([...jsonPieces(value)].join('')).toBe(`${JSON.stringify(value, null, 2)}\n`);
  expect([...jsonPieces(large)].length).toBeGreaterThan(5);
  expect([...jsonPieces({ bell: 'a\u202eb' })].join('')).toBe('{\n  "bell": "a\\u202eb"\n}\n');
});

it('keeps numbers, texts and offsets in little room, page by page', () => {
  const writer = new NumberWriter(new Texts());
  const numbers = [0, -1, 63, 64, -65, 2 ** 30 - 1, -(2 ** 30)];
  const extents = [
    { start: 700_000, end: 700_010 },
    { start: 5, end: -1 },
    { start: 2 ** 30 - 1, end: 2 ** 30 - 1 },
  ];
  for (let page = 0; page < 2; page += 1) {
    writer.part(() => {
      for (const one of extents) writer.extent(one);
      writer.part(() => {
        writer.each(['one', 'two', 'one'], one => {
          writer.text(one);
        });
      });
      writer.text(null);
    });
    for (const one of numbers) writer.number(one);
    const reader = new NumberReader(writer.take(), writer.texts);
    const part = reader.part();
    expect(numbers.map(() => reader.number())).toEqual(numbers);
    for (let time = 0; time < 2; time += 1) {
      const own = part.read();
      expect(extents.map(() => own.extent())).toEqual(extents);
      const inner = own.part().read();
      expect(inner.each(() => inner.text())).toEqual(['one', 'two', 'one']);
      expect(own.textOrNull()).toBeNull();
    }
  }
  for (let at = 0; at < 9000; at += 1) writer.number(at % 60);
  expect(writer.take().length).toBe(9000);
});

it('keeps what was taken as it was, whatever comes behind it', () => {
  const writer = new NumberWriter(new Texts());
  const pages = Array.from({ length: 40 }, (_, page) => ({
    page,
    length: page === 20 ? 300_000 : page * 700,
  }));
  const taken = pages.map(({ page, length }) => {
    for (let at = 0; at < length; at += 1) writer.number(at * page);
    return writer.take();
  });
  for (const { page, length } of pages) {
    const reader = new NumberReader(taken[page]!, writer.texts);
    for (let at = 0; at < length; at += 1)
      if (reader.number() !== at * page) throw new Error(`${page}: ${at}`);
  }
});

it('gives a text that was forgotten a new number, and tells those that came since', () => {
  const texts = new Texts();
  const heard: string[] = [];
  const numbers = ['Tonight', 'Visit', 'Tonight', '', 'Tonight', 'Visit', 'Book'].map((text, at) => {
    if (at === 3) texts.forgetBeyond(1);
    const known = texts.length;
    const number = texts.of(text);
    heard.push(...texts.since(known));
    expect([texts.at(number), texts.own(text)]).toEqual([text, text]);
    return number;
  });
  expect(numbers).toEqual([0, 1, 0, 2, 3, 4, 5]);
  expect(numbers.map(number => heard[number])).toEqual([
    'Tonight',
    'Visit',
    'Tonight',
    '',
    'Tonight',
    'Visit',
    'Book',
  ]);
});
