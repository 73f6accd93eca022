import { basename, dirname, join, resolve } from 'node:path';
import type { OpenPlan } from './plan.ts';

/** A finished site that is to be packed. */
export interface PackedSite {
  root: string;
  plan: string;
  /** They are the finished pages of a plan. */
  isPlanned: boolean;
  opened: OpenPlan | null;
}

/** Where a pack goes that nobody named: beside the plan, or beside a folder that has none. */
export const usualTarget = ({ root, plan, isPlanned }: PackedSite): string =>
  isPlanned ? join(dirname(plan), 'packed.zip') : join(dirname(root), `${basename(root)}.zip`);

/** The list of sums of a pack. */
export const sumsBeside = (target: string): string => `${target.replace(/\.zip$/i, '')}.sums`;

/** What beside finished pages is none of them, where these are the pages of the site itself. */
export function packsBeside({ root, opened }: PackedSite): { output?: string; leaveOut?: readonly string[] } {
  const plan = opened?.plan;
  const isInPlace = plan && resolve(opened.folder, plan.site) === root;
  return isInPlace ? { output: plan.output, leaveOut: plan.leaveOut } : {};
}
