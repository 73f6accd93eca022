import { resolve } from 'node:path';
import { placeNowhere } from '../core/inlay/findings.ts';
import type { Plan } from '../core/plan/types.ts';
import { type Finding, hasErrors, sortFindings } from '../core/text/finding.ts';
import type { Source } from '../core/text/source.ts';
import { inPlace } from './own-names.ts';
import { shownPath } from './paths.ts';
import type { BuildResult } from './result.ts';
import type { Run } from './run.ts';
import type { Written } from './writer.ts';

/** Of a menu that has a place on no page it is told once, where the plan names it. */
export function placed(found: readonly Finding[], run: Run, source: Source): Finding[] {
  const nowhere = run.nowhere();
  const isThere = ({ rule, menu }: Finding): boolean =>
    rule !== 'no-place' || nowhere.every(({ name }) => name !== menu);
  return [...found.filter(isThere), ...nowhere.map(menu => placeNowhere(menu, source))];
}

/** What a build tells, gathered as it goes on. */
export class BuildReport {
  readonly #findings: Finding[] = [];
  #result: BuildResult;

  /** @param plan null where it cannot be read; @param folder that of its file */
  constructor({ plan, folder }: { plan: Pick<Plan, 'site' | 'output'> | null; folder: string }) {
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

  /** All that has been told so far. */
  get findings(): Finding[] {
    return [...this.#findings];
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
