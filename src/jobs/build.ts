import { resolve } from 'node:path';
import { hasErrors } from '../core/text/finding.ts';
import { Output } from '../files/output.ts';
import { cannotWrite, isFileError } from './build-findings.ts';
import { writeFolder } from './build-folder.ts';
import { writeInPlace } from './build-in-place.ts';
import { inPlace } from './own.ts';
import { fromUser } from './paths.ts';
import { Run, prepare } from './prepare.ts';
import { openPlan, openSite } from './project.ts';
import { type BuildOptions, type BuildResult, emptyResult, stopped } from './result.ts';

/** Reads plan and pages, puts the menus in, and writes what differs. */
export async function build(options: BuildOptions = {}): Promise<BuildResult> {
  const open = openPlan(options.plan);
  const result = emptyResult(open);
  const { plan } = open;
  if (!plan) return stopped(result, open.findings, 2);
  const { site, findings } = openSite(open, plan, options.dryRun === true);
  if (!site) return stopped(result, [...open.findings, ...findings], 2);
  result.pages = site.facts.pages.size;
  const prepared = await prepare(open, plan, site);
  const told = [...open.findings, ...prepared.findings];
  if (hasErrors(told)) return stopped(result, told, 2);
  const run = new Run(open, plan, site, prepared);
  const begun = { ...result, findings: [...told, ...fromUser(site.findings, site.root)] };
  const isDry = options.dryRun === true;
  const output =
    plan.output === inPlace
      ? null
      : new Output(resolve(open.folder, plan.output), plan.output, site.record, isDry);
  try {
    return output ? writeFolder(run, output, begun, options) : writeInPlace(run, begun, options);
  } catch (error) {
    if (!isFileError(error)) throw error;
    output?.abandon();
    return stopped(result, [cannotWrite(error)], 2);
  }
}
