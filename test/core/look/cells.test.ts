import { describe, expect, it } from '@jest/globals';
import { stripCells } from '../../../src/core/look/cells.ts';
import { type Box, type Raster, emptyRaster, paste } from '../../../src/core/look/raster.ts';
import { between, numbers, stripOf, woven } from '../../helpers/strips.ts';

/** A button without a ground: bars of ink with gaps between them, as letters have. */
function lettered(next: () => number, width: number, height: number): Raster {
  const made = emptyRaster(width, height);
  let x = 0;
  while (x < width) {
    const wide = Math.min(between(next, 3, 9), width - x);
    const ink = emptyRaster(wide, height);
    for (let at = 0; at < ink.data.length; at += 4) ink.data.set([20, 30, 60, 255], at);
    paste(made, ink, x, 0);
    x += wide + between(next, 1, 4);
  }
  // The last column has ink, so that the cell is known to the pixel.
  for (let y = 0; y < height; y += 1) made.data.set([20, 30, 60, 255], (y * width + width - 1) * 4);
  return made;
}

interface Case {
  name: string;
  strip: Raster;
  entries: number;
  rows: number;
  known: Box[][];
}

const kinds = ['opaque', 'letters', 'plain ground', 'uneven gaps', 'no gaps'] as const;

/** Strips whose cuts are known. */
function cases(count: number): Case[] {
  const next = numbers(17);
  return Array.from({ length: count }, (_, number) => {
    const kind = kinds[number % kinds.length]!;
    const entries = between(next, 2, 9);
    const rows = between(next, 1, 4);
    const height = between(next, 18, 60);
    const widths = Array.from({ length: entries }, () => between(next, 17, 240));
    const make = kind === 'letters' ? lettered : woven;
    const gap = kind === 'no gaps' ? 0 : kind === 'letters' ? between(next, 8, 20) : between(next, 1, 12);
    const across = kind === 'uneven gaps' ? widths.map(() => between(next, 2, 30)) : [gap];
    const down = kind === 'no gaps' ? 0 : between(next, 0, 8);
    const first = widths.map(width => solid(make(next, width, height), kind !== 'letters'));
    const cells = Array.from({ length: rows }, (_, row) =>
      row === 0 ? first : first.map(one => recolored(one, row)),
    );
    const ground = kind === 'plain ground' ? [240, 238, 230, 255] : null;
    let x = 0;
    const columns = widths.map((width, at) => {
      const start = x;
      x += width + across[at % across.length]!;
      return { x: start, width };
    });
    return {
      name: `${number + 1}: ${kind}, ${entries} x ${rows}`,
      strip: stripOf(cells, { across, down }, ground),
      ...{ entries, rows },
      known: cells.map((_, row) =>
        columns.map(({ x: left, width }) => ({ x: left, y: row * (height + down), width, height })),
      ),
    };
  });
}

/** A button that covers all of its cell. */
function solid(raster: Raster, isSolid: boolean): Raster {
  if (isSolid)
    for (let at = 0; at < raster.data.length; at += 4)
      if (raster.data[at + 3] === 0) raster.data.set([90, 20, 20, 255], at);
  return raster;
}

/** The same button in the colours of another state. */
function recolored({ width, height, data }: Raster, row: number): Raster {
  const copy = Uint8Array.from(data);
  for (let at = 0; at < copy.length; at += 4)
    if (copy[at + 3] === 255) copy[at] = (copy[at]! + 40 * row) % 200;
  return { width, height, data: copy };
}

describe('cells that are found by themselves', () => {
  const all = cases(30);
  const found = all.map(one =>
    stripCells(one.strip, { columns: one.entries, rows: one.rows, widths: null, heights: null, gap: 0 }),
  );

  it.each(all.map((one, at) => [one.name, one, found[at]!] as const))(
    '%s: right, or told',
    (_, one, cells) => {
      if ('cells' in cells) expect(cells.cells).toEqual(one.known);
      else expect(cells.unsure).toMatch(/part|shared|may part/);
    },
  );

  it('are found in most of them, and in all whose buttons cover their cells and are apart', () => {
    const sure = all.filter((_, at) => 'cells' in found[at]!);
    expect(sure.length).toBeGreaterThanOrEqual(22);
    const plain = all.filter(({ name }) => /opaque|plain|uneven/.test(name));
    expect(plain.filter(one => !sure.includes(one)).map(one => one.name)).toEqual([]);
  });

  it('are not taken for labels on one ground', () => {
    const flat = emptyRaster(260, 30);
    for (let at = 0; at < flat.data.length; at += 4) flat.data.set([61, 90, 128, 255], at);
    for (const start of [20, 90, 180])
      for (let letter = 0; letter < 6; letter += 1)
        for (let x = start + letter * 8; x < start + letter * 8 + 4; x += 1)
          for (let y = 9; y < 19; y += 1) flat.data.set([255, 255, 255], (y * 260 + x) * 4);
    const cells = stripCells(flat, { columns: 3, rows: 1, widths: null, heights: null, gap: 0 });
    expect('unsure' in cells && cells.unsure).toMatch(/edges cannot be seen|may part/);
  });

  const strip = all[0]!.strip;
  it.each([
    [
      'widths for other entries',
      { widths: [10, 20, 30], columns: 2 },
      '`widths` has 3 measures for 2 columns',
    ],
    ['widths beyond the edge', { widths: [strip.width], columns: 2 }, 'px together, and the picture has'],
    ['heights beyond the edge', { heights: [strip.height], rows: 2 }, 'px together, and the picture has'],
  ])('tells %s', (_, measures, told) => {
    const cells = stripCells(strip, { columns: 2, rows: 1, widths: [5], heights: [5], gap: 0, ...measures });
    expect('unsure' in cells && cells.unsure).toContain(told);
  });

  it('are not found in nothing', () => {
    const cells = stripCells(emptyRaster(40, 20), {
      columns: 2,
      rows: 1,
      widths: null,
      heights: null,
      gap: 0,
    });
    expect('unsure' in cells && cells.unsure).toContain('empty');
  });
});
