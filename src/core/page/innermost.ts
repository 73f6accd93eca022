import { voidElements } from './kinds.ts';
import type { Tree, TreeNode } from './tree.ts';

/** The innermost element that an offset lies in, as far as an element may hold others; null outside all. */
export function innermostAt(tree: Tree, offset: number): TreeNode | null {
  const holds = ({ name, open, close, stop, within }: TreeNode): boolean => {
    if (voidElements.has(name) || [name, ...within].some(one => one === 'svg' || one === 'math'))
      return false;
    const end = close >= 0 ? close : stop >= 0 ? stop : Infinity;
    return open <= offset && offset <= end;
  };
  return tree.nodes.findLast(holds) ?? null;
}
