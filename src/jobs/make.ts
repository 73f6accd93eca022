import { dirname } from 'node:path';
import { lookRules } from '../core/check/carried.ts';
import { ruled } from '../core/check/ruled.ts';
import { placeNowhere, unusedMenu } from '../core/inlay/findings.ts';
import type { Plan } from '../core/plan/types.ts';
import type { Finding } from '../core/text/finding.ts';
import type { Source } from '../core/text/source.ts';
import { cannotWrite, isFileError } from '../files/errors.ts';
import { inPlace } from '../files/own.ts';
import { alone } from '../files/lock.ts';
import { findPlan, fromUser, isThere } from '../files/paths.ts';
import { openPlan } from '../files/plan.ts';
import type { Run } from '../files/run.ts';
import { FolderWriter } from '../files/write-folder.ts';
import { PlaceWriter } from '../files/write-in-place.ts';
import type { SiteWriter, WriteOptions } from '../files/writer.ts';
import { openAll } from './open.ts';
import { type BuildOptions, BuildReport, type BuildResult } from './result.ts';

/** A whole build, while nobody else writes by this plan. */
export async function make(options: BuildOptions): Promise<BuildResult> {
  const plan = findPlan(options.plan);
  if (options.dryRun === true || !isThere(plan)) return whole(options);
  try {
    return await alone(dirname(plan), () => whole(options));
  } catch (error) {
    if (!isFileError(error)) throw error;
    return new BuildReport(openPlan(options.plan)).stopped([cannotWrite(error)], 2);
  }
}

async function whole(options: BuildOptions): Promise<BuildResult> {
  const { dryRun = false, overwrite = false, progress = () => undefined } = options;
  const opened = await openAll(options.plan, { isDry: dryRun });
  const report = new BuildReport(opened.open);
  if ('stop' in opened) return report.stopped(opened.stop, 2);
  const { run, findings } = await opened.prepared({ overwrite });
  const { root, facts, findings: ofFiles } = opened.site;
  report.know({ pages: facts.pages.size });
  report.add(weighedLooks(findings, opened.plan));
  if (!run) return report.stopped([], 2);
  const menus = run.menus();
  report.know({ menus });
  report.add(fromUser(ofFiles, root));
  report.add(
    menus
      .filter(({ pages }) => pages === 0)
      .map(({ name }) => unusedMenu(name, opened.plan.menus.find(one => one.name === name)?.form)),
  );
  return write(writerOf(run, { dryRun, overwrite, progress }), report, { run, source: opened.open.source });
}

/** What is told of looks, as the plan weighs it. */
function weighedLooks(findings: readonly Finding[], { rules }: Plan): Finding[] {
  return findings.flatMap(one => (lookRules.includes(one.rule) ? ruled([one], rules) : [one]));
}

function writerOf(run: Run, options: WriteOptions): SiteWriter {
  return run.source.plan.output === inPlace ? new PlaceWriter(run, options) : new FolderWriter(run, options);
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
