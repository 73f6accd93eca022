import { describe, expect, it, test } from '@jest/globals';
import fc from 'fast-check';
import { AlikeFolders } from '../../../src/core/address/alike-folders.ts';
import {
  baseFolder,
  fragmentOf,
  readAddress,
  readWebAddress,
  relativeAddress,
} from '../../../src/core/address/href.ts';
import { runs } from '../../helpers/runs.ts';

describe('relative addresses', () => {
  test.each([
    ['', 'a.html', 'a.html'],
    ['', 'a/b.html', 'a/b.html'],
    ['a', 'b.html', '../b.html'],
    ['a', 'a/b.html', 'b.html'],
    ['a', 'ab/c.html', '../ab/c.html'],
    ['ab', 'a/c.html', '../a/c.html'],
    ['a/b', 'a/c.html', '../c.html'],
    ['a/b', 'a/b/c/d.html', 'c/d.html'],
    ['a/b/c', 'a/x/y.html', '../../x/y.html'],
    ['', 'x y/ü %#?.html', 'x%20y/%C3%BC%20%25%23%3F.html'],
    ['', 'a:b.html', './a:b.html'],
    ['a', 'a/b&c=d.html', 'b&c=d.html'],
  ])('from %j to %j', (folder, target, address) => {
    expect(relativeAddress(folder, target)).toBe(address);
    // As the URL standard reads it.
    const url = new URL(address, `http://a.example/${folder === '' ? '' : `${folder}/`}p.html`);
    expect(decodeURIComponent(url.pathname)).toBe(`/${target}`);
  });
});

describe('addresses as written', () => {
  test.each([
    ['b.html', { kind: 'inside', path: 'a/b.html', isFolder: false, fragment: null }],
    ['../', { kind: 'inside', path: '', isFolder: true, fragment: null }],
    ['x%20y.html?q#z%C3%BC', { kind: 'inside', path: 'a/x y.html', isFolder: false, fragment: 'zü' }],
    ['u\u0308.html', { kind: 'inside', path: 'a/ü.html', isFolder: false, fragment: null }],
    ['../../x', { kind: 'outside', path: '../../x' }],
    ['/x', { kind: 'root', path: '/x', fragment: null }],
    ['#', { kind: 'same-page', fragment: '' }],
    ['  ht\ntps://a.example ', { kind: 'web', url: 'https://a.example' }],
    ['//a.example', { kind: 'web', url: '//a.example' }],
    ['MAILTO:x', { kind: 'other', scheme: 'mailto' }],
  ])('%j', (written, address) => {
    expect(readAddress(written, 'a')).toEqual(address);
  });

  test.each([
    ['https://a.example', 'https://a.example/'],
    ['HTTP://A.example/ä', 'http://a.example/%C3%A4'],
    ['java\tscript:x', null],
    ['\u0001data:x', null],
    ['a.html', null],
  ])('on the web: %j', (written, address) => {
    expect(readWebAddress(written)).toBe(address);
  });
});

test.each([
  [null, 'a/b'],
  ['', 'a/b'],
  ['../', 'a'],
  ['/', ''],
  ['/x/y.html', 'x'],
  ['https://a.example/site/', 'site'],
  ['../../../', 'a/b'],
  ['data:x', 'a/b'],
])('the base %j', (base, folder) => {
  expect(baseFolder('a/b/page.html', base)).toBe(folder);
});

test('fragments', () => {
  expect(fragmentOf('a b/ü')).toBe('#a%20b/%C3%BC');
});

it('knows from which folders the same links are written alike', () => {
  const name = fc.constantFrom('a', 'b', 'a b', 'ä', 'index');
  const path = fc.array(name, { minLength: 1, maxLength: 4 }).map(parts => parts.join('/'));
  const folder = fc.array(name, { maxLength: 4 }).map(parts => parts.join('/'));
  fc.assert(
    fc.property(fc.array(path, { maxLength: 4 }), fc.array(folder, { maxLength: 12 }), (paths, all) => {
      const folders = new AlikeFolders();
      for (const one of paths) folders.meet(one);
      const written = new Map<string, string[]>();
      for (const one of all) {
        const links = paths.map(to => relativeAddress(one, to));
        const depths = one === '' ? 0 : one.split('/').length;
        const key = folders.keyOf(one);
        expect(written.get(key) ?? links).toEqual(links);
        written.set(key, links);
        if (paths.length === 0) expect(key).toBe(`${depths} `);
      }
    }),
    { numRuns: runs(2000) },
  );
});
