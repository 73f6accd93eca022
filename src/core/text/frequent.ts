/** The first of those that are met most often; null for none. */
export function mostFrequent<Value>(values: readonly Value[]): Value | null {
  const counts = new Map<Value, number>();
  for (const value of values) counts.set(value, (counts.get(value) ?? 0) + 1);
  let best: Value | null = null;
  for (const [value, count] of counts) if (best === null || count > counts.get(best)!) best = value;
  return best;
}
