import { carrier } from '../core/menu/carried.ts';
import { hasSheets } from '../core/menu/folds.ts';
import type { ResolvedMenu } from '../core/menu/types.ts';
import { ruleMatcher } from '../core/site/select.ts';
import type { StyleRule } from '../core/site/styles.ts';
import type { Tree, TreeNode } from '../core/site/tree.ts';
import { type Finding, finding } from '../core/text/finding.ts';
import { holderOf, kindsOf } from './page-kinds.ts';
import { PageStyles } from './page-styles.ts';
import type { OpenSite } from './project.ts';

/** Menus whose submenus are cut off by an element around them, or lie below a later part: as far as style sheets tell. */
export function hiddenSheets(all: readonly ResolvedMenu[], site: OpenSite): Finding[] {
  const menus = all.filter(hasSheets);
  const reader = new PageStyles(site);
  const carries = carrier(menus);
  const told = new Map<string, Finding>();
  for (const page of kindsOf(site)) {
    const own = menus.filter(menu => carries(menu, page));
    const tree = own.length > 0 ? reader.tree(page) : null;
    if (!tree) continue;
    const rules = reader.rules(page, tree).filter(one => one.condition === null);
    for (const menu of own) {
      const holder = holderOf(menu, null, tree);
      for (const found of [
        cut(menu, holder, { tree, rules, page }),
        covered(menu, holder, { tree, rules, page }),
      ])
        if (found) told.set(`${found.rule} ${menu.name} ${found.place?.file} ${found.message}`, found);
    }
  }
  return [...told.values()];
}

interface Look {
  tree: Tree;
  rules: readonly StyleRule[];
  page: string;
}

function cut(menu: ResolvedMenu, holder: TreeNode | null, { tree, rules, page }: Look): Finding | null {
  const clipping = rules.filter(rule =>
    /hidden|clip|auto|scroll/.test(valueOf(rule, /^overflow(?:-[xy])?$/) ?? ''),
  );
  for (const node of upwards(holder)) {
    const rule = clipping.find(({ selector }) => ruleMatcher(tree, selector)(node));
    if (rule)
      return finding(
        'submenu-hidden',
        rule.place,
        `submenus of \`${menu.name}\` are cut off on ${page}: an element around it clips what it holds, by \`${rule.selector}\``,
        'Take that overflow out; where it holds floats together, write  display: flow-root.',
      );
  }
  return null;
}

/** A layer of its own around the menu, and a part behind it that lies higher. */
function covered(menu: ResolvedMenu, holder: TreeNode | null, { tree, rules, page }: Look): Finding | null {
  const layers = rules.flatMap(rule => {
    const value = valueOf(rule, /^z-index$/);
    return value !== null && /^-?\d+$/.test(value) ? [{ rule, level: Number(value) }] : [];
  });
  const around = [...upwards(holder)];
  for (const node of around) {
    const own = layers.findLast(({ rule }) => ruleMatcher(tree, rule.selector)(node));
    if (!own) continue;
    const behind = tree.nodes
      .slice(tree.nodes.indexOf(node) + 1)
      .filter(one => ![...upwards(one)].includes(node));
    const higher = layers.find(
      ({ rule, level }) => level >= own.level && behind.some(one => ruleMatcher(tree, rule.selector)(one)),
    );
    if (higher)
      return finding(
        'submenu-hidden',
        own.rule.place,
        `submenus of \`${menu.name}\` lie below \`${higher.rule.selector}\` on ${page}: \`${own.rule.selector}\` around them has the z-index ${own.level}, and that part ${higher.level}`,
        `Give \`${own.rule.selector}\` a higher one:  z-index: ${higher.level + 1}`,
      );
  }
  return null;
}

function valueOf({ declarations }: StyleRule, name: RegExp): string | null {
  return declarations.findLast(one => name.test(one.property))?.value ?? null;
}

/** From an element outwards, up to what the window itself scrolls. */
function* upwards(from: TreeNode | null): Generator<TreeNode> {
  for (let node = from; node && node.name !== 'body' && node.name !== 'html'; node = node.parent) yield node;
}
