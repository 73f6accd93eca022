// Every key of a look is seen in every form and part that takes it, or is refused with the reason.
import { join } from 'node:path';
import { describe, expect, test } from '@jest/globals';
import type { Page } from 'playwright-core';
import { useBrowser } from '../helpers/browser.ts';
import { brought, inOne, openFrames } from '../helpers/framed.ts';
import { folderWith, kamino, page, put } from '../helpers/site.ts';
import { frameKeys } from '../../src/core/plan/parts/frame.ts';
import { fontKeys, stateFontKeys } from '../../src/core/plan/parts/font.ts';
import { lookKeys, ownLookKeys } from '../../src/core/plan/parts/look.ts';
import { markerKeys } from '../../src/core/plan/parts/marker.ts';
import { stateKeys } from '../../src/core/plan/parts/states.ts';

const lamp = '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 24 24"><path d="M4 4h16v16H4z"/></svg>';
const forms: Record<string, object> = {
  drawer: { form: 'bar', fold: { when: 'below 40em', as: 'drawer' } },
  stack: { form: 'bar', fold: { when: 'any-width' } },
  column: { form: 'column', fold: { when: 'below 40em', as: 'full-screen' } },
  tabs: { form: 'tabs' },
  plain: { form: 'plain' },
  contents: { form: 'contents' },
  breadcrumb: { form: 'breadcrumb' },
  'previous-next': { form: 'previous-next', set: '*.html' },
};

/** What a key is given beside its default, in JSON. */
const values: Record<string, unknown> = {
  accent: '#a3123b',
  background: '#fdf0e0',
  color: '#5a1030',
  padding: '20px 30px',
  gap: '13px',
  radius: '9px',
  border: '3px dashed #a3123b',
  shadow: '0 3px 9px #333333',
  'icon-color': '#a3123b',
  'icon-size': '30px',
  motion: '900ms linear',
  picture: { file: 'lamp.svg', fill: 'repeat' },
  from: 'current',
  tint: '40%',
  lighter: '5%',
  darker: '20%',
  marker: 'dot',
  family: 'monospace',
  size: '23px',
  weight: '900',
  spacing: '3px',
  'word-spacing': '9px',
  style: 'italic',
  transform: 'uppercase',
  line: '2.5',
  file: null,
  row: '300px',
  width: '350px',
  edges: ['top'],
  blur: '7px',
  at: 'above',
  thickness: '9px',
  length: '31px',
  offset: '1px',
  comes: 'grow',
};
type Look = Record<string, unknown>;
const base: Look = {
  background: '#ffffff',
  color: '#1d2733',
  accent: '#3d5a80',
  contrast: { mend: 'none' },
  states: {
    current: { background: '#dfe6f0', font: { weight: '700' }, marker: 'below' },
    hover: { tint: '10%' },
  },
};

/** The same look with one value more. */
function withValue(look: Look, path: readonly string[], value: unknown): Look {
  const [first, ...rest] = path as [string, ...string[]];
  if (rest.length === 0) return { ...look, [first]: value };
  const below = look[first];
  const inside = typeof below === 'object' ? (below as Look) : first === 'marker' ? { at: 'below' } : {};
  return { ...look, [first]: withValue(inside, rest, value) };
}

interface Variant {
  path: string[];
  look: Look;
  /** Beside which it is compared. */
  beside: Look;
}

/** What goes with a key, without which it says nothing. */
const beside: Record<string, [path: string[], value: unknown][]> = {
  'frame.edges': [[['frame', 'border'], '2px solid #123456']],
  'frame.blur': [[['background'], 'rgb(255 255 255 / 0.7)']],
};

function variant(path: string[], above: string[] = []): Variant {
  const own = beside[path.join('.')] ?? [];
  let without = own.reduce((look, [at, value]) => withValue(look, at, value), base);
  if (path.at(-1) === 'accent' && path.length > 1)
    without = withValue(without, [...above, ...path.slice(0, -1), 'tint'], '10%');
  if (path.includes('marker') && path.at(-1) !== 'marker')
    without = withValue(without, [...above, ...path.slice(0, -1)], { at: 'below' });
  return {
    path: [...above, ...path],
    look: withValue(without, [...above, ...path], values[path.at(-1)!]),
    beside: without,
  };
}

