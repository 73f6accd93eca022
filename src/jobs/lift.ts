import { join, resolve } from 'node:path';
import { type Finding, hasErrors, sortFindings } from '../core/text/finding.ts';
import { cannotWrite, isFileError } from '../files/errors.ts';
import { liftOutput, liftPart, noFolder } from '../files/folder-errors.ts';
import { type LiftOptions as LifterOptions, Lifter } from '../files/lifter.ts';
import { alone } from '../files/lock.ts';
import { inPlace } from '../files/own.ts';
import { fromUser, isThere, planAbove, shownPath } from '../files/paths.ts';
import { type OpenPlan, openPlan, placeIn } from '../files/plan.ts';
import { SiteRecord } from '../files/record.ts';
import { listSite } from '../files/site.ts';
import { planFile } from './given.ts';

export interface LiftOptions extends LifterOptions {
  /** A plan, or a folder of pages with or without one. */
  plan?: string;
}

export interface LiftResult {
  status: 0 | 1 | 2;
  findings: Finding[];
  /** The site as the user sees it. */
  site: string;
  /** Paths of pages that are as they were, and `removed` of files of Kamino's that are gone; with `dryRun` those that would be. */
  lifted: string[];
  /** Pages whose menus are gone, with what somebody had edited in them. */
  edited: string[];
  /** Pages that keep their menus, since they could not be lifted. */
  left: string[];
  removed: string[];
  /** The folder of finished pages that the plan names, where there is one. */
  output: string | null;
}

/** Takes what Kamino put into the pages of a site out again. */
export async function lift(options: LiftOptions = {}): Promise<LiftResult> {
  const open = openPlan(planFile(options.plan));
  const given = resolve(options.plan ?? '.');
  const root = open.plan ? resolve(open.folder, open.plan.site) : isThere(open.file) ? open.folder : given;
  const nothing: LiftResult = {
    status: 2,
    findings: [],
    site: shownPath(root),
    lifted: [],
    edited: [],
    left: [],
    removed: [],
    output: outputOf(open),
  };
  if (!isThere(root))
    return { ...nothing, findings: [noFolder(root, 'Name the folder of the pages, or of their plan.')] };
  const misplaced = isThere(open.file) ? null : misplacedLift(root);
  if (misplaced) return { ...nothing, findings: [misplaced] };
  const work = (): Lifted => liftIn(root, open, options);
  const isFree = options.dryRun === true || !isThere(join(open.folder, '.kamino'));
  try {
    return { ...nothing, ...(isFree ? work() : await alone(open.folder, work)) };
  } catch (error) {
    if (!isFileError(error)) throw error;
    return { ...nothing, findings: [cannotWrite(error)] };
  }
}

type Lifted = Pick<LiftResult, 'status' | 'findings' | 'lifted' | 'edited' | 'left' | 'removed'>;

function liftIn(root: string, open: OpenPlan, options: LiftOptions): Lifted {
  const lifting = new Lifter(root, new SiteRecord(open.folder), options);
  const { lifted, edited, left, removed, failed, record } = lifting;
  try {
    lifting.site(listed(root, open, record), open.plan?.read);
  } catch (error) {
    if (!isFileError(error)) throw error;
    return { status: 2, lifted, edited, left, removed, findings: [cannotWrite(error)] };
  }
  const findings = sortFindings([...record.findings, ...fromUser(lifting.findings, root), ...failed]);
  return { status: hasErrors(findings) ? 1 : 0, lifted, edited, left, removed, findings };
}

function listed(root: string, { file, plan }: OpenPlan, record: SiteRecord): ReturnType<typeof listSite> {
  const own = plan ? { output: plan.output, leaveOut: plan.leaveOut } : {};
  return listSite({ root, plan: file, record, ...own });
}

/** Why a folder without a plan of its own is not to be lifted; null where it is. */
function misplacedLift(root: string): Finding | null {
  const plans = [planAbove(root), planFile()].flatMap(one =>
    one !== null && isThere(one) ? [openPlan(one)] : [],
  );
  for (const open of plans) {
    const place = placeIn(open, root);
    if (place === 'site') return liftPart(root, open.file);
    if (place === 'output')
      return liftOutput(root, { plan: open.file, site: shownPath(resolve(open.folder, open.plan!.site)) });
  }
  return null;
}

function outputOf(open: OpenPlan): string | null {
  if (!open.plan || open.plan.output === inPlace) return null;
  const folder = resolve(open.folder, open.plan.output);
  return isThere(folder) ? shownPath(folder) : null;
}
