import type { StyleRule } from '../page/styles.ts';
import type { TreeNode } from '../page/tree.ts';
import { type OldElement, listsIn, styleOf } from './laid-out.ts';
import { inWideWindows, limitOf } from './windows.ts';

/**
 * The width of the window below which a page does not show an old menu until a script does, in em of media queries; null
 * where it is shown in every window, or in none.
 */
export function hiddenBelow({ node, tree, rules }: OldElement): number | null {
  const parts = [...outwards(node), ...listsIn(node)];
  const isHidden = (given: readonly StyleRule[]): boolean =>
    parts.some(one => styleOf(one, 'display', tree, given) === 'none');
  const usual = rules.filter(({ condition }) => condition === null);
  const isUsually = isHidden(usual);
  const widths = new Map<number, StyleRule[]>();
  for (const rule of rules) {
    const limit = rule.condition === null ? null : limitOf(rule.condition);
    if (limit === null || limit.isNarrow === isUsually) continue;
    widths.set(limit.below, [...(widths.get(limit.below) ?? usual), { ...rule, condition: null }]);
  }
  // The widest window counts in which it changes.
  const found = [...widths]
    .sort(([one], [other]) => other - one)
    .find(([, own]) => isHidden(own) !== isUsually);
  return found?.[0] ?? null;
}

/** An old menu as it is where its page shows it by itself: in narrow windows it may be what a control opens. */
export function asShown(old: OldElement): { old: OldElement; isHiddenSomewhere: boolean } {
  if (hiddenBelow(old) === null) return { old, isHiddenSomewhere: false };
  return { old: { ...old, rules: inWideWindows(old.rules) }, isHiddenSomewhere: true };
}

/** Whether a page does not show an old menu in a window of this width, in em, before a script does. */
export function isHiddenAt(width: number, { node, tree, rules }: OldElement): boolean {
  const there = rules.flatMap(rule => {
    const limit = rule.condition === null ? null : limitOf(rule.condition);
    const holds = limit === null ? rule.condition === null : limit.isNarrow === width < limit.below;
    return holds ? [{ ...rule, condition: null }] : [];
  });
  return [...outwards(node), ...listsIn(node)].some(one => styleOf(one, 'display', tree, there) === 'none');
}

function outwards(from: TreeNode): TreeNode[] {
  const all: TreeNode[] = [];
  for (let node: TreeNode | null = from; node && node.name !== 'body'; node = node.parent) all.push(node);
  return all;
}
