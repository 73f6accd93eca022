import { type SitePath, nameOf } from '../address/path.ts';
import type { TreeNode, Tree, TreeText } from '../page/tree.ts';
import { childrenOf, descendants, firstsBehind, isNode, roleOf, textOf, valueOf } from '../page/tree.ts';
import { entriesOf, isLink, isLinkedHeading, isOurs } from './entries.ts';
import { Holdings, isClosed } from './holdings.ts';
import { Selectors } from './selectors.ts';
import { kindOfEntries } from './kinds.ts';
import type { HandMenu } from './types.ts';

const blocks: ReadonlySet<string> = new Set(
  'ul ol menu dir dl table tr td th div p center font span b small section aside header footer map address blockquote'.split(
    ' ',
  ),
);
const lists: ReadonlySet<string> = new Set(['ul', 'ol', 'menu', 'dir', 'dl']);
/** Parts of a page that stay when the menu in them goes. */
const containers: ReadonlySet<string> = new Set(
  'td th header footer aside section center font span b small address blockquote'.split(' '),
);

/** So many letters outside of links are no text. */
const fewLetters = 12;

/** The parts of a page of which most of what they say is links, each with what it is by itself. */
export function handMenus(tree: Tree, page: SitePath): HandMenu[] {
  const unclosed = tree.nodes.filter(node => lists.has(node.name) && node.close < 0);
  if (unclosed.length > 0) endLists(tree, unclosed);
  const holdings = new Holdings(tree);
  const nodes = tree.content.filter(isNode).flatMap(node => candidatesIn(tree, node, holdings));
  if (nodes.length === 0) return [];
  const menus = nodes.map(node =>
    named(tree, { node, menu: menuOf(tree, node, { unclosed, page }) }, holdings),
  );
  // Nobody asks for a list that is no menu and has no name.
  const sought = menus.filter(({ menu }) => menu.kind !== 'list' || menu.element.includes(' '));
  const selectors = new Selectors(
    tree,
    sought.map(one => one.node),
  );
  for (const { node, menu } of sought) menu.selectors = selectors.for(node);
  return sought.map(one => one.menu);
}

/** So many letters beside such links are their caption, or the title of the page. */
const longestCaption = 80;
const farthest = 4;

/** Contents, and links to the page before and behind, without a name go with what names them, and with the caption in that. */
function named(
  tree: Tree,
  own: { node: TreeNode; menu: HandMenu },
  holdings: Holdings,
): { node: TreeNode; menu: HandMenu } {
  const { node, menu } = own;
  const isNamed = menu.element.includes(' ');
  if (isNamed || (menu.kind !== 'sections' && menu.kind !== 'previous-next')) return own;
  let outer = node.parent;
  for (let far = 0; outer && far < farthest; far += 1, outer = outer.parent) {
    if (holdings.links(outer) !== holdings.links(node) || !blocks.has(outer.name)) return own;
    const { other, hasTitle } = holdings.of(outer);
    if (other > longestCaption || hasTitle) return own;
    const element = elementOf(tree, outer);
    const { start, open, end } = outer;
    if (element.includes(' ')) return { node: outer, menu: { ...menu, element, start, open, end } };
  }
  return own;
}

/** Its name, classes and id. */
function elementOf({ charset }: Tree, node: TreeNode): string {
  const words = ['class', 'id'].map(name => valueOf(node, name, charset) ?? '').join(' ');
  return `${node.name} ${words}`.trim();
}

/** Lists that are never closed let go of what is no entry, and of all behind it. */
function endLists(tree: Tree, open: readonly TreeNode[]): void {
  const firsts = firstsBehind(tree);
  for (const list of open) {
    const first = firsts.get(list);
    // One around it may have let it go already.
    if (first && liesIn(first, list)) endList(tree, list, first);
  }
}

function liesIn(node: TreeNode, outer: TreeNode): boolean {
  for (let one = node.parent; one; one = one.parent) if (one === outer) return true;
  return false;
}

function endList(tree: Tree, list: TreeNode, first: TreeNode): void {
  const gone: (TreeNode | TreeText)[] = [];
  const cut = (node: TreeNode): void => {
    const kept = node.content.filter(one => one.start < first.start);
    gone.push(...node.content.slice(kept.length));
    node.content = kept;
    const last = kept.at(-1);
    if (last && isNode(last)) cut(last);
  };
  cut(list);
  const around = list.parent ?? tree;
  const at = around.content.indexOf(list) + 1;
  for (const one of gone) if (isNode(one)) one.parent = list.parent;
  around.content.splice(at, 0, ...gone.sort((one, other) => one.start - other.start));
}

