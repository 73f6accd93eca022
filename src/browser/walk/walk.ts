import type { Note } from '../../core/walk/faults.ts';
import type { PageJob, WalkedLink, WalkedPage } from '../../core/walk/types.ts';
import type { Visitor } from '../../core/walk/visitors.ts';
import { Noter } from './noter.ts';
import { walkPage } from './page-walk.ts';
import { type Served, WalkServer } from './server.ts';
import type { Engine } from './tab.ts';
import { Visit } from './visit.ts';

export interface Walking {
  engine: Engine;
  served: Served;
  /** The most important first. */
  jobs: readonly PageJob[];
  visitors: readonly Visitor[];
  /** When it is to be over, as `Date.now()` has it. */
  until: number;
  /** So much is done at once: pages wait for transitions. */
  atOnce: number;
  onPage?: (done: number, all: number) => void;
}

export interface WalkOutcome {
  /** By visitor and page. */
  walks: Map<string, Map<string, WalkedPage>>;
  notes: Note[];
  /** For which there was no time, by visitor. */
  leftOut: Map<string, string[]>;
}

/** A visitor in one window, and what they have still to go through. */
interface Walker {
  visitor: Visitor;
  window: readonly [number, number];
  visit: Visit | null;
  waiting: PageJob[];
  isBusy: boolean;
}

/** Goes through pages as each visitor. */
export async function walkSite(walking: Walking): Promise<WalkOutcome> {
  const walkers = walking.visitors.flatMap(visitor =>
    visitor.windows.flatMap(window => {
      // Whoever has the most to do goes in several windows at once.
      const waiting = [...walking.jobs];
      return Array.from({ length: visitor.followsAll ? 3 : 1 }, (): Walker => ({
        visitor,
        window,
        visit: null,
        waiting,
        isBusy: false,
      }));
    }),
  );
  const outcome: WalkOutcome = { walks: new Map(), notes: [], leftOut: new Map() };
  for (const { visitor } of walkers) outcome.walks.set(visitor.name, new Map());
  const all = new Set(walkers.map(one => one.waiting)).size * walking.jobs.length;
  let done = 0;
  const lane = async (): Promise<void> => {
    for (let next = take(walkers); next; next = take(walkers)) {
      const { walker, job } = next;
      if (Date.now() < walking.until) await goThrough(walker, job, walking, outcome);
      else leaveOut(outcome, walker.visitor.name, job.page);
      walker.isBusy = false;
      walking.onPage?.((done += 1), all);
    }
  };
  // What drives the browser takes down the stack of each of its thousands of calls.
  const limit = Error.stackTraceLimit;
  Error.stackTraceLimit = 0;
  try {
    await Promise.all(Array.from({ length: walking.atOnce }, lane));
  } finally {
    Error.stackTraceLimit = limit;
    for (const walker of walkers) await leave(walker);
  }
  return outcome;
}

/** The next page that somebody has to go through who is not under way, the most important first. */
function take(walkers: readonly Walker[]): { walker: Walker; job: PageJob } | null {
  let next: Walker | null = null;
  for (const one of walkers) if (!one.isBusy && one.waiting.length > (next?.waiting.length ?? 0)) next = one;
  if (!next) return null;
  next.isBusy = true;
  return { walker: next, job: next.waiting.shift()! };
}

function leaveOut({ leftOut }: WalkOutcome, visitor: string, page: string): void {
  const pages = leftOut.get(visitor) ?? [];
  if (!pages.includes(page)) pages.push(page);
  leftOut.set(visitor, pages);
}

async function goThrough(
  walker: Walker,
  job: PageJob,
  walking: Walking,
  { walks, notes }: WalkOutcome,
): Promise<void> {
  const { visitor, window } = walker;
  walker.visit ??= await begin(walker, walking);
  const noter = new Noter(walker.visit, job.page);
  try {
    const walked = await walkPage(walker.visit, job, noter);
    const pages = walks.get(visitor.name)!;
    const before = pages.get(job.page);
    pages.set(job.page, before ? harder(before, walked) : walked);
  } catch (error) {
    noter.told('no-answer', `the page does not answer at ${window[0]} px: ${reasonOf(error)}`);
    await leave(walker);
  }
  notes.push(...noter.notes);
}

async function begin({ visitor, window }: Walker, { engine, served }: Walking): Promise<Visit> {
  const server = new WalkServer(served, visitor.lost);
  await server.start();
  const tab = await engine.open(visitor, window);
  return new Visit(tab, server, { visitor, window });
}

async function leave(walker: Walker): Promise<void> {
  const { visit } = walker;
  walker.visit = null;
  await visit?.tab.close().catch(() => undefined);
  visit?.server.close();
}

/** Of two windows that one visitor may have, the one where a place is harder to get to. */
function harder(one: WalkedPage, other: WalkedPage): WalkedPage {
  const worse = (link: WalkedLink, at: number): WalkedLink => {
    const second = other.links[at];
    if (!second || link.actions === null || second.actions === 0) return link;
    return second.actions === null || second.actions > link.actions ? second : link;
  };
  return {
    page: one.page,
    links: one.links.map(worse),
    sections: one.sections.map((section, at) =>
      other.sections[at]?.isSeen === false ? other.sections[at]! : section,
    ),
  };
}

/** The first line, without where it happened in the browser. */
function reasonOf(error: unknown): string {
  const message = error instanceof Error ? error.message : String(error);
  return message
    .split('\n')[0]!
    .replace(/^page\.\w+: /, '')
    .replace(/http:\/\/127\.0\.0\.1:\d+/g, '');
}
