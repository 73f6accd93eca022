import type { BuildOptions, BuildResult } from '../files/result.ts';
import { planFile } from './given.ts';
import { glance } from './glance.ts';
export type { BuildOptions, BuildResult } from '../files/result.ts';

/**
 * Reads plan and pages, puts the menus in, and writes what differs. Where nothing has changed since the last build, that
 * is seen from the record alone, and all the rest is not even loaded.
 */
export async function build(options: BuildOptions = {}): Promise<BuildResult> {
  const plan = planFile(options.plan);
  const known = options.dryRun ? null : glance(plan);
  if (known) return known;
  const { make } = await import('./make.ts');
  return make(plan, options);
}
