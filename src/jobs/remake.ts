import { readFileSync } from 'node:fs';
import { dirname, join, resolve } from 'node:path';
import type { Seek } from '../core/page/types.ts';
import { Source } from '../core/text/source.ts';
import { pathMatcher } from '../core/address/glob.ts';
import { SiteContents } from '../files/contents.ts';
import { alone } from '../files/lock.ts';
import { BuildReport, placed } from '../files/outcome.ts';
import { decomposed } from '../files/on-disk.ts';
import { inPlace } from '../files/own-names.ts';
import { shownPath } from '../files/paths.ts';
import { namesFolders } from '../files/plan-folders.ts';
import { planMark } from '../files/plan-mark.ts';
import { type Seen, recordFolder } from '../files/reading.ts';
import { SiteRecord } from '../files/record.ts';
import { type Resolved, resolvedIn } from '../files/resolved.ts';
import type { BuildResult } from '../files/result.ts';
import { Rewriting } from '../files/rewriting.ts';
import { Run, type RunSite } from '../files/run.ts';
import { type Glance, type StoredOutput, areNotesWhole } from '../files/stored.ts';
import type { SiteFile } from '../files/walk.ts';
export type { BuildResult } from '../files/result.ts';

/** With more, it is the pages that take the time. */
const most = 100;

/**
 * A build of few pages, where nothing else has changed since the last one, and what was asked of them is answered as it was:
 * then the plan need not be understood again.
 * @param seen of its site a moment ago
 * @returns null where that does not hold, and where anything stands in the way: a whole build tells of it
 */
export async function remake(plan: string, seen: Seen): Promise<BuildResult | null> {
  const { few } = seen;
  if (!few || few.changed.length === 0 || few.changed.length > most) return null;
  try {
    return await alone(dirname(plan), () => rewritten(plan, seen, few), 0);
  } catch {
    return null;
  }
}

async function rewritten(
  file: string,
  seen: Seen,
  { output, changed }: NonNullable<Seen['few']>,
): Promise<BuildResult | null> {
  const last = seen.reading.stored?.outputs[output];
  const here = last && areKnown(changed, last) ? await opened(file, seen, last) : null;
  if (!last || !here || !changed.every(one => isAsBefore(one, here))) return null;
  const { run, kept, source } = here;
  const { site } = run;
  const report = new BuildReport({ plan: kept.plan, folder: site.planFolder });
  report.know({ pages: kept.counts.pages });
  report.add(kept.findings);
  const writer = new Rewriting(run, folderOf(kept, site), last, changed);
  writer.write(found => report.with(placed(found, run, source)));
  report.add(placed(writer.findings, run, source));
  report.know({ menus: run.menus() });
  return report.ended(writer.written);
}

interface Here {
  kept: Resolved;
  run: Run;
  source: Source;
}

/** The site with what was kept of it; null where it is none of what was seen. */
async function opened(file: string, seen: Seen, last: StoredOutput): Promise<Here | null> {
  const folder = dirname(file);
  const bytes = readFileSync(file);
  const text = new TextDecoder().decode(bytes);
  const kept = keptOf(join(folder, recordFolder), last, planMark(bytes));
  const isOfPlan = kept?.plan.output === seen.few!.output && namesFolders(text, kept.plan);
  const site = isOfPlan ? siteOf(kept, folder, seen) : null;
  if (!kept || !site) return null;
  const seek = kept.isComplex ? (await import('../core/page/select.ts')).seekIn : null;
  return { kept, source: new Source(shownPath(file), text), run: runOf(kept, site, last.glance!, seek) };
}

/** What was kept of the very build that is recorded. */
function keptOf(record: string, { glance, basis }: StoredOutput, mark: string): Resolved | null {
  if (glance?.resolved === undefined || glance.plan !== mark) return null;
  const kept = resolvedIn(record, glance.resolved);
  return kept?.basis === basis && kept.mark === mark && kept.plan.site === glance.site ? kept : null;
}

/** The site as it was listed, where its record is still the one that was read; its rows have been compared with the files. */
function siteOf(
  { plan, pieces }: Resolved,
  planFolder: string,
  { reading, site, few }: Seen,
): RunSite | null {
  const record = new SiteRecord(planFolder, reading, areNotesWhole);
  if (!site || !few || record.reading !== reading || record.findings.length > 0) return null;
  record.toWrite();
  const root = resolve(planFolder, plan.site);
  const { files: listed } = site.listed;
  // The others are as they were, and have been counted.
  const files = few.changed.filter(({ path }) => !pieces.has(path));
  const pageFiles = new Set(files.map(({ path }) => path).filter(pathMatcher([plan.read], true)));
  const onDisk = decomposed(listed);
  const contents = new SiteContents(root, { onDisk, files: listed, taken: hash => record.taken(hash) });
  const facts = { pages: new Set<string>(), movedTo: () => null };
  return { root, planFolder, files, listed, pieces, pageFiles, facts, contents, onDisk, record };
}

/** Where the finished pages are. */
const folderOf = ({ plan: { output } }: Pick<Resolved, 'plan'>, { root, planFolder }: RunSite): string =>
  output === inPlace ? root : resolve(planFolder, output);

function runOf(
  { plan, menus, ids, languages, reserves, basis, mark, counts }: Resolved,
  site: RunSite,
  { own: names, resolved }: Glance,
  seek: Seek | null,
): Run {
  const folder = folderOf({ plan }, site);
  const own = new Map(names.map(path => [path, readFileSync(join(folder, path))]));
  const resolution = { menus, ids, languages };
  const made = { basis, mark, counts, ...(resolved === undefined ? {} : { resolved }) };
  return new Run({ plan, site, resolution, reserves, own, seek, ...made });
}

/** Whether each of these files has been made by the last build. */
function areKnown(changed: readonly SiteFile[], { files }: StoredOutput): boolean {
  const paths = new Set(changed.map(({ path }) => path));
  return files.filter(row => paths.has(row[0])).length === paths.size;
}

/** Whether it is a page that answers what it did when the plan was understood. */
function isAsBefore({ path }: SiteFile, { run, kept }: Here): boolean {
  const own = path.normalize('NFC');
  return run.isPage(path) && run.site.contents.answers(own, kept.asked.get(own) ?? new Map());
}
