import { isLink } from '../hand/linked.ts';
import { type TreeNode, childrenOf, classesOf, isNode, readTree } from '../page/tree.ts';
import type { Copy } from './pieces.ts';

export const linksIn = (raw: string): number => raw.match(/<(?:a|area)\s[^>]*href/gi)?.length ?? 0;

/** Selectors of what in a copy holds all of its links, the innermost first. */
export function innerSelectors(copy: Copy, selector: string): string[] {
  const tree = readTree(copy.raw, copy.charset, true);
  const found: string[] = [];
  const count = (node: { content: TreeNode['content'] }): number =>
    node.content.filter(isNode).reduce((sum, one) => sum + (isLink(one) ? 1 : 0) + count(one), 0);
  const all = count(tree);
  for (let at: { content: TreeNode['content'] } = tree; ;) {
    const inner = childrenOf(at).find(one => !isLink(one) && count(one) === all);
    if (!inner) break;
    if (at !== tree) {
      const [name] = classesOf(inner, copy.charset);
      found.unshift(
        ...(name === undefined ? [] : [`${selector} ${inner.name}.${name}`]),
        `${selector} ${inner.name}`,
      );
    }
    at = inner;
  }
  return found.filter(one => !/ (?:li|tr|td|th|tbody|p|font|span|b|center)(?:\.|$)/.test(one));
}
