import { keyOfScheme } from '../target/kinds/index.ts';
import { listed, nearest } from '../text/nearest.ts';
import { PlanEditor } from './editor.ts';
import { type EditEntry, EditError, NameError, type Spot } from './list.ts';
import { retargeted } from './retarget.ts';

/** Where an entry goes. */
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
  | { do: 'highlight'; name: string; off: boolean }
  /** A page or file was moved: all that led to it follows. `isKnown`: something leads to it, if not in the plan. */
  | { do: 'retarget'; from: string; to: string; isKnown?: boolean };

/** What an edit must know of the site. */
export interface EditFacts {
  pages: ReadonlySet<string>;
  files: ReadonlySet<string>;
  /** What an entry without a label is called, by its target; null where it has no name. */
  shownLabel: (target: string) => string | null;
  /** The pages of each pattern of the plan, by where it stands in the text. */
  patterns: ReadonlyMap<number, readonly string[]>;
}

export interface EditWish {
  /** The menu, where the plan has several; else null. */
  menu: string | null;
  /** Where the entry comes from a pattern, write the pattern’s entries one by one first. */
  spellOut: boolean;
}

/** The text of a plan after an edit. @throws EditError where it cannot be edited so */
export function editedPlan(text: string, edit: EntryEdit, wish: EditWish, facts: EditFacts): string {
  if (edit.do === 'retarget') return followed(text, edit, facts);
  const { menu, spellOut } = wish;
  const editor = new PlanEditor(text, menu, facts.shownLabel);
  const spelled = 'name' in edit ? spelledOut(editor, edit.name, spellOut, facts) : null;
  const own = spelled === null ? editor : new PlanEditor(spelled, menu, facts.shownLabel);
  return new Editing(own, facts).apply(edit);
}

function followed(
  text: string,
  { from, to, isKnown = false }: Extract<EntryEdit, { do: 'retarget' }>,
  { files }: EditFacts,
): string {
  if (files.has(to)) return retargeted(text, { from, to, isKnown });
  const near = nearest(to, files);
  throw new NameError(
    `the site has no \`${to}\``,
    near ? `Did you mean \`${near}\`?` : 'Name the file as it is called now, from the site’s folder.',
  );
}

class Editing {
  readonly #editor: PlanEditor;
  readonly #facts: EditFacts;

  constructor(editor: PlanEditor, facts: EditFacts) {
    this.#editor = editor;
    this.#facts = facts;
  }

  apply(edit: Exclude<EntryEdit, { do: 'retarget' }>): string {
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
    const { pages, files } = this.#facts;
    if (pages.has(target)) return 'page';
    if (/^https?:/i.test(target)) return 'url';
    if (/^[^/\s]+@[^/\s]+$/.test(target)) return 'mail';
    const byScheme = keyOfScheme(target);
    if (byScheme) return byScheme.key;
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
      throw new NameError(`several entries are called \`${name}\``, `Name one of them:  ${listed(names)}`);
    }
    const near = nearest(
      name,
      all.flatMap(one => one.names),
    );
    throw new NameError(
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

/** The plan with a pattern written out, where an entry comes from one; null where it does not. */
function spelledOut(
  editor: PlanEditor,
  name: string,
  isWanted: boolean,
  { patterns, shownLabel }: EditFacts,
): string | null {
  if (editor.find(name).length > 0) return null;
  const wanted = [name.toLowerCase(), name.split('/').at(-1)!.toLowerCase()];
  for (const entry of editor.all().filter(one => one.isPattern)) {
    const pages = patterns.get(entry.node.range![0]) ?? [];
    const isIn = pages.some(path =>
      [path, shownLabel(path)].some(one => one !== null && wanted.includes(one.toLowerCase())),
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
