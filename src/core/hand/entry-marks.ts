import { type Tree, type TreeNode, classesOf, valueOf } from '../page/tree.ts';

const emphasis: ReadonlySet<string> = new Set(['b', 'strong', 'em', 'i', 'u', 'font', 'big', 'span', 'mark']);

/** What may set an entry apart by the element that it is, or lies in. @param around that of the elements around it */
export function marksOf(
  { charset }: Pick<Tree, 'charset'>,
  node: TreeNode,
  around: readonly string[],
): readonly string[] {
  if (!node.hasAttributes) return emphasis.has(node.name) ? [...around, node.name] : around;
  const id = valueOf(node, 'id', charset);
  return [
    ...around,
    ...classesOf(node, charset).map(name => `.${name}`),
    ...(id ? [`#${id}`] : []),
    ...(emphasis.has(node.name) ? [node.name] : []),
  ];
}

/** What a link says of itself: that it is the current one, or leads to the page before or behind. */
export function linkMarks({ charset }: Pick<Tree, 'charset'>, link: TreeNode): string[] {
  const isCurrent = valueOf(link, 'aria-current', charset) ?? 'false';
  return [
    ...relOf(valueOf(link, 'rel', charset)),
    ...(isCurrent === 'false' ? [] : ['aria-current']),
    ...(isCurrent === 'page' ? ['aria-current=page'] : []),
  ];
}

function relOf(rel: string | null): string[] {
  return (rel?.toLowerCase().split(/\s+/) ?? []).flatMap(word =>
    word === 'next' ? ['rel=next'] : word === 'prev' || word === 'previous' ? ['rel=prev'] : [],
  );
}
