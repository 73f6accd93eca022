import { type TreeNode, descendants } from '../page/tree.ts';
import { isLink } from '../hand/linked.ts';
import { type OldElement, inAnyWindow, styleOf } from './laid-out.ts';
import { inWideWindows } from './windows.ts';

/** Wider than this nothing stands beside the content of a page: in px, in em, and in hundredths of what is around. */
const narrowest: Readonly<Record<string, number>> = { px: 320, '': 320, em: 20, rem: 20, '%': 30, vw: 30 };
/** So many elements around a menu are asked how wide they are. */
const farthest = 10;

/** They have their width as an attribute on old pages. */
const cells: ReadonlySet<string> = new Set(['td', 'th', 'table']);
const blocks: ReadonlySet<string> = new Set('li div p dd dt h1 h2 h3 h4 h5 h6 section nav'.split(' '));

/** Whether the entries of an old menu stand below each other in a narrow element, as blocks of its flow. */
export function standsBeside({ node, tree, rules }: OldElement): boolean {
  const { items, value } = firstItems({ node, tree, rules });
  return items.length > 1 && isNarrow(node, value) && items.every(item => isBlock(item, value));
}

/** Whether they stand one behind the other, as the words of a line do. */
export function standsInLine(old: OldElement): boolean {
  const { items, value } = firstItems(old);
  return items.length > 1 && items.every(item => item.name === 'a' && !isBlock(item, value));
}

/** What the first two links of a menu stand in by themselves, where they do. */
function firstItems({ node, tree, rules }: OldElement): { items: TreeNode[]; value: ValueOf } {
  const onDesk = inAnyWindow(inWideWindows(rules));
  const value = (one: TreeNode, property: string): string => styleOf(one, property, tree, onDesk);
  const links = descendants(node).filter(isLink);
  const items = links.slice(0, 2).map(link => itemOf(link, node, links));
  return { items: items[0] === items[1] ? [] : items, value };
}

type ValueOf = (node: TreeNode, property: string) => string;

function isNarrow(node: TreeNode, value: ValueOf): boolean {
  let outer: TreeNode | null = node;
  for (let far = 0; outer && far < farthest; far += 1, outer = outer.parent) {
    const written = value(outer, 'width') || (cells.has(outer.name) ? (outer.value('width') ?? '') : '');
    const [, number, unit] = /^([\d.]+)([a-z%]*)$/.exec(written.trim()) ?? [];
    if (number !== undefined && Number(number) <= (narrowest[unit!] ?? 0)) return true;
  }
  return false;
}

/** The outermost element in the menu that holds this link alone. */
function itemOf(link: TreeNode, menu: TreeNode, links: readonly TreeNode[]): TreeNode {
  const holds = (one: TreeNode): number =>
    links.filter(other => other.start >= one.start && other.start < Math.max(one.open, one.stop)).length;
  let item = link;
  // What lies below it is in its item too.
  if (link.parent?.name === 'li' && link.parent !== menu) return link.parent;
  for (let outer = link.parent; outer && outer !== menu && holds(outer) === 1; outer = outer.parent)
    item = outer;
  return item;
}

/** It takes a line of its own. */
function isBlock(item: TreeNode, value: ValueOf): boolean {
  const display = value(item, 'display') || (blocks.has(item.name) ? 'block' : 'inline');
  const around = item.parent ? value(item.parent, 'display') : '';
  const isRow =
    /flex|grid/.test(around) && !/column/.test(item.parent ? value(item.parent, 'flex-direction') : '');
  const floats = value(item, 'float');
  return /^(?:block|list-item|flex|grid)$/.test(display) && !isRow && (floats === '' || floats === 'none');
}
