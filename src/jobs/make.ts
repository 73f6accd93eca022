import { dirname } from 'node:path';
import { unusedMenu } from '../core/inlay/findings.ts';
import type { Source } from '../core/text/source.ts';
import { cannotWrite, isFileError } from '../files/errors.ts';
import { inPlace } from '../files/own.ts';
import { alone } from '../files/lock.ts';
import { BuildReport, placed } from '../files/outcome.ts';
import { fromUser, isThere } from '../files/paths.ts';
import { openPlan } from '../files/plan.ts';
import type { Seen } from '../files/reading.ts';
import type { Run } from '../files/run.ts';
import { FolderWriter } from '../files/write-folder.ts';
import { PlaceWriter } from '../files/write-in-place.ts';
import type { SiteWriter, WriteOptions } from '../files/writer.ts';
import { openAll } from '../opening/open.ts';
import type { BuildResult } from '../files/result.ts';
export type { BuildResult } from '../files/result.ts';

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
  run.told = report.findings;
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
