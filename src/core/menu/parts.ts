import type { PageReader } from '../page/reader.ts';
import { type Tree, type TreeNode, childrenOf, valueOf, wordsOf } from '../page/tree.ts';
import type { SectionHeading, SiteFacts } from '../target/facts.ts';

/** What finds elements of pages by a selector. */
export function partsIn(reader: PageReader): SiteFacts['parts'] {
  return (page, selector) => {
    const found = reader.found(page, selector);
    return found ? found.nodes.map(node => partOf(node, found.tree)) : [];
  };
}

function partOf(node: TreeNode, tree: Tree): SectionHeading {
  const heading = headingIn(node);
  return {
    level: heading ? Number(heading.name[1]) : 2,
    text: heading ? wordsOf(tree, heading).replace(/\s+/g, ' ').trim() : '',
    id: valueOf(node, 'id', tree.charset),
    insert: node.start + 1 + node.name.length,
    isContent: true,
  };
}

function headingIn(node: TreeNode): TreeNode | null {
  for (const one of childrenOf(node)) {
    const found = /^h[1-6]$/.test(one.name) ? one : headingIn(one);
    if (found) return found;
  }
  return null;
}
