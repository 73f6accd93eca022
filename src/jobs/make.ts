import { join, resolve } from 'node:path';
import { unusedMenu } from '../core/inlay/findings.ts';
import { cannotWrite, editedOutput, isFileError } from '../files/errors.ts';
import { Output } from '../files/output.ts';
import { inPlace } from '../files/own.ts';
import { fromUser, shownPath } from '../files/paths.ts';
import { openPlan } from '../files/plan.ts';
import type { Glance } from '../files/record.ts';
import type { Run } from '../files/run.ts';
import { editedFiles, writeFolder } from '../files/write-folder.ts';
import { PlaceWriter } from '../files/write-in-place.ts';
import { planMark } from '../files/plan-mark.ts';
import { openAll, prepared } from './open.ts';
import { type BuildOptions, type BuildResult, emptyResult, ended, stopped } from './result.ts';

/** A whole build. */
export async function make(options: BuildOptions): Promise<BuildResult> {
  const open = openPlan(options.plan);
  const result = emptyResult(open);
  const opened = await openAll(open, { isDry: options.dryRun === true });
  if ('stop' in opened) return stopped(result, opened.stop, 2);
  const { plan, site } = opened;
  const { run, findings } = await prepared(opened);
  const begun = { ...result, pages: site.facts.pages.size };
  if (!run) return stopped(begun, findings, 2);
  const menus = run.menus();
  const told = [
    ...findings,
    ...fromUser(site.findings, site.root),
    ...menus.filter(menu => menu.pages === 0).map(menu => unusedMenu(menu.name)),
  ];
  const ready = { ...begun, menus, findings: told };
  if (plan.output === inPlace) return writing(ready, () => changePages(run, ready, options));
  const output = new Output(
    resolve(open.folder, plan.output),
    plan.output,
    site.record,
    options.dryRun === true,
  );
  return writing(
    ready,
    () => fillFolder(run, output, { ready, options, mark: planMark(open.source.text) }),
    () => {
      output.abandon();
    },
  );
}

/** What the file system refuses is told; what was there before is still whole. */
function writing(
  result: BuildResult,
  write: () => BuildResult,
  abandon = (): void => undefined,
): BuildResult {
  try {
    return write();
  } catch (error) {
    if (!isFileError(error)) throw error;
    abandon();
    return stopped(result, [cannotWrite(error)], 2);
  }
}

/** The finished site goes into a folder of its own. */
function fillFolder(
  run: Run,
  output: Output,
  { ready, options, mark }: { ready: BuildResult; options: BuildOptions; mark: string },
): BuildResult {
  const edited = options.overwrite ? [] : editedFiles(run, output);
  if (edited.length > 0) {
    const findings = edited.map(path => editedOutput(shownPath(join(output.folder, path))));
    return stopped(ready, [...ready.findings, ...findings], 1);
  }
  const gone = writeFolder(run, output, options.progress ?? (() => undefined));
  const ofPages = fromUser(run.pageFindings, run.site.root);
  const findings = [...ready.findings, ...gone, ...ofPages];
  // Pages that have findings are made again the next time, so that these are told again.
  output.finish(
    ofPages.length > 0 ? '' : run.source.basis,
    findings.length > 0 ? null : glanceOf(run, ready, mark),
  );
  const { created, changed, gone: left, same } = output;
  return ended({ ...ready, findings, created, changed, gone: left, same });
}

/** What the next build can go by if nothing has changed. */
function glanceOf({ source }: Run, { menus, pages }: BuildResult, mark: string): Glance {
  const { site, leaveOut } = source.plan;
  return { plan: mark, site, leaveOut: [...leaveOut], own: [...source.own.keys()], menus, pages };
}

/** The pages of the site are changed themselves. */
function changePages(run: Run, ready: BuildResult, options: BuildOptions): BuildResult {
  const { dryRun = false, overwrite = false, progress = () => undefined } = options;
  const writer = new PlaceWriter(run, { dryRun, overwrite, progress });
  writer.write();
  const findings = [...ready.findings, ...fromUser([...writer.findings, ...run.pageFindings], run.site.root)];
  const { created, changed, same } = writer;
  return ended({ ...ready, findings, created, changed, same });
}
