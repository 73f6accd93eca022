import { expect, test } from '@jest/globals';
import { unfolded } from '../../../src/core/plan/bare-menu.ts';
import { plainEntry } from '../../../src/core/menu/resolve-entries.ts';
import { marksOn } from '../../../src/core/menu/marks.ts';
import type { ResolvedEntry, ResolvedMenu } from '../../../src/core/menu/types.ts';

const entry = (path: string, entries: ResolvedEntry[] = []): ResolvedEntry => ({
  ...plainEntry,
  label: path,
  leadsTo: { kind: 'page', path },
  hook: path,
  depth: 1,
  entries,
});
const menu: ResolvedMenu = {
  name: 'm',
  title: 'M',
  form: 'bar',
  align: 'start',
  carriedBy: ['**'],
  except: [],
  place: null,
  fold: { ...unfolded, joins: null, toggle: { show: 'both', label: null, at: 'end', icon: 'lines' } },
  opens: { by: 'hover', after: '90ms', ease: '160ms', width: null, columns: 1 },
  joined: [],
  toTop: null,
  currentEntry: 'link',
  shows: 'entries',
  hasData: false,
  pages: null,
  contents: null,
  language: null,
  front: 'index.html',
  home: null,
  stays: null,
  widths: 'natural',
  separators: null,
  over: false,
  look: null,
  pictures: null,
  sprite: null,
  entries: [
    entry('index.html'),
    entry('visit/index.html', [
      entry('visit/here.html', [entry('visit/map/index.html')]),
      entry('other.html'),
    ]),
    entry('journal/index.html'),
    entry('visited.html'),
    { ...entry('x'), leadsTo: { kind: 'url', url: 'https://a.example/' } },
  ],
};

test.each([
  ['index.html', { 'index.html': 'current' }],
  ['visit/index.html', { 'visit/index.html': 'current' }],
  ['other.html', { 'visit/index.html': 'within', 'other.html': 'current' }],
  [
    'visit/map/index.html',
    { 'visit/index.html': 'within', 'visit/here.html': 'within', 'visit/map/index.html': 'current' },
  ],
  [
    'visit/map/more.html',
    { 'visit/index.html': 'within', 'visit/here.html': 'within', 'visit/map/index.html': 'within' },
  ],
  ['visit/more/deep.html', { 'visit/index.html': 'within' }],
  ['journal/2026/37.html', { 'journal/index.html': 'within' }],
  ['imprint.html', {}],
  ['visits/a.html', {}],
])('on %s', (page, expected) => {
  const marks = marksOn(menu, page);
  expect(Object.fromEntries([...marks].map(([one, mark]) => [one.label, mark]))).toEqual(expected);
});
