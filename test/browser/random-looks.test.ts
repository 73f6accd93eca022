// Random looks: what a browser shows of each entry in each state, wide and folded, is read well, or it was told.
import { join } from 'node:path';
import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import type { Page } from 'playwright-core';
import { contrast, readColor } from '../../src/core/look/color.ts';
import { useBrowser } from '../helpers/browser.ts';
import { inOne, openFrames } from '../helpers/framed.ts';
import { runs } from '../helpers/runs.ts';
import { folderWith, kamino, page, put } from '../helpers/site.ts';

const hex = fc.integer({ min: 0, max: 0xffffff }).map(one => `#${one.toString(16).padStart(6, '0')}`);
const translucent = fc.tuple(hex, fc.integer({ min: 30, max: 95 })).map(([color, share]) => {
  const [red, green, blue] = [1, 3, 5].map(at => parseInt(color.slice(at, at + 2), 16));
  return `rgb(${red} ${green} ${blue} / ${share}%)`;
});
const ground = fc.oneof({ weight: 4, arbitrary: hex }, { weight: 1, arbitrary: translucent });
const share = fc.integer({ min: 2, max: 60 }).map(one => `${one}%`);
const some = <Value>(value: fc.Arbitrary<Value>): fc.Arbitrary<Value | undefined> =>
  fc.option(value, { nil: undefined, freq: 3 });

const state = (...from: string[]): fc.Arbitrary<object> =>
  fc.record(
    { background: ground, color: hex, tint: share, from: fc.constantFrom('base', ...from) },
    { requiredKeys: [] },
  );
const own = {
  background: some(ground),
  color: some(hex),
  accent: some(hex),
  states: some(
    fc.record(
      { hover: state(), current: state('hover'), within: state('current'), pressed: state('hover') },
      { requiredKeys: [] },
    ),
  ),
};
const part = fc.record(own);
const looks = fc.record({
  ...own,
  contrast: some(fc.record({ mend: fc.constantFrom('none', 'tints', 'all') })),
  parts: some(fc.record({ submenu: some(part), fold: some(part), toggle: some(part), home: some(part) })),
});
const plans = fc.record({
  look: some(looks),
  menu: some(looks),
  entry: some(part),
  highlights: fc.tuple(...[0, 1].map(() => some(fc.constantFrom('background', 'border', 'shadow')))),
  form: fc.constantFrom('bar', 'tabs', 'column', 'plain'),
  as: fc.constantFrom('stack', 'drawer', 'full-screen'),
});
type Plan = typeof plans extends fc.Arbitrary<infer Value> ? Value : never;

const written = ({ look, menu, entry, highlights, form, as }: Plan): string =>
  JSON.stringify({
    kamino: '1',
    look,
    menus: [
      {
        menu: 'm',
        form,
        look: menu,
        place: { 'first-in': 'body' },
        fold: { when: 'below 40em', as },
        home: { label: 'Fold' },
        entries: [
          { page: 'index.html', highlight: highlights[0] },
          {
            page: 'a.html',
            entries: [
              { page: 'b.html', look: entry },
              { page: 'c.html', highlight: highlights[1] },
            ],
          },
          { page: 'd.html', look: entry },
        ],
      },
    ],
  });

interface Label {
  name: string;
  color: string;
  /** What lies behind it, from the nearest on, up to the first that covers all. */
  grounds: string[];
  /** It is no label, but the mark of the current entry. */
  isMark: boolean;
}

/** Every label with its colours, in a page of two widths, at rest and in each state. */
async function labels(html: string): Promise<Label[]> {
  const found: Label[] = [];
  for (const frame of document.querySelectorAll('iframe')) {
    const inside = frame.contentDocument!;
    inside.open();
    inside.write(html);
    inside.close();
    const styleOf = (one: Element): CSSStyleDeclaration => frame.contentWindow!.getComputedStyle(one);
    for (const one of inside.querySelectorAll('details')) one.open = true;
    for (const one of inside.querySelectorAll<HTMLElement>('[popover]')) one.showPopover();
    const all = [...inside.querySelectorAll<HTMLElement>('nav :is(a, summary, button)')];
    for (const now of ['', 'now-hover', 'now-focus', 'now-hover now-pressed']) {
      const classes = now.split(' ').filter(Boolean);
      for (const one of all) one.classList.add(...classes);
      for (const one of all) {
        if (!one.checkVisibility({ visibilityProperty: true }) || one.textContent.trim() === '') continue;
        const grounds: string[] = [];
        for (let at: Element | null = one; at !== null; at = at.parentElement) {
          grounds.push(styleOf(at).backgroundColor);
          if (at.matches(':popover-open')) break;
        }
        const name = `${one.textContent} ${frame.width} ${now}`;
        found.push({ name, color: styleOf(one).color, grounds, isMark: false });
        const mark = frame.contentWindow!.getComputedStyle(one, '::after');
        if (one.matches('a') && mark.content !== 'none')
          found.push({ name: `mark of ${name}`, color: mark.backgroundColor, grounds, isMark: true });
        const { outlineColor, outlineStyle } = styleOf(one);
        // The browser’s own ring has two colours.
        if (outlineStyle === 'solid')
          found.push({ name: `ring of ${name}`, color: outlineColor, grounds, isMark: true });
      }
      for (const one of all) one.classList.remove(...classes);
    }
  }
  return found;
}

