import type { BuildOptions, BuildResult } from '../files/result.ts';
import type { Seen } from '../files/reading.ts';
import { planFile } from './given.ts';
import { glance, unseen } from './glance.ts';
export type { BuildOptions, BuildResult } from '../files/result.ts';

/**
 * Reads plan and pages, puts the menus in, and writes what differs. Where nothing has changed since the last build, that
 * is seen from the record alone, and all the rest is not even loaded.
 */
export async function build(options: BuildOptions = {}): Promise<BuildResult> {
  const plan = planFile(options.plan);
  const { result, seen } = options.dryRun ? unseen : await glance(plan);
  if (result) return result;
  const made = seen?.few && !options.overwrite ? await few(plan, seen) : null;
  if (made) return made;
  const { make } = await import('./make.ts');
  return make(plan, options, seen);
}

async function few(plan: string, seen: Seen): Promise<BuildResult | null> {
  const { remake } = await import('./remake.ts');
  return remake(plan, seen);
}