function candidatesIn(tree: Tree, node: TreeNode, holdings: Holdings): TreeNode[] {
  const links = holdings.links(node);
  if (links < 2 || isClosed(node)) return [];
  const isLandmark = node.name === 'nav' || roleOf(node, tree.charset) === 'navigation';
  const inner = (): TreeNode[] => childrenOf(node).flatMap(one => candidatesIn(tree, one, holdings));
  if (isLandmark) return [node];
  if (!blocks.has(node.name)) return inner();
  const own = holdings.of(node);
  if (own.hasTitle || own.other > Math.max(fewLetters, own.linked * 0.6)) return inner();
  if (lists.has(node.name)) return [node];
  if (node.name === 'table' || node.name === 'tr') return menuInTable(node, inner, holdings);
  const whole = childrenOf(node).find(one => holdings.links(one) === links);
  const isBare = node.value('id') === null && node.value('class') === null;
  if (
    whole &&
    blocks.has(whole.name) &&
    (containers.has(node.name) || isBare || holdings.of(whole).other < own.other)
  )
    return candidatesIn(tree, whole, holdings);
  if (whole && isOurs(whole)) return [];
  if (whole && (whole.name === 'nav' || roleOf(whole, tree.charset) === 'navigation')) return [whole];
  if (whole && lists.has(whole.name)) return [node];
  const menus = inner();
  const linked = childrenOf(node).filter(one => isLinkedHeading(tree, one, node.content));
  const [first] = menus;
  if (
    first &&
    linked.length > 0 &&
    lists.has(first.name) &&
    sumOf(linked, holdings) + holdings.links(first) === links
  )
    return [node];
  return menus.some(one => lists.has(one.name) || one.name === 'nav' || one.name === 'table')
    ? menus
    : [node];
}

const sumOf = (nodes: readonly TreeNode[], holdings: Holdings): number =>
  nodes.reduce((sum, one) => sum + holdings.links(one), 0);

/** A table that lays out a page with little on it holds a menu, and is none. */
function menuInTable(node: TreeNode, inner: () => TreeNode[], holdings: Holdings): TreeNode[] {
  const { other } = holdings.of(node);
  if (other <= fewLetters) return [node];
  const found = inner();
  const most = found.find(one => holdings.links(one) * 5 >= holdings.links(node) * 3);
  return most && other - holdings.of(most).other > fewLetters ? found : [node];
}

function menuOf(
  tree: Tree,
  node: TreeNode,
  { unclosed: open, page }: { unclosed: readonly TreeNode[]; page: SitePath },
): HandMenu {
  const unclosed = open
    .filter(one => one === node || liesIn(one, node))
    .map(one => [...descendants(one)].find(inner => inner.isLeftOpen) ?? one)
    .map(one => ({ start: one.start, end: one.open }));
  const entries = entriesOf(tree, node);
  const kind = isTrail(tree, node) ? 'breadcrumb' : kindOfEntries(entries, nameOf(page));
  return {
    start: node.start,
    open: node.open,
    end: node.end,
    selectors: [],
    kind,
    element: elementOf(tree, node),
    region: regionOf(tree, node),
    entries,
    isStacked: isStacked(node),
    unclosed,
  };
}

function isStacked(node: TreeNode): boolean {
  let [links, breaks, rows] = [0, 0, 0];
  for (const one of descendants(node)) {
    if (isLink(one)) links += 1;
    else if (one.name === 'br') breaks += 1;
    else if (one.name === 'tr') rows += 1;
    else if (one.name === 'li') return false;
  }
  return links > 2 && Math.max(breaks, rows) * 3 >= links * 2;
}

/** By its name, or by the signs between its links. */
function isTrail(tree: Tree, node: TreeNode): boolean {
  const named = ['class', 'id', 'aria-label'].map(name => valueOf(node, name, tree.charset) ?? '').join(' ');
  if (/crumb|you are here/i.test(named)) return true;
  let last = '';
  let signs = 0;
  for (const text of textsBeside(tree, node)) {
    // Only the last one may be words: the page itself.
    if (last !== '') return false;
    if (/^(?:>|»|›|→|\/|::)/u.test(text)) signs += 1;
    else last = text;
  }
  return signs > 0;
}

/** The texts that are in no link. */
function* textsBeside(tree: Tree, node: TreeNode): Generator<string> {
  for (const one of node.content) {
    if (!isNode(one)) {
      const text = textOf(tree, one).trim();
      if (text !== '') yield text;
    } else if (!isLink(one)) yield* textsBeside(tree, one);
  }
}

function regionOf(tree: Tree, node: TreeNode): HandMenu['region'] {
  for (let one: TreeNode | null = node; one; one = one.parent) {
    const words = `${one.name} ${valueOf(one, 'id', tree.charset) ?? ''} ${valueOf(one, 'class', tree.charset) ?? ''}`;
    if (/foot|bottom/i.test(words)) return 'footer';
    if (one.name === 'aside' || /side/i.test(words)) return 'aside';
    if (/\bheader\b|masthead/i.test(words)) return 'header';
    if (one.name === 'nav') return 'navigation';
  }
  return 'other';
}
