import { type SitePath, nameOf } from '../address/path.ts';
import { type ElementTable, nobody } from '../page/element-table.ts';
import { headings, lists } from '../page/kinds.ts';
import { type Tree, type TreeNode, descendants, isNode, roleOf, textOf, valueOf } from '../page/tree.ts';
import { endLists } from '../page/unclosed.ts';
import { entriesOf } from './entries.ts';
import { isLink, isLinkedHeading } from './linked.ts';
import { Holdings } from './holdings.ts';
import { Selectors } from './selectors.ts';
import { kindOfEntries } from './kinds.ts';
import type { HandMenu } from './types.ts';

const blocks: ReadonlySet<string> = new Set(
  'ul ol menu dir dl table tr td th div p center font span b small section aside header footer map address blockquote'.split(
    ' ',
  ),
);
/** Parts of a page that stay when the menu in them goes. */
const containers: ReadonlySet<string> = new Set(
  'td th header footer aside section center font span b small address blockquote'.split(' '),
);

/** So many letters outside of links are no text. */
const fewLetters = 12;

/** The parts of a page of which most of what they say is links, each with what it is by itself. */
export function handMenus(tree: Tree, page: SitePath): HandMenu[] {
  const unclosed = endLists(tree.table);
  const look = { tree, table: tree.table, holdings: new Holdings(tree) };
  const rows = tree.table.children(nobody).flatMap(row => candidatesIn(look, row));
  if (rows.length === 0) return [];
  const menus = rows.map(row => {
    const node = tree.node(row);
    return named(look, { node, menu: menuOf(look, node, { unclosed, page }) });
  });
  // Nobody asks for a list that is no menu and has no name.
  const sought = menus.filter(({ menu }) => menu.kind !== 'list' || menu.element.includes(' '));
  const selectors = new Selectors(
    tree,
    sought.map(one => one.node),
  );
  for (const { node, menu } of sought) menu.selectors = selectors.for(node);
  return sought.map(one => one.menu);
}

/** A page that is looked at: elements are known by their numbers, and made only where more is asked of them. */
interface Look {
  tree: Tree;
  table: ElementTable;
  holdings: Holdings;
}

/** So many letters beside such links are their caption, or the title of the page. */
const longestCaption = 80;
const farthest = 4;

