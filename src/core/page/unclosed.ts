import { type ElementTable, nobody } from './element-table.ts';
import { lists } from './kinds.ts';
import { type TreeNode, descendants } from './tree.ts';

/** What no entry of a menu holds: a list that is never closed ends there. */
const noEntry: ReadonlySet<string> = new Set(
  'h1 h2 h3 h4 h5 h6 p div table section article main form footer hr pre blockquote'.split(' '),
);

/** The lists of a page that are never closed, each without what is no entry, and all behind it: that comes behind the list. */
export function endLists(table: ElementTable): number[] {
  const open: number[] = [];
  for (let row = 1; row < table.length; row += 1)
    if (lists.has(table.name(row)) && table.close(row) < 0) open.push(row);
  if (open.length === 0) return open;
  const firsts = firstsBehind(table);
  for (const list of open) {
    const first = firsts[list]!;
    // One around it may have let it go already.
    if (first !== nobody && table.liesIn(first, list)) letGo(table, list, table.start(first));
  }
  return open;
}

/** For every element the first in it that cannot be meant to lie in an entry, in one pass. */
function firstsBehind(table: ElementTable): Int32Array {
  const firsts = new Int32Array(table.length);
  for (let row = table.length - 1; row > 0; row -= 1) {
    const first = noEntry.has(table.name(row)) ? row : firsts[row]!;
    if (first !== nobody) firsts[table.parent(row)] = first;
  }
  return firsts;
}

/** What lies in an element from an offset on comes behind it, into what holds it. */
function letGo(table: ElementTable, outer: number, from: number): void {
  const [gone, texts] = [[] as number[], [] as number[]];
  for (let one = outer; one !== nobody;) {
    const [children, words] = [table.children(one), table.texts(one)];
    const kept = children.filter(child => table.start(child) < from);
    const said = words.filter(text => table.textStart(text) < from);
    gone.push(...children.slice(kept.length));
    texts.push(...words.slice(said.length));
    table.hold(one, kept, said);
    const [last, behind] = [kept.at(-1) ?? nobody, said.at(-1)];
    one = behind === undefined || table.textStart(behind) < table.start(last) ? last : nobody;
  }
  const around = table.parent(outer);
  const all = table.children(around);
  const at = all.indexOf(outer) + 1;
  gone.sort((one, other) => table.start(one) - table.start(other));
  // Texts are numbered in the order of the page.
  const words = [...table.texts(around), ...texts].sort((one, other) => one - other);
  table.hold(around, [...all.slice(0, at), ...gone, ...all.slice(at)], words);
}

/** The first element in a list that is never closed which cannot be meant to lie in it; null where there is none. */
export function firstBehind(list: TreeNode): TreeNode | null {
  for (const node of descendants(list)) if (node !== list && noEntry.has(node.name)) return node;
  return null;
}
