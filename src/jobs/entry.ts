import { partsIn } from './parts.ts';
import { structuredPatch } from 'diff';
import { Ground } from '../core/menu/ground.ts';
import { pagesOf } from '../core/menu/patterns.ts';
import { resolveMenus } from '../core/menu/resolve.ts';
import { EditError, type EditEntry, PlanEditor, type Spot } from '../core/plan/edit.ts';
import { readPlan } from '../core/plan/read.ts';
import type { Entry, Plan } from '../core/plan/types.ts';
import { type Finding, finding, hasErrors, sortFindings } from '../core/text/finding.ts';
import { listed, nearest } from '../core/text/nearest.ts';
import { Source } from '../core/text/source.ts';
import { writeWhole } from '../files/write.ts';
import { type OpenSite, openPlan, openSite, readWords } from './project.ts';

export interface EntryPlace {
  before?: string;
  after?: string;
  under?: string;
  first?: boolean;
  last?: boolean;
}

export type EntryEdit =
  | { do: 'add'; target: string; label?: string; place: EntryPlace }
  | { do: 'move'; name: string; place: EntryPlace }
  | { do: 'rename'; name: string; label: string }
  | { do: 'remove'; name: string }
  | { do: 'highlight'; name: string; off: boolean };

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
  /** Lines that went (`-`), came (`+`) and stand around them (a space), with the line where they begin. */
  changes: { line: number; lines: string[] }[];
}

/** Edits one entry of a plan; its comments, order and quoting stay. */
export function editEntry(edit: EntryEdit, options: EntryOptions = {}): EntryResult {
  const open = openPlan(options.plan);
  const file = open.source.file;
  const failed = (findings: readonly Finding[]): EntryResult => ({
    status: 2,
    findings: sortFindings(findings),
    file,
    changes: [],
  });
  if (!open.plan || hasErrors(open.findings)) return failed(open.findings);
  const { site, findings } = openSite(open, open.plan, true);
  if (!site) return failed(findings);
  const words = readWords(open, open.plan, site);
  const ground = new Ground(open.plan, { ...site.facts, words }, open.source);
  const shownLabel = (target: string): string | null => ground.words(target);
  try {
    const menu = options.menu ?? null;
    const patterns = patternPages(open.plan, site, path => shownLabel(path) ?? path);
    const editor = new PlanEditor(open.source.text, menu, shownLabel);
    const spelled =
      'name' in edit
        ? spelledOut(editor, edit.name, { patterns, shownLabel, isWanted: options.spellOut === true })
        : null;
    const text = new Editing(
      spelled === null ? editor : new PlanEditor(spelled, menu, shownLabel),
      site,
    ).apply(edit);
    const told = problemsOf(text, file, site);
    if (hasErrors(told)) return failed(told);
    if (text !== open.source.text && options.dryRun !== true) writeWhole(open.file, Buffer.from(text));
    return { status: 0, findings: [], file, changes: changesOf(open.source.text, text) };
  } catch (error) {
    if (!(error instanceof EditError)) throw error;
    const rule =
      error.message.startsWith('no entry') || error.message.startsWith('several')
        ? 'no-entry'
        : 'cannot-edit';
    return failed([finding(rule, { file }, error.message, error.remedy)]);
  }
}

class Editing {
  readonly #editor: PlanEditor;
  readonly #site: OpenSite;

  constructor(editor: PlanEditor, site: OpenSite) {
    this.#editor = editor;
    this.#site = site;
  }

