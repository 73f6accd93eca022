import { type Node, type YAMLSeq, isMap, isScalar, isSeq } from 'yaml';
import { patternKeys, targetKeys } from '../target/kinds/index.ts';

/** The keys whose value names an entry. */
const nameKeys = targetKeys.filter(key => key !== 'heading' && !patternKeys.includes(key));

/** An entry in the text of a plan. */
export interface EditEntry {
  /** What it may be called by: its label, its target as written, and what is shown in their place. */
  names: string[];
  /** It stands for many entries. */
  isPattern: boolean;
  node: Node;
  parent: EditList;
  below: EditList | null;
}

/** A list of entries in the text; `owner` is null for those of the menu itself. */
export interface EditList {
  seq: YAMLSeq;
  owner: EditEntry | null;
  entries: EditEntry[];
}

/** The plan cannot be edited so. */
export class EditError extends Error {
  readonly remedy: string;

  constructor(message: string, remedy: string) {
    super(message);
    this.remedy = remedy;
  }
}

/** No entry, or more than one, has the name that was said. */
export class NameError extends EditError {}

export type Spot = { side: 'before' | 'after' | 'under'; of: EditEntry } | { side: 'first' | 'last' };

/** The entries of a list, with those below them. @param shownLabel what an entry without a label is called */
export function readList(
  seq: YAMLSeq,
  owner: EditEntry | null,
  shownLabel: (target: string) => string | null,
): EditList {
  const list: EditList = { seq, owner, entries: [] };
  for (const node of seq.items as Node[]) {
    /** What stands there, in each language where it differs. */
    const values = (key: string): string[] => {
      const found = isMap(node) ? node.get(key) : null;
      if (isMap(found))
        return found.items.flatMap(one => (isScalar(one.value) ? String(one.value.value) : []));
      return typeof found === 'string' ? [found] : [];
    };
    const targets = isScalar(node) ? [String(node.value)] : nameKeys.map(values).find(one => one.length > 0);
    const [labels = []] = [values('label'), values('heading')].filter(one => one.length > 0);
    const shown = labels.length === 0 ? (targets ?? []).flatMap(one => shownLabel(one) ?? []) : [];
    const names = [...labels, ...shown, ...(targets ?? [])];
    const isPattern = isMap(node) && patternKeys.some(key => node.has(key));
    const entry: EditEntry = { names, isPattern, node, parent: list, below: null };
    const below = isMap(node) ? node.get('entries') : null;
    if (isSeq(below)) entry.below = readList(below, entry, shownLabel);
    list.entries.push(entry);
  }
  return list;
}
