import type { SiteEntry } from './shared.ts';

/** The first entry that does not stand where it stands on most copies; null where all do. */
export function firstMoved(order: readonly SiteEntry[], shared: readonly SiteEntry[]): SiteEntry | null {
  const at = new Map(shared.map((one, index) => [one, index]));
  const places = order.map(one => at.get(one)!);
  const kept = longestRise(places);
  return order.find((_, index) => !kept.has(index)) ?? null;
}

/** Positions of a longest rising subsequence. */
function longestRise(numbers: readonly number[]): Set<number> {
  const best = numbers.map(() => ({ length: 1, from: -1 }));
  numbers.forEach((number, at) => {
    for (let before = 0; before < at; before += 1)
      if (numbers[before]! < number && best[before]!.length + 1 > best[at]!.length)
        best[at] = { length: best[before]!.length + 1, from: before };
  });
  const kept = new Set<number>();
  const longest = Math.max(...best.map(one => one.length));
  for (let at = best.findIndex(one => one.length === longest); at >= 0; at = best[at]!.from) kept.add(at);
  return kept;
}
