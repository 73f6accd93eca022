import { headings, lists } from '../page/kinds.ts';
import { type Tree, type TreeNode, type TreeText, descendants, isNode, valueOf } from '../page/tree.ts';

export function isLink(node: TreeNode): boolean {
  return (node.name === 'a' || node.name === 'area') && node.value('href') !== null;
}

export const holdsLink = (node: TreeNode): boolean => isLink(node) || descendants(node).some(isLink);

/** A heading that leads somewhere is an entry, and no caption, but for that of a page’s own contents. */
export function isLinkedHeading(
  { charset }: Pick<Tree, 'charset'>,
  node: TreeNode,
  around: readonly (TreeNode | TreeText)[],
): boolean {
  const isOfPage = (one: TreeNode): boolean => valueOf(one, 'href', charset)?.startsWith('#') === true;
  if (!headings.has(node.name)) return false;
  const links = descendants(node).filter(isLink);
  const firsts = around
    .filter(isNode)
    .filter(one => lists.has(one.name))
    .flatMap(one => descendants(one).find(isLink) ?? []);
  return links.length > 0 && ![...links, ...firsts].some(isOfPage);
}
