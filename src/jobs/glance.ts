import { existsSync, readFileSync } from 'node:fs';
import { dirname, resolve } from 'node:path';
import { sumOf } from '../core/text/sum.ts';
import { inPlace } from '../files/own-names.ts';
import { seenFrom, shownPath } from '../files/paths.ts';
import { planMark } from '../files/plan-mark.ts';
import { ReadRecord, type Seen, listedBy } from '../files/reading.ts';
import type { BuildResult } from '../files/result.ts';
import { type There, changedSince } from '../files/settled.ts';
import { listBy } from '../files/listing.ts';
import type { Glance } from '../files/stored.ts';
export type { Seen } from '../files/reading.ts';

/** What a look at the record and the dates of files tells. */
export interface Glanced {
  /** Null where a build has to look closer. */
  result: BuildResult | null;
  /** What such a build need not look at again. */
  seen: Seen | null;
}

export const unseen: Glanced = { result: null, seen: null };

/**
 * Whether the last build still holds: same plan, no page or finished file changed, and no error to tell. Then the
 * plan need not be understood again, and what was told is told again.
 * @param file the plan's
 */
export async function glance(file: string): Promise<Glanced> {
  const folder = dirname(file);
  const record = new ReadRecord(folder);
  if (record.folders.length === 0 || !existsSync(file)) return unseen;
  const text = readFileSync(file);
  const mark = planMark(text);
  const output = record.folders.find(one => record.found(one)?.glance?.plan === mark);
  const last = output === undefined ? null : record.found(output);
  const known = last?.glance;
  const root = known && resolve(folder, known.site);
  if (output === undefined || !last || !known || !root || !existsSync(root))
    return { result: null, seen: { reading: record.reading, site: null, few: null } };
  const listed = listBy({ root, plan: file, record, output }, await leavesOut(known.leaveOut));
  const isInPlace = output === inPlace;
  const there = {
    sources: listed.files,
    own: isInPlace ? null : known.own,
    folder: isInPlace ? root : resolve(folder, output),
  };
  const isAsListed = known.seenFrom === seenFrom(folder) && listed.findings.length === 0;
  const isKept = last.taken === undefined || last.taken <= record.takenCount;
  const changed = isAsListed && isKept ? changedSince(last, there) : null;
  const few = changed && { output, changed };
  const seen = {
    reading: record.reading,
    site: { by: listedBy(sumOf(text), root, output, known.leaveOut), listed },
    few,
  };
  if (changed?.length !== 0) return { result: null, seen };
  return { result: resultOf(known, last.files.length, there), seen };
}

/** What reads patterns takes a while to load, and most plans have none here. */
async function leavesOut(patterns: readonly string[]): Promise<(path: string) => boolean> {
  if (patterns.length === 0) return () => false;
  const { pathMatcher } = await import('../core/address/glob.ts');
  return pathMatcher(patterns);
}

function resultOf(
  { menus, pages, findings, same }: Glance,
  rows: number,
  { own, folder }: There,
): BuildResult {
  return {
    outcome: 'nothing-new',
    status: 0,
    findings: [...findings],
    output: shownPath(folder),
    inPlace: own === null,
    menus,
    pages,
    created: [],
    changed: [],
    gone: [],
    same: same ?? rows,
    menusAlone: [],
    why: null,
  };
}
