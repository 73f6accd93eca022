import { resolve } from 'node:path';
import { type Finding, finding } from '../core/text/finding.ts';
import { noFolder } from '../files/folder-errors.ts';
import { inPlace } from '../files/own.ts';
import { isFolder, isThere, planIn, shownPath } from '../files/paths.ts';
import { type OpenPlan, openPlan, sitePlanAbove } from '../files/plan.ts';

/** A folder of finished pages. */
export interface Finished {
  root: string;
  plan: string;
  /** A plan in a folder above, whose pages these are. */
  above: string | null;
  base: string;
  missing: Finding | null;
  /** They are the finished pages of this plan. */
  isPlanned: boolean;
  /** That plan; null for none. */
  opened: OpenPlan | null;
}

/** The finished pages of a plan; where there is no plan, the folder itself. */
export function finishedPages(given = '.'): Finished {
  const path = resolve(given);
  const plan = isFolder(path) ? planIn(path) : path;
  const told = (root: string, missing: Finding | null, above: string | null = null): Finished => ({
    root,
    plan,
    above,
    base: '/',
    missing,
    isPlanned: false,
    opened: null,
  });
  if (!isThere(path)) return told(path, noFolder(path, 'Name the folder of a plan, or of pages.'));
  if (!isThere(plan)) return told(path, null, sitePlanAbove(path));
  const open = openPlan(plan);
  if (!open.plan) return told(path, open.findings[0] ?? null);
  const { output, site, links } = open.plan;
  const root = resolve(open.folder, output === inPlace ? site : output);
  if (isFolder(root)) return { ...told(root, null), base: links.base, isPlanned: true, opened: open };
  const message = 'the finished pages are not there yet';
  return told(
    root,
    finding('cannot-read', { file: shownPath(root) }, message, 'Build them first:  kamino build'),
  );
}
