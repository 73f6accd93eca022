/** `1.2 MB`, as people read sizes. */
export function sizeOf(bytes: number): string {
  if (bytes < 1000) return `${bytes} B`;
  const units = ['kB', 'MB', 'GB'];
  const power = Math.min(units.length, Math.floor(Math.log10(bytes) / 3));
  const value = bytes / 1000 ** power;
  return `${value < 10 ? value.toFixed(1) : Math.round(value)} ${units[power - 1]!}`;
}
