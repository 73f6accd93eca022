import { type Change, changesOf } from '../core/edit/changes.ts';
import { EditError, NameError } from '../core/edit/list.ts';
import { type EntryEdit, editedPlan } from '../core/edit/entry.ts';
import { type MovedLink, followersOf } from '../core/site/follow.ts';
import { type Finding, finding, hasErrors, sortFindings } from '../core/text/finding.ts';
import { shownPath } from '../files/paths.ts';
import { writeParts, writeWhole } from '../files/write.ts';
import { factsOf, problemsOf } from '../opening/edit.ts';
import { type Here, openHere } from '../opening/open.ts';
import { planFile } from './given.ts';

export type { EntryEdit, EntryPlace } from '../core/edit/entry.ts';

export interface EntryOptions {
  /** A plan, or the folder of one. */
  plan?: string;
  /** The menu, where the plan has several. */
  menu?: string;
  dryRun?: boolean;
  /** Where the entry comes from a pattern, write the pattern’s entries one by one first. */
  spellOut?: boolean;
  /** With `retarget`: the links of the pages themselves are made to follow too. */
  links?: boolean;
}

export interface EntryResult {
  status: 0 | 2;
  findings: Finding[];
  /** The plan as the user sees its path. */
  file: string;
  changes: Change[];
  /** With `retarget`: the pages with links of their own to the old path, and what is or would be another in each. */
  pages: { file: string; links: MovedLink[]; changes: Change[] }[];
}

/** Edits one entry of a plan; its comments, order and quoting stay. */
export function editEntry(edit: EntryEdit, options: EntryOptions = {}): EntryResult {
  const here = openHere(planFile(options.plan));
  if ('stop' in here) return failed(here.stop, options.plan);
  const { open } = here;
  if (hasErrors(open.findings)) return failed(open.findings, options.plan);
  const before = open.source.text;
  try {
    const wish = { menu: options.menu ?? null, spellOut: options.spellOut === true };
    const { facts, contents, root } = here.site;
    const pages = edit.do === 'retarget' ? followersOf(edit, facts.pages, contents.raw) : [];
    const asked = edit.do === 'retarget' ? { ...edit, isKnown: pages.length > 0 } : edit;
    const text = editedPlan(before, asked, wish, factsOf(here));
    // What was wrong before, as another page that was moved as well, keeps nobody from following this one.
    const known =
      edit.do === 'retarget' ? new Set(problemsOf(before, here).map(one => one.message)) : new Set();
    const told = problemsOf(text, here).filter(one => !known.has(one.message));
    if (hasErrors(told)) return failed(told, options.plan);
    if (options.dryRun !== true) {
      if (text !== before) writeWhole(open.file, Buffer.from(text));
      if (options.links === true) writeParts(root, pages);
    }
    const shown = pages.map(({ path, links, before: was, after }) => ({
      file: fileIn(here, path),
      links,
      changes: changesOf(was, after),
    }));
    return {
      status: 0,
      findings: [],
      file: open.source.file,
      changes: changesOf(before, text),
      pages: shown,
    };
  } catch (error) {
    if (!(error instanceof EditError)) throw error;
    const rule = error instanceof NameError ? 'no-entry' : 'cannot-edit';
    return failed([finding(rule, { file: open.source.file }, error.message, error.remedy)], options.plan);
  }
}

function failed(findings: readonly Finding[], plan: string | undefined): EntryResult {
  return {
    status: 2,
    findings: sortFindings(findings),
    file: shownPath(planFile(plan)),
    changes: [],
    pages: [],
  };
}

function fileIn({ site }: Here, path: string): string {
  const root = shownPath(site.root);
  return root === '.' ? path : `${root}/${path}`;
}
