import { availableParallelism } from 'node:os';
import { dirname, resolve } from 'node:path';
import { browserEnded, startEngine } from '../browser/walk/start.ts';
import type { Engine } from '../browser/walk/tab.ts';
import type { CheckedSite } from '../core/check/types.ts';
import { walkReport } from '../core/draw/walk-report.ts';
import { type Finding, hasErrors, sortFindings } from '../core/text/finding.ts';
import { findingOf } from '../core/walk/faults.ts';
import { targetsOf } from '../core/walk/matrix.ts';
import type { PageJob } from '../core/walk/types.ts';
import { jobsOf } from '../core/walk/shapes.ts';
import { type Proof, proofOf } from '../core/walk/proof.ts';
import { questionProblems } from '../core/walk/questions.ts';
import { type Visitor, visitors } from '../core/walk/visitors.ts';
import { noVisitor, notPlayed, pageAsked } from '../core/walk/asked.ts';
import { oddFolder } from '../files/folder-errors.ts';
import { ownScriptOf } from '../files/own.ts';
import { dataAddress } from '../files/held.ts';
import { SiteRecord } from '../files/record.ts';
import { writeWhole } from '../files/write.ts';
import { fromUser, isThere, shownPath } from '../files/paths.ts';
import { ServedFiles } from '../files/served.ts';
import { ruleMistakes, weighed } from '../opening/weighed.ts';
import { openFolder } from '../opening/folder.ts';
import { failure } from './failure.ts';
import { type Finished, finishedPages } from './finished.ts';

export interface WalkOptions {
  /** A plan or its folder, whose finished pages are gone through; or any folder of pages. */
  site?: string;
  /** Names of visitors; all by default. */
  visitors?: readonly string[];
  /** Only these pages, as paths in the folder of finished pages. */
  pages?: readonly string[];
  /** Every page in full, not only one for each way that a menu is built. */
  all?: boolean;
  /** How long it may take, in seconds; 300 by default. */
  time?: number;
  /** The program of a browser; the first that is found by default. */
  browser?: string;
  /** The file that a report for people is written to; none by default. */
  report?: string;
  onPage?: (done: number, all: number) => void;
}

export interface WalkResult extends Omit<Proof, 'matrix'> {
  status: 0 | 1 | 2;
  findings: Finding[];
  /** What was gone through, as the user sees it. */
  site: string;
  browser: string | null;
  /** null where nothing was walked. */
  matrix: Proof['matrix'] | null;
  /** Pages that were gone through in full, and those that there are in all. */
  explored: number;
  pages: number;
  /** In ms. */
  took: number;
}

const usualTime = 300;

/** Goes through finished pages in a real browser as every visitor. */
export async function walk(options: WalkOptions = {}): Promise<WalkResult> {
  const begun = Date.now();
  const finished = finishedPages(options.site);
  const { root, plan, above, base, missing } = finished;
  const who = visitors.filter(one => options.visitors?.includes(one.name) ?? true);
  const stop = missing ?? noVisitor(options.visitors ?? []);
  if (stop) return failed(root, [stop]);
  const { site, findings: ofFolder } = openFolder(root, { plan, isLifted: false, base });
  if (site.pages.size === 0)
    return failed(root, [...ofFolder, ...oddFolder(root, { hasPages: false, above })]);
  const pages = (options.pages ?? []).map(given =>
    pageAsked(given, site.pages, { site: shownPath(root), shown: shownPath(resolve(given)) }),
  );
  const unknown = pages.filter(page => typeof page !== 'string');
  if (unknown.length > 0) return failed(root, unknown);
  const only = pages.filter(page => typeof page === 'string');
  const engine = await startEngine(options.browser, ownScriptOf('walk'));
  if ('rule' in engine) return failed(root, [engine]);
  try {
    return await walked(engine, { options, finished, site, ofFolder, who, only, begun });
  } catch (error) {
    return failed(root, [browserEnded(engine.called, error)]);
  } finally {
    await engine.close().catch(() => undefined);
  }
}