  apply(edit: EntryEdit): string {
    const editor = this.#editor;
    const keyOf = (target: string): string => this.#keyOf(target);
    switch (edit.do) {
      case 'add':
        return editor.add(this.#item(edit), this.#spot(edit.place), keyOf);
      case 'move':
        return editor.move(this.#one(edit.name), this.#spot(edit.place), keyOf);
      case 'rename':
        return editor.rename(this.#one(edit.name), edit.label, keyOf);
      case 'remove':
        return editor.remove(this.#one(edit.name));
      case 'highlight':
        return editor.highlight(this.#one(edit.name), !edit.off, keyOf);
    }
  }

  #item({ target, label }: Extract<EntryEdit, { do: 'add' }>): string {
    const quoted = /^[\w./~@+()-][\w ./~@+()-]*$/.test(target) ? target : JSON.stringify(target);
    if (label === undefined) return quoted;
    const isPlain = /^[\p{L}\p{N}][\p{L}\p{N} .’'?!-]*$/u.test(label) && !/\s$/.test(label);
    return `{ ${this.#keyOf(target)}: ${quoted}, label: ${isPlain ? label : JSON.stringify(label)} }`;
  }

  #keyOf(target: string): string {
    const { pages, files } = this.#site.facts;
    if (pages.has(target)) return 'page';
    if (/^https?:/i.test(target)) return 'url';
    if (/^mailto:/i.test(target) || /^[^/\s]+@[^/\s]+$/.test(target)) return 'mail';
    if (/^tel:/i.test(target)) return 'phone';
    if (target.includes('#')) return 'section';
    return files.has(target) ? 'file' : 'page';
  }

  #one(name: string): EditEntry {
    const found = this.#editor.find(name);
    const [first] = found;
    if (first && found.length === 1) return first;
    const all = this.#editor.all();
    if (first) {
      const names = found.map(one => `"${fullName(one)}"`);
      throw new EditError(`several entries are called \`${name}\``, `Name one of them:  ${listed(names)}`);
    }
    const near = nearest(
      name,
      all.flatMap(one => one.names),
    );
    throw new EditError(
      `no entry is called \`${name}\``,
      near ? `Did you mean \`${near}\`?` : `There are:  ${all.map(one => one.names[0] ?? '').join(', ')}`,
    );
  }

  #spot({ before, after, under, first }: EntryPlace): Spot {
    if (before !== undefined) return { side: 'before', of: this.#one(before) };
    if (after !== undefined) return { side: 'after', of: this.#one(after) };
    if (under !== undefined) return { side: 'under', of: this.#one(under) };
    return { side: first === true ? 'first' : 'last' };
  }
}

/** The pages of each pattern of a plan, by where it stands in the text. */
function patternPages(
  plan: Plan,
  site: OpenSite,
  titleOf: (path: string) => string,
): ReadonlyMap<number, string[]> {
  const found = new Map<number, string[]>();
  const visit = (entries: readonly Entry[], parent: string | null): void => {
    for (const { target, mark, entries: below } of entries) {
      if (target.kind === 'pages')
        found.set(
          mark.start,
          pagesOf(target.pages, { parent, site: site.facts, titleOf, inLanguage: path => path }),
        );
      const own = target.kind === 'page' || target.kind === 'address' ? target.written : parent;
      visit(below, own);
    }
  };
  for (const menu of plan.menus) visit(menu.entries, null);
  return found;
}

/** The plan with a pattern written out, where an entry comes from one; null where it does not. */
function spelledOut(
  editor: PlanEditor,
  name: string,
  {
    patterns,
    shownLabel,
    isWanted,
  }: {
    patterns: ReadonlyMap<number, string[]>;
    shownLabel: (target: string) => string | null;
    isWanted: boolean;
  },
): string | null {
  if (editor.find(name).length > 0) return null;
  const own = name.split('/').at(-1)!.toLowerCase();
  for (const entry of editor.all().filter(one => one.isPattern)) {
    const pages = patterns.get(entry.node.range![0]) ?? [];
    const isIn = pages.some(path =>
      [path, shownLabel(path)].some(
        one => one?.toLowerCase() === own || one?.toLowerCase() === name.toLowerCase(),
      ),
    );
    if (!isIn) continue;
    if (isWanted) return editor.spellOut(entry, pages);
    throw new EditError(
      `\`${name}\` comes from the pattern in line ${editor.lineOf(entry)}`,
      'With --spell-out the entries of the pattern are written one by one first.',
    );
  }
  return null;
}

function fullName(entry: EditEntry): string {
  const own = entry.names[0] ?? '';
  return entry.parent.owner ? `${fullName(entry.parent.owner)}/${own}` : own;
}

/** What would be wrong in the plan after the edit. */
function problemsOf(text: string, file: string, site: OpenSite): Finding[] {
  const source = new Source(file, text);
  const reading = readPlan(source);
  if (!reading.plan || hasErrors(reading.findings)) return reading.findings;
  const { findings } = resolveMenus(reading.plan, { ...site.facts, parts: partsIn(site) }, source);
  // Titles are not looked at here: what may be missing is told by the build.
  return findings.filter(one => one.severity === 'error');
}

function changesOf(before: string, after: string): EntryResult['changes'] {
  const { hunks } = structuredPatch('', '', before, after, '', '', { context: 1 });
  return hunks.map(({ newStart, lines }) => ({
    line: newStart,
    lines: lines.filter(line => !line.startsWith('\\')),
  }));
}
