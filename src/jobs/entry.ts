import { type Change, changesOf } from '../core/edit/changes.ts';
import { EditError, NameError } from '../core/edit/list.ts';
import { type EntryEdit, editedPlan } from '../core/edit/entry.ts';
import { Ground } from '../core/menu/ground.ts';
import { partsIn } from '../core/menu/parts.ts';
import { pagesOfPatterns } from '../core/menu/patterns.ts';
import { PageReader } from '../core/page/reader.ts';
import { type Finding, finding, hasErrors, sortFindings } from '../core/text/finding.ts';
import { findPlan, shownPath } from '../files/paths.ts';
import { planOf } from '../files/plan.ts';
import { writeWhole } from '../files/write.ts';
import { type Here, openHere, resolved, wordsIn } from './open.ts';

export type { EntryEdit, EntryPlace } from '../core/edit/entry.ts';

export interface EntryOptions {
  /** A plan, or the folder of one. */
  plan?: string;
  /** The menu, where the plan has several. */
  menu?: string;
  dryRun?: boolean;
  /** Where the entry comes from a pattern, write the pattern’s entries one by one first. */
  spellOut?: boolean;
}

export interface EntryResult {
  status: 0 | 2;
  findings: Finding[];
  /** The plan as the user sees its path. */
  file: string;
  changes: Change[];
}

/** Edits one entry of a plan; its comments, order and quoting stay. */
export function editEntry(edit: EntryEdit, options: EntryOptions = {}): EntryResult {
  const here = openHere(options.plan);
  if ('stop' in here) return failed(here.stop, options.plan);
  const { open } = here;
  if (hasErrors(open.findings)) return failed(open.findings, options.plan);
  const before = open.source.text;
  try {
    const wish = { menu: options.menu ?? null, spellOut: options.spellOut === true };
    const text = editedPlan(before, edit, wish, factsOf(here));
    const told = problemsOf(text, here);
    if (hasErrors(told)) return failed(told, options.plan);
    if (text !== before && options.dryRun !== true) writeWhole(open.file, Buffer.from(text));
    return { status: 0, findings: [], file: open.source.file, changes: changesOf(before, text) };
  } catch (error) {
    if (!(error instanceof EditError)) throw error;
    const rule = error instanceof NameError ? 'no-entry' : 'cannot-edit';
    return failed([finding(rule, { file: open.source.file }, error.message, error.remedy)], options.plan);
  }
}

function failed(findings: readonly Finding[], plan: string | undefined): EntryResult {
  return { status: 2, findings: sortFindings(findings), file: shownPath(findPlan(plan)), changes: [] };
}

function factsOf(here: Here): Parameters<typeof editedPlan>[3] {
  const { open, plan, site } = here;
  const ground = new Ground(plan, { ...site.facts, words: wordsIn(here) }, open.source);
  const shownLabel = (target: string): string | null => ground.words(target);
  const patterns = pagesOfPatterns(plan, site.facts, path => shownLabel(path) ?? path);
  return { pages: site.facts.pages, files: site.facts.files, shownLabel, patterns };
}

/** What would be wrong in the plan after the edit. Titles are not looked at: what may be missing is told by the build. */
function problemsOf(text: string, { open, site }: Here): Finding[] {
  const after = planOf(open.file, text);
  if (!after.plan || hasErrors(after.findings)) return after.findings;
  const { findings } = resolved(
    { open: after, plan: after.plan, site },
    partsIn(new PageReader(site.contents)),
  );
  return findings.filter(one => one.severity === 'error');
}
