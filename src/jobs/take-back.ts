import { join } from 'node:path';
import type { Change } from '../core/edit/changes.ts';
import { type Finding, finding, hasErrors, sortFindings } from '../core/text/finding.ts';
import { cannotWrite, isFileError } from '../files/errors.ts';
import { alone } from '../files/lock.ts';
import { inPlace } from '../files/own.ts';
import { fromUser, shownPath } from '../files/paths.ts';
import { type TakenBack, bothChanged, editsIn, writeBack } from '../files/taking-back.ts';
import { openAll } from '../opening/open.ts';
import type { Opened } from '../opening/opened.ts';
import { planFile } from './given.ts';

export interface TakeBackOptions {
  plan?: string;
  /** Only these files, as paths in the finished site; all by default. */
  files?: readonly string[];
  /** Also over sources that have changed since they were built. */
  overwrite?: boolean;
  dryRun?: boolean;
}

export interface TakeBackResult {
  status: 0 | 1 | 2;
  findings: Finding[];
  /** What was taken back, or would be, each with what is another in its source. */
  files: { file: string; kind: TakenBack['kind']; changes: Change[] | null }[];
}

/** Takes what somebody edited in finished pages, or added to them, over into the site, without the menus. */
export async function takeBack(options: TakeBackOptions = {}): Promise<TakeBackResult> {
  const opened = await openAll(planFile(options.plan));
  if ('stop' in opened) return { status: 2, files: [], findings: opened.stop };
  if (opened.plan.output === inPlace) return { status: 0, files: [], findings: [ownSources()] };
  const work = (): Promise<TakeBackResult> => taken(opened, options);
  try {
    return await (options.dryRun === true ? work() : alone(opened.site.planFolder, work));
  } catch (error) {
    if (!isFileError(error)) throw error;
    return { status: 2, files: [], findings: [cannotWrite(error)] };
  }
}

async function taken(
  opened: Opened,
  { files: asked = [], overwrite = false, dryRun = false }: TakeBackOptions,
): Promise<TakeBackResult> {
  const { run, findings: wrong } = await opened.prepared();
  if (!run) return { status: 2, files: [], findings: sortFindings(wrong) };
  if (!dryRun) opened.site.record.toWrite();
  const { files: all, findings } = editsIn(run);
  const output = shownPath(join(opened.site.planFolder, opened.plan.output));
  const wanted = all.filter(one => asked.length === 0 || asked.some(name => isNamed(name, one.path, output)));
  const unknown = asked.filter(name => !all.some(one => isNamed(name, one.path, output)));
  const left = wanted.filter(one => one.isBoth && !overwrite);
  const files = wanted.filter(one => !left.includes(one));
  if (!dryRun) writeBack(run, files);
  const told = sortFindings([
    ...unknown.map(notEdited),
    ...fromUser(
      [...findings, ...left.map(one => bothChanged(one.path))],
      join(opened.site.planFolder, opened.plan.output),
    ),
  ]);
  return {
    status: hasErrors(told) ? 1 : 0,
    findings: told,
    files: files.map(({ path, kind, changes }) => ({ file: shownPath(run.from(path)), kind, changes })),
  };
}

/** As a path in the finished site, or as it lies from here. */
const isNamed = (name: string, path: string, output: string): boolean =>
  name === path || name === `${output}/${path}`;

function notEdited(name: string): Finding {
  return finding(
    'cannot-read',
    { file: name },
    'nobody has edited such a finished file',
    'Which ones somebody has:  kamino take-back --dry-run',
  );
}

function ownSources(): Finding {
  return finding(
    'not-taken-back',
    null,
    'the plan builds in place: the pages are their own sources, and whatever is edited in them stays',
    'There is nothing to take back.',
  );
}