interface Begun {
  options: WalkOptions;
  finished: Finished;
  site: CheckedSite;
  ofFolder: readonly Finding[];
  who: readonly Visitor[];
  only: readonly string[];
  begun: number;
}

async function walked(
  engine: Engine,
  { options, finished, site, ofFolder, who, only, begun }: Begun,
): Promise<WalkResult> {
  const { root, base, opened } = finished;
  const played = who.filter(one => !engine.lacks.includes(one.name));
  const lacking = notPlayed(who, engine);
  const targets = targetsOf(site);
  const jobs = jobsOf(site, targets, { all: options.all === true, pages: only });
  const { walkSite } = await import('../browser/walk/walk.ts');
  const outcome = await walkSite({
    engine,
    served: new ServedFiles(root, base, site.files),
    jobs,
    visitors: played,
    until: begun + (options.time ?? usualTime) * 1000,
    atOnce: 3 * availableParallelism(),
    ...(options.onPage ? { onPage: options.onPage } : {}),
  });
  const questions = opened?.plan?.questions ?? [];
  const proof = proofOf(site, played, outcome, { targets, questions, pages: only });
  const unwritten = writeReport(options.report, finished, { proof, browser: engine.called });
  const found = lacking ? [...ofFolder, lacking] : ofFolder;
  return resultOf({ finished, site, ofFolder: found, jobs, proof, browser: engine.called, begun, unwritten });
}

interface Done {
  finished: Finished;
  site: CheckedSite;
  /** Pages that cannot be read. */
  ofFolder: readonly Finding[];
  jobs: readonly PageJob[];
  proof: Proof;
  browser: string;
  begun: number;
  /** Why there is no report though one was asked for. */
  unwritten: Finding | null;
}

function resultOf({ finished, site, ofFolder, jobs, proof, browser, begun, unwritten }: Done): WalkResult {
  const { root, opened, above } = finished;
  const questions = opened?.plan?.questions ?? [];
  const findings = sortFindings([
    ...ruleMistakes(opened),
    ...oddFolder(root, { hasPages: true, above }),
    ...(opened ? questionProblems(questions, site, opened.source) : []),
    ...fromUser(weighed([...ofFolder, ...proof.faults.map(findingOf)], opened), root),
  ]);
  return {
    status: unwritten ? 2 : hasErrors(findings) ? 1 : 0,
    findings: unwritten ? [...findings, unwritten] : findings,
    site: shownPath(root),
    browser,
    ...proof,
    explored: jobs.filter(one => one.menus !== null && proof.walked.includes(one.page)).length,
    pages: site.pages.size,
    took: Date.now() - begun,
  };
}

/** It is no part of the site, wherever it lies. @returns why it cannot be written: what was found is told all the same */
function writeReport(
  asked: string | undefined,
  { root, plan }: Finished,
  { proof, browser }: { proof: Proof; browser: string },
): Finding | null {
  if (asked === undefined) return null;
  const file = resolve(asked);
  const front = proof.matrix.rows[0]?.target.label ?? shownPath(root);
  const html = walkReport({
    title: front,
    proof,
    about: `Walked with ${browser}.`,
    picture: ({ picture }) => (picture ? dataAddress('walk.png', Buffer.from(picture)) : null),
  });
  const bytes = Buffer.from(html);
  try {
    writeWhole(file, bytes);
  } catch (error) {
    const told = failure(error);
    if (!told) throw error;
    return told;
  }
  if (isThere(plan)) new SiteRecord(dirname(plan)).toWrite().saveSheets([{ file, size: bytes.length }]);
  return null;
}

function failed(root: string, findings: Finding[]): WalkResult {
  const none = {
    browser: null,
    said: '',
    summary: [],
    matrix: null,
    answers: [],
    faults: [],
    walked: [],
    explored: 0,
    pages: 0,
    took: 0,
  };
  return { status: 2, findings, site: shownPath(root), ...none };
}
