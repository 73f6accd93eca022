import { carrier } from '../core/menu/carried.ts';
import type { ResolvedMenu } from '../core/menu/types.ts';
import { ruleMatcher } from '../core/site/select.ts';
import type { StyleRule } from '../core/site/styles.ts';
import { type Tree, type TreeNode, valueOf } from '../core/site/tree.ts';
import { type Finding, finding } from '../core/text/finding.ts';
import { PageStyles } from './page-styles.ts';
import type { OpenSite } from './project.ts';

const mostPages = 12;

/** Menus that are to stay and cannot, since an element around them clips what it holds: as far as style sheets tell. */
export function clippedMenus(menus: readonly ResolvedMenu[], site: OpenSite): Finding[] {
  const staying = menus.filter(menu => menu.stays !== null);
  if (staying.length === 0) return [];
  const reader = new PageStyles(site);
  const carries = carrier(staying);
  const told = new Map<string, Finding>();
  for (const page of kindsOf(site)) {
    const tree = reader.tree(page);
    const rules = tree ? reader.rules(page, tree).filter(clips) : [];
    if (!tree || rules.length === 0) continue;
    for (const menu of staying) {
      if (!carries(menu, page)) continue;
      const clip = clipAround(menu, tree, rules);
      if (clip) told.set(`${menu.name} ${clip.place.file} ${clip.selector}`, toFinding(menu, clip, page));
    }
  }
  return [...told.values()];
}

function clips({ declarations, condition }: StyleRule): boolean {
  return (
    condition === null &&
    declarations.some(
      ({ property, value }) => /^overflow(?:-[xy])?$/.test(property) && /hidden|auto|scroll/.test(value),
    )
  );
}

/** The rule by which an element around the one that stays clips. Of root and body it is the window that scrolls. */
function clipAround(menu: ResolvedMenu, tree: Tree, rules: readonly StyleRule[]): StyleRule | null {
  const inside = holderIn(menu, tree);
  for (let node: TreeNode | null = inside; node; node = node.parent) {
    if (node.name === 'body' || node.name === 'html') return null;
    const here = node;
    const isItself = menu.stays!.selector !== null && node === inside;
    const rule = isItself ? undefined : rules.find(({ selector }) => ruleMatcher(tree, selector)(here));
    if (rule) return rule;
  }
  return null;
}

/** The element that stays, or the one that the menu goes into. */
function holderIn(menu: ResolvedMenu, tree: Tree): TreeNode | null {
  const { selector } = menu.stays!;
  if (selector !== null) return tree.nodes.find(node => ruleMatcher(tree, selector)(node)) ?? null;
  const slot = tree.nodes.find(node => valueOf(node, 'data-kamino-slot', tree.charset) === menu.name);
  if (slot) return slot;
  for (const one of menu.place?.selectors ?? ['header']) {
    const found = tree.nodes.find(node => ruleMatcher(tree, one)(node));
    if (found) return found;
  }
  return null;
}

/** One page of each folder. */
function kindsOf(site: OpenSite): string[] {
  const folders = new Map<string, string>();
  for (const page of [...site.facts.pages].sort()) {
    const folder = page.includes('/') ? page.slice(0, page.lastIndexOf('/')) : '';
    if (!folders.has(folder)) folders.set(folder, page);
  }
  return [...folders.values()].slice(0, mostPages);
}

function toFinding(menu: ResolvedMenu, { selector, place }: StyleRule, page: string): Finding {
  return finding(
    'stays-clipped',
    place,
    `\`${menu.name}\` cannot stay on ${page}: an element around it clips what it holds, by \`${selector}\``,
    'Take that overflow out, or write  overflow: clip,  which does not keep a menu from staying.',
  );
}