const isMeasure = (key: string): boolean => values[key] !== null;
const simple = (keys: object): string[] =>
  Object.keys(keys).filter(key => !['font', 'states', 'frame', 'contrast', 'dark', 'parts'].includes(key));
/** Every form takes minutes: it is walked where more random cases are asked for too. */
const isWhole = process.env['KAMINO_RUNS'] !== undefined;
const own = [
  ...simple(ownLookKeys).map(key => [key]),
  ...Object.keys(fontKeys)
    .filter(isMeasure)
    .map(key => ['font', key]),
];
const ofStates = (state: string): string[][] => [
  ...simple(stateKeys).map(key => ['states', state, key]),
  ...Object.keys(stateFontKeys).map(key => ['states', state, 'font', key]),
  ...Object.keys(markerKeys)
    .filter(key => key !== 'comes' || !['current', 'within'].includes(state))
    .map(key => ['states', state, 'marker', key]),
];
const looks = [
  ...own,
  ...simple(lookKeys)
    .filter(key => !(key in ownLookKeys))
    .map(key => [key]),
  ...Object.keys(frameKeys).map(key => ['frame', key]),
].map(path => variant(path));
const states = ['within', 'current', 'hover', 'focus', 'pressed']
  .flatMap(ofStates)
  .map(path => variant(path));
const parts = ['submenu', 'fold', 'toggle', 'home'].flatMap(part =>
  [...own, ...ofStates('hover'), ...(part === 'toggle' ? [] : ofStates('current'))].map(path =>
    variant(path, ['parts', part]),
  ),
);

const folder = folderWith({
  ...Object.fromEntries(['index', 'a', 'b', 'c', 'd'].map(one => [`${one}.html`, page(`Page ${one}`)])),
  'lamp.svg': lamp,
});
useBrowser();

function planOf(form: string, look: Look): string {
  const takes = /breadcrumb|previous/.test(form);
  const entries = {
    home: { label: 'Fold' },
    entries: [
      { page: 'a.html', icon: 'lamp.svg', entries: [{ page: 'b.html', icon: 'lamp.svg' }, 'c.html'] },
      { page: 'd.html', icon: 'lamp.svg' },
    ],
  };
  const other = {
    menu: 'other',
    form: 'plain',
    place: { 'last-in': 'body' },
    entries: [{ page: 'a.html', covers: ['b.html'] }, 'b.html', 'd.html'],
  };
  const menu = { menu: 'm', place: { 'first-in': 'body' }, look, ...forms[form], ...(takes ? {} : entries) };
  return JSON.stringify({ kamino: '1', menus: takes ? [menu, other] : [menu] });
}

const stateOf = (path: readonly string[]): string => path[path.indexOf('states') + 1] ?? '';
const pageFor = (path: readonly string[], state: string): string =>
  state !== 'current' || path.includes('submenu') ? 'b' : path.includes('home') ? 'index' : 'd';

/** All that is seen of the menu of a page in one of two windows, at rest and in a state. */
async function seen(tab: Page, html: string, path: readonly string[], at: number): Promise<string> {
  const state = stateOf(path);
  const now = !path.includes('states') ? 'hover' : state in brought ? state : 'none';
  return tab.evaluate(look, { html, now, at });
}

