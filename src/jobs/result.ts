import { resolve } from 'node:path';
import { type Finding, hasErrors, sortFindings } from '../core/text/finding.ts';
import { inPlace } from '../files/own.ts';
import { shownPath } from '../files/paths.ts';
import type { OpenPlan } from '../files/plan.ts';

export interface BuildOptions {
  /** A plan, or the folder of one. */
  plan?: string;
  /** Compute everything, write nothing. */
  dryRun?: boolean;
  /** Replace finished files that someone has edited. */
  overwrite?: boolean;
  progress?: (done: number, all: number) => void;
}

export interface BuildResult {
  /** `stopped`: nothing was written. */
  outcome: 'built' | 'nothing-new' | 'stopped';
  /** 0 fine, 1 errors among the findings, 2 a bad plan or a failure. */
  status: 0 | 1 | 2;
  findings: Finding[];
  /** The output folder as the user sees it. */
  output: string;
  /** The pages themselves are changed. */
  inPlace: boolean;
  /** The menus, and how many pages are to carry each. */
  menus: { name: string; pages: number }[];
  /** Pages of the site. */
  pages: number;
  /** Paths in the output; with `dryRun` those that would be. */
  created: string[];
  changed: string[];
  gone: string[];
  same: number;
}

export function emptyResult(open: OpenPlan): BuildResult {
  const folder = open.plan?.output === inPlace ? open.plan.site : (open.plan?.output ?? 'built');
  const output = shownPath(resolve(open.folder, folder));
  return {
    outcome: 'stopped',
    status: 2,
    findings: [],
    output,
    inPlace: open.plan?.output === inPlace,
    menus: [],
    pages: 0,
    created: [],
    changed: [],
    gone: [],
    same: 0,
  };
}

export function stopped(result: BuildResult, findings: Finding[], status: 1 | 2): BuildResult {
  return { ...result, outcome: 'stopped', status, findings: sortFindings(findings) };
}

/** A result that is whole. */
export function ended(result: BuildResult): BuildResult {
  const findings = sortFindings(result.findings);
  const { created, changed, gone } = result;
  const outcome = created.length + changed.length + gone.length > 0 ? 'built' : 'nothing-new';
  return { ...result, outcome, status: hasErrors(findings) ? 1 : 0, findings };
}
