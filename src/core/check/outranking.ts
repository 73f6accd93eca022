import type { FullPage } from '../page/content.ts';
import type { Sheets } from '../page/reader.ts';
import { mayMatch, ruleMatcher, withoutPassing } from '../page/select.ts';
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

/** A rule with the pages in which it beats Kamino's. */
export interface Gathered {
  rule: StyleRule;
  pages: readonly string[];
  menus: readonly string[];
}

interface Hit {
  rule: StyleRule;
  menus: readonly string[];
}

/** What of a list of rules can beat Kamino's, and what those did that look no further than around a menu and into it. */
interface Strong {
  near: readonly StyleRule[];
  others: readonly StyleRule[];
  /** By all that they look at, as it is written. */
  known: Map<string, readonly Hit[]>;
}

const mostKnown = 400;

/** Gathers, page by page, the rules that beat Kamino's inside its menus: by an id, more classes or `!important`. */
export class Outranking {
  readonly #sheets: Sheets;
  readonly #beaten = new Map<string, { rule: StyleRule; pages: Set<string>; menus: Set<string> }>();
  readonly #strong = new WeakMap<readonly StyleRule[], Strong>();

  constructor(sheets: Sheets) {
    this.#sheets = sheets;
  }

  see({ frame, links }: FullPage, tree: Tree): void {
    if (!links.some(link => link.menu !== null)) return;
    const all = [...inMenus(tree)].map(([node, menu]) => ({ node, menu }));
    const seen = all.filter(({ menu }) => menu !== 'style' && menu !== 'script');
    const around = surroundings(tree, seen);
    const hits = (rules: readonly StyleRule[]): Hit[] =>
      rules.map(rule => ({ rule, menus: hitsOf(rule, tree, seen) })).filter(one => one.menus.length > 0);
    for (const rules of this.#sheets.ruleLists(frame.path, tree)) {
      const strong = this.#strongOf(rules);
      const near = strong.known.get(around) ?? hits(strong.near);
      if (strong.known.size >= mostKnown) strong.known.clear();
      strong.known.set(around, near);
      for (const { rule, menus } of [...near, ...hits(strong.others)]) this.#add(rule, frame.path, menus);
    }
  }

  #strongOf(rules: readonly StyleRule[]): Strong {
    const known = this.#strong.get(rules);
    if (known) return known;
    const strong = rules.filter(isStrong);
    const near = strong.filter(one => looksNear(one.selector));
    const made: Strong = { near, others: strong.filter(one => !near.includes(one)), known: new Map() };
    this.#strong.set(rules, made);
    return made;
  }

  /** What was gathered so far, for another gatherer. */
  get gathered(): Gathered[] {
    return [...this.#beaten.values()].map(({ rule, pages, menus }) => ({
      rule,
      pages: [...pages],
      menus: [...menus],
    }));
  }

  /** Takes up what another one has gathered in other pages. */
  take(gathered: readonly Gathered[]): void {
    for (const { rule, pages, menus } of gathered) for (const page of pages) this.#add(rule, page, menus);
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
    const key = ruleKey(rule);
    const told = this.#beaten.get(key) ?? { rule, pages: new Set<string>(), menus: new Set<string>() };
    // Whoever reads which page first, the first page that has it is told.
    if (rule.place.file < told.rule.place.file) told.rule = rule;
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

/** Whether a selector looks at an element and what it lies in alone: not at what stands beside it, or how much. */
function looksNear(selector: string): boolean {
  const plain = withoutPassing(selector).replace(/\[[^\]]*\]/g, '');
  const pseudo = [...plain.matchAll(/:+([\w-]+)/g)].map(match => match[1]!);
  return !/[+~\\]/.test(plain) && pseudo.every(name => ['not', 'is', 'where'].includes(name));
}

/** Menus with all that they lie in, as it is written. */
function surroundings(tree: Tree, seen: readonly { node: TreeNode; menu: string }[]): string {
  const tagOf = ({ start, open }: TreeNode): string => tree.raw.slice(Math.max(0, start), Math.max(0, open));
  const texts = [tagOf(tree.html), tagOf(tree.body)];
  for (const { node } of seen) {
    if (!node.isOurs) continue;
    for (let one: TreeNode | null = node.parent; one; one = one.parent) texts.push(tagOf(one));
    texts.push(tree.raw.slice(node.start, node.end < 0 ? node.open : node.end));
  }
  return texts.join('\n');
}

/** So few are asked one by one sooner than it is known what names the page has. */
const fewNodes = 30;

function hitsOf(
  { selector }: StyleRule,
  tree: Tree,
  nodes: readonly { node: TreeNode; menu: string }[],
): string[] {
  if (nodes.length > fewNodes && !mayMatch(tree, selector)) return [];
  const matches = ruleMatcher(tree, selector);
  return nodes.filter(({ node }) => matches(node)).map(({ menu }) => menu);
}
