/** How many random cases a test takes: fewer for a change at hand, by `KAMINO_RUNS`; never more than it is worth. */
export function runs(usual: number): number {
  const asked = Number(process.env['KAMINO_RUNS'] ?? usual);
  return process.env['KAMINO_QUICK'] === undefined ? asked : Math.min(asked, usual);
}
