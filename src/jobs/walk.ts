import { availableParallelism } from 'node:os';
import { resolve } from 'node:path';
import { findBrowser } from '../browser/find.ts';
import type { PageJob } from '../browser/walk/page-walk.ts';
import type { Engine } from '../browser/walk/tab.ts';
import type { WalkOutcome } from '../browser/walk/walk.ts';
import type { CheckedSite } from '../core/check/types.ts';
import { type Finding, finding, hasErrors, sortFindings } from '../core/text/finding.ts';
import { type Fault, faultsOf, findingOf } from '../core/walk/faults.ts';
import { matrixOf, targetsOf } from '../core/walk/matrix.ts';
import { jobsOf } from '../core/walk/shapes.ts';
import { type VisitorSummary, summaryOf } from '../core/walk/summary.ts';
import { leftOutFaults, sentenceOf, unreachedNotes } from '../core/walk/told.ts';
import type { Matrix, WalkTarget } from '../core/walk/types.ts';
import { type Visitor, visitors } from '../core/walk/visitors.ts';
import { noVisitor } from '../core/walk/asked.ts';
import { ownScriptOf } from '../files/own.ts';
import { fromUser, isThere, shownPath } from '../files/paths.ts';
import { ServedFiles } from '../files/served.ts';
import { finishedPages } from './finished.ts';
import { openFolder } from './folder.ts';

export interface WalkOptions {
  /** A plan or its folder, whose finished pages are gone through; or any folder of pages. */
  site?: string;
  /** Names of visitors; all by default. */
  visitors?: readonly string[];
  /** Only this page, as a path in the folder of finished pages. */
  page?: string;
  /** Every page in full, not only one for each way that a menu is built. */
  all?: boolean;
  /** How long it may take, in seconds; 300 by default. */
  time?: number;
  /** The program of a browser; the first that is found by default. */
  browser?: string;
  /** Another way to drive a browser, for other engines. */
  engine?: () => Promise<Engine>;
  onPage?: (done: number, all: number) => void;
}

export interface WalkResult {
  status: 0 | 1 | 2;
  findings: Finding[];
  /** What was gone through, as the user sees it. */
  site: string;
  browser: string | null;
  /** In one sentence. */
  said: string;
  summary: VisitorSummary[];
  matrix: Matrix | null;
  faults: Fault[];
  /** Pages that were gone through in full, looked at, and there in all. */
  explored: number;
  looked: number;
  pages: number;
  /** In ms. */
  took: number;
}

const usualTime = 300;

/** Goes through finished pages in a real browser as every visitor. */
export async function walk(options: WalkOptions = {}): Promise<WalkResult> {
  const begun = Date.now();
  const { root, plan, base, missing } = finishedPages(options.site);
  const who = visitors.filter(one => options.visitors?.includes(one.name) ?? true);
  const stop = missing ?? noVisitor(options.visitors ?? []);
  if (stop) return failed(root, [stop]);
  const { site } = openFolder(root, { plan, isLifted: false, base });
  const asked = options.page === undefined ? null : pageOf(options.page, site, root);
  if (asked && 'rule' in asked) return failed(root, [asked]);
  const engine = await startEngine(options);
  if ('rule' in engine) return failed(root, [engine]);
  const targets = targetsOf(site);
  const jobs = jobsOf(site, targets, { all: options.all === true, page: asked?.page ?? null });
  try {
    const { walkSite } = await import('../browser/walk/walk.ts');
    const outcome = await walkSite({
      engine,
      served: new ServedFiles(root, base, site.files),
      jobs,
      visitors: who,
      until: begun + (options.time ?? usualTime) * 1000,
      atOnce: 3 * availableParallelism(),
      ...(options.onPage ? { onPage: options.onPage } : {}),
    });
    return resultOf({
      site,
      targets,
      jobs,
      who,
      outcome,
      root,
      isWhole: asked === null,
      browser: engine.called,
      begun,
    });
  } finally {
    await engine.close().catch(() => undefined);
  }
}

interface Done {
  site: CheckedSite;
  targets: readonly WalkTarget[];
  jobs: readonly PageJob[];
  who: readonly Visitor[];
  outcome: WalkOutcome;
  root: string;
  /** From the front page on. */
  isWhole: boolean;
  browser: string;
  begun: number;
}

function resultOf({ site, targets, jobs, who, outcome, root, isWhole, browser, begun }: Done): WalkResult {
  const walks = who.map(visitor => ({
    visitor: visitor.name,
    onPaper: visitor.moves === 'paper',
    pages: outcome.walks.get(visitor.name)!,
  }));
  const matrix = matrixOf(site, targets, walks);
  const faults = [
    ...faultsOf([...outcome.notes, ...unreachedNotes(matrix, site, isWhole)]),
    ...leftOutFaults(outcome.leftOut),
  ];
  const findings = sortFindings(fromUser(faults.map(findingOf), root));
  return {
    status: hasErrors(findings) ? 1 : 0,
    findings,
    site: shownPath(root),
    browser,
    said: sentenceOf(matrix),
    summary: summaryOf(matrix),
    matrix,
    faults,
    explored: jobs.filter(one => one.menus !== null).length,
    looked: jobs.length,
    pages: site.pages.size,
    took: Date.now() - begun,
  };
}

function failed(root: string, findings: Finding[]): WalkResult {
  const none = {
    browser: null,
    said: '',
    summary: [],
    matrix: null,
    faults: [],
    explored: 0,
    looked: 0,
    pages: 0,
    took: 0,
  };
  return { status: 2, findings, site: shownPath(root), ...none };
}

function pageOf(given: string, site: CheckedSite, root: string): { page: string } | Finding {
  const page = site.pages.has(given) ? given : shownPath(resolve(given)).slice(shownPath(root).length + 1);
  if (site.pages.has(page)) return { page };
  return finding(
    'missing-page',
    { file: shownPath(root) },
    `there is no page \`${given}\``,
    'Name it as it lies in that folder:  kamino walk --page visit/index.html',
  );
}

async function startEngine({ browser, engine }: WalkOptions): Promise<Engine | Finding> {
  if (engine) return engine();
  const program = browser ?? findBrowser();
  const none = (message: string, remedy: string): Finding => finding('cannot-read', null, message, remedy);
  if (program === null)
    return none(
      'there is no browser to walk with',
      'Install one:  apt-get install chromium  (Debian, Ubuntu), or Chrome or Edge; or name one:  --browser PATH',
    );
  if (!isThere(program))
    return none(
      `there is no program ${program}`,
      'Name the program of a Chromium, Chrome or Edge:  --browser PATH',
    );
  try {
    const { startChromium } = await import('../browser/walk/chromium.ts');
    return await startChromium({ program, probe: ownScriptOf('walk') });
  } catch (error) {
    const message = error instanceof Error ? error.message.split('\n')[0]! : String(error);
    return none(
      `the browser ${program} did not start: ${message}`,
      'Try it by hand, or name another one:  --browser PATH\nWithout the package that drives it:  npm install playwright-core',
    );
  }
}
