import type { StyleRule } from '../page/styles.ts';
import { matchedBy } from '../page/select.ts';
import type { Tree, TreeNode } from '../page/tree.ts';
import { escapePattern } from './script-text.ts';

/**
 * Classes that no element of a page has, and that rules know of parts of its old menu alone: a script sets them, to open
 * it.
 * @param known the classes of all elements; @param isGone whether an element goes with the old menu
 */
export function stateClasses(
  tree: Tree,
  rules: readonly StyleRule[],
  { known, isGone }: { known: ReadonlySet<string>; isGone: (node: TreeNode) => boolean },
): Set<string> {
  const ofMenu = new Map<string, boolean>();
  for (const { selector } of rules) {
    const unknown = [...selector.matchAll(/\.([\w-]+)/g)]
      .map(match => match[1]!)
      .filter(name => !known.has(name));
    const [name] = unknown;
    if (name === undefined || unknown.some(one => one !== name)) continue;
    const rest = selector.replace(new RegExp(`\\.${escapePattern(name)}(?![\\w-])`, 'g'), '').trim();
    const subject = rest.replace(/^[>+~\s]+/, '');
    const found = subject === '' ? [] : matchedBy(subject, tree);
    ofMenu.set(name, (ofMenu.get(name) ?? true) && found.length > 0 && found.every(isGone));
  }
  return new Set([...ofMenu].flatMap(([name, isIts]) => (isIts ? [name] : [])));
}

/** Where a script sets a class; -1 where it does not. */
export function setsClass(text: string, name: string): number {
  if (!text.includes(name)) return -1;
  const own = escapePattern(name);
  const match = new RegExp(`(?:classList|className|[a-z]Class)\\b[^;\\n]*?["'\`\\s]${own}["'\`\\s]`).exec(
    text,
  );
  return match ? match.index + match[0].lastIndexOf(name) : -1;
}
