import type { ResolvedMenu } from '../menu/types.ts';
import { innermostAt } from '../page/innermost.ts';
import type { JudgedPage } from '../page/reader.ts';
import { ruleMatcher } from '../page/select.ts';
import { type TreeNode, isNode, valueOf } from '../page/tree.ts';
import type { Placed, PlacedMenus } from './placed.ts';

/**
 * What menus lie in, as the beginning of a selector, by their names: boxes of which nothing is seen, that begin where the
 * text of the page does. Those that lie in anything else on one page, or in what style sheets do not tell, are not among
 * them; asked on one page of each folder.
 */
export function bareHolders(
  placed: PlacedMenus,
  isWanted: (menu: ResolvedMenu) => boolean,
): Map<string, string> {
  const found = new Map<string, Set<string>>();
  const others = new Set<string>();
  for (const one of placed.of(menu => isWanted(menu) && !others.has(menu.name))) {
    const holder = holderOf(one);
    const { name } = one.menu;
    if (holder === null) others.add(name);
    else found.set(name, (found.get(name) ?? new Set()).add(holder));
  }
  const selector = (holders: Set<string>): string => {
    const all = [...holders].sort();
    return all.length === 1 ? all[0]! : `:is(${all.join(',')})`;
  };
  return new Map([...found].flatMap(([name, all]) => (others.has(name) ? [] : [[name, selector(all)]])));
}

/** Boxes that text begins in; in a cell, a list or a line it does so elsewhere. */
const blocks: ReadonlySet<string> = new Set([
  'body',
  'header',
  'main',
  'section',
  'article',
  'div',
  'footer',
]);

/** The way down from the body; null where something of it is seen, or moves what it holds. */
function holderOf({ page, point }: Placed): string | null {
  if (point.kind !== 'at' || !page.isWhole) return null;
  const way: string[] = [];
  const { tree } = page;
  for (let node = innermostAt(tree, point.at); ; node = node.parent) {
    // A page without a tag for it has a body all the same.
    const name = node === null || node.name === 'html' ? 'body' : node.name;
    way.unshift(name);
    if (name !== 'body' && !blocks.has(name)) return null;
    if (node && name === node.name && !isBare(page, node, point.at)) return null;
    if (node === null || name === 'body') return way.join('>');
  }
}

function isBare(page: JudgedPage, node: TreeNode, until: number): boolean {
  const { tree, rules } = page;
  const old = ['style', 'bgcolor', 'background', 'align', 'dir'];
  if (old.some(name => valueOf(node, name, tree.charset) !== null)) return false;
  const before = node.content.filter(isNode).filter(one => one.start < until);
  return rules.every(({ selector, declarations }) => {
    const isWide = declarations.some(({ property, value }) => isMiddle(property, value));
    const isSeen = declarations.some(one => !isUnseen(one, node.name === 'body', isWide));
    if (isSeen && ruleMatcher(tree, selector)(node)) return false;
    const floats = declarations.some(({ property }) => property === 'float' || property === 'position');
    return !floats || before.length === 0 || !before.some(ruleMatcher(tree, selector));
  });
}

interface Declared {
  property: string;
  value: string;
}

/** Type, lines and the like, which menus lie in as the text does. */
const inherited =
  /^(?:--.*|(?:-webkit-|-moz-)?(?:font|text)(?:-.*)?|color|line-height|letter-spacing|word-spacing|hyphens|quotes|tab-size|box-sizing|accent-color|caret-color|scroll-.*|orphans|widows|cursor|min-height|min-block-size)$/;
const vertical = /^(?:margin|padding)-(?:top|bottom|block(?:-start|-end)?)$/;
const around = /^(?:margin|padding)(?:-inline)?$/;

/** It shows nothing of a box, and leaves what it holds in the middle of the window. @param isWide it is narrower, in the middle */
function isUnseen({ property, value }: Declared, isBody: boolean, isWide: boolean): boolean {
  if (inherited.test(property) || vertical.test(property)) return true;
  if (isBody && /^(?:background.*|overflow-y)$/.test(property)) return true;
  if (property === 'max-width' || property === 'max-inline-size') return isWide;
  return around.test(property) && isAlike(property, value);
}

const partsOf = (value: string): string[] => value.split(/\s+(?![^(]*\))/);

/** Both sides have the same. */
function isAlike(property: string, value: string): boolean {
  const parts = partsOf(value);
  return property.endsWith('inline') ? parts.length === 1 : parts.length < 4 || parts[1] === parts[3];
}

const isMiddle = (property: string, value: string): boolean =>
  (property === 'margin' && partsOf(value)[1] === 'auto') ||
  (property === 'margin-inline' && value === 'auto');