/** Contents, and links to the page before and behind, without a name go with what names them, and with the caption in that. */
function named(
  { tree, holdings }: Look,
  own: { node: TreeNode; menu: HandMenu },
): { node: TreeNode; menu: HandMenu } {
  const { node, menu } = own;
  const isNamed = menu.element.includes(' ');
  if (isNamed || (menu.kind !== 'sections' && menu.kind !== 'previous-next')) return own;
  let outer = node.parent;
  for (let far = 0; outer && far < farthest; far += 1, outer = outer.parent) {
    if (holdings.links(outer.at) !== holdings.links(node.at) || !blocks.has(outer.name)) return own;
    const { other, hasTitle } = holdings.of(outer.at);
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

function isLandmark({ tree, table }: Look, row: number): boolean {
  if (table.name(row) === 'nav') return true;
  return table.value(row, 'role') !== null && roleOf(tree.node(row), tree.charset) === 'navigation';
}

function candidatesIn(look: Look, row: number): number[] {
  const { table, holdings } = look;
  const links = holdings.links(row);
  if (links < 2 || holdings.isClosed(row)) return [];
  const name = table.name(row);
  const children = (): number[] => table.children(row);
  const inner = (): number[] => children().flatMap(one => candidatesIn(look, one));
  if (isLandmark(look, row)) return [row];
  if (!blocks.has(name)) return inner();
  const own = holdings.of(row);
  if (own.hasTitle || own.other > Math.max(fewLetters, own.linked * 0.6)) return inner();
  if (lists.has(name)) return [row];
  if (name === 'table' || name === 'tr') return menuInTable(row, inner, holdings);
  const whole = children().find(one => holdings.links(one) === links);
  if (whole !== undefined) {
    const isBare = table.value(row, 'id') === null && table.value(row, 'class') === null;
    const isOuter = containers.has(name) || isBare || holdings.of(whole).other < own.other;
    if (blocks.has(table.name(whole)) && isOuter) return candidatesIn(look, whole);
    if (table.isOurs(whole)) return [];
    if (isLandmark(look, whole)) return [whole];
    if (lists.has(table.name(whole))) return [row];
  }
  const menus = inner();
  const isMenu = menus.some(one => ['nav', 'table'].includes(table.name(one)) || isListed(look, one));
  const isApart = isMenu ? !isHeaded(look, row, menus[0]!) : areCalledSo(look, row, menus);
  return isApart ? menus : [row];
}

/** A list, or an element with all its links in one. */
function isListed({ table, holdings }: Look, row: number): boolean {
  const inner = [row, ...table.children(row)];
  return inner.some(one => lists.has(table.name(one)) && holdings.links(one) === holdings.links(row));
}

/** What lies in an element is called a menu, and the element itself is not: it only holds them. */
function areCalledSo({ table }: Look, row: number, menus: readonly number[]): boolean {
  const isCalledSo = (one: number): boolean =>
    menuWords.test(`${table.value(one, 'id') ?? ''} ${table.value(one, 'class') ?? ''}`);
  return menus.length > 0 && menus.every(isCalledSo) && !isCalledSo(row);
}
const menuWords = /nav|menu|\btabs?(?:\b|\d)/i;

/** Its links are those of a list, and of the headings above that. */
function isHeaded({ tree, table, holdings }: Look, row: number, list: number): boolean {
  if (!lists.has(table.name(list))) return false;
  const titles = table
    .children(row)
    .filter(one => headings.has(table.name(one)))
    .filter(one => isLinkedHeading(tree, tree.node(one), tree.node(row).content));
  const linked = titles.reduce((sum, one) => sum + holdings.links(one), 0);
  return titles.length > 0 && linked + holdings.links(list) === holdings.links(row);
}

/** A table that lays out a page with little on it holds a menu, and is none. */
function menuInTable(row: number, inner: () => number[], holdings: Holdings): number[] {
  const { other } = holdings.of(row);
  if (other <= fewLetters) return [row];
  const found = inner();
  const most = found.find(one => holdings.links(one) * 5 >= holdings.links(row) * 3);
  return most !== undefined && other - holdings.of(most).other > fewLetters ? found : [row];
}

function menuOf(
  look: Look,
  node: TreeNode,
  { unclosed: open, page }: { unclosed: readonly number[]; page: SitePath },
): HandMenu {
  const { tree } = look;
  const unclosed = open
    .filter(one => one === node.at || tree.table.liesIn(one, node.at))
    .map(one => tree.node(one))
    .map(one => descendants(one).find(inner => inner.isLeftOpen) ?? one)
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
    region: regionOf(look, node),
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

/** What lies around most of a page and its title is no part of it, whatever it is called: its end tag may be missing. */
function isAroundAll({ tree, holdings }: Look, { start, stop, at }: TreeNode): boolean {
  const end = stop < 0 ? tree.raw.length : stop;
  return (end - start) * 5 > tree.raw.length * 3 && holdings.of(at).hasTitle;
}

function regionOf(look: Look, node: TreeNode): HandMenu['region'] {
  const { tree } = look;
  for (let one: TreeNode | null = node; one && !isAroundAll(look, one); one = one.parent) {
    const words = `${one.name} ${valueOf(one, 'id', tree.charset) ?? ''} ${valueOf(one, 'class', tree.charset) ?? ''}`;
    if (/foot|bottom/i.test(words)) return 'footer';
    if (one.name === 'aside' || /side/i.test(words)) return 'aside';
    if (/\bheader\b|masthead/i.test(words)) return 'header';
    if (one.name === 'nav') return 'navigation';
  }
  return 'other';
}
