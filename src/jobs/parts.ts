import type { SectionHeading, SiteFacts } from '../core/menu/types.ts';
import { ruleMatcher } from '../core/site/select.ts';
import { type Tree, type TreeNode, childrenOf, isNode, textOf, valueOf } from '../core/site/tree.ts';
import { PageStyles } from './page-styles.ts';
import type { OpenSite } from './project.ts';

/** What finds elements of pages by a selector. */
export function partsIn(site: OpenSite): SiteFacts['parts'] {
  const reader = new PageStyles(site);
  return (page, selector) => {
    const tree = reader.tree(page);
    if (!tree) return [];
    const matches = ruleMatcher(tree, selector);
    return tree.nodes.filter(matches).map(node => partOf(node, tree));
  };
}

function partOf(node: TreeNode, tree: Tree): SectionHeading {
  const heading = headingIn(node);
  return {
    level: heading ? Number(heading.name[1]) : 2,
    text: heading ? wordsOf(heading, tree).replace(/\s+/g, ' ').trim() : '',
    id: valueOf(node, 'id', tree.charset),
    insert: node.start + 1 + node.name.length,
  };
}

function headingIn(node: TreeNode): TreeNode | null {
  for (const one of childrenOf(node)) {
    const found = /^h[1-6]$/.test(one.name) ? one : headingIn(one);
    if (found) return found;
  }
  return null;
}

function wordsOf(node: TreeNode, tree: Tree): string {
  return node.content.map(one => (isNode(one) ? wordsOf(one, tree) : textOf(tree, one))).join('');
}
