import { readFileSync, writeFileSync } from 'node:fs';
import { pathToFileURL } from 'node:url';
import { join } from 'node:path';
import { beforeAll, describe, expect, it } from '@jest/globals';
import type { Page } from 'playwright-core';
import sharp from 'sharp';
import { heldStates } from '../../src/core/draw/specimen.ts';
import type { Raster } from '../../src/core/look/raster.ts';
import { open, useBrowser } from '../helpers/browser.ts';
import { folderWith, kamino, put } from '../helpers/site.ts';
import { between, woven, numbers, stripOf } from '../helpers/strips.ts';

useBrowser();

const allStates = ['base', 'hover', 'current', 'pressed', 'focus'] as const;
type State = (typeof allStates)[number];

interface Made {
  name: string;
  states: readonly State[];
  cells: readonly (readonly Raster[])[];
  gap: number;
  strip: Raster;
}

/** Strips with known cells, some with gaps between them. */
function strips(count: number): Made[] {
  const next = numbers(20261129);
  return Array.from({ length: count }, (_, at) => {
    const entries = between(next, 2, 9);
    const states = allStates.slice(0, between(next, 2, 5));
    const height = between(next, 18, 60);
    const widths = Array.from({ length: entries }, () => between(next, 17, 240));
    const gap = at % 2 === 0 ? 0 : between(next, 1, 9);
    const cells = states.map(() => widths.map(width => woven(next, width, height)));
    return { name: `m${at}`, states, cells, gap, strip: stripOf(cells, { across: [gap], down: gap }) };
  });
}

const png = async ({ data, width, height }: Raster): Promise<Buffer> =>
  sharp(data, { raw: { width, height, channels: 4 } })
    .png()
    .toBuffer();

const page = (title: string, body: string): string =>
  `<!doctype html><html lang="en"><head><meta charset="utf-8"><title>${title}</title><style>body{margin:40px 0;background:#fff;font:16px sans-serif}img{max-width:50%;border:1px solid red;height:auto}a:hover{opacity:.5}</style></head><body>${body}<main><h1>${title}</h1></main></body></html>`;

describe('strips of pictures', () => {
  const made = strips(40);
  let shots: Map<State, { data: Buffer; width: number }>;
  let boxes: { name: string; entry: number; x: number; y: number; width: number; height: number }[];

  beforeAll(async () => {
    const names = Array.from({ length: 9 }, (_, at) => `e${at}`);
    const folder = folderWith(Object.fromEntries(names.map(name => [`${name}.html`, page(name, '')])));
    const slots = made.map(({ name }) => `<div data-kamino-slot="${name}"></div>`).join('');
    put(folder, { 'index.html': page('All', slots) });
    for (const { name, strip } of made) put(folder, { [`img/${name}.png`]: await png(strip) });
    const menus = made.map(
      ({ name, cells }) =>
        `  - { menu: ${name}, carried-by: index.html, fold: { when: never }, entries: [${names
          .slice(0, cells[0]!.length)
          .map(one => `${one}.html`)
          .join(', ')}] }`,
    );
    const pictures = made.map(
      ({ name, states, cells, gap }) =>
        `  - menu: ${name}\n    strip: { file: img/${name}.png, states: [${states.join(', ')}], widths: [${cells[0]!.map(one => one.width).join(', ')}], heights: ${cells[0]![0]!.height}, gap: ${gap} }`,
    );
    put(folder, {
      'kamino.yaml': `kamino: 1\nmenus:\n${menus.join('\n')}\npictures:\n${pictures.join('\n')}\n`,
    });
    const built = kamino(folder, 'build');
    expect(built.err).not.toContain('error');
    // States held by an attribute, for all of them at once.
    const sheet = join(folder, 'built/kamino/menu.css');
    writeFileSync(sheet, heldStates(readFileSync(sheet, 'utf8')));
    const shown = await open(pathToFileURL(join(folder, 'built/index.html')).href, {
      viewport: { width: 2400, height: 800 },
    });
    await shown.addStyleTag({
      content: '*{transition:none!important;outline:0!important} nav a::after{display:none!important}',
    });
    boxes = await shown.evaluate(() =>
      [...document.querySelectorAll('nav img')].map(one => {
        const { x, y, width, height } = one.getBoundingClientRect();
        const name = one.closest('[data-kamino]')!.getAttribute('data-kamino')!;
        const entry = Number(one.closest('li')!.getAttribute('data-kamino-entry')!.slice(1));
        return { name, entry, x, y: y + scrollY, width, height };
      }),
    );
    shots = new Map();
    for (const state of allStates) shots.set(state, await shotOf(shown, state));
    await shown.context().close();
  }, 240_000);

  /** All links in a state. */
  async function shotOf(shown: Page, state: State): Promise<{ data: Buffer; width: number }> {
    await shown.evaluate(held => {
      for (const link of document.querySelectorAll<HTMLElement>('nav .kamino-link')) {
        link.removeAttribute('aria-current');
        delete link.dataset['state'];
        if (held === 'current') link.setAttribute('aria-current', 'page');
        else if (held !== 'base') link.dataset['state'] = held;
      }
    }, state);
    const shot = await shown.screenshot({ fullPage: true });
    const { data, info } = await sharp(shot).removeAlpha().raw().toBuffer({ resolveWithObject: true });
    return { data, width: info.width };
  }

  /** How many pixels of a cell are other than they are drawn, on white. */
  function differing({ name, cells, states }: Made, state: State): number {
    // What has the focus shows the same as what is under the pointer.
    const instead: State = state === 'focus' ? 'hover' : 'base';
    const shown = [state, instead, 'base' as State].find(one => states.includes(one))!;
    const { data, width } = shots.get(state)!;
    const row = cells[states.indexOf(shown)]!;
    let count = 0;
    for (const [entry, cell] of row.entries()) {
      const box = boxes.find(one => one.name === name && one.entry === entry)!;
      expect([box.width, box.height]).toEqual([cell.width, cell.height]);
      for (let y = 0; y < cell.height; y += 1)
        for (let x = 0; x < cell.width; x += 1) {
          const from = (y * cell.width + x) * 4;
          const at = ((Math.round(box.y) + y) * width + Math.round(box.x) + x) * 3;
          const isThere = cell.data[from + 3] === 255;
          if ([0, 1, 2].some(part => data[at + part] !== (isThere ? cell.data[from + part] : 255)))
            count += 1;
        }
    }
    return count;
  }

  it.each(made.map(one => [one.name, one] as const))(
    '%s: each entry shows its own cell in each state',
    (_, one) => {
      expect(allStates.map(state => [state, differing(one, state)])).toEqual(
        allStates.map(state => [state, 0]),
      );
    },
  );
});
