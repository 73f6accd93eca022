import { dirname, resolve } from 'node:path';
import { placeNowhere, unusedMenu } from '../core/inlay/findings.ts';
import { type Finding, hasErrors, sortFindings } from '../core/text/finding.ts';
import type { Source } from '../core/text/source.ts';
import { cannotWrite, isFileError } from '../files/errors.ts';
import { inPlace } from '../files/own.ts';
import { alone } from '../files/lock.ts';
import { fromUser, isThere, shownPath } from '../files/paths.ts';
import { type OpenPlan, openPlan } from '../files/plan.ts';
import type { Seen } from '../files/reading.ts';
import type { Run } from '../files/run.ts';
import { FolderWriter } from '../files/write-folder.ts';
import { PlaceWriter } from '../files/write-in-place.ts';
import type { SiteWriter, WriteOptions, Written } from '../files/writer.ts';
import { openAll } from '../opening/open.ts';
import type { BuildResult } from '../files/result.ts';

/** A whole build, while nobody else writes by this plan. @param seen of the site a moment ago */
export async function make(plan: string, how: WriteOptions, seen: Seen | null): Promise<BuildResult> {
  const work = (): Promise<BuildResult> => whole(plan, how, seen);
  if (how.dryRun === true || !isThere(plan)) return work();
  try {
    return await alone(dirname(plan), work);
  } catch (error) {
    if (!isFileError(error)) throw error;
    return new BuildReport(openPlan(plan)).stopped([cannotWrite(error)], 2);
  }
}

async function whole(plan: string, how: WriteOptions, seen: Seen | null): Promise<BuildResult> {
  const opened = await openAll(plan, { seen });
  const report = new BuildReport(opened.open);
  if ('stop' in opened) return report.stopped(opened.stop, 2);
  const { run, findings } = await opened.prepared();
  const { root, facts, findings: ofFiles } = opened.site;
  report.know({ pages: facts.pages.size });
  report.add(findings);
  if (!run) return report.stopped([], 2);
  const menus = run.menus();
  report.know({ menus });
  report.add(fromUser(ofFiles, root));
  report.add(
    menus
      .filter(({ pages }) => pages === 0)
      .map(({ name }) => unusedMenu(name, opened.plan.menus.find(one => one.name === name)?.form)),
  );
  return write(writerOf(run, how), report, { run, source: opened.open.source });
}

function writerOf(run: Run, how: WriteOptions): SiteWriter {
  return run.source.plan.output === inPlace ? new PlaceWriter(run, how) : new FolderWriter(run, how);
}

/** What somebody has edited, and what the file system refuses, is told; what was there before is still whole. */
function write(
  writer: SiteWriter,
  report: BuildReport,
  { run, source }: { run: Run; source: Source },
): BuildResult {
  try {
    const edited = writer.edited();
    if (edited.length > 0) return report.stopped(edited, 1);
    writer.write(found => report.with(placed(found, run, source)));
  } catch (error) {
    if (!isFileError(error)) throw error;
    writer.abandon();
    return report.failed([cannotWrite(error)], writer.written);
  }
  report.add(placed(writer.findings, run, source));
  report.know({ menus: run.menus() });
  return report.ended(writer.written);
}

/** Of a menu that has a place on no page it is told once, where the plan names it. */
function placed(found: readonly Finding[], run: Run, source: Source): Finding[] {
  const nowhere = run.nowhere();
  const isThere = ({ rule, menu }: Finding): boolean =>
    rule !== 'no-place' || nowhere.every(({ name }) => name !== menu);
  return [...found.filter(isThere), ...nowhere.map(menu => placeNowhere(menu, source))];
}

/** What a build tells, gathered as it goes on. */
class BuildReport {
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
