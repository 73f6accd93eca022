import { resolve } from 'node:path';
import { type Finding, hasErrors, sortFindings } from '../core/text/finding.ts';
import { inPlace } from '../files/own.ts';
import { shownPath } from '../files/paths.ts';
import type { Written } from '../files/writer.ts';
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

export interface BuildResult extends Written {
  /** `stopped`: nothing was written; `half`: some files were, each of them whole. */
  outcome: 'built' | 'nothing-new' | 'stopped' | 'half';
  /** 0 fine, 1 errors among the findings, 2 a bad plan or a failure. */
  status: 0 | 1 | 2;
  findings: Finding[];
  /** The output folder as the user sees it. */
  output: string;
  /** The pages themselves are changed. */
  inPlace: boolean;
  /** The menus, and how many pages carry each. */
  menus: { name: string; pages: number }[];
  /** Pages of the site. */
  pages: number;
}

/** What a build tells, gathered as it goes on. */
export class BuildReport {
  readonly #findings: Finding[] = [];
  #result: BuildResult;

  constructor({ plan, folder }: OpenPlan) {
    const isInPlace = plan?.output === inPlace;
    const name = isInPlace ? plan.site : (plan?.output ?? 'built');
    const counts = {
      menus: [],
      pages: 0,
      created: [],
      changed: [],
      gone: [],
      same: 0,
      menusAlone: [],
      why: null,
    };
    const output = shownPath(resolve(folder, name));
    this.#result = { outcome: 'stopped', status: 2, findings: [], output, inPlace: isInPlace, ...counts };
  }

  /** All that has been told, with some more. */
  with(findings: readonly Finding[]): Finding[] {
    return sortFindings([...this.#findings, ...findings]);
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

  /** A failure on the way. @param written what stays of what was written before it */
  failed(findings: readonly Finding[], written: Written): BuildResult {
    const result = this.stopped(findings, 2);
    return isNothing(written) ? result : { ...result, ...written, outcome: 'half' };
  }

  /** Everything was written, or is as it is to be. */
  ended(written: Written): BuildResult {
    const findings = sortFindings(this.#findings);
    const outcome = isNothing(written) ? 'nothing-new' : 'built';
    const status = hasErrors(findings) ? 1 : 0;
    return { ...this.#result, ...written, outcome, status, findings };
  }
}

function isNothing({ created, changed, gone }: Written): boolean {
  return created.length + changed.length + gone.length === 0;
}