/** What is drawn of each element and what stands before and behind it. */
async function look({ html, now, at }: { html: string; now: string; at: number }): Promise<string> {
  const kept =
    'color,background-color,background-image,box-shadow,outline-color,font-family,font-size,font-weight,font-style,letter-spacing,word-spacing,text-transform,line-height,border-radius,border-top,border-bottom,border-left,border-right,padding,opacity,scale,transition-duration,transition-timing-function,transition-property,backdrop-filter,display,width,height,inset,flex-direction,rotate'.split(
      ',',
    );
  const lines: string[] = [];
  const frame = document.querySelectorAll('iframe')[at]!;
  const inside = frame.contentDocument!;
  inside.open();
  inside.write(html);
  inside.close();
  for (const one of inside.querySelectorAll<HTMLDetailsElement>('nav.kamino-menu-m details')) one.open = true;
  for (const one of inside.querySelectorAll<HTMLElement>('nav.kamino-menu-m [popover]')) one.showPopover();
  for (const one of inside.querySelectorAll('nav.kamino-menu-m :is(a, summary, button)'))
    one.classList.add(`now-${now}`);
  for (const one of inside.querySelectorAll('nav.kamino-menu-m, nav.kamino-menu-m *')) {
    if (!one.checkVisibility({ visibilityProperty: true })) continue;
    const { x, y } = one.getBoundingClientRect();
    for (const pseudo of ['', '::before', '::after']) {
      const style = frame.contentWindow!.getComputedStyle(one, pseudo);
      if (pseudo !== '' && style.content === 'none') continue;
      const drawn = kept.map(key => style.getPropertyValue(key)).join(' ');
      lines.push(`${one.className.toString()}${pseudo} ${x} ${y} ${drawn}`);
    }
  }
  return lines.join('\n');
}

const cells: [name: string, forms: string[], variants: Variant[]][] = [
  ['look', isWhole ? Object.keys(forms) : ['drawer', 'column', 'plain', 'breadcrumb'], looks],
  ['states', isWhole ? ['drawer', 'column', 'tabs', 'plain'] : ['drawer', 'column'], states],
  ['parts', isWhole ? ['drawer', 'stack'] : ['drawer'], parts],
];
describe.each(cells.flatMap(([name, all, variants]) => all.map(form => [name, form, variants] as const)))(
  'the keys of %s in the form %s',
  (_, form, variants) => {
    test('change what is seen, or are refused', async () => {
      // A colour on its way is neither of both: where motion is not asked for, none is there.
      const still = await openFrames([1000, 360], 'reduce');
      const moving = await openFrames([1000, 360], 'no-preference');
      const known = new Map<string, string>();
      const once = async (key: string, find: () => string | Promise<string>): Promise<string> => {
        if (!known.has(key)) known.set(key, await find());
        return known.get(key)!;
      };
      /** The page of a look, or why it is refused. */
      const made = (look: Look, { path }: Variant): Promise<string> =>
        once(`${JSON.stringify(look)} ${stateOf(path)}`, () => {
          put(folder, { 'kamino.yaml': planOf(form, look) });
          const ran = kamino(folder, 'build');
          const isTaken = ran.status === 0 && !ran.err.includes('no-effect');
          return isTaken ? inOne(join(folder, 'built'), pageFor(path, stateOf(path))) : ran.err;
        });
      const isIdle = async (one: Variant): Promise<boolean> => {
        const tab = one.path.includes('motion') ? moving : still;
        const [page, other] = [await made(one.look, one), await made(one.beside, one)];
        if (page === other || !page.startsWith('<') || !other.startsWith('<')) return page === other;
        // In the narrow window only where nothing of it is seen in the wide one.
        const drawn = (html: string, at: number): Promise<string> =>
          once(`${at} ${one.path.includes('motion')} ${stateOf(one.path)} ${html}`, () =>
            seen(tab, html, one.path, at),
          );
        for (const at of [0, 1]) if ((await drawn(page, at)) !== (await drawn(other, at))) return false;
        return true;
      };
      const idle: string[] = [];
      for (const one of variants.filter(({ path }) => !(form === 'previous-next' && path[0] === 'gap')))
        if (await isIdle(one)) idle.push(one.path.join('.'));
      expect(idle).toEqual([]);
      await still.context().close();
      await moving.context().close();
    }, 600_000);
  },
);
