import type { FullPage } from '../page/content.ts';
import type { Sheets } from '../page/reader.ts';
import { mayMatch, ruleMatcher } from '../page/select.ts';
import { type StyleRule, atLeast, inMenus, ruleKey } from '../page/styles.ts';
import type { Tree, TreeNode } from '../page/tree.ts';

/** A rule of a page's own that beats Kamino's inside menus. */
export interface Beating {
  rule: StyleRule;
  /** On how many pages, and inside which menus. */
  pages: number;
  menus: readonly string[];
}

/** Of what strength Kamino's own rules are. */
export const ours = [0, 2, 0] as const;

/** Gathers, page by page, the rules that beat Kamino's inside its menus: by an id, more classes or `!important`. */
export class Outranking {
  readonly #sheets: Sheets;
  readonly #beaten = new Map<string, { rule: StyleRule; pages: Set<string>; menus: Set<string> }>();

  constructor(sheets: Sheets) {
    this.#sheets = sheets;
  }

  see({ frame, links }: FullPage, tree: Tree): void {
    if (!links.some(link => link.menu !== null)) return;
    const all = [...inMenus(tree)].map(([node, menu]) => ({ node, menu }));
    const seen = all.filter(({ menu }) => menu !== 'style' && menu !== 'script');
    for (const rule of this.#sheets.rules(frame.path, tree).filter(isStrong))
      this.#add(rule, frame.path, hitsOf(rule, tree, seen));
  }

  get found(): Beating[] {
    return [...this.#beaten.values()].map(({ rule, pages, menus }) => ({
      rule,
      pages: pages.size,
      menus: [...menus],
    }));
  }

  /** The same rule in many pages is told once. */
  #add(rule: StyleRule, page: string, menus: readonly string[]): void {
    if (menus.length === 0) return;
    const key = ruleKey(rule);
    const told = this.#beaten.get(key) ?? { rule, pages: new Set<string>(), menus: new Set<string>() };
    told.pages.add(page);
    for (const menu of menus) told.menus.add(menu);
    this.#beaten.set(key, told);
  }
}

/** A rule that names Kamino's own classes means what it does. */
function isStrong({ selector, specificity, declarations }: StyleRule): boolean {
  if (/kamino/i.test(selector)) return false;
  return declarations.length > 0 && (atLeast(specificity, ours) || declarations.some(one => one.isImportant));
}

function hitsOf(
  { selector }: StyleRule,
  tree: Tree,
  nodes: readonly { node: TreeNode; menu: string }[],
): string[] {
  if (!mayMatch(tree, selector)) return [];
  const matches = ruleMatcher(tree, selector);
  return nodes.filter(({ node }) => matches(node)).map(({ menu }) => menu);
}