/** A colour as a browser computes it: red, green and blue from 0 to 1, and how much it covers. */
function channels(css: string): [number, number, number, number] {
  const hex = `${readColor(css)!}ff`;
  return [1, 3, 5, 7].map(at => parseInt(hex.slice(at, at + 2), 16) / 255) as [
    number,
    number,
    number,
    number,
  ];
}

/** What is seen of grounds that lie on each other; null where the page is seen through all of them. */
function seen(grounds: readonly string[], page: number): string {
  let color: [number, number, number] = [page, page, page];
  for (const css of [...grounds].reverse()) {
    const [red, green, blue, alpha] = channels(css);
    color = [red, green, blue].map((one, at) => one * alpha + color[at]! * (1 - alpha)) as typeof color;
  }
  return hexOf(color);
}
const hexOf = (color: readonly number[]): string =>
  `#${color
    .map(one =>
      Math.round(Math.min(1, Math.max(0, one)) * 255)
        .toString(16)
        .padStart(2, '0'),
    )
    .join('')}`;

const folder = folderWith(
  Object.fromEntries(['index', 'a', 'b', 'c', 'd'].map(one => [`${one}.html`, page(`Page ${one}`)])),
);
useBrowser();

/** Labels that are not read well, and of which nothing was told. */
async function untold(tab: Page, plan: Plan): Promise<string[]> {
  put(folder, { 'kamino.yaml': written(plan) });
  const { status, err } = kamino(folder, 'build', '--all', '--overwrite');
  if (status !== 0) return [err];
  const faint: string[] = [];
  const isLeft = [plan.look, plan.menu].some(one => one?.contrast?.mend === 'none');
  // What starts from a label that was told as faint is no fainter.
  const least = Math.min(21, ...[...err.matchAll(/a contrast of ([\d.]+); /g)].map(one => Number(one[1])));
  for (const file of ['b', 'index']) {
    const told = new Set<string>();
    for (const { name, color, grounds, isMark } of await tab.evaluate(
      labels,
      inOne(join(folder, 'built'), file),
    )) {
      const label = hexOf(channels(color).slice(0, 3));
      const covers = (all: string[], least: number): boolean => all.some(one => channels(one)[3] > least);
      const isCovered = covers(grounds, 0.999);
      // On the page's own ground nothing is known.
      const isScheme = grounds.slice(1).find(one => covers([one], 0.001)) === 'rgb(255, 255, 255)';
      const isBare = isScheme || (!isCovered && !covers(grounds.slice(1), 0.001));
      if (isBare) continue;
      // A mark that nothing is known of, and one that may not be mended, is as it comes.
      if (isMark && (!isCovered || isLeft)) continue;
      const all = (isCovered ? [1] : [0, 1]).map(page => seen(grounds, page));
      const ratio = Math.min(...all.map(one => contrast(label, one)));
      // What is faint at rest, and told, may be as faint in a state.
      const atRest = name.replace(/now-.*/, '');
      const isTold = err.includes(`text in ${label}`) || told.has(atRest);
      if (isTold && name === atRest) told.add(atRest);
      if (ratio >= (isMark ? 2.95 : 4.45) || isTold || ratio >= least - 0.15) continue;
      faint.push(`${file} ${name}: ${label} on ${all.join(' or ')} ${ratio.toFixed(2)}`);
    }
  }
  return faint;
}

test('no label is under its level untold', async () => {
  const tab = await openFrames([1000, 360], 'reduce');
  await fc.assert(
    fc.asyncProperty(plans, async plan => {
      expect(await untold(tab, plan)).toEqual([]);
    }),
    { numRuns: runs(40) },
  );
  await tab.context().close();
}, 3_600_000);
