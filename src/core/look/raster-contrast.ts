import type { Hex } from './hex.ts';
import type { Raster } from './raster.ts';

/** A colour counts as that of the ground, and of the label, from these shares of all pixels on. */
const groundShare = 0.3;
const labelShare = 0.01;
/** Corners and edges may let the page through; more of a button may not. */
const unknownShare = 0.25;

/** Colours that are nearly the same, together. */
interface Bin {
  count: number;
  sum: [number, number, number];
}

/**
 * The contrast of what is drawn on a button with its ground, as far as a picture tells: the colour that most of it has,
 * and the one of some extent that stands out most from it. Null where no colour is surely the ground.
 */
export function drawnContrast({ data }: Raster, contrast: (one: Hex, other: Hex) => number): number | null {
  const bins = new Map<number, Bin>();
  let [all, unknown] = [0, 0];
  for (let at = 0; at < data.length; at += 4) {
    if (data[at + 3]! < 250) {
      unknown += 1;
      continue;
    }
    all += 1;
    const color = [0, 1, 2].map(part => data[at + part]!);
    const key = color.reduce((sum, part) => sum * 16 + (Math.round(part) >> 4), 0);
    const bin = bins.get(key) ?? { count: 0, sum: [0, 0, 0] };
    bin.count += 1;
    color.forEach((part, axis) => (bin.sum[axis]! += part));
    bins.set(key, bin);
  }
  const sorted = [...bins.values()].sort((one, other) => other.count - one.count);
  const [most] = sorted;
  if (!most || most.count < all * groundShare || unknown > all * unknownShare) return null;
  const base = hexOf(most);
  const others = sorted.slice(1).filter(one => one.count >= all * labelShare);
  if (others.length === 0) return null;
  return Math.max(...others.map(one => contrast(hexOf(one), base)));
}

const hexOf = ({ count, sum }: Bin): Hex =>
  `#${sum
    .map(part =>
      Math.round(part / count)
        .toString(16)
        .padStart(2, '0'),
    )
    .join('')}`;
