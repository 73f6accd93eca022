import type { ResolvedMenu } from '../core/menu/types.ts';
import { ruleMatcher } from '../core/site/select.ts';
import { type Tree, type TreeNode, valueOf } from '../core/site/tree.ts';
import type { OpenSite } from './project.ts';

const mostPages = 12;

/** One page of each folder. */
export function kindsOf(site: OpenSite): string[] {
  const folders = new Map<string, string>();
  for (const page of [...site.facts.pages].sort()) {
    const folder = page.includes('/') ? page.slice(0, page.lastIndexOf('/')) : '';
    if (!folders.has(folder)) folders.set(folder, page);
  }
  return [...folders.values()].slice(0, mostPages);
}

/** The element that a menu goes into, or the one of a selector of its own. */
export function holderOf(menu: ResolvedMenu, selector: string | null, tree: Tree): TreeNode | null {
  if (selector !== null) return tree.nodes.find(node => ruleMatcher(tree, selector)(node)) ?? null;
  const slot = tree.nodes.find(node => valueOf(node, 'data-kamino-slot', tree.charset) === menu.name);
  if (slot) return slot;
  for (const one of menu.place?.selectors ?? ['header']) {
    const found = tree.nodes.find(node => ruleMatcher(tree, one)(node));
    if (found) return found;
  }
  return null;
}
