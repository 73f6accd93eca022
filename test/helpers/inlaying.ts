import { expect } from '@jest/globals';
import { unfolded } from '../../src/core/plan/bare-menu.ts';
import { Inlayer } from '../../src/core/inlay/inlay.ts';
import { lift } from '../../src/core/inlay/lift.ts';
import { plainEntry } from '../../src/core/menu/resolve-entries.ts';
import type { ResolvedMenu } from '../../src/core/menu/types.ts';
import type { MenuPlace, PlaceSide } from '../../src/core/plan/types.ts';
import { seekIn } from '../../src/core/page/select.ts';
import { Splicer, bytesOf, rawOf, splice } from '../../src/core/text/bytes.ts';
import { sumOf } from '../../src/core/text/sum.ts';
import { treeOf } from './tree.ts';

export function menu(place: MenuPlace | null, name = 'masthead'): ResolvedMenu {
  const entry = (label: string, path: string) =>
    ({
      ...plainEntry,
      label,
      leadsTo: { kind: 'page', path },
      hook: path.replace(/\W+/g, '-'),
      depth: 1,
    }) as const;
  return {
    name,
    title: 'Main',
    form: 'bar',
    align: 'start',
    carriedBy: ['**'],
    except: [],
    place,
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
    look: null,
    home: { label: 'Home “é” 🌙', page: 'index.html', image: null, show: 'label', at: 'start' },
    stays: null,
    widths: 'natural',
    separators: null,
    over: false,
    pictures: null,
    sprite: null,
    entries: [entry('A & <b>', 'a/one.html'), entry('Zwei "2"', 'b.html')],
  };
}

/** What was taken out of pages, by hash. */
export const kept = new Map<string, string>();
/** @param onDisk paths whose names are decomposed on the disk */
export const inlayer = (menus: ResolvedMenu[], onDisk: ReadonlyMap<string, string> = new Map()) => {
  const maker = new Inlayer({
    menus,
    carries: () => true,
    script: null,
    styles: ['kamino/menu.css', 'css/own.css'],
    skipTo: ['#content'],
    ids: new Map(),
    languageOf: () => null,
    reserves: false,
    addsViewport: false,
    links: { from: 'page', index: 'shown', base: '/', onDisk },
    hash: raw => {
      const hash = sumOf(bytesOf(raw));
      kept.set(hash, raw);
      return hash;
    },
    taken: hash => kept.get(hash) ?? null,
    seek: menus.some(one =>
      one.place?.some(({ side, selector }) => side === 'instead-of' || /[ >~+]/.test(selector)),
    )
      ? seekIn
      : null,
  });
  return {
    page: (path: string, given: string) => {
      const made = maker.page(path, bytesOf(given));
      const raw = splice(rawOf(made.source), made.spans);
      expect(rawOf(splicer.splice(made.source, made.spans))).toBe(raw);
      return { ...made, raw };
    },
  };
};
const splicer = new Splicer();

/** Selectors tried in order, all for one side. */
export function spots(side: PlaceSide, selectors: readonly string[]): MenuPlace {
  return selectors.map(selector => ({ side, selector, drop: false }));
}

export const places: [string, MenuPlace | null][] = [
  ['where it goes by itself', null],
  ['first in the body', spots('first-in', ['body'])],
  ['last in the body', spots('last-in', ['body'])],
  ['before the first paragraph', spots('before', ['p', 'header'])],
  ['after the first header', spots('after', ['header', 'p'])],
];

/** What must hold for every page and place; says whether a menu went in. */
export function holds(page: string, menus: ResolvedMenu[]): boolean {
  const maker = inlayer(menus);
  const { raw, menus: count } = maker.page('sub/page.html', page);
  expect(lift(raw)).toBe(page);
  expect(maker.page('sub/page.html', raw).raw).toBe(raw);
  for (const scripting of [false, true]) expect(treeOf(raw, scripting, true)).toBe(treeOf(page, scripting));
  if (count === 0) expect(raw).toBe(page);
  return count > 0;
}
