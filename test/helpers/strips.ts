import { type Raster, emptyRaster, paste } from '../../src/core/look/raster.ts';

/** Numbers that look random and are the same for a seed: from 0 up to below 1. */
export function numbers(seed: number): () => number {
  let state = seed >>> 0 || 1;
  return () => {
    state ^= state << 13;
    state ^= state >>> 17;
    state ^= state << 5;
    state >>>= 0;
    return state / 2 ** 32;
  };
}

export const between = (next: () => number, least: number, most: number): number =>
  least + Math.floor(next() * (most - least + 1));

/** A button in which no column and no row is as the next, in colours of its own; in places there is nothing. */
export function woven(next: () => number, width: number, height: number): Raster {
  const made = emptyRaster(width, height);
  const colors = Array.from({ length: 7 }, () => [0, 1, 2].map(() => Math.floor(next() * 256)));
  const lines = (length: number): number[] => Array.from({ length }, () => Math.floor(next() * 8));
  const [across, down] = [lines(width), lines(height)];
  for (let y = 0; y < height; y += 1)
    for (let x = 0; x < width; x += 1) {
      const color = colors[(across[x]! + down[y]!) % 8];
      if (color) made.data.set([...color, 255], (y * width + x) * 4);
    }
  return made;
}

/** Buttons side by side, and rows of them one below the other. @param ground what lies between; null for nothing */
export function stripOf(
  rows: readonly (readonly Raster[])[],
  gaps: { across: readonly number[]; down: number },
  ground: readonly number[] | null = null,
): Raster {
  const across = (at: number): number => gaps.across[at % gaps.across.length]!;
  const [first] = rows as [readonly Raster[]];
  const width = first.reduce((sum, one, at) => sum + one.width + (at === 0 ? 0 : across(at - 1)), 0);
  const height = rows.length * first[0]!.height + (rows.length - 1) * gaps.down;
  const strip = emptyRaster(width, height);
  if (ground) for (let at = 0; at < strip.data.length; at += 4) strip.data.set(ground, at);
  rows.forEach((row, down) => {
    let x = 0;
    row.forEach((one, at) => {
      paste(strip, one, x, down * (one.height + gaps.down));
      x += one.width + across(at);
    });
  });
  return strip;
}
