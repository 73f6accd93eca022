import { readAddress } from '../../address/href.ts';
import { folderOf } from '../../address/path.ts';
import { ruleMatcher } from '../../site/select.ts';
import {
  type Sheet,
  type StyleRule,
  atLeast,
  inlineRules,
  menuAround,
  ruleKey,
  sheetsOf,
} from '../../site/styles.ts';
import { type Tree, readTree } from '../../site/tree.ts';
import type { WholeSite } from '../../site/whole.ts';
import { type Finding, finding } from '../../text/finding.ts';
import { counted, listed } from '../../text/nearest.ts';
import type { CheckRule } from '../types.ts';

/** No rule of the page's own beats Kamino's inside a menu, by an id, more classes or `!important`. */
export const outranked: CheckRule = {
  find: site => {
    const beaten = new Map<string, { rule: StyleRule; pages: Set<string>; menus: Set<string> }>();
    for (const [path, page] of site.pages) {
      if (!page.links.some(link => link.menu !== null)) continue;
      const tree = readTree(page.frame.raw, page.frame.charset, true);
      const strong = rulesOn(path, tree, site).filter(isStrong);
      const inMenus = tree.nodes.flatMap(node => {
        const menu = menuAround(node, tree);
        return menu === null || menu === 'style' || menu === 'script' ? [] : [{ node, menu }];
      });
      for (const rule of strong) {
        const hits = hitsOf(rule, tree, inMenus);
        if (hits.length === 0) continue;
        // The same rule in many pages is told once.
        const key = ruleKey(rule);
        const told = beaten.get(key) ?? { rule, pages: new Set(), menus: new Set() };
        told.pages.add(path);
        for (const menu of hits) told.menus.add(menu);
        beaten.set(key, told);
      }
    }
    return [...beaten.values()].map(({ rule, pages, menus }) => toFinding(rule, pages.size, [...menus]));
  },
};

/** The rules of a page's style sheets, but for those that Kamino linked. */
function rulesOn(path: string, tree: Tree, site: WholeSite): StyleRule[] {
  const ofFiles = sheetsOf(tree).flatMap(sheet =>
    sheet.kind === 'file' && !sheet.isOurs ? fileOf(sheet, path) : [],
  );
  return [...ofFiles.flatMap(file => site.styles.get(file) ?? []), ...inlineRules(path, tree)];
}

/** The file of the site that a linked style sheet is. */
export function fileOf(sheet: Extract<Sheet, { kind: 'file' }>, page: string): string[] {
  const address = readAddress(sheet.href, folderOf(page));
  return address.kind === 'inside' ? [address.path] : [];
}

const ours = [0, 2, 0] as const;

/** A rule that names Kamino's own classes means what it does. */
function isStrong({ selector, specificity, declarations }: StyleRule): boolean {
  if (/kamino/i.test(selector)) return false;
  return declarations.length > 0 && (atLeast(specificity, ours) || declarations.some(one => one.isImportant));
}

function hitsOf(
  { selector }: StyleRule,
  tree: Tree,
  inMenus: readonly { node: Tree['nodes'][number]; menu: string }[],
): string[] {
  const matches = ruleMatcher(tree, selector);
  return inMenus.filter(({ node }) => matches(node)).map(({ menu }) => menu);
}

function toFinding(rule: StyleRule, pages: number, menus: readonly string[]): Finding {
  const important = rule.declarations.filter(one => one.isImportant);
  const sets = atLeast(rule.specificity, ours) ? rule.declarations : important;
  const properties = [...new Set(sets.map(one => one.property))];
  const named = menus.map(menu => `\`${menu}\``);
  return finding(
    'outranked',
    rule.place,
    `\`${rule.selector}\` beats Kamino’s rules inside ${listed(named, 'and')} on ${counted(pages, 'page')}: ${properties.join(', ')}`,
    'Take the rule out, or keep it off the menu with  :not(.kamino *)  behind its last part.',
  );
}
