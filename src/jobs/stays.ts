import { carrier } from '../core/menu/carried.ts';
import type { ResolvedMenu } from '../core/menu/types.ts';
import { ruleMatcher } from '../core/site/select.ts';
import type { StyleRule } from '../core/site/styles.ts';
import type { Tree, TreeNode } from '../core/site/tree.ts';
import { type Finding, finding } from '../core/text/finding.ts';
import { holderOf, kindsOf } from './page-kinds.ts';
import { PageStyles } from './page-styles.ts';
import type { OpenSite } from './project.ts';

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
  const inside = holderOf(menu, menu.stays!.selector, tree);
  for (let node: TreeNode | null = inside; node; node = node.parent) {
    if (node.name === 'body' || node.name === 'html') return null;
    const here = node;
    const isItself = menu.stays!.selector !== null && node === inside;
    const rule = isItself ? undefined : rules.find(({ selector }) => ruleMatcher(tree, selector)(here));
    if (rule) return rule;
  }
  return null;
}

function toFinding(menu: ResolvedMenu, { selector, place }: StyleRule, page: string): Finding {
  return finding(
    'stays-clipped',
    place,
    `\`${menu.name}\` cannot stay on ${page}: an element around it clips what it holds, by \`${selector}\``,
    'Take that overflow out, or write  overflow: clip,  which does not keep a menu from staying.',
  );
}
