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

/** What a build tells, gathered as it goes on. */
export class BuildReport {
  readonly #findings: Finding[] = [];
  #result: BuildResult;

  constructor({ plan, folder }: OpenPlan) {
    const isInPlace = plan?.output === inPlace;
    const name = isInPlace ? plan.site : (plan?.output ?? 'built');
    const counts = { menus: [], pages: 0, created: [], changed: [], gone: [], same: 0 };
    const output = shownPath(resolve(folder, name));
    this.#result = { outcome: 'stopped', status: 2, findings: [], output, inPlace: isInPlace, ...counts };
  }

  /** Nothing has been told. */
  get isSilent(): boolean {
    return this.#findings.length === 0;
  }

  /** What is known by now. */
  know(known: Partial<Pick<BuildResult, 'menus' | 'pages'>>): void {
    this.#result = { ...this.#result, ...known };
  }

  add(findings: readonly Finding[]): void {
    this.#findings.push(...findings);
  }

  /** Nothing was written. */
  stopped(findings: readonly Finding[], status: 1 | 2): BuildResult {
    this.add(findings);
    return { ...this.#result, outcome: 'stopped', status, findings: sortFindings(this.#findings) };
  }

  /** Everything was written, or is as it is to be. */
  ended({ created, changed, gone, same }: Written): BuildResult {
    const findings = sortFindings(this.#findings);
    const outcome = created.length + changed.length + gone.length > 0 ? 'built' : 'nothing-new';
    const status = hasErrors(findings) ? 1 : 0;
    return { ...this.#result, outcome, status, findings, created, changed, gone, same };
  }
}

type Written = Pick<BuildResult, 'created' | 'changed' | 'gone' | 'same'>;
